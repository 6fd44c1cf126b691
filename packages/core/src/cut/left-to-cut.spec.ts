import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { feetToMetres, inchesToMetres, kilogramsPerBushel, KG_PER_LB, M2_PER_ACRE } from '../units/index.js';
import { areaOfRows, fillsFirst, heapedKg, leftToCut, tankOverWay } from './left-to-cut.js';

const corn = kilogramsPerBushel(56);

describe('left to cut', () => {
  it('24 rows of 30 in, half a mile long, are 3.64 ac: two passes of a 12-row head, the last a whole one', () => {
    const area = areaOfRows(24, inchesToMetres(30), feetToMetres(2640));
    // By hand: 24 x 2.5 ft x 2,640 ft / 43,560 ft².
    expect(area / M2_PER_ACRE).toBeCloseTo((24 * 2.5 * 2640) / 43_560, 6);
    const left = leftToCut({
      area,
      headWidth: feetToMetres(30),
      passLength: feetToMetres(2640),
      rowSpacing: inchesToMetres(30),
      yieldKgPerHa: 12_550,
      rate: 60_000,
      loadKg: 22_680,
    });
    expect(left).toMatchObject({ passes: 2, rows: 24, rowsAfterThis: null });
    expect(left.kg).toBeCloseTo((area * 12_550) / 10_000, 6);
    expect(left.hours).toBeCloseTo(left.kg! / 60_000, 9);
    expect(left.loads).toBeCloseTo(left.kg! / 22_680, 9);
  });

  it('18 rows under a 12-row head: six stay after this pass', () => {
    const area = areaOfRows(18, inchesToMetres(30), feetToMetres(1320));
    const left = leftToCut({ area, headWidth: feetToMetres(30), passLength: feetToMetres(1320), rowSpacing: inchesToMetres(30), yieldKgPerHa: null, rate: null, loadKg: null }); // prettier-ignore
    expect(left).toEqual({ passes: 2, rows: 18, rowsAfterThis: 6, kg: null, hours: null, loads: null });
  });

  it('says nothing of passes where nobody knows how long one is', () => {
    const left = leftToCut({ area: 40_000, headWidth: 9, passLength: null, rowSpacing: null, yieldKgPerHa: 8000, rate: 0, loadKg: null }); // prettier-ignore
    expect(left).toEqual({ passes: null, rows: null, rowsAfterThis: null, kg: 32_000, hours: null, loads: null });
  });

  it('passes times the area of a pass always cover what stands, but for a twentieth of one', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 1e6, noNaN: true }),
        fc.double({ min: 3, max: 15, noNaN: true }),
        fc.double({ min: 50, max: 2000, noNaN: true }),
        (area, headWidth, passLength) => {
          const { passes } = leftToCut({ area, headWidth, passLength, rowSpacing: null, yieldKgPerHa: null, rate: null, loadKg: null }); // prettier-ignore
          const ofOne = headWidth * passLength;
          expect(passes! * ofOne).toBeGreaterThan(area - 0.051 * ofOne);
          expect((passes! - 1) * ofOne).toBeLessThan(area);
        },
      ),
      { seed: 11 },
    );
  });

  it('the tank over a round: what it brings, and where it is full', () => {
    // 30 ft at 200 bu/ac: 0.1377 bu a foot, 727 bu a round of a mile.
    const way = { width: feetToMetres(30), wayLength: feetToMetres(5280), yieldKgPerHa: (200 * corn) / 0.40468564224 };
    const empty = tankOverWay({ inTankKg: 0, tankKg: 400 * corn, ...way });
    expect(empty.wayKg / corn).toBeCloseTo((30 * 5280 * 200) / 43_560, 2);
    expect(empty.makesIt).toBe(false);
    expect(empty.fullAfter! / 0.3048).toBeCloseTo((400 * 43_560) / (30 * 200), 1);
    expect(tankOverWay({ inTankKg: 0, tankKg: 800 * corn, ...way }).makesIt).toBe(true);
    expect(tankOverWay({ inTankKg: 0, tankKg: 800 * corn, ...way, yieldKgPerHa: 0 })).toEqual({ wayKg: 0, makesIt: true, fullAfter: null }); // prettier-ignore
  });

  it('625 heaped bushels at 60 lb are 670 standard ones', () => {
    expect(Math.round(heapedKg(625, 60) / corn)).toBe(670);
    expect(heapedKg(625, 60) / KG_PER_LB).toBeCloseTo(37_500, 6);
  });

  it('a truck is full by the law before its box is, or the other way around', () => {
    const box = { name: 'box' as const, kg: heapedKg(1000, 58) };
    const law = { name: 'law' as const, kg: 24_000 };
    expect(fillsFirst(20_000, [box, law], 72_000)).toEqual({ by: 'law', roomKg: 4000, seconds: 200 });
    expect(fillsFirst(25_000, [box, law], 72_000)).toEqual({ by: 'law', roomKg: -1000, seconds: 0 });
    expect(fillsFirst(0, [{ name: 'box', kg: 10_000 }, law], 0)).toEqual({ by: 'box', roomKg: 10_000, seconds: null });
    expect(() => fillsFirst(0, [], 0)).toThrow(/limits/);
  });
});
