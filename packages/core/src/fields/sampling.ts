import { type Formula, mean, quantity, requireInRange, standardDeviation, tOf95 } from '../kernel/index.js';

const SPREAD = quantity('standard deviation of readings', 0, 10, 'points');

export const SAMPLING: Formula = {
  id: 'sampling',
  title: 'How many moisture readings',
  equation: 'n = (t s / d)², t for n - 1 readings, 95 %',
  standing: 'published, from memory',
  source: 'Sampling theory, any statistics handbook',
  inputs: [SPREAD, quantity('wanted half-width', 0.05, 5, 'points')],
  note: 'Readings from all over the field, not from the headland: rows beside a road dry first.',
};

/**
 * Readings needed for a mean within `halfWidth` points, 95 times of 100.
 * Range and source: {@link SAMPLING}.
 * @param spread standard deviation of single readings, points
 */
export function readingsNeeded(spread: number, halfWidth = 0.5): number {
  requireInRange(SPREAD.name, spread, SPREAD.least, SPREAD.most, SPREAD.unit);
  requireInRange('wanted half-width', halfWidth, 0.05, 5, 'points');
  let n = 2;
  while (n < 100_000 && (tOf95(n - 1) * spread) / Math.sqrt(n) > halfWidth) n++;
  return n;
}

/**
 * Mean of a field's readings and how sure it is.
 * Range and source: {@link SAMPLING}.
 * @param readings wet-basis fractions; one reading has no half-width
 */
export function sampleMean(readings: readonly number[]): {
  moisture: number;
  halfWidthPoints: number | null;
  moreFor: (halfWidth: number) => number | null;
} {
  for (const reading of readings) requireInRange('moisture', reading, 0, 0.6, 'wb fraction');
  const moisture = mean(readings);
  if (readings.length < 2) return { moisture, halfWidthPoints: null, moreFor: () => null };
  const spread = 100 * standardDeviation(readings);
  return {
    moisture,
    halfWidthPoints: (tOf95(readings.length - 1) * spread) / Math.sqrt(readings.length),
    moreFor: (halfWidth) => Math.max(0, readingsNeeded(spread, halfWidth) - readings.length),
  };
}
