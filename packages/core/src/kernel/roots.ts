import { invariant } from './invariant.js';

/**
 * Root of a continuous function with a sign change between `low` and `high`, by the Illinois variant of false position with
 * bisection when it stalls. At most 200 steps; stops at |high - low| <= tolerance.
 * @throws a bug when there is no sign change: the caller has to bracket
 */
export function rootBetween(f: (x: number) => number, low: number, high: number, tolerance = 1e-12): number {
  let a = low;
  let b = high;
  let fa = f(a);
  let fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  invariant(fa * fb < 0, 'a root must be bracketed', `${fa} at ${a}, ${fb} at ${b}`);
  let last = 0;
  for (let i = 0; i < 200 && Math.abs(b - a) > tolerance; i++) {
    // Every third step halves the bracket, so that a flat function cannot stall.
    const x = i % 3 === 2 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
    const fx = f(x);
    if (fx === 0) return x;
    if (fx * fb < 0) {
      a = b;
      fa = fb;
      last = 0;
    } else if (++last > 1) fa /= 2;
    b = x;
    fb = fx;
  }
  return b;
}
