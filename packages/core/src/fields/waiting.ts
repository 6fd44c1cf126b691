import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';

const DRY_RATE = quantity('dry matter cut in an hour', 1, 1e6, 'kg/h');

export const WAITING: Formula = {
  id: 'waiting',
  title: 'What waiting costs',
  equation:
    'money of a start = sum over five minutes of dry matter / (1 - M) x value(M) x (1 - shatter) x (1 - risk)^days; what still stands at the end is worth its next chance, less a day’s risk',
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
  /** Hours, or parts of them, at which a start is considered; within `hours`. */
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
  /** Share of its value that standing grain loses with each day: shatter, lodging, rain. */
  readonly standingRisk?: number;
  /** Below it the buyer pays for less weight than he could: how much of the crop is cut there is told. */
  readonly base?: number;
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
  /** Of what is cut, the part below the base. */
  readonly belowBaseDryKg: number;
  /** Hour at which cutting first stops; null when nothing is cut. */
  readonly until: number | null;
  /** What stopped it then. */
  readonly endedBy: 'field done' | 'refused by the buyer' | 'closing' | 'end of the forecast';
}

/** Starts and cutting go by this, h. */
const STEP = 1 / 12;
/** Two starts that differ by less are the same. */
const SAME = 1e-9;

/**
 * Dollars of starting now, at each later time, and tomorrow. Where the buyer refuses the grain, or is closed, nothing is cut; with each day
 * that it stands it loses its risk; what still stands at the end of the forecast is worth what it would bring at its next chance, not the
 * best hour's price. Range and source: {@link WAITING}.
 * @returns in the order of the starts; `best` has the most money, of equal ones the earliest at which something may be cut
 */
export function waitingCosts(input: WaitingInput): { starts: StartCost[]; best: number } {
  requireInRange('hours of moisture', input.hours.length, 1, 500, 'h');
  requireInRange('starts considered', input.starts.length, 1, 5000, '');
  const rate = within(DRY_RATE, input.dryKgPerHour);
  const left = requireInRange('dry matter left', input.dryKgLeft, 0, 1e9, 'kg');
  const shatter = requireInRange('shatter a point', input.shatterPerPoint ?? 0, 0, 0.5, 'fraction');
  const below = within(MOISTURE, input.shatterBelow ?? 0.11);
  const risk = requireInRange('risk of standing', input.standingRisk ?? 0, 0, 1, 'fraction');
  const base = within(MOISTURE, input.base ?? 0);
  const [first, last] = [input.hours[0]!.hour, input.hours.at(-1)!.hour + 1];
  const steps = stepsOf(input, (m, day) => {
    const value = input.value(within(MOISTURE, m));
    const shattered = Math.max(0, 1 - shatter * 100 * Math.max(0, below - m));
    return value === null ? null : (value / (1 - m)) * shattered * (1 - risk) ** day;
  });
  const chance = steps.findLast(({ worth }) => worth !== null)?.worth ?? 0;
  const starts = input.starts.map((start): Omit<StartCost, 'behind'> & { readonly atOnce: boolean } => {
    const from = Math.ceil((requireInRange('start', start, first, last, 'h') - first) / STEP - SAME);
    let [stand, money, cut, water, dry] = [left, 0, 0, 0, 0];
    let until: number | null = null;
    let endedBy: StartCost['endedBy'] = 'end of the forecast';
    for (let k = from; k < steps.length && stand > 0; k++) {
      const { at, moisture, worth, isOpen } = steps[k]!;
      if (worth === null) {
        if (cut > 0 && until === null) [until, endedBy] = [at, isOpen ? 'refused by the buyer' : 'closing'];
        continue;
      }
      const taken = Math.min(rate * STEP, stand);
      stand -= taken;
      cut += taken;
      money += taken * worth;
      water += (taken * moisture) / (1 - moisture);
      if (moisture < base) dry += taken;
      if (stand <= 0 && until === null) [until, endedBy] = [at + taken / rate, 'field done'];
    }
    return {
      start,
      money: money + stand * chance * (1 - risk),
      cutDryKg: cut,
      leftDryKg: stand,
      moisture: cut > 0 ? water / (water + cut) : null,
      belowBaseDryKg: dry,
      until: cut > 0 ? (until ?? last) : null,
      endedBy,
      atOnce: (steps[from]?.worth ?? null) !== null,
    };
  });
  const most = Math.max(...starts.map((s) => s.money));
  const equal = starts.filter((s) => s.money >= most - SAME * Math.max(1, most));
  const best = equal.find((s) => s.atOnce) ?? equal.find((s) => s.cutDryKg > 0) ?? equal[0]!;
  return {
    starts: starts.map(({ atOnce: _, ...s }) => ({ ...s, behind: s.start === best.start ? 0 : most - s.money })),
    best: best.start,
  };
}

/** Five minutes each: how wet it is, whether grain is taken, and what a kilogram of dry matter is worth; null where it is not taken. */
function stepsOf(
  { hours, open }: Pick<WaitingInput, 'hours' | 'open'>,
  worthOf: (moisture: number, day: number) => number | null,
): { readonly at: number; readonly moisture: number; readonly isOpen: boolean; readonly worth: number | null }[] {
  const first = hours[0]!.hour;
  const days = [...open].sort((a, b) => a[0] - b[0]).filter(([, to]) => to > first);
  return Array.from({ length: Math.round((hours.at(-1)!.hour + 1 - first) / STEP) }, (_, k) => {
    const at = first + k * STEP;
    const i = Math.min(hours.length - 1, Math.floor(k * STEP + SAME));
    const [a, b] = [hours[i]!, hours[i + 1] ?? hours[i]!];
    const moisture = a.moisture + (b.moisture - a.moisture) * (at - a.hour);
    // Only whole steps: nobody opens the pit for the load that comes at closing.
    const day = days.findIndex(([from, to]) => at >= from - SAME && at + STEP <= to + SAME);
    return { at, moisture, isOpen: day >= 0, worth: day < 0 ? null : worthOf(moisture, day) };
  });
}
