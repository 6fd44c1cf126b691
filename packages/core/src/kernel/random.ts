import { quantity, within } from './formula.js';

/** A stream of numbers evenly spread over [0, 1). Chance comes into the core only as one of these. */
export type Random = () => number;

/**
 * A repeatable stream: the same seed gives the same numbers (a 32-bit counter through a multiply-xorshift mixer, period 2^32).
 * Good enough for replications of a day; not for secrets.
 */
export function seededRandom(seed: number): Random {
  within(quantity('seed', 0, 2 ** 32 - 1, ''), seed);
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Exponential waiting time of the given mean. */
export function exponential(random: Random, mean: number): number {
  return -mean * Math.log(1 - random());
}

function normal(random: Random): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

/**
 * A duration with the given mean and coefficient of variation (standard deviation over mean): gamma distributed, so never negative;
 * cv 0 is always the mean, cv 1 is exponential. Method: Marsaglia and Tsang 2000 (published, from memory).
 */
export function duration(random: Random, mean: number, cv: number): number {
  if (cv === 0 || mean === 0) return mean;
  if (cv === 1) return exponential(random, mean);
  const shape = 1 / (cv * cv);
  const boosted = shape < 1 ? shape + 1 : shape;
  const d = boosted - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(random);
    const v = (1 + c * x) ** 3;
    if (v <= 0) continue;
    if (Math.log(1 - random()) < 0.5 * x * x + d - d * v + d * Math.log(v)) {
      const boost = shape < 1 ? (1 - random()) ** (1 / shape) : 1;
      return (d * v * boost * mean) / shape;
    }
  }
}
