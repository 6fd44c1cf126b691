import { type Formula, quantity, requireInRange, toWallTime, within } from '../kernel/index.js';
import type { HaulTimes } from '../records/index.js';
import type { OwnTimes } from './rounds.js';

const MINUTES = quantity('minutes', 0, 1440, 'min');

export const LINE_BY_HOUR: Formula = {
  id: 'line-by-hour',
  title: 'Line and dump at a buyer, by the hour',
  equation:
    'line and dump = from the last grain on to the ticket − tarp − road; the median of the hour, with those beside it',
  standing: 'common practice',
  source: 'no printed source',
  inputs: [MINUTES],
  note: 'Of the farm’s own loads. Fewer than three about the hour say nothing of it: then all hours count together.',
};

export interface HourAtBuyer {
  /** of the farm's clock, 0 to 23 */
  readonly hour: number;
  readonly loads: number;
  /** median, line and dump together */
  readonly minutes: number;
}

/** Fewer say nothing. */
const LEAST = 3;

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
};

const hourOf = (ms: number, timeZone: string): number =>
  Number(toWallTime(requireInRange('time', ms, 0, 1e14, 'ms'), timeZone).slice(11, 13));

const there = (trips: OwnTimes['trips'], tarpMin: number, roadMin: number) => {
  requireInRange('tarp', tarpMin, 0, 240, 'min');
  requireInRange('road', roadMin, 0, 600, 'min');
  return trips.map(({ atMs, minutes }) => ({
    atMs,
    minutes: Math.max(0, within(MINUTES, minutes) - tarpMin - roadMin),
  }));
};

/**
 * Minutes in line and over the pit at a buyer by the hour of the ticket, of own loads.
 * Range and source: {@link LINE_BY_HOUR}.
 */
export function lineByHour(
  { trips }: Pick<OwnTimes, 'trips'>,
  { tarpMin }: Pick<HaulTimes, 'tarpMin'>,
  roadMin: number,
  timeZone: string,
): HourAtBuyer[] {
  const byHour = new Map<number, number[]>();
  for (const { atMs, minutes } of there(trips, tarpMin, roadMin)) {
    const hour = hourOf(atMs, timeZone);
    byHour.set(hour, [...(byHour.get(hour) ?? []), minutes]);
  }
  return [...byHour]
    .sort(([a], [b]) => a - b)
    .map(([hour, minutes]) => ({ hour, loads: minutes.length, minutes: median(minutes) }));
}

export interface LineThen {
  /** line and dump */
  readonly minutes: number;
  readonly loads: number;
  /** by loads about that hour; else by all */
  readonly ofHour: boolean;
}

/**
 * What a load that comes at a moment likely spends there; null where fewer than three own loads were there.
 * Range and source: {@link LINE_BY_HOUR}.
 */
export function lineThen(
  times: Pick<OwnTimes, 'trips'> | undefined,
  haul: Pick<HaulTimes, 'tarpMin'>,
  roadMin: number,
  timeZone: string,
  atMs: number,
): LineThen | null {
  if (times === undefined) return null;
  const hour = hourOf(atMs, timeZone);
  const all = there(times.trips, haul.tarpMin, roadMin);
  const about = all.filter((one) => {
    const apart = Math.abs(hourOf(one.atMs, timeZone) - hour);
    return Math.min(apart, 24 - apart) <= 1;
  });
  const counts = about.length >= LEAST ? about : all;
  if (counts.length < LEAST) return null;
  return { minutes: median(counts.map(({ minutes }) => minutes)), loads: counts.length, ofHour: counts === about };
}
