import fc from 'fast-check';
import * as simple from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import {
  duration,
  exponential,
  fitLine,
  groupBy,
  mean,
  rootBetween,
  seededRandom,
  splitWhole,
  standardDeviation,
  tOf95,
} from './index.js';
import { cents, roundDecimal, roundToStep, sumOfMoney } from '../units/index.js';

const RUNS = { seed: 20261123, numRuns: 300 };

describe('roots', () => {
  it('finds them for steep, flat and kinked functions', () => {
    expect(rootBetween((x) => x ** 9 - 1e-9, 0, 3)).toBeCloseTo(0.1, 9);
    expect(rootBetween((x) => Math.exp(20 * x) - 2, -5, 5)).toBeCloseTo(Math.log(2) / 20, 9);
    expect(rootBetween((x) => (x < 1 ? -1e-6 : x - 1 + 1e-6), 0, 3)).toBeCloseTo(1, 6);
    expect(() => rootBetween((x) => x + 5, 0, 1)).toThrow(/bracketed/);
  });
});

describe('chance', () => {
  it('repeats by seed, is even, and its times have their mean and spread', () => {
    expect([1, 2, 3].map(() => seededRandom(4)())).toEqual(Array(3).fill(seededRandom(4)()));
    const random = seededRandom(11);
    const n = 40_000;
    const even = Array.from({ length: n }, random);
    expect(mean(even)).toBeCloseTo(0.5, 2);
    for (let bin = 0; bin < 10; bin++)
      expect(even.filter((v) => Math.floor(v * 10) === bin).length / n).toBeCloseTo(0.1, 2);
    for (const cv of [0.2, 0.7, 1, 1.6]) {
      const times = Array.from({ length: n }, () => duration(random, 5, cv));
      expect(Math.min(...times.slice(0, 1000))).toBeGreaterThanOrEqual(0);
      expect(mean(times) / 5).toBeCloseTo(1, 1);
      expect(standardDeviation(times) / 5 / cv).toBeCloseTo(1, 1);
    }
    expect(duration(random, 5, 0)).toBe(5);
    expect(mean(Array.from({ length: n }, () => exponential(random, 3)))).toBeCloseTo(3, 1);
  });
});

describe('statistics', () => {
  it('agree with a reference library', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(fc.double({ min: -100, max: 100, noNaN: true }), fc.double({ min: -100, max: 100, noNaN: true })),
          { minLength: 3, maxLength: 30 },
        ),
        (pairs) => {
          const xs = pairs.map(([x]) => x);
          fc.pre(simple.sampleStandardDeviation(xs) > 1e-3);
          const line = fitLine(pairs.map(([x, y]) => ({ x, y })));
          const theirs = simple.linearRegression(pairs);
          expect(line.slope).toBeCloseTo(theirs.m, 6);
          expect(line.intercept).toBeCloseTo(theirs.b, 6);
          expect(standardDeviation(xs)).toBeCloseTo(simple.sampleStandardDeviation(xs), 9);
        },
      ),
      RUNS,
    );
  });
  it('a weight of two is the point twice', () => {
    const points = [
      { x: 0, y: 1 },
      { x: 1, y: 3 },
      { x: 2, y: 2 },
    ];
    const doubled = fitLine([...points, points[1]!]);
    const weighted = fitLine(points.map((p, i) => ({ ...p, weight: i === 1 ? 2 : 1 })));
    expect([weighted.slope, weighted.intercept]).toEqual([
      expect.closeTo(doubled.slope, 12),
      expect.closeTo(doubled.intercept, 12),
    ]);
  });
  it('Student’s t falls towards 1.96, without a step where the table ends', () => {
    for (let df = 1; df < 200; df++) expect(tOf95(df + 1)).toBeLessThan(tOf95(df));
    expect(tOf95(30) - tOf95(31)).toBeLessThan(0.01);
    expect(tOf95(1e6)).toBeCloseTo(1.96, 4);
  });
});

