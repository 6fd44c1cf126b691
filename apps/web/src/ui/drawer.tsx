import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A sheet over the page's right side; a wide one takes most of a screen that lies. */
export function Drawer({
  open,
  onClose,
  title,
  wide = false,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  wide?: boolean;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/35" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            // Straight to the first thing to fill in, not to the button that closes.
            const first = (event.currentTarget as HTMLElement | null)?.querySelector<HTMLElement>(
              'form select, form input:not([type=radio], [type=checkbox])',
            );
            if (!first) return;
            event.preventDefault();
            first.focus();
          }}
          className={`sheet-in fixed inset-y-0 right-0 z-40 flex w-full max-w-[30rem] flex-col border-l-2 border-ink bg-paper text-ink outline-none ${wide ? 'md:landscape:max-w-[56rem]' : ''}`}
        >
          <div className="flex items-center justify-between border-b border-ink px-5 py-3">
            <Dialog.Title className="text-xl font-bold">{title}</Dialog.Title>
            <Dialog.Close className="min-h-11 min-w-11 font-semibold underline decoration-rule underline-offset-4">
              Close
            </Dialog.Close>
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto">{children}</div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
