import { type Formula, mean, quantity, requireInRange, standardError, tOf95 } from '../kernel/index.js';

export const STRIPS: Formula = {
  id: 'strips',
  title: 'Did it change the yield?',
  equation: 'mean of new - old; s / sqrt(n); 95 % interval by t for n - 1 pairs',
  standing: 'published, from memory',
  source: 'Paired differences, any handbook of field experiments',
  inputs: [quantity('pairs of strips', 2, 1000, '')],
};

export interface StripResult {
  /** Mean of new minus old, in the unit of the differences. */
  readonly mean: number;
  readonly standardError: number;
  /** 95 % interval of the mean. */
  readonly low: number;
  readonly high: number;
  readonly verdict: 'better' | 'worse' | 'not shown to differ';
  /** Strips that would be needed to show a difference as large as the mean, at this scatter; null when the mean is zero. */
  readonly stripsNeeded: number | null;
}

/**
 * Alternating strips: the only proof that a change raised the yield. A jump on other ground is none.
 * Range and source: {@link STRIPS}.
 * @param differences new minus old of each pair of neighboring strips, at least two
 * @example +4.1, -0.6, +2.5 bu/ac: +2.0 with standard error 1.4, not shown to differ
 */
export function compareStrips(differences: readonly number[]): StripResult {
  requireInRange('pairs of strips', differences.length, 2, 1000, '');
  const middle = mean(differences);
  const error = standardError(differences);
  const half = tOf95(differences.length - 1) * error;
  const spread = error * Math.sqrt(differences.length);
  let needed: number | null = null;
  if (middle !== 0) {
    needed = 2;
    while (needed < 1000 && (tOf95(needed - 1) * spread) / Math.sqrt(needed) >= Math.abs(middle)) needed++;
  }
  return {
    mean: middle,
    standardError: error,
    low: middle - half,
    high: middle + half,
    verdict: middle - half > 0 ? 'better' : middle + half < 0 ? 'worse' : 'not shown to differ',
    stripsNeeded: needed,
  };
}
