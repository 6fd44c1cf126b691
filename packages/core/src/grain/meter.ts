import { type Formula, mean, quantity, requireInRange, standardDeviation, tOf95, within } from '../kernel/index.js';
import { MOISTURE, TEMPERATURE } from '../units/index.js';

/** One row of the meter maker's card: add this many points at this grain temperature. */
export interface MeterOffset {
  /** °C */
  readonly temperature: number;
  /** Points (per cent moisture) to add to the reading. */
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
