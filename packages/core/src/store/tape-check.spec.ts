import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { kilogramsPerBushel } from '../units/index.js';
import { tapeCheck, type TapeCheckInput, loadsThatFit } from './index.js';

const FOOT = 0.3048;
const KG = kilogramsPerBushel(56);
const setup = { diameter: 36 * FOOT, eave: 22 * FOOT, hopper: 0, packFactor: 1.05 };
const check = (more: Partial<TapeCheckInput> = {}) =>
  tapeCheck({ setup, crop: CROPS.corn, moisture: 0.15, seen: 'level', belowEave: 4 * FOOT, bookKg: 0, ...more });

describe('the book against a tape', () => {
  it('18 ft of corn in 36 ft: 0.8036 bushels a cubic foot by volume, packed', () => {
    // pi/4 x 36² x 18 ft³ x 0.803564 bu/ft³: handbook arithmetic of a level bin.
    const volumeBushels = (Math.PI / 4) * 36 ** 2 * 18 * 0.803564;
    const { kg, pack } = check();
    expect(pack).toBe(1.05);
    // The crop's density at this moisture is near its test weight.
    expect(kg / KG / (volumeBushels * pack)).toBeGreaterThan(0.94);
    expect(kg / KG / (volumeBushels * pack)).toBeLessThan(1.06);
  });
  it('a peak is more and a drawn core less than level with the same tape, by the cone', () => {
    const level = check().kg;
    const cone =
      ((Math.PI * setup.diameter ** 3 * Math.tan((23 * Math.PI) / 180)) / 24) *
      (level / ((Math.PI / 4) * setup.diameter ** 2 * 18 * FOOT));
    expect(check({ seen: 'peaked', degrees: 23 }).kg - level).toBeCloseTo(cone, 3);
    expect(level - check({ seen: 'cored', degrees: 23 }).kg).toBeCloseTo(cone, 3);
  });
  it('agrees within half a foot and the packing, and not beyond', () => {
    const { kg, errorKg } = check();
    // Half a foot of this bin is 408 bushels by volume.
    expect(errorKg / KG).toBeGreaterThan(400);
    expect(check({ bookKg: kg + 0.99 * errorKg }).answer).toBe('agrees');
    expect(check({ bookKg: kg + 1.01 * errorKg }).answer).toBe('less');
    expect(check({ bookKg: kg - 1.01 * errorKg }).answer).toBe('more');
    // Packing from a table is less sure than the bin's own.
    expect(check({ setup: { ...setup, packFactor: undefined as never } }).errorKg).toBeGreaterThan(errorKg);
  });
  it('says what the tape would read if the book were right', () => {
    const seen = check();
    const { byBook, bookBelowEave } = check({ bookKg: seen.kg });
    expect(byBook).toMatchObject({ kind: 'fits' });
    expect(bookBelowEave).toBeCloseTo(4 * FOOT, 6);
    const peaked = check({ seen: 'peaked' });
    expect(check({ seen: 'peaked', bookKg: peaked.kg }).bookBelowEave).toBeCloseTo(4 * FOOT, 6);
    expect(check({ bookKg: 3 * seen.kg }).byBook).toMatchObject({ kind: 'does_not_fit' });
  });
  it('empty and swept is empty: whatever the book has beyond a bushel is too much', () => {
    const swept = check({ seen: 'empty', bookKg: 30 * KG });
    expect(swept).toMatchObject({ kg: 0, answer: 'less', byBook: null });
    expect(check({ seen: 'empty', bookKg: 0.5 * KG }).answer).toBe('agrees');
  });
  it('refuses a level above the eave or under the floor, and a place without a wall', () => {
    expect(() => check({ belowEave: -0.2 })).toThrow(/depth below the eave/);
    expect(() => check({ belowEave: 23 * FOOT })).toThrow(/depth below the eave/);
    expect(() => check({ setup: { ...setup, eave: 0 } })).toThrow(/wall/);
  });
});

describe('loads booked elsewhere that explain a rise', () => {
  const loads = [910, 905, 300, 880, 895].map((bu, i) => ({ id: `l${i}`, kg: bu * KG }));
  it('finds the shortest run as heavy as the rise, the newest of several', () => {
    expect(loadsThatFit(900 * KG, 20 * KG, loads).map(({ id }) => id)).toEqual(['l0']);
    expect(loadsThatFit(1205 * KG, 10 * KG, loads).map(({ id }) => id)).toEqual(['l1', 'l2']);
    expect(loadsThatFit(5000 * KG, 10 * KG, loads)).toEqual([]);
  });
});
