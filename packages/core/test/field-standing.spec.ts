import {
  asBuyer,
  bushelsPerAcreToKgPerHa,
  buyerOffset,
  fieldFacts,
  type FieldRecords,
  type FieldRow,
  type FarmState,
  farmView,
  testersOf,
  takesCrop,
  windowAt,
  windowFor,
} from '../src/index.js';
import { describe, expect, it } from 'vitest';
import { kept, recordsOf } from './farm-records.js';

const BU = 56 * 0.45359237;
const lot = (id: string, acres: number) => ({
  id,
  fieldId: `F-${id}`,
  fieldName: id,
  acres,
  crop: 'corn',
  season: 2026,
  variety: '',
  tag: id,
  shares: [],
});
/** Dry bushels at 15 % as dry matter. */
const row = (id: string, acres: number, bushels: number): FieldRow =>
  ({ lot: lot(id, acres), cutDryKg: bushels * BU * 0.85 }) as unknown as FieldRow;
const farm = (cutToday: Record<string, number> = {}) =>
  farmView({
    now: 0,
    farm: { timeZone: 'America/Chicago', defaults: { moisture: 0.15, trust: [] } },
    lots: [],
    places: [],
    positions: {},
    flow: { cut: cutToday },
  } as unknown as FarmState);
const facts = (yieldBu: Record<string, number>): FieldRecords => {
  const own = Object.entries(yieldBu).map(([id, bu]) => [
    `F-${id}`,
    { standability: 0, distance: 0, yieldKgPerHa: bushelsPerAcreToKgPerHa(bu, 56) },
  ]);
  return recordsOf({}, { nextFieldPlan: { farm: { facts: Object.fromEntries(own) } } });
};

describe('what a field still has', () => {
  it('is its acres less what was cut by the yield that somebody expects', () => {
    const [half] = fieldFacts(farm({ A: 1 }), [row('A', 100, 9000)], facts({ A: 180 }));
    expect([half!.expected!.toFixed(3), half!.acresLeft.toFixed(6), half!.cuttingToday]).toEqual([
      '180.000',
      '50.000000',
      true,
    ]);
  });
  it('goes by the finished fields of the crop where nobody said', () => {
    const [open, done] = fieldFacts(farm({ A: 1 }), [row('A', 100, 9000), row('B', 50, 10_000)], undefined);
    expect(open!.expected!.toFixed(6)).toBe('200.000000');
    expect(open!.acresLeft.toFixed(6)).toBe('55.000000');
    expect(done!.acresLeft).toBe(0);
  });
  it('a rest at the edge of the map is nothing to go back to, unless it is cut today', () => {
    const rows = [row('A', 100, 17_500)];
    expect(fieldFacts(farm(), rows, facts({ A: 180 }))[0]!.acresLeft).toBe(0);
    expect(fieldFacts(farm({ A: 1 }), rows, facts({ A: 180 }))[0]!.acresLeft).toBeGreaterThan(2);
  });
  it('an uncut field stands whole, and more than was expected leaves nothing, never less', () => {
    expect(fieldFacts(farm(), [row('A', 100, 0)], undefined)[0]).toMatchObject({ expected: null, acresLeft: 100 });
    expect(fieldFacts(farm({ A: 1 }), [row('A', 100, 30_000)], facts({ A: 180 }))[0]!.acresLeft).toBe(0);
  });
});

describe('testers against the buyer', () => {
  const pair = (ours: number, theirs: number, voided = false) =>
    kept(
      {
        id: `${ours}${theirs}`,
        at: '2026-09-01T00:00:00Z',
        tester: 'Handheld',
        testerMoisture: ours,
        buyerMoisture: theirs,
      },
      voided,
    );
  it('three pairs make an offset; two, or one taken back, make none', () => {
    const three = testersOf(recordsOf({ testerPair: [pair(0.14, 0.147), pair(0.15, 0.155), pair(0.132, 0.138)] }));
    expect(buyerOffset(three.get('Handheld'))).toBeCloseTo(0.006, 9);
    expect(asBuyer(0.13, buyerOffset(three.get('Handheld')))).toBeCloseTo(0.136, 9);
    const two = testersOf(recordsOf({ testerPair: [pair(0.14, 0.147), pair(0.15, 0.155), pair(0.132, 0.138, true)] }));
    expect([two.get('Handheld')!.pairs.length, buyerOffset(two.get('Handheld')), buyerOffset(undefined)]).toEqual([
      2, 0, 0,
    ]);
    expect(asBuyer(0.002, -0.05)).toBe(0);
  });
});

describe('the window of a crop', () => {
  it('is the buyer’s own where he has one, and says so by its absence where not', () => {
    const book = recordsOf({}, { cuttingWindow: { corn: { price: 4 }, 'corn@mill': { price: 5 } } });
    expect(windowFor(book, 'corn', null)).toMatchObject({ subject: 'corn', revision: 1, value: { price: 4 } });
    expect(windowFor(book, 'corn', 'mill')!.value.price).toBe(5);
    expect(windowFor(book, 'corn', 'other')).toBeUndefined();
    // By which a buyer takes it: his own, else the farm's; one with windows for other crops only takes none.
    expect(windowAt(book, 'corn', 'mill')?.price).toBe(5);
    expect(windowAt(book, 'corn', 'other')?.price).toBe(4);
    expect(takesCrop(book, 'soybean', 'mill')).toBe(false);
    expect(windowAt(book, 'soybean', 'mill')).toBeUndefined();
    expect(takesCrop(book, 'soybean', 'other')).toBe(true);
    expect(windowFor(undefined, 'corn', null)).toBeUndefined();
  });
});
