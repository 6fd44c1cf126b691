import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';

const FLOW = quantity('flow', 0, 100, 'kg/s');

/** What a display shows at one moment. */
export interface FlowMoment {
  readonly atMs: number;
  /** kg/s into the tank */
  readonly flow: number;
  /** wet-basis fraction */
  readonly moisture: number;
  /** m/s */
  readonly speed: number;
  /** kg/ha as the display works it out */
  readonly yieldKgPerHa?: number;
  /** degrees, by the display's own receiver */
  readonly lon?: number;
  readonly lat?: number;
}

export const TANK_BY_FLOW: Formula = {
  id: 'tank-by-flow',
  title: 'What the display put into the tank',
  equation: 'kg = sum of (flow before + flow after) / 2 x seconds; moisture = its mean by the flow',
  standing: 'computed',
  source: 'Trapezoid rule; silence longer than the longest gap counts as nothing, for nobody knows whether it cut',
  inputs: [FLOW, MOISTURE],
};

/** A display that says nothing for longer was off, or out of reach. */
export const LONGEST_GAP_MS = 15_000;

export interface TankByFlow {
  readonly kg: number;
  /** wet-basis fraction, by weight; null where nothing came */
  readonly moisture: number | null;
  /** kg/h over the last minute of figures; 0 where it stands */
  readonly rate: number;
  /** First and last figure that were counted, ms; null for none. */
  readonly fromMs: number | null;
  readonly toMs: number | null;
  /** Seconds of silence in between that were counted as nothing. */
  readonly silentSeconds: number;
}

/**
 * Grain that a display's figures put into the tank since an instant: since the last dump.
 * Range and source: {@link TANK_BY_FLOW}.
 * @param moments in order of time @param sinceMs earlier figures are of the load before
 * @example 5 kg/s for 60 s and then 10 kg/s for 60 s, figures every 2 s: 905 kg
 */
export function tankByFlow(
  moments: readonly Pick<FlowMoment, 'atMs' | 'flow' | 'moisture'>[],
  sinceMs: number,
): TankByFlow {
  requireInRange('time of the last dump', sinceMs, 0, 1e14, 'ms');
  let [kg, water, silent, before] = [0, 0, 0, 0];
  const counted: (typeof moments)[number][] = [];
  for (const moment of moments) {
    before = requireInRange('time of a figure, not before the one before', moment.atMs, before, 1e14, 'ms');
    within(FLOW, moment.flow);
    within(MOISTURE, moment.moisture);
    if (moment.atMs < sinceMs) continue;
    const last = counted.at(-1);
    counted.push(moment);
    if (!last) continue;
    const gap = moment.atMs - last.atMs;
    if (gap > LONGEST_GAP_MS) {
      silent += gap / 1000;
      continue;
    }
    const part = (((last.flow + moment.flow) / 2) * gap) / 1000;
    kg += part;
    water += (part * (last.moisture + moment.moisture)) / 2;
  }
  const end = counted.at(-1);
  const minute = end === undefined ? [] : counted.filter(({ atMs }) => atMs > end.atMs - 60_000);
  return {
    kg,
    moisture: kg > 0 ? water / kg : null,
    rate: minute.length === 0 ? 0 : (3600 * minute.reduce((sum, { flow }) => sum + flow, 0)) / minute.length,
    fromMs: counted[0]?.atMs ?? null,
    toMs: end?.atMs ?? null,
    silentSeconds: silent,
  };
}
