import { Suspense } from 'react';
import type { Farm } from '../data/farm';
import { lazily } from '../ui/lazily';

// The science of keeping comes after the page.
const NearestDeadline = lazily(() => import('./nearest-deadline'), true);
/** About what is wet on any farm, wet-basis fraction. */
const WET = 0.155;
/** Whether it stood there when this device last looked; where a page opens, the best guess that it will. */
const STOOD = 'fanega.deadline-line';
const keepStood = (stands: boolean): void => localStorage.setItem(STOOD, stands ? 'yes' : 'no');

/** The nearest deadline of wet grain, in one line; of one place where somebody sits in it. Nothing while all keeps for days. */
export function DeadlineLine({
  farm,
  placeId,
  className = '',
  link = false,
}: {
  farm: Farm;
  placeId?: string;
  className?: string;
  link?: boolean;
}) {
  // Its room is kept where it will likely stand: what comes late moves nothing.
  const stood = localStorage.getItem(STOOD);
  const likely =
    link &&
    (stood === null
      ? farm.data.places.some(({ id, kind }) => kind !== 'buyer' && (farm.held(id).moisture ?? 0) > WET)
      : stood === 'yes');
  const tall = link ? 'flex min-h-20 items-center lg:min-h-14' : '';
  const waiting = likely ? <p className={`${className} ${tall}`} aria-hidden="true" /> : null;
  return (
    <Suspense fallback={waiting}>
      <NearestDeadline
        farm={farm}
        {...(placeId === undefined ? {} : { placeId })}
        className={`${className} ${tall}`}
        link={link}
        waiting={waiting}
        {...(link ? { onKnown: keepStood } : {})}
      />
    </Suspense>
  );
}
