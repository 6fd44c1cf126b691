import { CloudOff, TriangleAlert } from 'lucide-react';
import { lazy, Suspense, useState } from 'react';
import { useFarm } from '../data/farm';
import { useOutbox } from '../data/outbox';
import { clock } from '../quantity/time';
import { byTheFarm } from './by-the-farm';
import { sayInFrame as say } from '../words/frame';

const QueueList = lazy(() => import('./queue-list'));

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
        aria-label={say('entriesWait')}
        className={`flex min-h-11 w-full items-center gap-2 border-t border-ink px-4 text-left font-semibold ${refused > 0 ? 'bg-clay text-on-clay' : 'bg-sand text-ink'}`}
      >
        <Icon size={18} className="shrink-0" aria-hidden="true" />
        {say(own.length === 1 ? 'oneWaits' : 'manyWait', {
          n: own.length,
          time: clock(byTheFarm(farm, own[0]!.since), farm.data.farm.timeZone),
        })}
        {refused > 0 ? say('refusedLook', { n: refused }) : ''}
      </button>
      {open && (
        <Suspense fallback={null}>
          <QueueList own={own} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
