import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';

const DRY_RATE = quantity('dry matter cut in an hour', 1, 1e6, 'kg/h');

export const WAITING: Formula = {
  id: 'waiting',
  title: 'What waiting costs',
  equation:
    'money of a start = sum over hours of dry matter / (1 - M) x value(M) x (1 - shatter); what still stands is worth its best hour less a day’s risk',
  standing: 'common practice',
  source: 'No printed source; the value of a moisture is the buyer’s own schedule',
  inputs: [MOISTURE, DRY_RATE],
  note: 'Both ways cost: wet grain is docked, dry grain weighs less and shatters. The best start is rarely the hour when the tester first reads the base.',
};

/** What a kilogram over the buyer's scale brings at a moisture, $; null where the buyer refuses it. */
export type ValueOfMoisture = (moisture: number) => number | null;

export interface WaitingInput {
  /** Moisture by the hour, from the bean day's forecast or any other; hours rise by one. */
  readonly hours: readonly { readonly hour: number; readonly moisture: number }[];
  /** Hours in which a start is considered, each one of `hours`. */
  readonly starts: readonly number[];
  readonly dryKgPerHour: number;
  /** Dry matter that still stands. */
  readonly dryKgLeft: number;
  readonly value: ValueOfMoisture;
  /** Hours (in the same count) between which the buyer or the site takes grain, one pair for each day. */
  readonly open: readonly (readonly [from: number, to: number])[];
  /** Share of the crop lost at the header for each point below `shatterBelow`. */
  readonly shatterPerPoint?: number;
  readonly shatterBelow?: number;
  /** Share of its value that standing grain loses until another day: shatter, lodging, rain. */
  readonly standingRisk?: number;
}

export interface StartCost {
  readonly start: number;
  /** $ in all: what is cut, and what still stands at its worth. */
  readonly money: number;
  /** $ behind the best start. */
  readonly behind: number;
  readonly cutDryKg: number;
  readonly leftDryKg: number;
  /** Mean moisture of what is cut, by dry matter; null when nothing is. */
  readonly moisture: number | null;
  /** What ended the cutting. */
  readonly endedBy: 'field done' | 'refused by the buyer' | 'closing' | 'end of the forecast';
}

/**
 * Dollars of starting now, at each later hour, and tomorrow. An hour in which the buyer refuses the grain, or is closed, cuts nothing.
 * Range and source: {@link WAITING}.
 * @returns in the order of the starts; `best` has the most money
 */
export function waitingCosts(input: WaitingInput): { starts: StartCost[]; best: number } {
  requireInRange('hours of moisture', input.hours.length, 1, 500, 'h');
  requireInRange('starts considered', input.starts.length, 1, 500, '');
  const rate = within(DRY_RATE, input.dryKgPerHour);
  const left = requireInRange('dry matter left', input.dryKgLeft, 0, 1e9, 'kg');
  const shatter = requireInRange('shatter a point', input.shatterPerPoint ?? 0, 0, 0.5, 'fraction');
  const below = within(MOISTURE, input.shatterBelow ?? 0.11);
  const risk = requireInRange('risk of standing', input.standingRisk ?? 0, 0, 1, 'fraction');
  /** $ for a kg of dry matter cut at this moisture, what shatters taken off. */
  const worth = (m: number): number | null => {
    const value = input.value(within(MOISTURE, m));
    return value === null ? null : (value / (1 - m)) * Math.max(0, 1 - shatter * 100 * Math.max(0, below - m));
  };
  const worths = input.hours.map(({ moisture }) => worth(moisture));
  const isOpen = (hour: number): boolean => input.open.some(([from, to]) => hour >= from && hour + 1 <= to + 1e-9);
  const bestHour = Math.max(0, ...worths.map((value) => value ?? 0));
  const starts = input.starts.map((start): Omit<StartCost, 'behind'> => {
    let [stand, money, cut, water] = [left, 0, 0, 0];
    let endedBy: StartCost['endedBy'] = 'end of the forecast';
    input.hours.forEach(({ hour, moisture }, i) => {
      if (hour < requireInRange('start', start, input.hours[0]!.hour, input.hours.at(-1)!.hour, 'h') || stand <= 0)
        return;
      const value = worths[i]!;
      if (value === null || !isOpen(hour)) {
        if (cut > 0) endedBy = value === null ? 'refused by the buyer' : 'closing';
        return;
      }
      const taken = Math.min(rate, stand);
      stand -= taken;
      cut += taken;
      money += taken * value;
      water += (taken * moisture) / (1 - moisture);
      if (stand <= 0) endedBy = 'field done';
    });
    return {
      start,
      money: money + stand * bestHour * (1 - risk),
      cutDryKg: cut,
      leftDryKg: stand,
      moisture: cut > 0 ? water / (water + cut) : null,
      endedBy,
    };
  });
  const most = Math.max(...starts.map((s) => s.money));
  return {
    starts: starts.map((s) => ({ ...s, behind: most - s.money })),
    best: starts.find((s) => s.money === most)!.start,
  };
}
