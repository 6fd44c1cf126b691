import { type ReactNode, useEffect } from 'react';
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
  onKnown,
}: {
  farm: Farm;
  placeId?: string;
  className?: string;
  link?: boolean;
  /** Stands there until it is known. */
  waiting: ReactNode;
  onKnown?: (stands: boolean) => void;
}) {
  const all = useDeadlines(farm);
  const first = all?.find((one) => placeId === undefined || one.placeId === placeId);
  const now = farm.clock();
  const stands = all === null ? null : first !== undefined && (first.dueMs === null || first.dueMs - now <= SOON_MS);
  useEffect(() => {
    if (stands !== null) onKnown?.(stands);
  }, [stands, onKnown]);
  if (stands === null) return waiting;
  if (!first || !stands) return null;
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
