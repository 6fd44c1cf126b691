import { Loader2, TriangleAlert, WifiOff } from 'lucide-react';
import type { ButtonHTMLAttributes, InputHTMLAttributes, ReactNode, Ref, SelectHTMLAttributes } from 'react';
import { useId } from 'react';

const join = (...parts: (string | false | undefined)[]): string => parts.filter(Boolean).join(' ');

/** `do` is the one thing to do next; there is one of it on a screen. */
export function Button({
  look = 'plain',
  className,
  ...props
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: 'do' | 'plain' | 'quiet' }) {
  return (
    <button
      type="button"
      {...props}
      className={join(
        'inline-flex min-h-11 items-center justify-center gap-2 rounded-[3px] px-4 text-base font-semibold disabled:opacity-45',
        look === 'do' && 'bg-clay text-on-clay',
        look === 'plain' && 'border border-ink bg-transparent text-ink hover:bg-sand',
        look === 'quiet' && 'text-ink underline decoration-rule underline-offset-4 hover:decoration-ink',
        className,
      )}
    />
  );
}

const BOX =
  'min-h-11 w-full rounded-[3px] border border-ink px-3 text-lg aria-[invalid=true]:border-2 aria-[invalid=true]:border-clay';

/** A labelled control with its error at its place. */
export function Labelled({
  label,
  error,
  hint,
  children,
}: {
  label: string;
  error?: string | undefined;
  hint?: string | undefined;
  children: (props: { id: string; 'aria-invalid': boolean; 'aria-describedby'?: string }) => ReactNode;
}) {
  const id = useId();
  const note = error ?? hint;
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-1 block text-sm font-semibold">
        {label}
      </label>
      {children({ id, 'aria-invalid': error !== undefined, ...(note ? { 'aria-describedby': `${id}-note` } : {}) })}
      {note && (
        <p
          id={`${id}-note`}
          role={error ? 'alert' : undefined}
          className={join('mt-1 text-sm', error ? 'font-semibold text-clay' : 'text-muted')}
        >
          {error && <TriangleAlert size={14} className="mr-1 inline align-[-0.1em]" aria-hidden="true" />}
          {note}
        </p>
      )}
    </div>
  );
}

export function TextBox({
  label,
  error,
  hint,
  unit,
  beside,
  ...props
}: InputHTMLAttributes<HTMLInputElement> & {
  label: string;
  error?: string | undefined;
  hint?: string | undefined;
  unit?: string | undefined;
  ref?: Ref<HTMLInputElement>;
  /** Stands in the box at its right. */
  beside?: ReactNode;
}) {
  return (
    <Labelled label={label} error={error} hint={hint}>
      {(aria) => (
        <div className="relative">
          <input {...aria} {...props} className={join(BOX, (unit !== undefined || beside !== undefined) && 'pr-12')} />
          {beside}
          {unit && (
            <span className="pointer-events-none absolute inset-y-0 right-3 flex items-center text-muted">{unit}</span>
          )}
        </div>
      )}
    </Labelled>
  );
}

/**
 * One of a list. The browser's own box: a phone opens its own large list over it, which gloves know, and a keyboard types into it; a list of
 * ours would be a smaller one.
 */
export function SelectBox({
  label,
  error,
  hint,
  children,
  ...props
}: SelectHTMLAttributes<HTMLSelectElement> & {
  label: string;
  error?: string | undefined;
  hint?: string | undefined;
  ref?: Ref<HTMLSelectElement>;
}) {
  return (
    <Labelled label={label} error={error} hint={hint}>
      {(aria) => (
        <select {...aria} {...props} className={BOX}>
          {children}
        </select>
      )}
    </Labelled>
  );
}

export interface Choice<T extends string> {
  readonly value: T;
  readonly label: string;
}

/** A few choices side by side; arrow keys move between them. */
export function Choices<T extends string>({
  label,
  value,
  onChange,
  choices,
  hidden,
}: {
  label: string;
  value: T;
  onChange: (value: T) => void;
  choices: readonly Choice<T>[];
  hidden?: boolean;
}) {
  const name = useId();
  return (
    <fieldset className="min-w-0">
      <legend className={hidden ? 'sr-only' : 'mb-1 text-sm font-semibold'}>{label}</legend>
      <div className="flex border border-ink">
        {choices.map((choice) => (
          <label
            key={choice.value}
            className="relative flex min-h-11 flex-1 cursor-pointer items-center justify-center border-r border-rule px-2 text-center text-sm leading-tight font-semibold last:border-r-0 has-checked:bg-ink has-checked:text-paper has-focus-visible:outline-3 has-focus-visible:outline-clay"
          >
            <input
              type="radio"
              name={name}
              value={choice.value}
              checked={value === choice.value}
              onChange={() => onChange(choice.value)}
              className="sr-only"
            />
            {choice.label}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** What was refused, in words; nothing where nothing was. */
export function Problem({ children, className }: { children: ReactNode; className?: string }) {
  if (!children) return null;
  return (
    <p role="alert" className={join('font-semibold text-clay', className)}>
      {children}
    </p>
  );
}

export function Loading({ what }: { what: string }) {
  return (
    <p role="status" className="flex items-center gap-3 p-6 text-muted">
      <Loader2 size={18} className="animate-spin" aria-hidden="true" /> {what}
    </p>
  );
}

/** Nothing is there yet: says what will be, and how to begin. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="max-w-xl p-6">
      <h2 className="text-xl">{title}</h2>
      <div className="mt-2 space-y-3 text-muted">{children}</div>
    </div>
  );
}

export function Failure({
  message,
  unreachable,
  onRetry,
}: {
  message: string;
  unreachable?: boolean;
  onRetry?: () => void;
}) {
  const Icon = unreachable ? WifiOff : TriangleAlert;
  return (
    <div role="alert" className="max-w-xl p-6">
      <h2 className="flex items-center gap-2 text-xl">
        <Icon size={20} aria-hidden="true" /> {unreachable ? 'No signal' : 'This did not work'}
      </h2>
      <p className="mt-2">{message}</p>
      {onRetry && (
        <Button className="mt-4" onClick={onRetry}>
          Try again
        </Button>
      )}
    </div>
  );
}
