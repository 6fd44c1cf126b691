import { Check } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { type ReactNode, useId } from 'react';

/** A box to tick with its words beside it; both are one target. `large` for a glove. */
export function CheckBox({
  checked,
  onChange,
  large = false,
  className = '',
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  large?: boolean;
  className?: string;
  children: ReactNode;
}) {
  const id = useId();
  const size = large ? 28 : 22;
  return (
    <div className={`flex items-center gap-3 ${large ? 'min-h-16' : 'min-h-11'} ${className}`}>
      <Checkbox.Root
        id={id}
        checked={checked}
        onCheckedChange={(on) => onChange(on === true)}
        style={{ width: size, height: size }}
        className="flex shrink-0 items-center justify-center rounded-[3px] border-2 border-ink data-[state=checked]:bg-ink data-[state=checked]:text-paper"
      >
        <Checkbox.Indicator>
          <Check size={size - 6} strokeWidth={3} aria-hidden="true" />
        </Checkbox.Indicator>
      </Checkbox.Root>
      <label htmlFor={id} className="cursor-pointer">
        {children}
      </label>
    </div>
  );
}
