// Written out: whatever this file draws in comes ahead of the whole program (`ask-early.ts`).
const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Weather of so many days back and ahead; whole hours, so that the answer is asked for once an hour. */
export function weatherHours(nowMs: number, daysBack: number, daysAhead: number): { from: string; to: string } {
  const hour = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  return {
    from: new Date(hour - daysBack * DAY_MS).toISOString(),
    to: new Date(hour + daysAhead * DAY_MS).toISOString(),
  };
}
