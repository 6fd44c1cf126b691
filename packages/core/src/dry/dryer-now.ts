import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { MOISTURE } from '../units/index.js';
import { dryerRate } from './high-temperature.js';

export const DRYER_NOW: Formula = {
  id: 'dryer-now',
  title: 'Does the dryer keep up?',
  equation:
    'rate = bushel-points an hour / points (or as it was read); gains = coming - rate; wet bin full after room / gains, empty after wet / rate; next rate = rate x (in - out) / (in - wanted)',
  standing: 'common practice',
  source: 'Arithmetic; that a dryer’s points an hour stay the same is the trade’s rule, no printed source',
  inputs: [
    MOISTURE,
    quantity('bushel-points an hour', 0, 1e7, 'bu·points/h'),
    quantity('bushels an hour', 0, 1e6, 'bu/h'),
  ],
  note: 'The change of the rate is the first step of the machine’s own book: wait one column before the next.',
};

/** A dryer as it was read, or is known to be. */
export interface DryerNowInput {
  readonly now: number;
  readonly bushelPointsPerHour: number;
  readonly mostBushelsPerHour?: number;
  readonly dryTo: number;
  /** fraction about `dryTo` within which nothing is turned */
  readonly band: number;
  /** Into it, wet-basis fraction; null where nobody knows. */
  readonly moistureIn: number | null;
  /** What it lets go, newest last; wet-basis fractions. */
  readonly moistureOut: readonly number[];
  /** As it was read, wet bu/h; null: by its points. */
  readonly readPerHour: number | null;
  /** Wet bushels at home (wet bin and column), and what the wet bin still takes. */
  readonly wetBushels: number;
  readonly roomBushels: number;
  /** Wet bushels on wheels, and what the combines bring in an hour; 0 where nothing is cut wet. */
  readonly wheelsBushels: number;
  readonly comingPerHour: number;
  /** After which it shuts off without wet grain. */
  readonly refillMin?: number;
}

export interface DryerNow {
  readonly answer: 'falls behind' | 'keeps up' | 'runs dry' | 'done at' | 'nothing wet' | 'not known';
  /** wet bu/h; null where nobody knows what goes in */
  readonly perHour: number | null;
  readonly limitedBy: 'read' | 'drying' | 'throughput' | null;
  /** bu/h that the wet bin gains (above 0) or loses. */
  readonly gains: number;
  /** ms; null where it never is */
  readonly fullMs: number | null;
  readonly emptyMs: number | null;
  /** All that is wet at home and on wheels is through; ms. */
  readonly doneMs: number | null;
  /** It stands empty so long that it shuts off; ms. */
  readonly shutsOffMs: number | null;
  /** Points by which the last three samples come out above (+) or below the wanted; null with none. */
  readonly driftPoints: number | null;
  /** What the discharge is to be set to, bu/h; null while it stays in its band. */
  readonly setPerHour: number | null;
}

const HOUR = 3_600_000;
/** Samples that a drift is read from: one is a tester's scatter. */
const DRIFT_SAMPLES = 3;

/**
 * One answer for the dryer: whether it keeps up, when it is done, when the wet bin is full or empty, and what to turn.
 * Range and source: {@link DRYER_NOW}.
 */
export function dryerNow(input: DryerNowInput): DryerNow {
  within(MOISTURE, input.dryTo);
  requireInRange('time', input.now, 0, 1e14, 'ms');
  requireInRange('band', input.band, 0, 0.1, 'fraction');
  for (const [name, value] of [
    ['wet bushels at home', input.wetBushels],
    ['room in the wet bin', input.roomBushels],
    ['wet bushels on wheels', input.wheelsBushels],
  ] as const)
    requireInRange(name, value, 0, 1e8, 'bu');
  const coming = requireInRange('wet bushels that come in an hour', input.comingPerHour, 0, 1e6, 'bu/h');
  requireInRange('bushel-points an hour', input.bushelPointsPerHour, 0, 1e7, 'bu·points/h');
  requireInRange('refill time', input.refillMin ?? 0, 0, 1440, 'min');
  const most = requireInRange('throughput limit', input.mostBushelsPerHour ?? Infinity, 0, Infinity, 'bu/h');
  const moistureIn = input.moistureIn === null ? null : within(MOISTURE, input.moistureIn);
  const points = moistureIn === null ? null : Math.max(0, 100 * (moistureIn - input.dryTo));
  let perHour: number | null = null;
  let limitedBy: DryerNow['limitedBy'] = null;
  if (input.readPerHour !== null) {
    perHour = requireInRange('rate as it was read', input.readPerHour, 0, 1e6, 'bu/h');
    limitedBy = 'read';
  } else if (points !== null && points > 0.05 && input.bushelPointsPerHour > 0) {
    const rate = dryerRate(input.bushelPointsPerHour, points, most);
    perHour = rate.bushelsPerHour;
    limitedBy = rate.limitedBy;
  }
  const samples = input.moistureOut.map((one) => within(MOISTURE, one)).slice(-DRIFT_SAMPLES);
  const out = samples.length === 0 ? null : samples.reduce((a, b) => a + b, 0) / samples.length;
  const driftPoints = out === null ? null : 100 * (out - input.dryTo);
  const drifts = driftPoints !== null && Math.abs(driftPoints) > 100 * input.band;
  // What it takes off stays in proportion to how long it is in it.
  const setPerHour =
    drifts && perHour !== null && perHour > 0 && moistureIn !== null && moistureIn > input.dryTo + 0.002
      ? (perHour * Math.max(0, moistureIn - out!)) / (moistureIn - input.dryTo)
      : null;
  const base = { perHour, limitedBy, driftPoints, setPerHour };
  const none = { gains: 0, fullMs: null, emptyMs: null, doneMs: null, shutsOffMs: null };
  const wet = input.wetBushels + input.wheelsBushels;
  if (wet < 1 && coming < 1) return { ...base, ...none, answer: 'nothing wet' };
  if (perHour === null || perHour <= 0) return { ...base, ...none, answer: 'not known' };
  const gains = coming - perHour;
  const fullMs = gains > 1 ? input.now + (HOUR * input.roomBushels) / gains : null;
  const emptyMs = gains < -1 ? input.now + (HOUR * input.wetBushels) / -gains : null;
  const doneMs = coming < 1 ? input.now + (HOUR * wet) / perHour : null;
  // Between two loads it draws from what is there: empty for longer than it may be, it shuts off.
  const shutsOffMs =
    coming < 1 && input.wheelsBushels < 1
      ? null
      : input.refillMin !== undefined && emptyMs !== null
        ? emptyMs + input.refillMin * 60_000
        : null;
  const answer: DryerNow['answer'] =
    coming < 1 ? 'done at' : gains > 1 ? 'falls behind' : shutsOffMs !== null ? 'runs dry' : 'keeps up';
  return { ...base, gains, fullMs, emptyMs, doneMs, shutsOffMs, answer };
}
