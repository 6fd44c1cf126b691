import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blend, blendToTarget, blendTwoBins } from './blend.js';
import { compareShrink, overDryLoss, shrinkBy } from './elevator-shrink.js';
import { correctMeter, likelyBuyerReading } from './meter.js';
import { mixParcels } from './mix.js';
import { weightAtMoisture } from './shrink.js';

const RUNS = { seed: 20261123, numRuns: 300 };
const moisture = fc.double({ min: 0.05, max: 0.35, noNaN: true });
const mass = fc.double({ min: 1, max: 30_000, noNaN: true });

describe('blending', () => {
  it('keeps water, dry matter and space, in whatever order', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            wetKg: mass,
            moisture,
            testWeight: fc.double({ min: 40, max: 65, noNaN: true }),
            foreignMaterial: fc.double({ min: 0, max: 0.1, noNaN: true }),
          }),
          {
            minLength: 1,
            maxLength: 8,
          },
        ),
        (parts) => {
          const all = blend(parts);
          expect(all.moisture).toBeCloseTo(mixParcels(parts).moisture, 12);
          expect(all.wetKg / all.testWeight!).toBeCloseTo(
            parts.reduce((sum, part) => sum + part.wetKg / part.testWeight, 0),
            6,
          );
          expect(blend([...parts].reverse()).foreignMaterial!).toBeCloseTo(all.foreignMaterial!, 9);
          // Blending a blend changes nothing.
          expect(blend([all]).testWeight!).toBeCloseTo(all.testWeight!, 9);
        },
      ),
      RUNS,
    );
  });
  it('two bins in the answered ratio have the wanted moisture', () => {
    fc.assert(
      fc.property(
        moisture,
        moisture,
        fc.double({ min: 0, max: 1, noNaN: true }),
        mass,
        (first, second, share, loadKg) => {
          const wanted = second + share * (first - second);
          const answer = blendTwoBins({
            first: { moisture: first },
            second: { moisture: second },
            wanted,
            loadKg,
            kgPerBu: 25.4,
          });
          if (answer.kind !== 'blend') return expect(Math.abs(share - 0.5)).toBeGreaterThan(0.499);
          expect(
            blend([
              { wetKg: answer.firstKg, moisture: first },
              { wetKg: answer.secondKg, moisture: second },
            ]).moisture,
          ).toBeCloseTo(wanted, 9);
          expect(answer.firstBu + answer.secondBu).toBe(Math.round(loadKg / 25.4));
        },
      ),
      RUNS,
    );
  });
  it('does not know of the blend what it does not know of a part', () => {
    expect(
      blend([
        { wetKg: 1, moisture: 0.1, testWeight: 56 },
        { wetKg: 1, moisture: 0.2 },
      ]),
    ).toEqual({ wetKg: 2, dryKg: expect.closeTo(1.7, 12) as number, moisture: expect.closeTo(0.15, 12) as number });
    expect(() => blend([])).toThrow(/mass of the blend is 0 kg/);
  });
});

describe('shrink', () => {
  it('a flat rule at the exact factor without handling takes what the water weighs', () => {
    fc.assert(
      fc.property(moisture, fc.double({ min: 0.12, max: 0.16, noNaN: true }), (m, base) => {
        expect(shrinkBy({ kind: 'flat', base, percentPerPoint: 1 / (1 - base) }, m)).toBeCloseTo(
          shrinkBy({ kind: 'exact', base }, m),
          12,
        );
      }),
      RUNS,
    );
  });
  it('names the money between the schools, in the right direction', () => {
    const at = (m: number) =>
      compareShrink({
        wetKg: 25_401,
        moisture: m,
        base: 0.155,
        percentPerPoint: 1.4,
        pricePerBu: 4.2,
        kgPerBu: 25.401,
      });
    // Two points above base 1.4 is the cheaper one for the seller, five points above the dearer.
    expect(at(0.175).money).toBeLessThan(0);
    expect(at(0.205).money).toBeGreaterThan(0);
    expect(at(0.205).differenceBu).toBeCloseTo(1000 * (0.07 - (0.05 / 0.845 + 0.005)), 6);
    expect(
      compareShrink({ wetKg: 1, moisture: 0.2, base: 0.155, percentPerPoint: 1.15, pricePerBu: 4, kgPerBu: 25 })
        .breakEvenPoints,
    ).toBeNull();
  });
  it('what is lost by over-drying is what adding the water back would weigh', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.129, noNaN: true }), mass, (sold, soldKg) => {
        const { lostKg } = overDryLoss({ soldKg, sold, allowed: 0.13, pricePerBu: 10, kgPerBu: 27.2 });
        expect(soldKg + lostKg).toBeCloseTo(weightAtMoisture(soldKg, sold, 0.13), 6);
      }),
      RUNS,
    );
  });
});

