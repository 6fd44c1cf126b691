import type { CurveLoad } from '@fanega/core';
import { toast } from '../ui/toast';
import { ulid } from 'ulid';
import type { Farm } from '../data/farm';
import { divided } from './live-weight';
import { write } from '../data/outbox';
import { bookCommand } from '../data/outbox/book-command';
import { stamped } from './record';
import { Button } from '../ui';
import { grain, percent } from '../quantity/quantity';
import { clock } from '../quantity/time';
import { say } from '../words';

/** A scale that came down to this is empty; what sticks is swept out another day. */
const EMPTY_KG = 120;

/** Loads that a scale saw and nobody recorded yet: one tap each. Which field and which truck comes from what was done last. */
export function OfferedLoads({
  farm,
  placeId,
  loads,
  by,
}: {
  farm: Farm;
  placeId: string | undefined;
  loads: readonly CurveLoad[];
  by: string;
}) {
  if (placeId === undefined || loads.length === 0) return null;
  const { timeZone } = farm.data.farm;
  const last = farm.data.tape.flatMap(({ entry, voided }) => (!voided && entry.type === 'harvest' ? [entry] : []))[0];
  const room = (id: string): number => (farm.place(id)?.capacityBu ?? Infinity) - farm.bushels(farm.held(id).wetLots);
  const crop = farm.cropOf(farm.held(placeId).lots) ?? farm.lot(last?.lot ?? '')?.crop;
  const trucks = farm.data.places
    .filter((place) => place.kind === 'truck' && room(place.id) > 20)
    .filter((place) => [undefined, crop].includes(farm.cropOf(farm.held(place.id).lots)))
    .sort((a, b) => room(a.id) - room(b.id));
  const record = async (load: CurveLoad, entry: object, what: string): Promise<void> => {
    const at = new Date(Math.min(load.toMs, farm.clock())).toISOString();
    await write(
      farm.id,
      bookCommand(farm.id, [stamped({ id: ulid(), at, by, method: 'cartScale', wetKg: load.kg, ...entry } as never)]),
      what,
      { wait: true },
    );
    toast(what);
  };
  return (
    <section aria-label={say('seenByScale')} className="mt-4">
      <h3 className="text-sm text-muted">{say('seenNotBook')}</h3>
      <ul>
        {loads.slice(-3).map((load) => {
          const weighed = grain(load.kg, farm.kgPerBu(crop));
          if (load.kind === 'loaded') {
            // Out of a tank that the book has about as much in, and off the field that was cut last: the likelier one first.
            const tank = farm.data.places.find(
              ({ id, kind }) =>
                kind === 'combine' && load.kg > 0.6 * farm.held(id).wetKg && load.kg < 1.4 * farm.held(id).wetKg,
            );
            const choices = [
              ...(tank
                ? [
                    {
                      what: `${tank.name} → ${farm.placeName(placeId)}, ${weighed}`,
                      entry: { type: 'move', from: tank.id, to: placeId },
                    },
                  ]
                : []),
              ...(last
                ? [
                    {
                      what: `${farm.lot(last.lot)?.fieldName ?? '?'} → ${farm.placeName(placeId)}, ${weighed} at ${percent(last.moisture)}`,
                      entry: { type: 'harvest', lot: last.lot, to: placeId, moisture: last.moisture },
                    },
                  ]
                : []),
            ];
            return (
              <li key={load.toMs} className="border-b border-rule py-2">
                <p className="text-sm">
                  {say('cameOn', {
                    from: clock(load.fromMs, timeZone),
                    to: clock(load.toMs, timeZone),
                    much: divided(load.kg).text,
                  })}
                </p>
                {choices.map(({ what, entry }, i) => (
                  <Button
                    key={what}
                    look={i === 0 ? 'do' : 'plain'}
                    className="mt-1 min-h-16 w-full !text-lg"
                    onClick={() => void record(load, entry, what)}
                  >
                    {what}
                  </Button>
                ))}
                {choices.length === 0 && <p className="text-muted">{say('firstByHand')}</p>}
              </li>
            );
          }
          return (
            <li key={load.toMs} className="border-b border-rule py-2">
              <p className="text-sm">
                {say('wentOff', {
                  from: clock(load.fromMs, timeZone),
                  to: clock(load.toMs, timeZone),
                  much: divided(load.kg).text,
                })}
              </p>
              {trucks.slice(0, 2).map((truck, i) => {
                const what = `${farm.placeName(placeId)} → ${truck.name}, ${weighed}`;
                return (
                  <Button
                    key={truck.id}
                    look={i === 0 ? 'do' : 'plain'}
                    className="mt-1 min-h-16 w-full !text-lg"
                    onClick={() =>
                      void record(
                        load,
                        {
                          type: 'move',
                          from: placeId,
                          to: truck.id,
                          ...(load.afterKg < EMPTY_KG ? { emptied: true } : {}),
                        },
                        what,
                      )
                    }
                  >
                    {what}
                  </Button>
                );
              })}
              {trucks.length === 0 && <p className="text-muted">{say('noTruckRoom')}</p>}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
