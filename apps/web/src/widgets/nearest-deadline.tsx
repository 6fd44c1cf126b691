import type { ReactNode } from 'react';
import { Link } from 'react-router';
import type { Farm } from '../data/farm';
import { DAY_MS, soon } from '../quantity/time';
import { say } from '../words';
import { useDeadlines } from './use-deadlines';

/** Nobody worries today about what keeps longer. */
const SOON_MS = 3 * DAY_MS;

/** The nearest deadline of wet grain, in one line; of one place where somebody sits in it. Nothing while all keeps for days. */
export default function NearestDeadline({
  farm,
  placeId,
  className = '',
  link = false,
  waiting,
}: {
  farm: Farm;
  placeId?: string;
  className?: string;
  link?: boolean;
  /** Stands there until it is known. */
  waiting: ReactNode;
}) {
  const all = useDeadlines(farm);
  if (all === null) return waiting;
  const first = all.find((one) => placeId === undefined || one.placeId === placeId);
  if (!first) return null;
  const now = farm.clock();
  if (first.dueMs !== null && first.dueMs - now > SOON_MS) return null;
  const { timeZone } = farm.data.farm;
  const place = farm.placeName(first.placeId);
  const words =
    first.dueMs === null || first.dueMs <= now
      ? say('deadlineNow', { place })
      : say('deadline', {
          place,
          time: soon(first.dueMs, now, timeZone),
        });
  return (
    <p className={className}>
      {link ? (
        <Link className="underline decoration-rule underline-offset-4" to="/dry/deadlines">
          ■ {words}
        </Link>
      ) : (
        <b>■ {words}</b>
      )}
    </p>
  );
}
