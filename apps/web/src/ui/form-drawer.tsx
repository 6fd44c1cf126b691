import { type ReactNode, useEffect, useRef, useState } from 'react';
import { Button, Problem } from '.';
import { Drawer } from './drawer';

/** Boxes of a form that something is wrong with, by their names, in their order. */
const wrongBoxes = (form: HTMLFormElement): HTMLElement[] => [
  ...form.querySelectorAll<HTMLElement>('[aria-invalid="true"]'),
];
const nameOf = (box: HTMLElement): string =>
  box.getAttribute('aria-label') ?? (box as HTMLInputElement).labels?.[0]?.textContent ?? '';

/** A form on a sheet: its boxes, what was refused, and the one button that sends it. Enter sends it too. What is wrong stands at its box and once more above the button, and the first of it is gone to. */
export function FormDrawer({
  title,
  button,
  busy = false,
  problem,
  onSubmit,
  onClose,
  children,
  after,
}: {
  title: string;
  button: string;
  busy?: boolean;
  problem?: string | null;
  onSubmit: () => unknown;
  onClose: () => void;
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
    <Drawer open title={title} onClose={onClose}>
      <form
        ref={form}
        className="space-y-4 px-5 py-4"
        noValidate
        onChange={() => setWrong([])}
        onSubmit={(event) => {
          event.preventDefault();
          void Promise.resolve(onSubmit()).finally(() => setTried((times) => times + 1));
        }}
      >
        {children}
        {wrong.length > 1 && (
          <p role="status" className="font-semibold text-clay">
            {wrong.length} boxes need a look: {wrong.join(', ')}.
          </p>
        )}
        <Problem>{problem}</Problem>
        <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={busy}>
          {button}
        </Button>
        {after}
      </form>
    </Drawer>
  );
}
