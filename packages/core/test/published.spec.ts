import { describe, expect, it } from 'vitest';
import {
  CROPS,
  cropOf,
  dryBushels,
  kilogramsPerBushel,
  KG_PER_LB,
  mixParcels,
  moistureFraction,
  RangeRefusal,
  shrinkFactorPerPoint,
  waterShrink,
  weightAtMoisture,
  wetBushels,
  acresToHectares,
  CUBIC_METRES_PER_BUSHEL,
} from '../src/index.js';

describe('water shrink', () => {
  // Published (from memory): extension shrink bulletins print these factors per point.
  it.each([
    [0, '1.000'],
    [0.08, '1.087'],
    [0.1, '1.111'],
    [0.12, '1.136'],
    [0.13, '1.149'],
    [0.14, '1.163'],
    [0.15, '1.176'],
    [0.155, '1.183'],
  ])('the factor per point down to %d is %s', (to, factor) => {
    expect(shrinkFactorPerPoint(to).toFixed(3)).toBe(factor);
  });

  // Published (from memory): 25 % corn to 15.5 % loses 11.24 % (11.74 with half a percent of handling). Others computed.
  it.each([
    [0.16, '0.592', '994.08'],
    [0.18, '2.959', '970.41'],
    [0.2, '5.325', '946.75'],
    [0.25, '11.243', '887.57'],
    [0.3, '17.160', '828.40'],
  ])('corn from %d to 15.5 %% loses %s %% of its weight; 1,000 bu become %s', (from, per, bushels) => {
    expect((waterShrink(from, 0.155) * 100).toFixed(3)).toBe(per);
    expect(weightAtMoisture(1000, from, 0.155).toFixed(2)).toBe(bushels);
  });

  // Published (from memory): Nebraska and Kansas tables of weight lost by beans sold below 13 %.
  it.each([
    [0.12, '1.14'],
    [0.11, '2.25'],
    [0.1, '3.33'],
    [0.09, '4.40'],
    [0.08, '5.43'],
  ])('beans sold at %d instead of 13 %% lose %s %%', (sold, per) => {
    expect((waterShrink(0.13, sold) * 100).toFixed(2)).toBe(per);
  });

  it('refuses a percent where a fraction belongs', () => {
    expect(() => waterShrink(25, 0.155)).toThrow(RangeRefusal);
    expect(() => moistureFraction(16.5)).toThrow(/moisture is 16.5/);
  });
});

describe('bushels', () => {
  // Published: NIST Handbook 44, Appendix C (pound exact; bushel 2150.42 cubic inches = 35.23907 L).
  it('the pound and the bushel are the legal ones', () => {
    expect(KG_PER_LB).toBe(0.45359237);
    expect((CUBIC_METRES_PER_BUSHEL * 1000).toFixed(5)).toBe('35.23907');
  });

  // Published (from memory): USDA conversion tables, bushels in a tonne.
  it.each([
    ['corn', '39.3683'],
    ['sorghum', '39.3683'],
    ['soybean', '36.7437'],
    ['wheat', '36.7437'],
    ['barley', '45.9296'],
    ['oats', '68.8945'],
  ])('a tonne of %s is %s bu', (crop, bushels) => {
    expect(wetBushels(1000, cropOf(crop)!.legalPounds).toFixed(4)).toBe(bushels);
  });

  it('dry bushels are the same dry matter at the base: 1,000 wet bu at 18 % are 970.41 at 15.5 %', () => {
    const wetKg = 1000 * kilogramsPerBushel(CROPS.corn.legalPounds);
    expect(dryBushels(wetKg * 0.82, 56, 0.155).toFixed(2)).toBe('970.41');
  });

  it('mixing goes by weight, not by bushels or by mean', () => {
    expect(
      mixParcels([
        { wetKg: 9420, moisture: 0.178 },
        { wetKg: 46_900, moisture: 0.162 },
      ]).moisture,
    ).toBeCloseTo(0.164676, 6);
  });

  it('an acre is 0.404686 ha', () => {
    expect(acresToHectares(1).toFixed(6)).toBe('0.404686');
  });
});
