import { requireInRange } from '../kernel/index.js';
import { type HaulingDay, type HaulingResult } from './hauling-day.js';
import { simulateHauling } from './day.js';

export interface TrucksWorth {
  readonly trucks: number;
  readonly result: HaulingResult;
  /** bu/h more than with one truck less; null for the first. */
  readonly gain: number | null;
}

/**
 * How many trucks are worth having: the same days (same seeds) with one truck, two, and so on: those of the list first, then more like its first.
 * Range and source: {@link HAULING_DAY}.
 * @param leastGain bu/h that a truck has to bring; the advice is the largest fleet whose last truck still did
 * @param mostLineMin minutes that a truck may wait in line, on average: one that waits longer is room on wheels, not haul
 * @param onFleet told after each fleet, for whoever waits
 */
export function trucksWorthHaving(
  day: HaulingDay,
  most: number,
  replications: number,
  seed: number,
  leastGain: number,
  mostLineMin = Infinity,
  onFleet?: (trucks: number) => void,
): { fleets: TrucksWorth[]; worth: number } {
  requireInRange('largest fleet', most, 1, 40, '');
  requireInRange('gain that a truck has to bring', leastGain, 0, 1e5, 'bu/h');
  if (mostLineMin !== Infinity) requireInRange('longest line', mostLineMin, 0, 1440, 'min');
  const fleets: TrucksWorth[] = [];
  for (let n = 1; n <= most; n++) {
    const result = simulateHauling(
      { ...day, trucks: Array.from({ length: n }, (_, i) => day.trucks[i] ?? day.trucks[0]!) },
      replications,
      seed,
    );
    const before = fleets.at(-1);
    onFleet?.(n);
    fleets.push({
      trucks: n,
      result,
      gain: before ? result.bushelsPerHour.mean - before.result.bushelsPerHour.mean : null,
    });
  }
  let worth = 1;
  for (const fleet of fleets) {
    if (fleet.gain !== null && (fleet.gain < leastGain || fleet.result.lineMinutes > mostLineMin)) break;
    worth = fleet.trucks;
  }
  return { fleets, worth };
}
