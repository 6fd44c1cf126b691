import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';

const READING = quantity('weight on the scale', -20_000, 200_000, 'kg');
const BAND = quantity('band of a still weight', 0.1, 2000, 'kg');
const SECONDS = quantity('seconds of a still weight', 0.2, 120, 's');

/** One figure of a scale. */
export interface ScaleReading {
  readonly atMs: number;
  readonly kg: number;
}

/** A weight counts when it stayed within `withinKg` to either side for so long. */
export interface StillRule {
  readonly withinKg: number;
  readonly forSeconds: number;
}

export const STILL_WEIGHT: Formula = {
  id: 'still-weight',
  title: 'When a weight is still',
  equation: 'highest - lowest <= 2 band over the last seconds; weight = mean of them',
  standing: 'published, from memory',
  source:
    'NIST Handbook 44, 2.20 S.2.5.1: a vehicle scale records only within 3 divisions of rest (20 lb divisions: 60 lb); the seconds are common practice',
  inputs: [READING, BAND, SECONDS],
  note: 'A scale that is not sealed for trade is an estimate however still it stands.',
};

/** A truck on a platform with divisions of 20 lb. */
export const STILL_TRUCK_SCALE: StillRule = { withinKg: 27.2, forSeconds: 3 };
/** A cart rocks on its tires; common practice, no source. */
export const STILL_CART: StillRule = { withinKg: 40, forSeconds: 4 };

function check(readings: readonly ScaleReading[], rule: StillRule): void {
  within(BAND, rule.withinKg);
  within(SECONDS, rule.forSeconds);
  let before = 0;
  for (const { atMs, kg } of readings) {
    before = requireInRange('time of a weight, not before the one before', atMs, before, 1e14, 'ms');
    within(READING, kg);
  }
}

/** Index of the first reading of the stretch up to `end` that spans at least the rule's time, or -1; and its extremes. */
function stretch(
  readings: readonly ScaleReading[],
  end: number,
  rule: StillRule,
): { first: number; kg: number; spread: number } | null {
  const from = readings[end]!.atMs - rule.forSeconds * 1000;
  if (readings[0]!.atMs > from) return null;
  let [least, most, sum, n] = [Infinity, -Infinity, 0, 0];
  for (let i = end; i >= 0; i--) {
    const { atMs, kg } = readings[i]!;
    least = Math.min(least, kg);
    most = Math.max(most, kg);
    if (most - least > 2 * rule.withinKg) return null;
    sum += kg;
    n++;
    // The reading at or before the start closes the stretch: a gap in the figures is not stillness of two of them only.
    if (atMs <= from) return n >= 3 ? { first: i, kg: sum / n, spread: most - least } : null;
  }
  return null;
}

/**
 * The weight now, where it is still; null while it moves or was not looked at for long enough.
 * Range and source: {@link STILL_WEIGHT}.
 * @param readings in order of time
 */
export function stillWeight(
  readings: readonly ScaleReading[],
  rule: StillRule,
): { readonly kg: number; readonly sinceMs: number } | null {
  check(readings, rule);
  if (readings.length === 0) return null;
  const found = stretch(readings, readings.length - 1, rule);
  return found && { kg: found.kg, sinceMs: readings[found.first]!.atMs };
}

/** Drive on; hold still; taken, drive off to the next. */
export type ScaleLight = 'drive on' | 'hold still' | 'next axle';

export interface AxleRun {
  readonly axles: readonly { readonly kg: number; readonly atMs: number }[];
  readonly sumKg: number;
  readonly light: ScaleLight;
  readonly liveKg: number;
}

export const AXLE_BY_AXLE: Formula = {
  id: 'axle-by-axle',
  title: 'Weighing axle by axle',
  equation:
    'an axle is taken when its weight is still; the next one only after the platform fell below half of it; the sum is the weight',
  standing: 'common practice',
  source:
    'No printed source. Sums of axles are 1 to 2 % uncertain with level approaches and no weight for trade (NIST Handbook 44, 2.20 UR, from memory)',
  inputs: [READING, BAND, SECONDS],
};

/**
 * What an axle-by-axle weighing came to so far, from the curve of the platform. A truck that rocks or creeps on the platform is not
 * counted twice: a new axle begins only after the platform was at least half empty.
 * Range and source: {@link AXLE_BY_AXLE}.
 * @param readings in order of time, since the weighing began
 * @param onKg less is nobody; 300 kg by default
 */
