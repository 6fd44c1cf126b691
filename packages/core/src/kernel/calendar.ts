/**
 * The farm's calendar: what its clocks show at an instant, and the instant at which they show something. Zones by the platform's own tables, or
 * by one that was read from them before: a browser takes a hundred milliseconds on a phone to open its tables, each time that a page opens.
 */
import { requireFinite } from './range.js';

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

/** What a zone's clocks are ahead of UTC, ms, from one instant on until the next. */
export interface ZoneTable {
  /** The instants between which it holds, ms. */
  readonly from: number;
  readonly until: number;
  /** Offsets, each from its instant on, in order; the first begins at `from`. */
  readonly offsets: readonly (readonly [from: number, offset: number])[];
}

const tables = new Map<string, ZoneTable>();

/** From here on the zone's clocks are read in the table, as far as it goes, and beyond it in the platform's. */
export function knowZone(timeZone: string, table: ZoneTable): void {
  tables.set(timeZone, table);
  steady.delete(timeZone);
}

/**
 * A table of what clocks are ahead of UTC between two instants, found by asking each four days and halving where they differ.
 * @param offsetOf ms at an instant @returns exact to the minute @throws RangeRefusal for a bound that is no number
 */
export function zoneTable(from: number, until: number, offsetOf: (ms: number) => number): ZoneTable {
  requireFinite('from', from, 'ms');
  requireFinite('until', until, 'ms');
  const offsets: [number, number][] = [[from, offsetOf(from)]];
  for (let at = from; at < until; at += BLOCK * DAY_MS) {
    const next = Math.min(until, at + BLOCK * DAY_MS);
    const offset = offsetOf(next);
    if (offset === offsets.at(-1)![1]) continue;
    let [before, since] = [at, next];
    while (since - before > 60_000) {
      const middle = Math.floor((before + since) / 120_000) * 60_000;
      if (offsetOf(middle) === offset) since = middle;
      else before = middle;
    }
    offsets.push([Math.ceil(since / 60_000) * 60_000, offset]);
  }
  return { from, until, offsets };
}

/** By the table of the zone; undefined where there is none, or beyond it. */
function tableOffset(ms: number, timeZone: string): number | undefined {
  const table = tables.get(timeZone);
  if (table === undefined || !(ms >= table.from && ms < table.until)) return undefined;
  return table.offsets.findLast(([from]) => from <= ms)![1];
}

const DAY_MS = 86_400_000;
/** Days whose answers are kept, of each zone. */
const MOST_DAYS = 20_000;
const steady = new Map<string, Map<number, number | null>>();

/** Days that are asked about together: the shortest time for which clocks were changed and changed back was a week (Recife, October 2000). */
const BLOCK = 4;

/**
 * What clocks are ahead of UTC through a whole day, ms; null for a day about which they change. The platform's tables are asked twice for four
 * days of the calendar and not for each of their moments: that is what makes a file of a hundred thousand hours quick.
 */
function steadyOffset(day: number, timeZone: string): number | null {
  let days = steady.get(timeZone);
  if (!days) steady.set(timeZone, (days = new Map<number, number | null>()));
  const offset = days.get(day);
  if (offset !== undefined) return offset;
  if (days.size >= MOST_DAYS) days.clear();
  const first = Math.floor(day / BLOCK) * BLOCK;
  const through = sameThrough(first, first + BLOCK - 1, timeZone);
  if (through !== null) for (let one = first; one < first + BLOCK; one++) days.set(one, through);
  else days.set(day, sameThrough(day, day, timeZone));
  return days.get(day)!;
}

/** The offset from a day before until a day after, where it is one. */
function sameThrough(from: number, to: number, timeZone: string): number | null {
  const before = offsetAt((from - 1) * DAY_MS, timeZone);
  return before === offsetAt((to + 2) * DAY_MS, timeZone) ? before : null;
}

/** "2026-09-08T14:52" of an instant, as the farm's clocks show it. */
export function toWallTime(ms: number, timeZone: string): string {
  // Before 1970 zones knew seconds.
  const offset = ms >= DAY_MS && ms < LAST_ISO ? steadyOffset(Math.floor(ms / DAY_MS), timeZone) : null;
  return offset === null ? askedWallTime(ms, timeZone) : new Date(ms + offset).toISOString().slice(0, 16);
}

/** Later than any year of four digits. */
const LAST_ISO = Date.UTC(9999, 0, 1);

/** The same by a table. */
function askedWallTime(ms: number, timeZone: string): string {
  const known = tableOffset(ms, timeZone);
  if (known !== undefined) return new Date(ms + known).toISOString().slice(0, 16);
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
  const offset = asUtc >= 2 * DAY_MS ? steadyOffset(Math.floor(asUtc / DAY_MS), timeZone) : null;
  if (offset !== null) return asUtc - offset;
  const candidates = [-24, 0, 24].map((hours) => asUtc - offsetAt(asUtc + hours * 3_600_000, timeZone));
  const right = [...new Set(candidates)].filter((ms) => toWallTime(ms, timeZone) === text).sort((a, b) => a - b);
  return (second ? right.at(-1) : right[0]) ?? Math.max(...candidates);
}

/** True in the hour that autumn's change repeats. */
export const happensTwice = (text: string, timeZone: string): boolean =>
  fromWallTime(text, timeZone) !== fromWallTime(text, timeZone, true);

function offsetAt(ms: number, timeZone: string): number {
  const known = tableOffset(ms, timeZone);
  if (known !== undefined) return known;
  const wall = Date.parse(`${askedWallTime(ms, timeZone)}:00Z`);
  return wall - Math.floor(ms / 60_000) * 60_000;
}
