import { type ReactNode, useEffect, useRef, useState } from 'react';
import { Button, Problem } from '..';

/** What a form wants of `useFields`. */
export interface Sendable {
  readonly submit: () => Promise<void>;
  readonly busy: boolean;
  readonly problem: string | undefined;
}

/** Boxes of a form that something is wrong with, by their names, in their order. */
const wrongBoxes = (form: HTMLFormElement): HTMLElement[] => [
  ...form.querySelectorAll<HTMLElement>('[aria-invalid="true"]'),
];
const nameOf = (box: HTMLElement): string =>
  box.getAttribute('aria-label') ?? (box as HTMLInputElement).labels?.[0]?.textContent ?? '';

/** Boxes, what was refused, and the one button that sends them. Enter sends too. What is wrong stands at its box and once more above the button, and the first of it is gone to. */
export function Form({
  form: { submit, busy, problem },
  button,
  label,
  small = false,
  className = 'space-y-4 px-5 py-4',
  children,
  after,
}: {
  form: Sendable;
  button: string;
  /** Its name, where it has no heading of its own. */
  label?: string;
  /** The button is one among others of its page. */
  small?: boolean;
  className?: string;
  children: ReactNode;
  /** Stands under the button. */
  after?: ReactNode;
}) {
  const form = useRef<HTMLFormElement>(null);
  const [wrong, setWrong] = useState<readonly string[]>([]);
  const [tried, setTried] = useState(0);
  // Boxes know what is wrong with them a render after the try.
  useEffect(() => {
    if (tried === 0 || !form.current) return;
    const boxes = wrongBoxes(form.current);
    setWrong(boxes.map(nameOf));
    boxes[0]?.focus();
  }, [tried]);
  return (
    <form
      ref={form}
      aria-label={label}
      className={className}
      noValidate
      onChange={() => setWrong([])}
      onSubmit={(event) => {
        event.preventDefault();
        void submit().finally(() => setTried((times) => times + 1));
      }}
    >
      {children}
      {wrong.length > 1 && (
        <p role="status" className="font-semibold text-clay">
          {wrong.length} boxes need a look: {wrong.join(', ')}.
        </p>
      )}
      <Problem>{problem}</Problem>
      <Button
        look={small ? 'plain' : 'do'}
        type="submit"
        className={small ? '' : 'min-h-14 w-full text-lg'}
        disabled={busy}
      >
        {button}
      </Button>
      {after}
    </form>
  );
}
