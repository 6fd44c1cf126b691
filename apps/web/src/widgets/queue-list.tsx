import { useState } from 'react';
import { ulid } from 'ulid';
import { useFarm } from '../data/farm';
import { dropAt, entriesOf, flush, tryAgain, type Waiting } from '../data/outbox';
import { isCorrection } from '../data/outbox/book-command';
import { Button } from '../ui';
import { Drawer } from '../ui/drawer';
import { clock, day } from '../quantity/time';
import { byTheFarm } from './by-the-farm';
import { useRecorder } from './record';
import { draftOf } from './record/draft';
import { say } from '../words';

/** What waits on this device, in the order in which it goes out. */
export default function QueueList({ own, onClose }: { own: readonly Waiting[]; onClose: () => void }) {
  return (
    <Drawer open title={say('waitingHere')} onClose={onClose}>
      <div className="space-y-4 px-5 py-4">
        <p className="text-muted">{say('keptHere')}</p>
        <ol className="divide-y divide-rule border-y border-rule" aria-label={say('queue')}>
          {own.map((item) => (
            <Item key={item.seq} item={item} onDone={onClose} />
          ))}
        </ol>
        <Button className="w-full" onClick={() => void flush()}>
          {say('tryNow')}
        </Button>
      </div>
    </Drawer>
  );
}

function Item({ item, onDone }: { item: Waiting; onDone: () => void }) {
  const farm = useFarm();
  const recorder = useRecorder();
  const [sure, setSure] = useState(false);
  const { timeZone } = farm.data.farm;
  // Of a correction it is the entry made again that can be changed once more.
  const entries = item.command.path.includes('/weigh-tickets') ? [] : entriesOf(item.command);
  const correction = isCorrection(entries);
  const entry = correction ? entries[1] : entries[0];
  const canCorrect =
    (correction || entries.length === 1) && entry !== undefined && entry.type !== 'void' && entry.type !== 'witness';
  return (
    <li className="py-3">
      <p className="font-semibold">{item.what}</p>
      <p className="text-sm text-muted">
        {day(byTheFarm(farm, item.since), timeZone)} {clock(byTheFarm(farm, item.since), timeZone)}
        {item.tries > 0 && item.refused === undefined
          ? `, ${say(item.tries === 1 ? 'triedOnce' : 'tried', { n: item.tries })}`
          : ''}
      </p>
      {item.refused !== undefined && (
        <>
          <p role="alert" className="font-semibold text-clay">
            ■ {say('bookRefuses', { why: item.refused })}
          </p>
          <div className="mt-2 flex flex-wrap gap-3">
            {canCorrect && (
              <Button
                onClick={() => {
                  onDone();
                  const [undone] = entries;
                  recorder.open({
                    ...draftOf(entry, ulid, farm),
                    replaces: correction && undone?.type === 'void' ? undone.voids : '',
                    id: ulid(),
                    queued: String(item.seq),
                  });
                }}
              >
                {say('correctIt')}
              </Button>
            )}
            <Button onClick={() => void tryAgain(item)}>{say('tryAgain')}</Button>
            <Button look="quiet" className="!px-0" onClick={() => (sure ? void dropAt(item.seq!) : setSure(true))}>
              {say(sure ? 'yesThrow' : 'throwAway')}
            </Button>
          </div>
        </>
      )}
    </li>
  );
}
