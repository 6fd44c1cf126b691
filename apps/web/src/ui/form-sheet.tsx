import type { ReactNode } from 'react';
import { Button, Problem, Sheet } from './index';

/** A form on a sheet: its boxes, what was refused, and the one button that sends it. Enter sends it too. */
export function FormSheet({
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
  return (
    <Sheet open title={title} onClose={onClose}>
      <form
        className="space-y-4 px-5 py-4"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void onSubmit();
        }}
      >
        {children}
        <Problem>{problem}</Problem>
        <Button look="do" type="submit" className="min-h-14 w-full text-lg" disabled={busy}>
          {button}
        </Button>
        {after}
      </form>
    </Sheet>
  );
}
