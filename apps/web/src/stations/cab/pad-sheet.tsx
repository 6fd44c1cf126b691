import type { ReactNode } from 'react';
import { Button, Sheet } from '../../ui';

/** A sheet for one hand: what is asked on top, the pad under it, and the one large button at the bottom. */
export function PadSheet({
  title,
  button = 'Record it',
  disabled = false,
  onSubmit,
  onClose,
  children,
}: {
  title: string;
  button?: string;
  disabled?: boolean;
  onSubmit: () => void;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Sheet open title={title} onClose={onClose}>
      <form
        className="flex min-h-full flex-col gap-3 px-4 py-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          onSubmit();
        }}
      >
        {children}
        <Button look="do" type="submit" className="mt-auto !min-h-20 w-full !text-2xl" disabled={disabled}>
          {button}
        </Button>
      </form>
    </Sheet>
  );
}
