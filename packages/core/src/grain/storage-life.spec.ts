import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { fahrenheitToCelsius } from '../units/index.js';
import {
  age,
  ageingRate,
  allowableHours,
  cautiousDays,
  germinationDays,
  keptDays,
  safeDaysLeft,
  selfHeating,
  SOYBEAN_SHIFTS,
  USUAL_KEEPING,
} from './storage-life.js';

const RUNS = { seed: 20261123, numRuns: 300 };
const moisture = fc.double({ min: 0.11, max: 0.33, noNaN: true });
const celsius = fc.double({ min: -10, max: 42, noNaN: true });
const variant = fc.constantFrom('A' as const, 'B' as const);

describe('allowable storage time', () => {
  it('is shorter for wetter, warmer and more broken corn', () => {
    fc.assert(
      fc.property(moisture, celsius, variant, (m, t, v) => {
        const here = allowableHours(m, t, { variant: v });
        expect(allowableHours(m + 0.01, t, { variant: v })).toBeLessThan(here);
        expect(allowableHours(m, t + 1, { variant: v })).toBeLessThan(here);
        expect(allowableHours(m, t, { variant: v, damage: 40 })).toBeLessThan(
          allowableHours(m, t, { variant: v, damage: 10 }),
        );
        expect(allowableHours(m, t, { variant: v, limit: 0.25 })).toBeLessThan(here);
      }),
      RUNS,
    );
  });

  it('variant B is the cautious one in the cold and the same above 60 °F', () => {
    expect(allowableHours(0.18, 4, { variant: 'A' })).toBeGreaterThan(1.4 * allowableHours(0.18, 4, { variant: 'B' }));
    expect(allowableHours(0.18, 20, { variant: 'A' })).toBeCloseTo(allowableHours(0.18, 20, { variant: 'B' }), 9);
  });

  it('adds equivalent hours: a stretch cut in two ages as much as the whole', () => {
    fc.assert(
      fc.property(
        moisture,
        celsius,
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (m, t, hours, cut) => {
          const whole = age([{ hours, moisture: m, temperature: t }]);
          const parts = age([
            { hours: hours * cut, moisture: m, temperature: t },
            { hours: hours * (1 - cut), moisture: m, temperature: t },
          ]);
          expect(parts.referenceHours / whole.referenceHours).toBeCloseTo(1, 9);
          expect(parts.dryMatterLoss / whole.dryMatterLoss).toBeCloseTo(1, 9);
        },
      ),
      RUNS,
    );
  });
});

describe('safe days left', () => {
  it('counts what the grain has been through and names table and measure', () => {
    const fresh = safeDaysLeft(CROPS.corn, { moisture: 0.18, temperature: 10 });
    const used = safeDaysLeft(CROPS.corn, { moisture: 0.18, temperature: 10 }, [
      { hours: 240, moisture: 0.22, temperature: 15 },
    ]);
    expect(fresh).toMatchObject({
      lifeUsed: 0,
      borrowed: false,
      measure: '0.5 % of dry matter lost',
      basis: 'shelled corn, variant B',
    });
    expect(used.days).toBeCloseTo(fresh.days * (1 - used.lifeUsed), 9);
    expect(
      safeDaysLeft(CROPS.corn, { moisture: 0.24, temperature: 30 }, [{ hours: 2400, moisture: 0.24, temperature: 30 }])
        .days,
    ).toBe(0);
  });

  it('reads soybeans as wetter corn by the school that is chosen, marked as borrowed', () => {
    const three = safeDaysLeft(CROPS.soybean, { moisture: 0.15, temperature: 20 });
    const two = safeDaysLeft(CROPS.soybean, { moisture: 0.15, temperature: 20 }, [], {
      soybeanShift: SOYBEAN_SHIFTS.two,
    });
    expect([three.borrowed, three.basis]).toEqual([true, 'shelled corn, variant B; soybeans as corn 3 points wetter']);
    expect(three.days).toBeCloseTo(safeDaysLeft(CROPS.corn, { moisture: 0.18, temperature: 20 }).days, 9);
    expect(two.days).toBeGreaterThan(three.days);
  });

  it('takes germination for cereals, and has no table for sunflower and canola', () => {
    expect(safeDaysLeft(CROPS.barley, { moisture: 0.15, temperature: 20 })).toMatchObject({
      measure: '5 % drop in germination',
      borrowed: true,
    });
    expect(safeDaysLeft(CROPS.wheat, { moisture: 0.15, temperature: 20 }).borrowed).toBe(false);
    expect(() => safeDaysLeft(CROPS.canola, { moisture: 0.09, temperature: 20 })).toThrow(
      /keeping table "canola" is not known/,
    );
    expect(ageingRate(CROPS.sunflower)).toBeNull();
    // The two pieces of the formula meet with a small step.
    expect(germinationDays(0.19, 10) / germinationDays(0.1901, 10)).toBeGreaterThan(1.03);
    expect(germinationDays(0.19, 10) / germinationDays(0.1901, 10)).toBeLessThan(1.1);
  });

  it('the hourly rate of a simulation is the same life', () => {
    const rate = ageingRate(CROPS.corn)!;
    expect(1 / rate.perHour(0.18, 10)).toBeCloseTo(allowableHours(0.18, 10), 6);
    expect(rate.lossAt!(1)).toBeCloseTo(0.4976, 3);
  });
});

