import { CloudOff, TriangleAlert } from 'lucide-react';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useFarm } from '../data/farm';
import { dropAt, flush, tryAgain, useOutbox, type Waiting } from '../outbox';
import { isCorrection } from '../outbox/correction';
import { Button, Sheet } from '../ui';
import { draftOf, useRecorder } from '../record';
import { clock, day } from './time';

/** An instant of this device's clock, by the farm's. */
const byTheFarm = (farm: Farm, ms: number): number => ms + farm.clock() - Date.now();

/** How many entries wait on this device, since when; one tap shows them. Nothing while none waits. */
export function QueueBar() {
  const farm = useFarm();
  const { waiting } = useOutbox();
  const [open, setOpen] = useState(false);
  const own = waiting.filter((item) => item.farmId === farm.id);
  if (own.length === 0) return null;
  const refused = own.filter((item) => item.refused !== undefined).length;
  const Icon = refused > 0 ? TriangleAlert : CloudOff;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label="Entries that wait"
        className={`flex min-h-11 w-full items-center gap-2 border-t border-ink px-4 text-left font-semibold ${refused > 0 ? 'bg-clay text-on-clay' : 'bg-sand text-ink'}`}
      >
        <Icon size={18} className="shrink-0" aria-hidden="true" />
        {own.length === 1 ? '1 entry waits' : `${own.length} entries wait`} since {clock(byTheFarm(farm, own[0]!.since), farm.data.farm.timeZone)}
        {refused > 0 ? `; ${refused} refused: look` : ''}
      </button>
      <Sheet open={open} title="Waiting on this device" onClose={() => setOpen(false)}>
        <div className="space-y-4 px-5 py-4">
          <p className="text-muted">They are kept here over a reload and a flat battery, and go out in this order. None is doubled, however often it is tried.</p>
          <ol className="divide-y divide-rule border-y border-rule" aria-label="Queue">
            {own.map((item) => (
              <Item key={item.seq} item={item} onDone={() => setOpen(false)} />
            ))}
          </ol>
          <Button className="w-full" onClick={() => void flush()}>
            Try now
          </Button>
        </div>
      </Sheet>
    </>
  );
}

function Item({ item, onDone }: { item: Waiting; onDone: () => void }) {
  const farm = useFarm();
  const recorder = useRecorder();
  const [sure, setSure] = useState(false);
  const { timeZone } = farm.data.farm;
  // Of a correction it is the entry made again that can be changed once more.
  const correction = isCorrection(item.entries);
  const entry = correction ? item.entries[1] : item.entries[0];
  const canCorrect = (correction || item.entries.length === 1) && entry !== undefined && entry.type !== 'void' && entry.type !== 'witness';
  return (
    <li className="py-3">
      <p className="font-semibold">{item.what}</p>
      <p className="text-sm text-muted">
        {day(byTheFarm(farm, item.since), timeZone)} {clock(byTheFarm(farm, item.since), timeZone)}
        {item.tries > 0 && item.refused === undefined ? `, tried ${item.tries} ${item.tries === 1 ? 'time' : 'times'}` : ''}
      </p>
      {item.refused !== undefined && (
        <>
          <p role="alert" className="font-semibold text-clay">
            ■ The book refuses it: {item.refused}
          </p>
          <div className="mt-2 flex flex-wrap gap-3">
            {canCorrect && (
              <Button
                onClick={() => {
                  onDone();
                  const [undone] = item.entries;
                  recorder.open({ ...draftOf(entry, ulid, timeZone), replaces: correction && undone?.type === 'void' ? undone.voids : '', id: ulid(), queued: String(item.seq) });
                }}
              >
                Correct it
              </Button>
            )}
            <Button onClick={() => void tryAgain(item)}>Try it again</Button>
            <Button look="quiet" className="!px-0" onClick={() => (sure ? void dropAt(item.seq!) : setSure(true))}>
              {sure ? 'Yes, throw it away' : 'Throw it away'}
            </Button>
          </div>
        </>
      )}
    </li>
  );
}
