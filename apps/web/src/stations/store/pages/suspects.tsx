import { cropOf, loadsThatFit, type TapeCheck, type TapeLine } from '@fanega/core';
import { lazy, Suspense, useState } from 'react';
import type { Farm } from '../../../data/farm';
import { grain, percent } from '../../../quantity/quantity';
import { DAY_MS, moment } from '../../../quantity/time';
import { Loading } from '../../../ui';

const EntryDrawer = lazy(async () => ({ default: (await import('../../../widgets/entry-drawer')).EntryDrawer }));

const KINDS = ['bin', 'wetBin', 'overhead'];
/** Loads that may have been booked to a wrong bin: of the last days. */
const LATELY_MS = 4 * DAY_MS;

/** Loads as heavy as what is too much or too little, each with the way to correct it. */
export function Suspects({
  farm,
  binId,
  found,
  per,
  again = 'then the tape is checked against the book again',
}: {
  farm: Farm;
  binId: string;
  found: Pick<TapeCheck, 'answer' | 'differenceKg' | 'errorKg'>;
  per: number;
  /** What happens when it is corrected. */
  again?: string;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const into = (line: TapeLine): string | null =>
    line.entry.type === 'move' && !line.voided && line.wetKg !== null && line.wetKg > 0 ? line.entry.to : null;
  const recent = farm.data.tape.filter(({ entry }) => farm.clock() - Date.parse(entry.at) < LATELY_MS);
  // More than the book: booked to another standing place. Less: booked here, and lying there.
  const booked = recent.flatMap((line) => {
    const to = into(line);
    const place = to === null ? undefined : farm.place(to);
    const fits = found.answer === 'more' ? place && place.id !== binId && KINDS.includes(place.kind) : to === binId;
    return fits && place
      ? [{ id: line.entry.id, kg: line.wetKg!, at: line.entry.at, to: place.name, crop: farm.cropOf(line.wetLots) }]
      : [];
  });
  const loads = loadsThatFit(Math.abs(found.differenceKg), found.errorKg, booked);
  if (loads.length === 0) return null;
  const there = farm.cropOf(farm.held(binId).lots);
  return (
    <section aria-label="Loads that would explain it">
      <h3 className="font-semibold">
        {found.answer === 'more'
          ? 'Booked to another bin, as heavy as that: did they go here?'
          : 'Booked to this bin, as heavy as that: did they go elsewhere?'}
      </h3>
      <ul className="divide-y divide-rule border-y border-rule">
        {loads.map((load) => (
          <li key={load.id}>
            <button
              type="button"
              className="flex min-h-12 w-full flex-wrap items-center justify-between gap-x-4 text-left"
              onClick={() => setOpen(load.id)}
            >
              <span>
                {moment(load.at, farm.data.farm.timeZone)}, to {load.to}
                {there !== undefined && load.crop !== undefined && load.crop !== there && found.answer === 'more' && (
                  <b className="block text-clay">
                    ■ {cropOf(load.crop)?.short} in {cropOf(there)?.short}:{' '}
                    {percent(load.kg / (farm.held(binId).wetKg + load.kg))} of that bin is no {cropOf(there)?.short} any
                    more. Nothing more goes in before it is drawn off.
                  </b>
                )}
              </span>
              <b>{grain(load.kg, per).text}</b>
            </button>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-sm text-muted">Open one to correct where it went; {again}.</p>
      {open && (
        <Suspense fallback={<Loading what="Opening" />}>
          <EntryDrawer entryId={open} onClose={() => setOpen(null)} />
        </Suspense>
      )}
    </section>
  );
}
