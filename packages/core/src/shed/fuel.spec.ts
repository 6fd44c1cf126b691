import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FuelAdded, fuelNow, fuelPerAcre, fuelPerBushel, ownBurn, workedHours } from './fuel.js';

const T0 = Date.parse('2026-09-08T13:00:00Z');
const at = (hours: number): number => T0 + hours * 3_600_000;
/** A load every fifteen minutes from one hour of the day to another. */
const loads = (from: number, to: number): number[] => Array.from({ length: (to - from) * 4 + 1 }, (_, i) => at(from + i / 4)); // prettier-ignore
const full = (hours: number, gallons: number): FuelAdded => ({ atMs: at(hours), gallons, full: true });

describe('hours of work', () => {
  it('go from load to load; a break is none', () => {
    const day = [...loads(1, 3), ...loads(5, 6)];
    expect(workedHours(day, at(1), at(3))).toBeCloseTo(2, 9);
    expect(workedHours(day, at(1), at(6))).toBeCloseTo(3, 9);
    expect(workedHours(day, at(0), at(24))).toBeCloseTo(3, 9);
    expect(workedHours([], at(0), at(0.5))).toBeCloseTo(0.5, 9);
    expect(workedHours([], at(0), at(2))).toBe(0);
  });
  it('of two parts are those of the whole, wherever a load parts them', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 600 }), { minLength: 3, maxLength: 40 }), (minutes) => {
        const moments = minutes.sort((a, b) => a - b).map((m) => T0 + m * 60_000);
        const [from, between, to] = [moments[0]!, moments[Math.floor(moments.length / 2)]!, moments.at(-1)!];
        expect(workedHours(moments, from, between) + workedHours(moments, between, to)).toBeCloseTo(workedHours(moments, from, to), 9); // prettier-ignore
      }),
      { seed: 7, numRuns: 200 },
    );
  });
});

describe('fuel of a machine', () => {
  it('burns by its own fills: the middle of what went in from one full tank to the next', () => {
    const day = [...loads(0, 8), ...loads(24, 34), ...loads(48, 58)];
    // 8 h and 160 gal, then 10 h and 240 gal of which 40 were put in between, then 10 h and 210 gal.
    const fills = [
      full(0, 180),
      full(8, 160),
      { atMs: at(28), gallons: 40, full: false },
      full(34, 200),
      full(58, 210),
    ];
    expect(ownBurn(fills, day)).toEqual({ perHour: expect.closeTo(21, 9), pairs: 3 });
    expect(ownBurn(fills.slice(0, 1), day)).toBeNull();
    // Filled up again after ten minutes: nothing is measured by it.
    expect(ownBurn([full(0, 100), full(0.1, 3)], day)).toBeNull();
  });

  it('says until when it lasts, down to the reserve', () => {
    const input = { tankGallons: 300, burnPerHour: 20, reserve: 0.1, fills: [full(0, 250)], moments: loads(0, 6), nowMs: at(6) }; // prettier-ignore
    // 300 − 6 h × 20 = 180 gal; 150 over the reserve are 7.5 h.
    expect(fuelNow(input)).toMatchObject({ leftGallons: expect.closeTo(180, 9), burnBy: 'typed', pairs: 0, workedHours: expect.closeTo(6, 9), hoursLeft: expect.closeTo(7.5, 9), fillByMs: at(13.5) }); // prettier-ignore
    // A can of 30 gal on the way, and a tank that cannot hold more than it holds.
    expect(fuelNow({ ...input, fills: [...input.fills, { atMs: at(5), gallons: 30, full: false }] })!.leftGallons).toBeCloseTo(210, 9); // prettier-ignore
    expect(fuelNow({ ...input, fills: [...input.fills, { atMs: at(5), gallons: 900, full: false }] })!.leftGallons).toBe(300); // prettier-ignore
    // On the reserve: now, and not in the past.
    // Half an hour of road home leaves half an hour less of work.
    expect(fuelNow({ ...input, homeMin: 30 })!.hoursLeft).toBeCloseTo(7, 9);
    const late = fuelNow({ ...input, moments: loads(0, 14), nowMs: at(14) })!;
    expect(late.hoursLeft).toBeLessThan(0);
    expect(late.fillByMs).toBe(at(14));
  });

  it('says nothing where nobody filled it full, or nobody knows what it burns', () => {
    const input = { tankGallons: 300, burnPerHour: 20, reserve: 0, fills: [], moments: loads(0, 6), nowMs: at(6) };
    expect(fuelNow(input)).toBeNull();
    expect(fuelNow({ ...input, fills: [{ atMs: at(0), gallons: 50, full: false }] })).toBeNull();
    expect(fuelNow({ ...input, burnPerHour: null, fills: [full(0, 100)] })).toBeNull();
    // What comes later is not known yet.
    expect(fuelNow({ ...input, fills: [full(0, 100), full(9, 200)] })!.fullAtMs).toBe(at(0));
  });

  it('of a season is so much a bushel', () => {
    expect(fuelPerBushel([full(0, 100), full(8, 140)], 12_000)).toBe(0.02);
    expect(fuelPerBushel([], 1)).toBeNull();
    expect(fuelPerBushel([full(0, 10)], 0)).toBeNull();
  });

  it('an acre takes what its bushels take', () => {
    expect(fuelPerAcre(0.02, 200)).toBeCloseTo(4, 12);
    expect(fuelPerAcre(null, 200)).toBeNull();
    expect(fuelPerAcre(0.02, null)).toBeNull();
  });
});
