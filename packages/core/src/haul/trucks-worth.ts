import { type Formula, quantity, requireInRange } from '../kernel/index.js';
import { type HaulingDay, type HaulingResult } from './hauling-day.js';
import { simulateHauling } from './day.js';

export interface TrucksWorth {
  readonly trucks: number;
  readonly result: HaulingResult;
  /** bu/h more than with one truck less; null for the first. */
  readonly gain: number | null;
  /** What an hour of combines and trucks comes to for each bushel cut, $. */
  readonly costPerBushel: number;
}

/** What an hour costs, $: with its driver, fuel and wear, moving or standing. */
export interface HarvestCosts {
  readonly truckPerHour: number;
  /** A combine with its driver and its part of the cart. */
  readonly combinePerHour: number;
}

/** Until a farm sets its own; common practice, no source. */
export const USUAL_HARVEST_COSTS: HarvestCosts = { truckPerHour: 85, combinePerHour: 300 };

export const TRUCKS_WORTH: Formula = {
  id: 'trucks-worth',
  title: 'How many trucks pay',
  equation: '$/bu = (combines × $/h of a combine + trucks × $/h of a truck) / bu/h; the fleet with the least',
  standing: 'common practice',
  source: 'Least cost for each bushel cut; the bushels an hour from the simulated days',
  inputs: [
    quantity('cost of a truck', 0, 2000, '$/h'),
    quantity('cost of a combine', 0, 5000, '$/h'),
    quantity('largest fleet', 1, 40, ''),
  ],
  note: 'One truck more pays while the time it saves the whole crew is worth more than its own hours. Days lost to weather are not in it.',
};

/**
 * How many trucks are worth having: the same days (same seeds) with one truck, two, and so on: those of the list first, then more like its first.
 * Range and source: {@link TRUCKS_WORTH}, {@link HAULING_DAY}.
 * @param onFleet told after each fleet, for whoever waits
 */
export function trucksWorthHaving(
  day: HaulingDay,
  most: number,
  replications: number,
  seed: number,
  costs: HarvestCosts = USUAL_HARVEST_COSTS,
  onFleet?: (trucks: number) => void,
): { fleets: TrucksWorth[]; worth: number } {
  requireInRange('largest fleet', most, 1, 40, '');
  requireInRange('cost of a truck', costs.truckPerHour, 0, 2000, '$/h');
  requireInRange('cost of a combine', costs.combinePerHour, 0, 5000, '$/h');
  const fleets: TrucksWorth[] = [];
  for (let n = 1; n <= most; n++) {
    const result = simulateHauling(
      { ...day, trucks: Array.from({ length: n }, (_, i) => day.trucks[i] ?? day.trucks[0]!) },
      replications,
      seed,
    );
    const before = fleets.at(-1);
    onFleet?.(n);
    const rate = result.bushelsPerHour.mean;
    fleets.push({
      trucks: n,
      result,
      gain: before ? rate - before.result.bushelsPerHour.mean : null,
      costPerBushel: rate > 0 ? (costs.combinePerHour * day.combines.length + costs.truckPerHour * n) / rate : Infinity,
    });
  }
  // Of equal ones the smaller: a tenth of a percent is chance.
  const least = Math.min(...fleets.map((fleet) => fleet.costPerBushel));
  const worth = fleets.find((fleet) => fleet.costPerBushel <= 1.001 * least)?.trucks ?? 1;
  return { fleets, worth };
}
