import { mean, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';

/** A reading as a chart draws it: one of them, or several that lie too close to be told apart. */
export interface ReadingMark {
  readonly source: string;
  readonly atMs: number;
  /** Mean, least and most, wet-basis fractions. */
  readonly moisture: number;
  readonly low: number;
  readonly high: number;
  readonly count: number;
}

/**
 * Readings as at most so many marks. Up to `most` each reading is its own; beyond that those of one source that fall into one stretch of
 * time become a mark with their mean, least and most: a combine that reads every second would otherwise hide the three that were typed.
 * @param readings in any order, wet-basis fractions
 * @returns by source, then time
 */
export function gatherReadings(
  readings: readonly { readonly atMs: number; readonly moisture: number; readonly source: string }[],
  most: number,
): ReadingMark[] {
  requireInRange('marks', most, 1, 100_000, '');
  requireInRange('number of readings', readings.length, 0, 1_000_000, '');
  const sorted = [...readings].sort((a, b) => (a.source < b.source ? -1 : a.source > b.source ? 1 : a.atMs - b.atMs));
  for (const reading of sorted) {
    within(MOISTURE, reading.moisture);
    requireInRange('time of a reading', reading.atMs, 0, 1e14, 'ms');
  }
  const sources = new Set(sorted.map((reading) => reading.source)).size;
  const times = sorted.map((reading) => reading.atMs);
  const first = times.reduce((a, b) => Math.min(a, b), Infinity);
  const span = times.reduce((a, b) => Math.max(a, b), -Infinity) - first;
  // Fewer marks than sources would hide a source: one for each is the least.
  const slots = readings.length <= most ? Infinity : Math.max(1, Math.floor(most / sources));
  const groups: (typeof sorted)[] = [];
  let key = '';
  for (const reading of sorted) {
    const slot =
      slots === Infinity
        ? groups.length
        : Math.min(slots - 1, Math.floor((slots * (reading.atMs - first)) / Math.max(1, span)));
    const own = `${reading.source} ${slot}`;
    if (own === key && slots !== Infinity) groups.at(-1)!.push(reading);
    else groups.push([reading]);
    key = own;
  }
  return groups.map((group) => {
    const moistures = group.map((reading) => reading.moisture);
    return {
      source: group[0]!.source,
      atMs: mean(group.map((reading) => reading.atMs)),
      moisture: mean(moistures),
      low: moistures.reduce((a, b) => Math.min(a, b)),
      high: moistures.reduce((a, b) => Math.max(a, b)),
      count: group.length,
    };
  });
}
