import { requireInRange } from './range.js';

/**
 * Splits a whole total in proportion to the weights into whole parts that always sum to it: every part is rounded down and what is
 * left goes to the largest remainders, the earlier part first between equals.
 * @example splitWhole(950, [63.89, 36.11]) // [607, 343]
 */
export function splitWhole(total: number, weights: readonly number[]): number[] {
  requireInRange('whole total', total, 0, Number.MAX_SAFE_INTEGER, '');
  requireInRange('number of parts', weights.length, 1, 1e6, '');
  const sum = weights.reduce((all, weight) => all + requireInRange('weight', weight, 0, Number.MAX_VALUE, ''), 0);
  requireInRange('sum of weights', sum, Number.MIN_VALUE, Number.MAX_VALUE, '');
  if (weights.length === 1) return [Math.round(total)];
  const exact = weights.map((weight) => (Math.round(total) * weight) / sum);
  const parts = exact.map(Math.floor);
  const left = Math.round(total) - parts.reduce((all, part) => all + part, 0);
  const order = exact
    .map((value, i) => ({ i, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (let k = 0; k < left; k++) parts[order[k]!.i]!++;
  return parts;
}