describe('splitting and rounding', () => {
  it('whole parts always sum to the total and stay within one of their share', () => {
    fc.assert(
      fc.property(
        fc.nat(100_000),
        fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 1, maxLength: 12 }),
        (total, weights) => {
          const sum = weights.reduce((a, b) => a + b, 0);
          fc.pre(sum > 1e-6);
          const parts = splitWhole(total, weights);
          expect(parts.reduce((a, b) => a + b, 0)).toBe(total);
          parts.forEach((part, i) => expect(Math.abs(part - (total * weights[i]!) / sum)).toBeLessThan(1.000001));
        },
      ),
      RUNS,
    );
    expect(splitWhole(950, [63.89, 36.11])).toEqual([607, 343]);
  });
  // Published, from memory: 7 CFR 810.104 prints 6.36 to 6.4, 0.35 to 0.4 and 2.45 to 2.5.
  it('rounds the decimal that is printed, half up, also where the binary number lies below it', () => {
    expect([
      roundDecimal(6.36, 1),
      roundDecimal(0.35, 1),
      roundDecimal(2.45, 1),
      roundDecimal(1.005, 2),
      roundDecimal(-2.45, 1),
    ]).toEqual([6.4, 0.4, 2.5, 1.01, -2.5]);
    expect([
      roundDecimal(2.45, 1, 'halfEven'),
      roundDecimal(2.55, 1, 'halfEven'),
      roundDecimal(2.49, 1, 'down'),
      roundDecimal(2.41, 1, 'up'),
    ]).toEqual([2.4, 2.6, 2.4, 2.5]);
    expect([
      roundToStep(0.1675, 0.005),
      roundToStep(16.24, 0.5),
      cents(4352.655),
      Object.is(roundDecimal(-0.01, 1), 0),
    ]).toEqual([0.17, 16, 4352.66, true]);
  });
});

describe('rounding fast and by its words', () => {
  /** The decimal's own digits, always: twelve of them, moved by their exponent as words. */
  const byWords = (value: number, decimals: number, even: boolean): number => {
    const moved = (written: string, by: number): number => {
      const [digits, exponent] = written.split('e');
      return Number(`${digits}e${Number(exponent) + by}`);
    };
    const scaled = moved(Math.abs(value).toExponential(11), decimals);
    const floor = Math.floor(scaled);
    const up = scaled - floor > 0.5 || (scaled - floor === 0.5 && (!even || floor % 2 === 1));
    const rounded = moved((floor + (up ? 1 : 0)).toExponential(), -decimals);
    return rounded === 0 ? 0 : Math.sign(value) * rounded;
  };
  const decimals = fc.integer({ min: 0, max: 9 });
  const same = (value: number, places: number): void => {
    expect(roundDecimal(value, places)).toBe(byWords(value, places, false));
    expect(roundDecimal(value, places, 'halfEven')).toBe(byWords(value, places, true));
  };
  it('rounds what is nearly nothing, and what is huge', () => {
    expect([cents(1e-7), cents(4.9e-9), roundDecimal(5e-7, 6), roundDecimal(9.99e14, 9), cents(-1e-12)]).toEqual([0, 0, 1e-6, 9.99e14, 0]); // prettier-ignore
  });
  it('is the same for figures of any size', () => {
    fc.assert(fc.property(fc.double({ min: -1e15, max: 1e15, noNaN: true }), decimals, same), { ...RUNS, numRuns: 2000 }); // prettier-ignore
    fc.assert(fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), decimals, same), { ...RUNS, numRuns: 2000 });
  });
  it('is the same in the middle between two, a hair below it and a hair above', () => {
    const near = fc.tuple(fc.integer({ min: 0, max: 2_000_000 }), decimals, fc.integer({ min: -3, max: 3 }), fc.integer({ min: 8, max: 17 })); // prettier-ignore
    fc.assert(
      fc.property(near, ([whole, places, hairs, thin]) => {
        const middle = Number(`${whole}.5e-${places}`);
        same(middle * (1 + hairs * 10 ** -thin), places);
        same(-middle, places);
      }),
      { ...RUNS, numRuns: 4000 },
    );
  });
});

describe('sums of money', () => {
  it('are to the cent, whatever binary fractions say', () => {
    expect(0.1 + 0.2).not.toBe(0.3);
    expect(sumOfMoney([0.1, 0.2])).toBe(0.3);
    expect(sumOfMoney([1.1, -2.2, 1.1])).toBe(0);
    expect(sumOfMoney([])).toBe(0);
    expect(sumOfMoney(Array.from({ length: 1000 }, () => 0.07))).toBe(70);
  });
});

describe('lists by a key', () => {
  it('keep the order of keys and within them, and lose nothing', () => {
    expect([...groupBy(['corn', 'milo', 'cane', 'mill', 'cost'], (word) => word[0])]).toEqual([
      ['c', ['corn', 'cane', 'cost']],
      ['m', ['milo', 'mill']],
    ]);
    expect(groupBy([], () => 1).size).toBe(0);
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 5 }), fc.nat())), (all) => {
        const groups = groupBy(all, ([key]) => key);
        // Against sorting by the key alone, which keeps the order of equals.
        expect([...groups].sort(([a], [b]) => a - b).flatMap(([, list]) => list)).toEqual(
          [...all].sort(([a], [b]) => a - b),
        );
      }),
      RUNS,
    );
  });
});
