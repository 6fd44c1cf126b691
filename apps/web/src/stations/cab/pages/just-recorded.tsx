import { SEEN_SIGN, type TapeLine } from '@fanega/core';
import { Undo2 } from 'lucide-react';
import type { Farm } from '../../../data/farm';
import { Button } from '../../../ui';
import { headline } from '../../../widgets/headline';
import { grain, grainOf } from '../../../quantity/quantity';
import { clock } from '../../../quantity/time';
import { say } from '../../../words';

const SHOWN = 4;

/** Ten minutes to take a slip back: a void, as everything is. */
export function JustRecorded({
  farm,
  lines,
  unsent,
  onUndo,
}: {
  farm: Farm;
  lines: readonly TapeLine[];
  unsent: ReadonlySet<string>;
  onUndo: (line: TapeLine) => void;
}) {
  const { timeZone } = farm.data.farm;
  if (lines.length === 0) return null;
  return (
    <section aria-label={say('justRecorded')} className="mt-auto">
      <ul className="divide-y divide-rule border-y border-rule">
        {lines.slice(0, SHOWN).map((line) => {
          const { entry, wetKg, wetLots } = line;
          const moved = wetKg
            ? Object.keys(wetLots).length > 0
              ? grainOf(farm, wetLots)
              : grain(wetKg, farm.kgPerBu(undefined))
            : null;
          return (
            <li key={entry.id} className="flex min-h-16 items-center justify-between gap-3">
              <span className="min-w-0">
                <b className="block truncate">{headline(entry, farm)}</b>
                <span className="text-sm text-muted">
                  {clock(entry.at, timeZone)}
                  {moved === null ? '' : `, ${moved}`}
                  {entry.device?.startsWith(SEEN_SIGN) ? `, ${say('seenItself')}` : ''}
                  {unsent.has(entry.id) ? `, ${say('waits')}` : ''}
                </span>
              </span>
              <Button className="min-h-16 shrink-0" onClick={() => onUndo(line)}>
                <Undo2 size={20} aria-hidden="true" /> {say('undo')}
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
