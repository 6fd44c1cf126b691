import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lossAtRate, lossByRate } from './loss-by-rate.js';

describe('loss by rate', () => {
  it('the accepted loss is passed between the counts on either side of it', () => {
    const found = lossByRate(
      [
        { rate: 80_000, loss: 90 },
        { rate: 60_000, loss: 40 },
      ],
      65,
    )!;
    expect(found).toMatchObject({ most: 70_000, uncountedBeyond: false });
    expect(lossAtRate(found, 70_000)).toBeCloseTo(65, 9);
  });
  it('a faster count that shows less is averaged with the slower one: loss does not fall with rate', () => {
    const found = lossByRate(
      [
        { rate: 50_000, loss: 30 },
        { rate: 60_000, loss: 60 },
        { rate: 70_000, loss: 40 },
        { rate: 90_000, loss: 110 },
      ],
      80,
    )!;
    expect(found.course.map(({ loss }) => loss)).toEqual([30, 50, 50, 110]);
    expect(found.most).toBeCloseTo(70_000 + (20_000 * 30) / 60, 6);
  });
  it('nothing is read beyond the counts', () => {
    expect(lossByRate([], 62)).toBeNull();
    expect(lossByRate([{ rate: 60_000, loss: 40 }], 62)).toMatchObject({ most: 60_000, uncountedBeyond: true });
    expect(lossByRate([{ rate: 60_000, loss: 80 }], 62)).toMatchObject({ most: null, uncountedBeyond: false });
    const one = lossByRate([{ rate: 60_000, loss: 40 }], 62)!;
    expect([lossAtRate(one, 60_000), lossAtRate(one, 59_000), lossAtRate(one, 61_000)]).toEqual([40, null, null]);
  });
  it('the course never falls, keeps the mean, and the rate found is accepted', () => {
    const counts = fc.array(
      fc.record({
        rate: fc.double({ min: 20_000, max: 150_000, noNaN: true }),
        loss: fc.double({ min: 0, max: 300, noNaN: true }),
      }),
      { minLength: 1, maxLength: 25 },
    );
    fc.assert(
      fc.property(counts, fc.double({ min: 0, max: 300, noNaN: true }), (given, accepted) => {
        const found = lossByRate(given, accepted)!;
        for (let i = 1; i < found.course.length; i++) {
          expect(found.course[i]!.loss).toBeGreaterThanOrEqual(found.course[i - 1]!.loss - 1e-9);
          expect(found.course[i]!.rate).toBeGreaterThanOrEqual(found.course[i - 1]!.rate);
        }
        if (found.most !== null) expect(lossAtRate(found, found.most)!).toBeLessThanOrEqual(accepted + 1e-6);
        // What is accepted more may be driven faster.
        const more = lossByRate(given, accepted + 10)!;
        expect(more.most ?? 0).toBeGreaterThanOrEqual(found.most ?? 0);
      }),
      { seed: 20261129, numRuns: 300 },
    );
  });
});
