import { type Entry, inOrder, isEntryOf, living, type SeenLoadRecord, seenOf } from '@fanega/core';
import { ulid } from 'ulid';
import { type Farm, useHaulRecords, useJob, useRole } from '../data/farm';
import { write } from '../data/outbox';
import { bookCommand } from '../data/outbox/book-command';
import { takenBack } from '../data/records';
import { grain, scaleUnit, weightText } from '../quantity/quantity';
import { clock, momentTyped } from '../quantity/time';
import { Button } from '../ui';
import { toast } from '../ui/toast';
import { say } from '../words';
import { stamped, useRecorder } from './record';

/** The oldest first: what comes after it stands on it. */
const SHOWN = 4;

/** Loads that machines saw and are not sure of, and that nobody answered yet, the oldest first. */
export function useSeenLoads(farm: Farm, place: string | null): readonly SeenLoadRecord[] {
  const logs = useHaulRecords().data?.logs.seenLoad ?? [];
  return living<'seenLoad'>(logs)
    .map(({ body }) => body)
    .filter(({ machineId, from, to }) => place === null || [machineId, from, to].includes(place))
    .filter((load) => !farm.data.tape.some(({ entry }) => isEntryOf(seenOf(load), entry)))
    .sort((a, b) => inOrder(a.at, b.at));
}

/** One question for each load in doubt: the likely answer is a tap, another one is typed, or it was none. */
export default function SeenQuestions({
  farm,
  place,
  by = '',
  large = false,
  className = '',
}: {
  farm: Farm;
  place: string | null;
  by?: string;
  large?: boolean;
  className?: string;
}) {
  const [role, job] = [useRole(), useJob()];
  const recorder = useRecorder();
  const loads = useSeenLoads(farm, place);
  if (loads.length === 0 || job || role === 'viewer') return null;
  const { timeZone } = farm.data.farm;
  const last = farm.data.tape.find(({ entry, voided: gone }) => !gone && entry.type === 'harvest')?.entry;
  return (
    <section aria-label={say('seenAsk')} className={`border-y border-ink py-3 ${className}`}>
      <h2 className={large ? 'text-2xl' : 'text-xl'}>
        {say('seenAsk')}
        {loads.length > 1 ? ` (${loads.length})` : ''}
      </h2>
      <ul className="divide-y divide-rule">
        {loads.slice(0, SHOWN).map((load) => {
          const lot = load.lotId ?? (load.kind === 'cut' && last?.type === 'harvest' ? last.lot : undefined);
          const crop = load.kind === 'cut' ? farm.lot(lot ?? '')?.crop : farm.cropOf(farm.held(load.from ?? '').lots);
          const per = farm.kgPerBu(crop);
          const much = load.kg === undefined ? '' : grain(load.kg, per).text;
          const moisture = load.moisture ?? (last?.type === 'harvest' ? last.moisture : undefined);
          const words = say(load.kind === 'cut' ? 'seenCut' : load.kind === 'dump' ? 'seenDump' : 'seenYard', {
            machine: farm.placeName(load.machineId),
            much,
            place: load.to === undefined ? '' : farm.placeName(load.to),
            time: clock(load.at, timeZone),
          });
          const common = { id: ulid(), at: load.at, ...(by === '' ? {} : { by }), ...(load.kg === undefined ? {} : { wetKg: load.kg, method: 'cartScale' }) }; // prettier-ignore
          const guess: Entry | null =
            load.kind === 'cut'
              ? lot !== undefined && moisture !== undefined && load.kg !== undefined
                ? ({ ...common, type: 'harvest', lot, to: load.to ?? load.machineId, moisture } as Entry)
                : null
              : load.from !== undefined && load.to !== undefined
                ? ({ ...common, type: 'move', from: load.from, to: load.to, ...(load.emptied ? { emptied: true } : {}) } as Entry) // prettier-ignore
                : null;
          const way = guess === null ? '' : `${guess.type === 'harvest' ? (farm.lot(guess.lot)?.fieldName ?? '') : farm.placeName(load.from!)} → ${farm.placeName(load.to ?? load.machineId)}`; // prettier-ignore
          const size = large ? '!min-h-14' : '';
          return (
            <li key={load.id} className="py-2">
              <p className={large ? 'text-xl' : 'text-lg'}>
                {words}{' '}
                <span className="text-muted">{say(`seenWhy_${load.why.replaceAll(/[^a-z]+/g, '_')}` as never)}</span>
              </p>
              <p className="mt-1 flex flex-wrap gap-3">
                {guess && (
                  <Button
                    // In a cab one button is the large one, and this is none of the next load.
                    look={large ? 'plain' : 'do'}
                    className={size}
                    onClick={() =>
                      void write(farm.id, bookCommand(farm.id, [stamped(guess)]), `${way} ${much}`, {
                        wait: true,
                      }).then(() => toast(`${way} ${much}`))
                    }
                  >
                    {say('seenYes', { way })}
                  </Button>
                )}
                <Button
                  className={size}
                  onClick={() =>
                    recorder.open({
                      kind: load.kind === 'cut' ? 'harvest' : 'move',
                      ...(by === '' ? {} : { by }),
                      lot: load.kind === 'cut' ? (lot ?? '') : '',
                      from: load.kind === 'cut' ? '' : (load.from ?? load.machineId),
                      to: load.to ?? (load.kind === 'cut' ? load.machineId : ''),
                      ...(load.kg === undefined
                        ? {}
                        : { amount: 'net', weight: weightText(load.kg, scaleUnit()), unit: scaleUnit() }),
                      time: momentTyped(Date.parse(load.at), timeZone),
                    })
                  }
                >
                  {say('seenElse')}
                </Button>
                <Button
                  className={size}
                  onClick={() =>
                    void write(farm.id, takenBack(farm.id, 'seenLoad', load.id), say('seenNone'), { wait: true })
                  }
                >
                  {say('seenNone')}
                </Button>
              </p>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
