import { Eye, EyeOff } from 'lucide-react';
import { type ComponentProps, useState } from 'react';
import { TextBox } from '../../ui';

/** A password, which may be looked at while it is typed. */
export function PasswordBox(props: ComponentProps<typeof TextBox>) {
  const [shown, setShown] = useState(false);
  const Icon = shown ? EyeOff : Eye;
  return (
    <TextBox
      type={shown ? 'text' : 'password'}
      autoCapitalize="none"
      spellCheck={false}
      beside={
        <button
          type="button"
          aria-label={shown ? 'Hide what is typed' : 'Show what is typed'}
          aria-pressed={shown}
          onClick={() => setShown(!shown)}
          className="absolute inset-y-0 right-0 flex w-12 items-center justify-center"
        >
          <Icon size={20} aria-hidden="true" />
        </button>
      }
      {...props}
    />
  );
}