describe('testers', () => {
  it('have nothing to say with fewer than three pairs', () => {
    expect(
      likelyBuyerReading(0.14, [
        { tester: 0.14, buyer: 0.15 },
        { tester: 0.15, buyer: 0.16 },
      ]),
    ).toEqual({ pairs: 2, offsetPoints: null, spreadPoints: null, likely: null });
  });
  it('more pairs of the same scatter narrow the range about the same middle', () => {
    const pairs = (n: number) =>
      Array.from({ length: n }, (_, i) => ({ tester: 0.14, buyer: 0.146 + (i % 2 ? 0.002 : -0.002) }));
    const [few, many] = [likelyBuyerReading(0.15, pairs(4)).likely!, likelyBuyerReading(0.15, pairs(40)).likely!];
    expect(many.moisture).toBeCloseTo(0.156, 12);
    expect(many.high - many.low).toBeLessThan(few.high - few.low);
  });
  it('a card of one row holds everywhere, marked outside', () => {
    expect(correctMeter(0.15, 3, [{ temperature: 20, points: 0.5 }])).toEqual({
      moisture: 0.155,
      points: 0.5,
      outside: true,
    });
    expect(() => correctMeter(0.15, 3, [])).toThrow(/rows of the meter card is 0/);
  });
});

describe('a blend for other readings than moisture', () => {
  const load = { loadKg: 25_000, kgPerBu: 25.4 };
  const made = (answer: ReturnType<typeof blendToTarget>) => {
    if (answer.kind !== 'blend') throw new Error(answer.kind);
    return answer;
  };
  it('makes what was wanted, by the blend of the parts itself: test weight by space, foreign material by weight', () => {
    const light = made(blendToTarget({ ...load, by: 'testWeight', first: { reading: 58 }, second: { reading: 52 }, wanted: 56 })); // prettier-ignore
    const parts = [
      { wetKg: light.firstKg, moisture: 0.15, testWeight: 58, foreignMaterial: 0 },
      { wetKg: light.secondKg, moisture: 0.15, testWeight: 52, foreignMaterial: 0 },
    ];
    expect(blend(parts).testWeight).toBeCloseTo(56, 9);
    const dirty = made(blendToTarget({ ...load, by: 'foreignMaterial', first: { reading: 0.05 }, second: { reading: 0.01 }, wanted: 0.02 })); // prettier-ignore
    expect(dirty.firstShare).toBeCloseTo(0.25, 12);
  });
  it('takes a fixed amount from a third bin, and makes it up from the other two', () => {
    const third = { reading: 0.18, kg: 5000 };
    const answer = made(blendToTarget({ ...load, by: 'moisture', first: { reading: 0.16 }, second: { reading: 0.13 }, third, wanted: 0.15 })); // prettier-ignore
    expect(answer.firstKg + answer.secondKg).toBeCloseTo(20_000, 9);
    const all = [
      { wetKg: answer.firstKg, moisture: 0.16 },
      { wetKg: answer.secondKg, moisture: 0.13 },
      { wetKg: 5000, moisture: 0.18 },
    ];
    expect(blend(all).moisture).toBeCloseTo(0.15, 12);
    // So much of it that the others cannot make it up: the nearest is said of the whole load.
    const far = blendToTarget({ ...load, by: 'moisture', first: { reading: 0.16 }, second: { reading: 0.13 }, third: { reading: 0.18, kg: 15_000 }, wanted: 0.15 }); // prettier-ignore
    expect(far).toMatchObject({
      kind: 'out_of_reach',
      side: 'both_wetter',
      nearest: expect.closeTo(0.16, 9) as number,
    });
    expect(() => blendToTarget({ ...load, by: 'moisture', first: { reading: 0.16 }, second: { reading: 0.13 }, third: { reading: 0.18, kg: 30_000 }, wanted: 0.15 })).toThrow(/third gives/); // prettier-ignore
  });
  it('heavier than both, or lighter, is out of reach on the side that it is', () => {
    const of = (wanted: number) => blendToTarget({ ...load, by: 'testWeight', first: { reading: 58 }, second: { reading: 52 }, wanted }); // prettier-ignore
    expect(of(60)).toEqual({ kind: 'out_of_reach', nearest: expect.closeTo(58, 9) as number, side: 'both_drier' });
    expect(of(50)).toEqual({ kind: 'out_of_reach', nearest: expect.closeTo(52, 9) as number, side: 'both_wetter' });
  });
});
