import { dayAfter, fromWallTime, inOrder, toWallTime } from '../kernel/index.js';
import type { PartsCounter } from '../records/index.js';

/** Where a parts counter stands just now. */
export interface CounterNow {
  readonly counter: PartsCounter;
  /** It serves now; until then. */
  readonly openUntilMs: number | null;
  /** Leave by then to be there before it closes; null while it is closed. */
  readonly leaveByMs: number | null;
  /** It opens then, within a week; null while it is open, or where it never does. */
  readonly opensMs: number | null;
}

/** Minute of the day as a wall time of a day. */
const wallAt = (day: string, hour: number): string => {
  const minute = Math.min(1439, Math.round(60 * hour));
  return `${day}T${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
};

/** Hours of a weekday, 0 Sunday to 6 Saturday; null where it is shut. */
function hoursOn(counter: PartsCounter, weekday: number): { readonly opens: number; readonly closes: number } | null {
  const [opens, closes] =
    weekday === 0
      ? [counter.sundayOpens, counter.sundayCloses]
      : weekday === 6
        ? [counter.saturdayOpens, counter.saturdayCloses]
        : [counter.opens, counter.closes];
  return opens === undefined || closes === undefined || closes <= opens ? null : { opens, closes };
}

/** Parts counters as they stand now: the open ones first, the one that closes soonest on top; then those that open next. */
export function countersNow(counters: readonly PartsCounter[], now: number, timeZone: string): CounterNow[] {
  const today = toWallTime(now, timeZone).slice(0, 10);
  const weekday = new Date(`${today}T00:00:00Z`).getUTCDay();
  return counters
    .map((counter): CounterNow => {
      for (let ahead = 0; ahead < 8; ahead++) {
        const hours = hoursOn(counter, (weekday + ahead) % 7);
        if (!hours) continue;
        const day = dayAfter(today, ahead);
        const [opens, closes] = [hours.opens, hours.closes].map((hour) => fromWallTime(wallAt(day, hour), timeZone));
        if (now >= closes!) continue;
        if (now >= opens!)
          return {
            counter,
            openUntilMs: closes!,
            leaveByMs: closes! - counter.roadMin * 60_000,
            opensMs: null,
          };
        return { counter, openUntilMs: null, leaveByMs: null, opensMs: opens! };
      }
      return { counter, openUntilMs: null, leaveByMs: null, opensMs: null };
    })
    .sort(
      (a, b) =>
        (a.openUntilMs ?? Infinity) - (b.openUntilMs ?? Infinity) ||
        (a.opensMs ?? Infinity) - (b.opensMs ?? Infinity) ||
        inOrder(a.counter.name, b.counter.name),
    );
}
