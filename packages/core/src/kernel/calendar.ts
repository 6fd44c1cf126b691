/** The farm's calendar: what its clocks show at an instant, and the instant at which they show something. Zones by the platform's own tables. */

const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(timeZone: string): Intl.DateTimeFormat {
  let found = formats.get(timeZone);
  if (!found)
    formats.set(
      timeZone,
      (found = new Intl.DateTimeFormat('en-US', {
        timeZone,
        year: 'numeric',
        month: '2-digit',
        day: '2-digit',
        hour: '2-digit',
        minute: '2-digit',
        hourCycle: 'h23',
      })),
    );
  return found;
}

/** "2026-09-08T14:52" of an instant, as the farm's clocks show it. */
export function toWallTime(ms: number, timeZone: string): string {
  const parts = formatOf(timeZone).formatToParts(ms);
  const part = (type: string): string => parts.find((p) => p.type === type)?.value ?? '';
  return `${part('year').padStart(4, '0')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}`;
}

/** The farm's calendar day of an instant, like 2026-09-08. */
export const calendarDay = (ms: number, timeZone: string): string => toWallTime(ms, timeZone).slice(0, 10);

/** The instant at which the farm's day began: midnight, or the first minute after it where spring leaves midnight out. */
export const startOfDay = (ms: number, timeZone: string): number =>
  fromWallTime(`${calendarDay(ms, timeZone)}T00:00`, timeZone);

/**
 * The instant of a wall time on the farm; NaN for none. In the repeated hour of autumn the first of the two is meant unless `second` is
 * set; in the hour that spring leaves out, the clock has gone on.
 */
export function fromWallTime(text: string, timeZone: string, second = false): number {
  // `Date.parse` alone would make a date of almost any text.
  const asUtc = /^\d{4}-\d\d-\d\dT\d\d:\d\d$/.test(text) ? Date.parse(`${text}:00Z`) : NaN;
  if (Number.isNaN(asUtc)) return NaN;
  const candidates = [-24, 0, 24].map((hours) => asUtc - offsetAt(asUtc + hours * 3_600_000, timeZone));
  const right = [...new Set(candidates)].filter((ms) => toWallTime(ms, timeZone) === text).sort((a, b) => a - b);
  return (second ? right.at(-1) : right[0]) ?? Math.max(...candidates);
}

/** True in the hour that autumn's change repeats. */
export const happensTwice = (text: string, timeZone: string): boolean =>
  fromWallTime(text, timeZone) !== fromWallTime(text, timeZone, true);

function offsetAt(ms: number, timeZone: string): number {
  const wall = Date.parse(`${toWallTime(ms, timeZone)}:00Z`);
  return wall - Math.floor(ms / 60_000) * 60_000;
}
