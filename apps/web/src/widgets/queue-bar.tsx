import { CloudOff, TriangleAlert } from 'lucide-react';
import { lazy, type ReactNode, Suspense, useEffect, useState } from 'react';
import { useFarm } from '../data/farm';
import { useOutbox } from '../data/outbox';
import { clock } from '../quantity/time';
import { byTheFarm } from './by-the-farm';
import { sayInFrame as say } from '../words/frame';

const QueueList = lazy(() => import('./queue-list'));

/** On a good line an entry is gone sooner: a bar that came and went would only move the page under somebody's hand. */
const LATE_MS = 1500;

/**
 * How many entries wait on this device, since when; one tap shows them.
 * @param none stands in its place while none waits: its room is kept, and it comes at once; without it there is nothing, and it comes late
 */
export function QueueBar({ none }: { none?: ReactNode }) {
  const roomy = none !== undefined;
  const farm = useFarm();
  const { waiting } = useOutbox();
  const [open, setOpen] = useState(false);
  const own = waiting.filter((item) => item.farmId === farm.id);
  const refused = own.filter((item) => item.refused !== undefined).length;
  const late = useLasting(own.length > 0);
  if (own.length === 0 || !(late || roomy || refused > 0)) return none ?? null;
  const Icon = refused > 0 ? TriangleAlert : CloudOff;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={say('entriesWait')}
        className={`flex items-center gap-2 px-4 text-left font-semibold ${roomy ? 'flex-1' : 'min-h-11 w-full border-t border-ink'} ${refused > 0 ? 'bg-clay text-on-clay' : 'bg-sand text-ink'}`}
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

/** True once something has been so for a moment. */
function useLasting(so: boolean): boolean {
  const [lasting, setLasting] = useState(false);
  useEffect(() => {
    if (!so) return setLasting(false);
    const timer = setTimeout(() => setLasting(true), LATE_MS);
    return () => clearTimeout(timer);
  }, [so]);
  return so && lasting;
}