export function axleByAxle(
  readings: readonly ScaleReading[],
  rule: StillRule = STILL_TRUCK_SCALE,
  onKg = 300,
): AxleRun {
  check(readings, rule);
  requireInRange('weight of the lightest axle', onKg, 10, 20_000, 'kg');
  const axles: { kg: number; atMs: number }[] = [];
  let taken = false;
  let since = 0;
  for (let i = 0; i < readings.length; i++) {
    const { kg, atMs } = readings[i]!;
    if (taken) {
      if (kg < Math.max(onKg, axles.at(-1)!.kg / 2)) {
        taken = false;
        since = atMs;
      }
      continue;
    }
    if (kg < onKg) continue;
    const still = stretch(readings, i, rule);
    // The still stretch must be this axle's own: it began after the one before had left.
    if (still && still.kg >= onKg && readings[still.first]!.atMs >= since) {
      axles.push({ kg: still.kg, atMs });
      taken = true;
    }
  }
  const liveKg = readings.at(-1)?.kg ?? 0;
  return {
    axles,
    sumKg: axles.reduce((sum, axle) => sum + axle.kg, 0),
    light: taken ? 'next axle' : liveKg >= onKg ? 'hold still' : 'drive on',
    liveKg,
  };
}

/** A load that came onto a scale or left it, as the curve shows it. */
export interface CurveLoad {
  readonly kind: 'loaded' | 'unloaded';
  readonly kg: number;
  readonly fromMs: number;
  readonly toMs: number;
  readonly beforeKg: number;
  readonly afterKg: number;
}

interface Rest {
  readonly kg: number;
  /** Of the quietest seconds, kg. */
  readonly spread: number;
  readonly untilMs: number;
}

/** A scale has settled after this, however slowly the last grain came. */
const SETTLES_MS = 15_000;
/** By as much a figure more the quietest seconds count less: a minute at one figure a second doubles what passes for quiet. */
const FORGETS = 1.012;

export const CURVE_LOADS: Formula = {
  id: 'curve-loads',
  title: 'Loads in the curve of a cart scale',
  equation: 'still weights before and after; their difference is a load where it is at least the least one',
  standing: 'common practice',
  source: 'No printed source',
  inputs: [READING, BAND, SECONDS, quantity('least load', 20, 20_000, 'kg')],
  note: 'Dumps that follow each other within the pause are one load; smaller changes are bumps, mud and fuel.',
};

/**
 * Loads on and off in the curve of a scale that carries a cart.
 * Range and source: {@link CURVE_LOADS}.
 * @param readings in order of time
 * @param leastKg smaller changes are no load; 250 kg by default
 * @param pauseSeconds a stop of the auger shorter than this does not make two loads of one
 */
export function curveLoads(
  readings: readonly ScaleReading[],
  rule: StillRule = STILL_CART,
  leastKg = 250,
  pauseSeconds = 20,
): CurveLoad[] {
  check(readings, rule);
  requireInRange('least load', leastKg, 20, 20_000, 'kg');
  requireInRange('pause', pauseSeconds, 0, 600, 's');
  const loads: CurveLoad[] = [];
  let rest: Rest | null = null;
  for (let i = 0; i < readings.length; i++) {
    const still = stretch(readings, i, rule);
    if (!still) continue;
    const { atMs } = readings[i]!;
    const startedMs = readings[still.first]!.atMs;
    if (rest && Math.abs(still.kg - rest.kg) >= leastKg) {
      const kind = still.kg > rest.kg ? 'loaded' : 'unloaded';
      const last = loads.at(-1);
      // When it left the weight before for good: driving shakes the figures long before the grain pours.
      let began = still.first;
      while (
        began > 0 &&
        readings[began - 1]!.atMs > rest.untilMs &&
        Math.abs(readings[began - 1]!.kg - rest.kg) > leastKg / 2
      )
        began--;
      const fromMs = Math.max(rest.untilMs, readings[began]!.atMs);
      // The auger stopped for a moment: the same load goes on.
      if (last && last.kind === kind && fromMs - last.toMs < pauseSeconds * 1000) {
        loads[loads.length - 1] = {
          ...last,
          kg: Math.abs(still.kg - last.beforeKg),
          toMs: startedMs,
          afterKg: still.kg,
        };
      } else
        loads.push({
          kind,
          kg: Math.abs(still.kg - rest.kg),
          fromMs,
          toMs: startedMs,
          beforeKg: rest.kg,
          afterKg: still.kg,
        });
    } else if (rest) {
      // The first still seconds hold the end of the pouring, and a cart that is driven off may look still for a moment: the quietest
      // seconds are the weight. Later on it follows slowly, as mud and fuel do.
      const quieter: boolean = still.spread <= rest.spread;
      const last = loads.at(-1);
      if (quieter && last && startedMs - last.toMs <= SETTLES_MS)
        loads[loads.length - 1] = { ...last, kg: Math.abs(still.kg - last.beforeKg), afterKg: still.kg };
      rest = quieter
        ? { kg: still.kg, spread: still.spread, untilMs: atMs }
        : { kg: rest.kg, spread: Math.max(1, rest.spread) * FORGETS, untilMs: atMs };
      continue;
    }
    rest = { kg: still.kg, spread: still.spread, untilMs: atMs };
  }
  return loads;
}
