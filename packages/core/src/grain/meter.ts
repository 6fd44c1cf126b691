import { type Formula, mean, quantity, requireInRange, standardDeviation, tOf95, within } from '../kernel/index.js';
import { MOISTURE, TEMPERATURE } from '../units/index.js';

/** One row of the meter maker's card: add this many points at this grain temperature. */
export interface MeterOffset {
  /** °C */
  readonly temperature: number;
  /** Points (percent moisture) to add to the reading. */
  readonly points: number;
}

const OFFSET = quantity('meter offset', -15, 15, 'points');

/**
 * A meter reading corrected for grain temperature by the table on the meter's own card, straight between its rows.
 * Beyond the table the nearest row holds and `outside` says so: a guess there would be ours, not the maker's.
 * Range and source: {@link TESTER}.
 * @param reading wet-basis fraction as shown; @param temperature of the grain, °C
 */
export function correctMeter(
  reading: number,
  temperature: number,
  card: readonly MeterOffset[],
): { moisture: number; points: number; outside: boolean } {
  within(MOISTURE, reading);
  within(TEMPERATURE, temperature);
  requireInRange('rows of the meter card', card.length, 1, 200, '');
  for (const row of card) {
    within(OFFSET, row.points);
    within(TEMPERATURE, row.temperature);
  }
  const rows = [...card].sort((a, b) => a.temperature - b.temperature);
  const [first, last] = [rows[0]!, rows.at(-1)!];
  const outside = temperature < first.temperature || temperature > last.temperature;
  let points = temperature <= first.temperature ? first.points : last.points;
  if (!outside) {
    const at = rows.findIndex((row) => row.temperature >= temperature);
    const upper = rows[at]!;
    const lower = rows[Math.max(0, at - 1)]!;
    const span = upper.temperature - lower.temperature;
    points =
      span === 0
        ? upper.points
        : lower.points + ((upper.points - lower.points) * (temperature - lower.temperature)) / span;
  }
  return { moisture: within(MOISTURE, Math.max(0, reading + points / 100)), points, outside };
}

/** Cumulative probability of Student's t at x with n degrees of freedom, by its own integral (Simpson): no table ends it. */
function studentBelow(x: number, n: number): number {
  // Density up to a constant that the integral itself gives.
  const density = (t: number): number => (1 + (t * t) / n) ** (-(n + 1) / 2);
  const simpson = (to: number): number => {
    const steps = 400;
    const h = to / steps;
    let sum = density(0) + density(to);
    for (let i = 1; i < steps; i++) sum += (i % 2 === 1 ? 4 : 2) * density(i * h);
    return (sum * h) / 3;
  };
  // From 0 to infinity the density is half of all: t = tan(angle) folds it into a quarter turn.
  const folded = (steps: number): number => {
    const h = Math.PI / 2 / steps;
    let sum = 0;
    for (let i = 0; i < steps; i++) {
      const t = Math.tan((i + 0.5) * h);
      sum += density(t) * (1 + t * t) * h;
    }
    return sum;
  };
  const half = folded(4000);
  const part = Math.min(half, simpson(Math.min(Math.abs(x), 60)));
  return x >= 0 ? 0.5 + part / (2 * half) : 0.5 - part / (2 * half);
}

/** Pairs older than this say little of a tester: it drifts, and was it cleaned since? Common practice, no source. */
export const PAIR_DAYS = 400;

export interface ChanceToPass {
  /** Chance that the buyer reads at or below his limit, 0 to 1. */
  readonly chance: number;
  /** Reading of the tester at which it is an even bet, and at which 95 of 100 loads pass; wet-basis fractions. */
  readonly even: number;
  readonly safe: number;
  readonly pairs: number;
}

/**
 * Chance that a load passes the buyer's limit, from pairs of the tester's reading and the buyer's test: one-sided, by the t distribution of
 * the next difference. Range and source: {@link TESTER}.
 * @param reading of the tester, and the limit: wet-basis fractions
 * @returns null with fewer than {@link LEAST_PAIRS} pairs
 */
export function chanceToPass(
  reading: number,
  limit: number,
  pairs: readonly { readonly tester: number; readonly buyer: number }[],
): ChanceToPass | null {
  within(MOISTURE, reading);
  within({ ...MOISTURE, name: 'limit' }, limit);
  if (pairs.length < LEAST_PAIRS) return null;
  const differences = pairs.map(({ tester, buyer }) => within(MOISTURE, buyer) - within(MOISTURE, tester));
  const n = differences.length;
  const offset = mean(differences);
  // Two testers that always agree still round: a tenth of a point is the least spread there is.
  const spread = Math.max(0.0005, standardDeviation(differences)) * Math.sqrt(1 + 1 / n);
  const even = limit - offset;
  const chanceAt = (one: number): number => studentBelow((even - one) / spread, n - 1);
  let [low, high] = [even - 60 * spread, even];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (chanceAt(middle) > 0.95) low = middle;
    else high = middle;
  }
  return { chance: chanceAt(reading), even, safe: Math.max(0, low), pairs: n };
}

export const TESTER: Formula = {
  id: 'tester',
  title: 'A tester against the buyer’s',
  equation: 'likely = reading + mean(buyer - tester) ± t s sqrt(1 + 1/n);  meter card: straight between its rows',
  standing: 'published, from memory',
  source: 'Prediction interval of a mean, any statistics handbook; the meter maker’s own card',
  inputs: [MOISTURE, TEMPERATURE, OFFSET],
  note: 'Fewer than three pairs say nothing.',
};

/** What a tester is worth against the buyer's test. */
export interface TesterRecord {
  readonly pairs: number;
  /** Points that the buyer reads above the tester, on average; null with too little to go on. */
  readonly offsetPoints: number | null;
  /** Standard deviation of the pairs' differences, points; null with fewer than two. */
  readonly spreadPoints: number | null;
}

/** A tester with fewer pairs than this has nothing to say about the buyer's reading. Common practice, no source. */
export const LEAST_PAIRS = 3;

/**
 * What the buyer is likely to read, from pairs of the tester's reading and the buyer's test of the same grain.
 * The range is offset plus or minus t s sqrt(1 + 1/n), a 95 % prediction interval.
 * @returns likely null with fewer than {@link LEAST_PAIRS} pairs
 */
export function likelyBuyerReading(
  reading: number,
  pairs: readonly { readonly tester: number; readonly buyer: number }[],
): TesterRecord & { likely: { moisture: number; low: number; high: number } | null } {
  within(MOISTURE, reading);
  const differences = pairs.map(({ tester, buyer }) => 100 * (within(MOISTURE, buyer) - within(MOISTURE, tester)));
  const n = differences.length;
  if (n < LEAST_PAIRS) return { pairs: n, offsetPoints: null, spreadPoints: null, likely: null };
  const offset = mean(differences);
  const spread = standardDeviation(differences);
  const half = (tOf95(n - 1) * spread * Math.sqrt(1 + 1 / n)) / 100;
  const moisture = reading + offset / 100;
  return {
    pairs: n,
    offsetPoints: offset,
    spreadPoints: spread,
    likely: { moisture, low: Math.max(0, moisture - half), high: moisture + half },
  };
}
