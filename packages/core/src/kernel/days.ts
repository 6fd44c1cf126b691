import { UnknownRefusal } from './formula.js';

const DAY = 86_400_000;

/** Days since 1970 of a day written like 2026-08-11. @throws UnknownRefusal when there is no such day */
export function dayNumber(day: string): number {
  const ms = /^\d{4}-\d\d-\d\d$/.test(day) ? Date.parse(`${day}T00:00:00Z`) : NaN;
  if (Number.isNaN(ms) || new Date(ms).toISOString().slice(0, 10) !== day)
    throw new UnknownRefusal('day', day, ['days like 2026-08-11']);
  return ms / DAY;
}

/** The day so many days after another. */
export function dayAfter(day: string, days: number): string {
  return new Date((dayNumber(day) + days) * DAY).toISOString().slice(0, 10);
}

/** Days from one day to another; negative when it lies before. */
export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}