const F = fahrenheitToCelsius;

describe('the cautious table', () => {
  it('is the table at its corners, and between them never longer than the drier and colder one', () => {
    // A northern plains extension table for cereal grains, from memory.
    for (const [points, at, days] of [
      [14, 80, 140],
      [18, 60, 50],
      [20, 70, 14],
      [22, 80, 3],
      [24, 50, 15],
      [26, 70, 5],
      [30, 80, 1],
      [30, 30, 60],
    ] as const)
      expect(cautiousDays(points / 100, F(at)).days).toBeCloseTo(days, 6);
    expect(cautiousDays(0.14, F(40))).toEqual({ days: expect.closeTo(300, 6) as number, atLeast: true });
    const inside = fc.tuple(
      fc.double({ min: 0.14, max: 0.29, noNaN: true }),
      fc.double({ min: F(30), max: F(79), noNaN: true }),
    );
    fc.assert(
      fc.property(inside, ([m, t]) => {
        const here = cautiousDays(m, t).days;
        expect(cautiousDays(m + 0.01, t).days).toBeLessThanOrEqual(here + 1e-9);
        expect(cautiousDays(m, t + 0.5).days).toBeLessThanOrEqual(here + 1e-9);
      }),
      RUNS,
    );
  });
  it('is refused outside of its rows, not clamped', () => {
    for (const [m, at] of [
      [0.139, 60],
      [0.301, 60],
      [0.2, 29],
      [0.2, 81],
      [NaN, 60],
    ] as const)
      expect(() => cautiousDays(m, F(at))).toThrow(/moisture|temperature/);
  });
});

describe('how long it keeps, by the table that counts', () => {
  it('above 75 °F the cautious one unless the farm says otherwise, below it the standard’s; both can be chosen', () => {
    expect(keptDays(0.2, F(80))).toEqual({ days: expect.closeTo(7, 6) as number, bound: 'about', table: 'cautious' });
    const standard = keptDays(0.2, F(80), { ...USUAL_KEEPING, warm: 'standard' });
    // Variant B has 9 days where the cautious table has 7.
    expect(standard).toEqual({
      days: expect.closeTo(allowableHours(0.2, F(80)) / 24, 9) as number,
      bound: 'about',
      table: 'standard',
    });
    expect(standard.days).toBeGreaterThan(8);
    expect(keptDays(0.2, F(75)).table).toBe('standard');
    expect(keptDays(0.2, F(60), { ...USUAL_KEEPING, cool: 'cautious' }).days).toBeCloseTo(25, 6);
    expect(keptDays(0.2, F(40), { ...USUAL_KEEPING, slope: 'A' }).days).toBeGreaterThan(keptDays(0.2, F(40)).days);
  });
  it('hotter or wetter than the table it is at most so long, and above 35 % it says nothing', () => {
    const hot = keptDays(0.2, F(100));
    expect(hot.bound).toBe('at most');
    expect(hot.days).toBeLessThan(7);
    expect(keptDays(0.32, F(80))).toMatchObject({ bound: 'at most', table: 'cautious' });
    expect(() => keptDays(0.36, F(60))).toThrow(/moisture/);
    expect(() => safeDaysLeft(CROPS.corn, { moisture: 0.36, temperature: 15 })).toThrow(/moisture/);
    // Read three points wetter, beans pass the end of the table at 32 %.
    expect(() => safeDaysLeft(CROPS.soybean, { moisture: 0.33, temperature: 15 })).toThrow(/moisture/);
    expect(safeDaysLeft(CROPS.corn, { moisture: 0.2, temperature: F(80) })).toMatchObject({
      basis: 'the cautious table',
      bound: 'about',
    });
  });
  it('still grain heats itself: 24 % at 84 °F lasts about two days and ends near 130 °F', () => {
    const still = selfHeating(0.24, F(84));
    expect(still.days).toBeGreaterThan(1.4);
    expect(still.days).toBeLessThan(2.6);
    expect(still.celsius).toBeGreaterThan(F(124));
    expect(still.celsius).toBeLessThan(F(136));
    // Always sooner than aired grain by the same rate.
    expect(still.days).toBeLessThan(allowableHours(0.24, F(84)) / 24);
    expect(selfHeating(0.16, F(60)).days).toBeGreaterThan(selfHeating(0.2, F(60)).days);
  });
});
