const cache = new Map<string, Intl.DateTimeFormat>();

function format(timeZone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = timeZone + JSON.stringify(options);
  let found = cache.get(key);
  if (!found) cache.set(key, (found = new Intl.DateTimeFormat('en-GB', { timeZone, ...options })));
  return found;
}

export const clock = (at: string | number, timeZone: string): string => format(timeZone, { hour: '2-digit', minute: '2-digit' }).format(new Date(at));
export const day = (at: string | number, timeZone: string): string => format(timeZone, { day: 'numeric', month: 'short' }).format(new Date(at));
export const weekday = (at: string | number, timeZone: string): string => format(timeZone, { weekday: 'short', day: 'numeric', month: 'short' }).format(new Date(at));

/** "2026-09-08T14:52" of an instant, as the farm's clocks show it. */
export function toWallTime(ms: number, timeZone: string): string {
  const parts = format(timeZone, { year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).formatToParts(ms);
  const part = (type: string) => parts.find((p) => p.type === type)?.value ?? '';
  return `${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}`;
}

/** The farm's calendar day of an instant, like 2026-09-08. */
export const calendarDay = (ms: number, timeZone: string): string => toWallTime(ms, timeZone).slice(0, 10);

/** The instant at which the farm's day began. */
export const startOfDay = (ms: number, timeZone: string): number => fromWallTime(`${calendarDay(ms, timeZone)}T00:00`, timeZone);

/**
 * The instant of a wall time on the farm; NaN for none. In the repeated hour of autumn the first of the two is meant
 * unless `second` is set; in the hour that spring leaves out, the clock has gone on.
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
export function happensTwice(text: string, timeZone: string): boolean {
  return fromWallTime(text, timeZone) !== fromWallTime(text, timeZone, true);
}

function offsetAt(ms: number, timeZone: string): number {
  const wall = Date.parse(`${toWallTime(ms, timeZone)}:00Z`);
  return wall - Math.floor(ms / 60_000) * 60_000;
}
