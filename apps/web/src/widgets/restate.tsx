import type { Entry, HarvestEntry } from '@fanega/core';
import { useState } from 'react';
import { toast } from '../ui/toast';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { bookCommand } from '../data/outbox/book-command';
import { useSend } from '../data/use-send';
import { Button, Problem } from '../ui';
import { Drawer } from '../ui/drawer';
import { mass, number } from '../quantity/quantity';
import { clock, day } from '../quantity/time';
import { Callout } from '../ui/callout';

/** Entries that go up at once; the server takes a thousand, and a void and its new entry must go together. */
const AT_ONCE = 400;

/** Each load is voided and made again with its figure times the factor: nothing is changed in silence, and all of it can be seen. */
export function Restate({
  farm,
  loads,
  mark,
  why,
  caution,
  onClose,
}: {
  farm: Farm;
  /** Each with what its figure is multiplied by. */
  loads: readonly { readonly entry: HarvestEntry; readonly kg: number; readonly factor: number }[];
  /** Begins the note of each new entry: it is not restated twice. */
  mark: string;
  /** Stands with the voids. */
  why: string;
  caution?: string | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const { timeZone } = farm.data.farm;
  // Made once: sent again over a broken line, they are the same entries.
  const [entries] = useState(() =>
    loads.flatMap(({ entry, kg, factor }) => {
      const now = new Date(farm.clock()).toISOString();
      const { id: old, recordedAt: _, device, by: __, ...rest } = entry;
      const note = `${mark}${mass(kg)} × ${number(factor, 4)}${entry.note ? `; ${entry.note}` : ''}`.slice(0, 500);
      return [
        { id: ulid(), type: 'void', at: now, voids: old, note: why },
        { ...rest, id: ulid(), wetKg: kg * factor, note, ...(device === undefined ? {} : { device }) },
      ];
    }),
  );
  const factors = loads.map(({ factor }) => factor);
  const [least, most] = [Math.min(...factors), Math.max(...factors)];
  const range =
    most - least < 5e-5 ? number(least, 4) : `${number(least, 4)} to ${number(most, 4)}, each by its own flow`;
  const restate = async (): Promise<void> => {
    const done = await sending.send(async () => {
      for (let i = 0; i < entries.length; i += AT_ONCE)
        await write(
          farm.id,
          bookCommand(farm.id, entries.slice(i, i + AT_ONCE) as Entry[]),
          `${loads.length} loads restated`,
        );
      return true;
    });
    if (!done) return;
    toast(`${loads.length} loads restated`);
    await refresh();
    onClose();
  };
  return (
    <Drawer open title="Restate loads" onClose={onClose}>
      <div className="space-y-4 px-5 py-4">
        <p>
          Each of these loads is voided and made again with its weight times <b>{range}</b>. The old entries stay
          visible, voided; the field&rsquo;s yield and all that was traced from it follow.
        </p>
        {caution && <Callout className="px-3 py-2">{caution}</Callout>}
        <ul className="divide-y divide-rule border-y border-rule">
          {loads.slice(0, 80).map(({ entry, kg, factor }) => (
            <li key={entry.id} className="flex justify-between gap-3 py-1.5">
              <span>
                {day(entry.at, timeZone)} {clock(entry.at, timeZone)}, {farm.tag(entry.lot)}
              </span>
              <span className="whitespace-nowrap">
                {mass.figure(kg)} → <b>{mass.figure(kg * factor)}</b> {mass.unit}
              </span>
            </li>
          ))}
          {loads.length > 80 && <li className="py-1.5 text-muted">and {loads.length - 80} more</li>}
        </ul>
        <Problem>{sending.message}</Problem>
        <Button look="do" className="min-h-14 w-full text-lg" disabled={sending.busy} onClick={() => void restate()}>
          Restate {loads.length} {loads.length === 1 ? 'load' : 'loads'} in the book
        </Button>
      </div>
    </Drawer>
  );
}
