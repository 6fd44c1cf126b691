import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wearPart, type WearPartInput } from './wear-part.js';

const CHAINS: WearPartInput = {
  gain: 0.75,
  uncertainty: 0.3,
  acresLeft: 640,
  acresLife: 2500,
  price: 4.4,
  part: 1500,
  hours: 6,
  hourly: 30,
  breaks: 0.1,
  standsHours: 8,
  standsHourly: 250,
};

describe('does a wear part pay?', () => {
  it('0.75 bu/ac at $4.40 over 640 ac: $2,112 against $1,680, paid after 509 ac', () => {
    const found = wearPart(CHAINS);
    expect(found.cost).toBe(1680);
    expect(found.savedSeason).toBeCloseTo(2112, 9);
    expect(found.breakEvenAcres).toBeCloseTo(1680 / 3.3, 9);
    expect(found.verdict).toBe('this season');
    // The schools: its wear of this season, against lost grain, a tenth of the part and a tenth of eight hours standing.
    expect(found.now).toBeCloseTo((1680 * 640) / 2500, 9);
    expect(found.untilItBreaks).toBeCloseTo(2112 + (0.1 * 1680 * 640) / 2500 + 0.1 * 8 * 250, 9);
  });

  it('is not shown to differ where the counts are too few, whatever the dollars say', () => {
    expect(wearPart({ ...CHAINS, uncertainty: 0.8 }).verdict).toBe('not shown to differ');
    expect(wearPart({ ...CHAINS, uncertainty: 0.8 }).breakEvenTo).toBeNull();
  });

  it('over its life where the season is too short, and never where the new one loses more', () => {
    expect(wearPart({ ...CHAINS, acresLeft: 100 }).verdict).toBe('over its life');
    expect(wearPart({ ...CHAINS, acresLeft: 100, acresLife: 300 }).verdict).toBe('does not pay');
    const worse = wearPart({ ...CHAINS, gain: -0.75 });
    expect(worse).toMatchObject({ verdict: 'does not pay', breakEvenAcres: null });
    expect(worse.untilItBreaks).toBeGreaterThanOrEqual(0);
  });

  it('at the break-even acres what was saved is what it cost', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 5, noNaN: true }),
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.double({ min: 1, max: 20_000, noNaN: true }),
        (gain, price, part) => {
          const { breakEvenAcres, cost } = wearPart({ ...CHAINS, gain, price, part });
          expect(breakEvenAcres! * gain * price).toBeCloseTo(cost, 6);
        },
      ),
      { seed: 7 },
    );
  });

  it('refuses what is no chance and no price', () => {
    expect(() => wearPart({ ...CHAINS, breaks: 2 })).toThrow(/chance/);
    expect(() => wearPart({ ...CHAINS, price: NaN })).toThrow();
  });
});
