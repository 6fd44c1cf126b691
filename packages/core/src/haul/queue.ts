import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';

const RATE = quantity('arrivals', 0, 1e6, '1/h');
const SERVICE = quantity('services', 1e-9, 1e6, '1/h');

export const ERLANG_C: Formula = {
  id: 'erlang-c',
  title: 'A line with several pits',
  equation: 'B0 = 1, Bi = a B/(i + a B); C = B/(1 - rho (1 - B)); Wq = C/(c mu - lambda); Lq = lambda Wq',
  standing: 'published, from memory',
  source: 'Erlang 1917; any queueing textbook (M/M/c)',
  inputs: [RATE, SERVICE],
  note: 'For arrivals and services without memory; real unloading is steadier, so real lines are shorter. Refused where arrivals reach what the pits can do: such a line never ends.',
};

export interface WaitingLine {
  /** Share of the time that a pit is busy. */
  readonly busy: number;
  /** Chance that a truck has to wait. */
  readonly waits: number;
  /** Hours in line, and trucks in line, on average. */
  readonly hours: number;
  readonly trucks: number;
}

/**
 * Waiting line of `pits` equal pits.
 * Range and source: {@link ERLANG_C}.
 * @param arrivalsPerHour lambda
 * @param servicesPerHour mu of one pit
 * @throws RangeRefusal when lambda >= pits x mu
 */
export function waitingLine(arrivalsPerHour: number, servicesPerHour: number, pits: number): WaitingLine {
  within(RATE, arrivalsPerHour);
  within(SERVICE, servicesPerHour);
  requireInRange('pits', pits, 1, 200, '');
  requireInRange(
    'arrivals, below what the pits can do',
    arrivalsPerHour,
    0,
    pits * servicesPerHour * (1 - 1e-9),
    '1/h',
  );
  const a = arrivalsPerHour / servicesPerHour;
  let b = 1;
  for (let i = 1; i <= pits; i++) b = (a * b) / (i + a * b);
  const busy = a / pits;
  const waits = b / (1 - busy * (1 - b));
  const hours = waits / (pits * servicesPerHour - arrivalsPerHour);
  return { busy, waits, hours, trucks: arrivalsPerHour * hours };
}

export const TRUCK_CYCLE: Formula = {
  id: 'truck-cycle',
  title: 'A truck’s round',
  equation: 'minutes = load + 2 road + unload + wait; bu/h = 60 bushels / minutes',
  standing: 'common practice',
  source: 'Arithmetic',
  inputs: [quantity('minutes', 0, 10_000, 'min')],
};

/**
 * Minutes of a truck's round without waiting for anyone, and bushels an hour of one truck.
 * Range and source: {@link TRUCK_CYCLE}.
 */
export function truckCycle(input: {
  readonly loadMin: number;
  readonly roadMin: number;
  readonly unloadMin: number;
  readonly waitMin?: number;
  readonly bushels: number;
}): {
  minutes: number;
  bushelsPerHour: number;
} {
  const minute = quantity('minutes', 0, 10_000, 'min');
  const minutes =
    within(minute, input.loadMin) +
    2 * within(minute, input.roadMin) +
    within(minute, input.unloadMin) +
    within(minute, input.waitMin ?? 0);
  requireInRange('minutes of a round', minutes, 0.01, 50_000, 'min');
  return { minutes, bushelsPerHour: (60 * requireInRange('bushels', input.bushels, 0, 1e5, 'bu')) / minutes };
}
