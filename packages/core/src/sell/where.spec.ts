import { describe, expect, it } from 'vitest';
import { kilogramsPerBushel } from '../units/index.js';
import { type BuyerAhead, whereItBringsMost } from './index.js';

const KG = kilogramsPerBushel(56);
const terms = { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.4, dockPerPoint: 0.03, dockStep: 1, refuseAbove: 0.2 };
const buyer = (id: string, price: number, roadMin: number | null, more: Partial<BuyerAhead['terms']> = {}): BuyerAhead => ({ id, price, roadMin, lineMin: 10, terms: { ...terms, ...more } }); // prettier-ignore
const ask = (buyers: readonly BuyerAhead[], moisture = 0.15) =>
  whereItBringsMost({ moisture, loadKg: 900 * KG, kgPerBu: KG, buyers, times: { loadMin: 6, tarpMin: 3, unloadMin: 11 }, truckCostPerHour: 90 }); // prettier-ignore

describe('where a load brings most', () => {
  it('takes the road both ways off: the highest bid may be the worst', () => {
    // 900 bu: $0.06 more is $54; 40 minutes more each way are 80 min of a truck at $90, $120.
    const found = ask([buyer('near', 4.4, 20), buyer('far', 4.46, 60)]);
    expect(found.rows.map(({ id, highestBid }) => [id, highestBid])).toEqual([
      ['near', false],
      ['far', true],
    ]);
    expect(found.notTheHighestBid).toBe(true);
    expect(found.ahead).toBeCloseTo(120 - 54, 0);
    // So many cents more and the far one is even.
    expect(found.turnsAt).toBeCloseTo((120 - 54) / 900, 3);
    expect(found.rows[0]!.hours).toBeCloseTo(70 / 60, 9);
    expect(found.rows[0]!.paid).toBeCloseTo(3960, 1);
  });
  it('shrink and dock by each one’s own terms; who refuses comes last without a figure', () => {
    const wet = ask([buyer('strict', 4.6, 20, { refuseAbove: 0.16 }), buyer('mild', 4.4, 20, { shrinkPerPoint: 1.2, dockPerPoint: 0 }), buyer('dear', 4.4, 20)], 0.18); // prettier-ignore
    expect(wet.rows.map(({ id }) => id)).toEqual(['mild', 'dear', 'strict']);
    // 1.4 % a point of three points, and three cents a point of what is left.
    expect(wet.rows[1]!.paid).toBeCloseTo(900 * (1 - 0.042) * (4.4 - 0.09), 0);
    expect(wet.rows[2]).toMatchObject({ refused: true, net: null, perHour: null });
    expect(wet.notTheHighestBid).toBe(false);
  });
  it('grade counts by the sheet of each buyer, and an acre brings what its yield makes of a load', () => {
    const sheet = {
      legalPounds: 56,
      shrink: { kind: 'none' as const, base: 0.15 },
      refuseMoistureAbove: 0.2,
      factors: [
        {
          factor: 'testWeight',
          worse: 'below' as const,
          bands: [{ from: 54, per: 'bu' as const, amount: 0.02, step: 1 }],
          steps: 'started' as const,
          cumulative: true,
        },
      ],
    };
    const load = { moisture: 0.15, loadKg: 900 * KG, kgPerBu: KG, times: { loadMin: 0, tarpMin: 0, unloadMin: 0 }, truckCostPerHour: 0 }; // prettier-ignore
    const buyers = [buyer('strict', 4.42, 0, { sheet }), buyer('mild', 4.4, 0)];
    expect(whereItBringsMost({ ...load, buyers }).rows[0]!.id).toBe('strict');
    // Three started pounds under 54 are 6 cents a bushel.
    const light = whereItBringsMost({ ...load, buyers, grade: { factors: { testWeight: 51.5 } }, acre: { yield: 180, bushels: 900 } }); // prettier-ignore
    expect(light.rows.map(({ id }) => id)).toEqual(['mild', 'strict']);
    expect(light.rows[1]!.paid).toBeCloseTo(900 * 4.36, 0);
    expect(light.rows[0]!.perAcre).toBeCloseTo(4.4 * 180, 1);
  });
  it('takes the miles off beside the hours where a truck has its running cost; an unknown way takes none', () => {
    const load = { moisture: 0.15, loadKg: 900 * KG, kgPerBu: KG, times: { loadMin: 0, tarpMin: 0, unloadMin: 0 }, truckCostPerHour: 0, truckCostPerKm: 0.75 }; // prettier-ignore
    const buyers = [{ ...buyer('near', 4.4, 20), km: 16 }, { ...buyer('far', 4.43, 20), km: 50 }, { ...buyer('unsaid', 4.3, 20), km: null }]; // prettier-ignore
    const found = whereItBringsMost({ ...load, buyers });
    // 2 x 16 km and 2 x 50 km at $0.75: $24 and $75; three cents of 900 bu are $27.
    expect(found.rows.map(({ id, running }) => [id, running])).toEqual([
      ['near', 24],
      ['far', 75],
      ['unsaid', 0],
    ]);
    expect(found.ahead).toBeCloseTo(75 - 24 - 27, 1);
  });
  it('a road that nobody knows takes nothing off, and is said', () => {
    const [first] = ask([buyer('x', 4.4, null)]).rows;
    expect(first).toMatchObject({ roadUnknown: true });
    expect(ask([buyer('x', 4.4, null)])).toMatchObject({ ahead: null, turnsAt: null });
    expect(ask([]).rows).toEqual([]);
  });
});
