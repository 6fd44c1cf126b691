import type { PlaceInfo } from '@fanega/core';
import type { ReactNode } from 'react';
import type { Command } from '../../../data/api';
import type { Farm } from '../../../data/farm';
import { Button, Problem } from '../../../ui';
import { Drawer } from '../../../ui/drawer';
import { NumberPad } from '../../../widgets/number-pad';
import { say } from '../../../words';

/** What a sheet of the cab is given that writes something down beside the book. */
export interface PadGiven {
  readonly farm: Farm;
  readonly onClose: () => void;
  readonly onKeep: (command: Command, what: string) => void;
}
/** The same of the machine that one sits in. */
export interface MachinePadGiven extends PadGiven {
  readonly me: PlaceInfo;
}

/**
 * A sheet for one hand: what is asked on top, the pad under it (beside it on a screen that lies), and the one large button at the end.
 * Boxes that the pad fills have `inputMode="none"`: the phone's own keyboard would cover it.
 */
export function PadDrawer({
  title,
  button = say('recordIt'),
  disabled = false,
  onKey,
  below,
  form,
  children,
}: {
  title: string;
  button?: string;
  disabled?: boolean;
  /** A key of the pad; without it there is none. */
  onKey?: (key: string) => void;
  /** Under the pad. */
  below?: ReactNode;
  form: { readonly submit: () => Promise<void>; readonly problem: string | undefined; readonly close: () => void };
  children: ReactNode;
}) {
  return (
    <Drawer open wide={onKey !== undefined} title={title} onClose={form.close}>
      <form
        className={`flex min-h-full flex-col gap-3 px-4 py-3 ${onKey ? 'md:landscape:grid md:landscape:grid-cols-2 md:landscape:gap-6' : ''}`}
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void form.submit();
        }}
      >
        <div className="flex flex-col gap-3">{children}</div>
        <div className="flex flex-1 flex-col gap-3">
          {onKey && <NumberPad onKey={onKey} />}
          <Problem>{form.problem}</Problem>
          {below}
          <Button look="do" type="submit" className="mt-auto !min-h-20 w-full !text-2xl" disabled={disabled}>
            {button}
          </Button>
        </div>
      </form>
    </Drawer>
  );
}
