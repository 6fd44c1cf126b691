import { requireInRange } from './range.js';

/** Arithmetic mean. @throws RangeRefusal when there is nothing to average or a value is not finite */
export function mean(values: readonly number[]): number {
  requireInRange('number of values', values.length, 1, 1e9, '');
  let sum = 0;
  for (const value of values) sum += requireInRange('value', value, -Number.MAX_VALUE, Number.MAX_VALUE, '');
  return sum / values.length;
}

/** The middle value, or the mean of the two in the middle; NaN of none. */
export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

/** Standard deviation of a sample (n - 1). @throws RangeRefusal with fewer than two values */
export function standardDeviation(values: readonly number[]): number {
  requireInRange('number of values', values.length, 2, 1e9, '');
  const middle = mean(values);
  return Math.sqrt(values.reduce((sum, value) => sum + (value - middle) ** 2, 0) / (values.length - 1));
}

/** How far a mean of these values is likely to be off: s / sqrt(n). */
export function standardError(values: readonly number[]): number {
  return standardDeviation(values) / Math.sqrt(values.length);
}

// Student's t, two-sided 95 %, by degrees of freedom 1 to 30. Published, from memory: any statistics handbook's table.
const T95 = [
  12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262, 2.228, 2.201, 2.179, 2.16, 2.145, 2.131, 2.12, 2.11,
  2.101, 2.093, 2.086, 2.08, 2.074, 2.069, 2.064, 2.06, 2.056, 2.052, 2.048, 2.045, 2.042,
];

/** Student's t for a two-sided 95 % interval; beyond 30 degrees of freedom 1.96 + 2.4/df (within 0.003 of the tables). */
export function tOf95(degreesOfFreedom: number): number {
  requireInRange('degrees of freedom', degreesOfFreedom, 1, 1e9, '');
  return T95[Math.floor(degreesOfFreedom) - 1] ?? 1.96 + 2.4 / degreesOfFreedom;
}

export interface Line {
  readonly slope: number;
  readonly intercept: number;
  /** Coefficient of determination; 1 when all y are equal and met. */
  readonly r2: number;
  /** Standard error of the slope; null with two points. */
  readonly slopeError: number | null;
  /** Standard deviation of the residuals, in the unit of y; null with two points. */
  readonly residual: number | null;
}

/**
 * Ordinary least squares through points (x, y), optionally weighted.
 * @throws RangeRefusal with fewer than two points or when all x are equal
 */
export function fitLine(points: readonly { readonly x: number; readonly y: number; readonly weight?: number }[]): Line {
  requireInRange('number of points', points.length, 2, 1e9, '');
  let w = 0;
  let sx = 0;
  let sy = 0;
  for (const { x, y, weight = 1 } of points) {
    w += requireInRange('weight', weight, 0, Number.MAX_VALUE, '');
    sx += weight * requireInRange('x', x, -Number.MAX_VALUE, Number.MAX_VALUE, '');
    sy += weight * requireInRange('y', y, -Number.MAX_VALUE, Number.MAX_VALUE, '');
  }
  const mx = sx / w;
  const my = sy / w;
  let xx = 0;
  let xy = 0;
  let yy = 0;
  for (const { x, y, weight = 1 } of points) {
    xx += weight * (x - mx) ** 2;
    xy += weight * (x - mx) * (y - my);
    yy += weight * (y - my) ** 2;
  }
  requireInRange('spread of x', xx, Number.MIN_VALUE, Number.MAX_VALUE, '');
  const slope = xy / xx;
  const left = Math.max(0, yy - slope * xy);
  const residual = points.length > 2 ? Math.sqrt((left / w) * (points.length / (points.length - 2))) : null;
  return {
    slope,
    intercept: my - slope * mx,
    r2: yy === 0 ? 1 : Math.max(0, 1 - left / yy),
    residual,
    slopeError: residual === null ? null : residual / Math.sqrt((xx / w) * points.length),
  };
}
