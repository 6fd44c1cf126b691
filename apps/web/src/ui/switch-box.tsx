import { Switch } from 'radix-ui';
import { type ReactNode, useId } from 'react';

/** Something that is on or off from now on, with its words beside it; both are one target. `large` for a glove. */
export function SwitchBox({
  on,
  onChange,
  large = false,
  className = '',
  children,
}: {
  on: boolean;
  onChange: (on: boolean) => void;
  large?: boolean;
  className?: string;
  children: ReactNode;
}) {
  const id = useId();
  return (
    <div className={`flex items-center gap-3 ${large ? 'min-h-16' : 'min-h-11'} ${className}`}>
      <Switch.Root
        id={id}
        checked={on}
        onCheckedChange={onChange}
        className={`${large ? 'h-9 w-16' : 'h-7 w-12'} shrink-0 rounded-full border-2 border-ink p-0.5 data-[state=checked]:bg-ink`}
      >
        <Switch.Thumb
          className={`${large ? 'h-7 w-7 data-[state=checked]:translate-x-7' : 'h-5 w-5 data-[state=checked]:translate-x-5'} block rounded-full bg-ink data-[state=checked]:bg-paper`}
        />
      </Switch.Root>
      <label htmlFor={id} className="cursor-pointer">
        {children}
      </label>
    </div>
  );
}
