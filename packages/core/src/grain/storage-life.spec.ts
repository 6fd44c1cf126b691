import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { age, ageingRate, allowableHours, germinationDays, safeDaysLeft, SOYBEAN_SHIFTS } from './storage-life.js';

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
