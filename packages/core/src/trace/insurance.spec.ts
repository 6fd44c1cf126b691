import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyBook, BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo } from '../ledger/index.js';
import type { InsurancePolicy, InsuranceUnit, TraceRecords } from '../records/index.js';
import {
  BeyondTable,
  indemnityOf,
  insuranceOf,
  measuredBushels,
  moistureFactor,
  movedToField,
  testWeightFactor,
  wrongFieldLoads,
} from './index.js';

const POLICY: InsurancePolicy = { number: 'P-1', crop: 'corn', season: 2026, coverage: 0.75, price: 4.5, base: 0.15, noticeDays: 3, noticeAfterEnd: 15, periodEnds: '2026-12-10' }; // prettier-ignore
const UNIT: InsuranceUnit = { policy: 'p1', number: '0001-0001', kind: 'optional', lots: ['A'], share: 1, approvedYield: 180 }; // prettier-ignore
const BU = 25.40117272;

describe('production to count', () => {
  it('by hand: 180 bu × 75 % × 100 acres against 9,000 bushels', () => {
    // Handbook arithmetic: guarantee 13,500; short 4,500; × $4.50 × half.
    expect(indemnityOf({ approvedYield: 180, coverage: 0.75, acres: 100, harvested: 9000, quality: 1, appraised: 0, price: 4.5, share: 0.5 })).toEqual({ guarantee: 13_500, toCount: 9000, shortfall: 4500, indemnity: 10_125, perAcre: 90 }); // prettier-ignore
    expect(indemnityOf({ approvedYield: 180, coverage: 0.75, acres: 100, harvested: 9000, quality: 0.9, appraised: 600, price: 4.5, share: 1 })).toMatchObject({ toCount: 8700, shortfall: 4800 }); // prettier-ignore
    expect(indemnityOf({ approvedYield: 180, coverage: 0.75, acres: 100, harvested: 20_000, quality: 1, appraised: 0, price: 4.5, share: 1 })).toMatchObject({ shortfall: 0, indemnity: 0 }); // prettier-ignore
    expect(() => indemnityOf({ approvedYield: -1, coverage: 0.75, acres: 1, harvested: 1, quality: 1, appraised: 0, price: 1, share: 1 })).toThrow(); // prettier-ignore
  });

  it('counts moisture by the policy’s own table to the tenth, else a factor for each tenth', () => {
    expect(moistureFactor(POLICY, 0.15)).toBe(1);
    expect(moistureFactor(POLICY, 0.12)).toBe(1);
    // 18.04 % is 18.0 %: thirty tenths.
    expect(moistureFactor(POLICY, 0.1804)).toBeCloseTo(1 - 30 * 0.0012, 12);
    const own = { ...POLICY, moistureFactors: [{ moisture: 0.16, factor: 0.988 }, { moisture: 0.18, factor: 0.964 }] }; // prettier-ignore
    expect(moistureFactor(own, 0.16)).toBe(0.988);
    expect(moistureFactor(own, 0.17)).toBeCloseTo(0.976, 12);
    expect(moistureFactor(own, 0.155)).toBeCloseTo(0.994, 12);
    expect(() => moistureFactor(own, 0.19)).toThrow(BeyondTable);
  });

  it('counts a measured bin by volume, test weight and moisture', () => {
    // 30 ft across, 10 ft of level grain at 54 lb and 15 %: 7,068.6 ft³ × 0.8036 = 5,680.0 bu × 54/56.
    const found = measuredBushels(POLICY, { circumference: Math.PI * 30 * 0.3048, depth: 3.048, moisture: 0.15, testWeight: 54 }); // prettier-ignore
    expect(found.volumeBushels).toBeCloseTo(5680.05, 1);
    expect(found.bushels).toBeCloseTo((5680.05 * 54) / 56, 1);
    const own = { testWeightFactors: [{ testWeight: 50, factor: 0.9 }, { testWeight: 54, factor: 0.97 }] }; // prettier-ignore
    expect([48, 50, 52, 54, 60].map((lb) => testWeightFactor(own, lb, 56))).toEqual([0.9, 0.9, expect.closeTo(0.935, 12), 0.97, 0.97]); // prettier-ignore
  });
});

const lot = (id: string, more: Partial<LotInfo> = {}): LotInfo => ({ id, fieldId: id, fieldName: id, acres: 100, crop: 'corn', season: 2026, variety: '', tag: id, shares: [], ...more }); // prettier-ignore
const records = (more: {
  units?: Record<string, InsuranceUnit>;
  logs?: Partial<Record<'appraisal' | 'lossNotice' | 'binMeasurement', readonly object[]>>;
}): TraceRecords => {
  const log = (list: readonly object[] = []) => list.map((body, i) => ({ body: { id: String(i), at: '2026-10-20T12:00:00Z', ...body }, by: 'Ada', voided: false })); // prettier-ignore
  return {
    logs: { appraisal: log(more.logs?.appraisal), lossNotice: log(more.logs?.lossNotice), binMeasurement: log(more.logs?.binMeasurement) }, // prettier-ignore
    settings: {
      seasonState: {},
      fileMatch: {},
      insurancePolicy: { p1: { revision: 1, value: POLICY } },
      insuranceUnit: Object.fromEntries(Object.entries(more.units ?? { u1: UNIT }).map(([id, value]) => [id, { revision: 1, value }])), // prettier-ignore
    },
  } as unknown as TraceRecords;
};

describe('a unit out of the book', () => {
  const PLACES = [{ id: 'bin', kind: 'bin' }, { id: 'truck', kind: 'truck' }, { id: 'mill', kind: 'buyer' }]; // prettier-ignore
  const LOTS = [lot('A'), lot('B'), lot('A25', { fieldId: 'A', season: 2025 })];
  const b = new BookBuilder([{ id: 'A' }, { id: 'B' }, { id: 'A25' }], PLACES);
  b.harvest('A25', 'truck', 15_000 * BU, 0.15, { at: '2025-10-01T12:00:00Z' });
  b.move('truck', 'mill', { emptied: true, at: '2025-10-02T12:00:00Z' });
  b.harvest('A', 'truck', 3000 * BU, 0.15);
  b.move('truck', 'mill', { emptied: true, moisture: 0.15, ticket: 'T' });
  b.harvest('A', 'bin', 5000 * BU, 0.15);
  b.harvest('B', 'bin', 1000 * BU, 0.15);
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: LOTS, places: [] };
  const at = Date.parse('2026-11-01T12:00:00Z');
  const of = (more: Parameters<typeof records>[0] = {}) => insuranceOf(book, records(more), 2026, 'UTC', at);

  it('counts tickets and what the farm weighed into bins, and says who is in no unit and what is commingled', () => {
    const { units, inNoUnit } = of();
    expect(units[0]).toMatchObject({ acres: 100, guarantee: 13_500, sold: expect.closeTo(3000, 6), measured: 0, unmeasured: expect.closeTo(5000, 6), shortfall: expect.closeTo(5500, 6), harvested: expect.closeTo(8000, 6) }); // prettier-ignore
    expect(units[0]!.indemnity).toBeCloseTo(5500 * 4.5, 4);
    // B is in no unit: its part of the bin counts for nobody.
    expect(units[0]!.commingled).toBeCloseTo(5000, 6);
    expect(units[0]!.standing).toEqual([]);
    // Two days after the last load nobody says that it is over.
    expect(insuranceOf(book, records({}), 2026, 'UTC', Date.parse('2026-09-10T12:00:00Z')).units[0]!.standing).toEqual(['A']); // prettier-ignore
    expect(inNoUnit.map(({ id }) => id)).toEqual(['B']);
    expect(units[0]!.history).toEqual([{ season: 2025, acres: 100, perAcre: expect.closeTo(150, 6) }]);
  });

  it('counts a bin by its measure once it is measured, divided by the book, and only what still lies there', () => {
    // 6,600 bu by tape where the book has 6,000: five sixths are A's.
    const volume = 6600 * 2150.42 * 0.0254 ** 3;
    const depth = volume / ((30 * 0.3048) ** 2 * (Math.PI / 4));
    const measured = { placeId: 'bin', cropYear: 2026, circumference: Math.PI * 30 * 0.3048, depth, moisture: 0.15, testWeight: 56 }; // prettier-ignore
    const { units, bins } = of({ logs: { binMeasurement: [measured] } });
    expect(bins[0]).toMatchObject({ bushels: expect.closeTo(6600, 4), booked: expect.closeTo(6000, 4), left: 1 });
    expect(units[0]).toMatchObject({ measured: expect.closeTo(5500, 3), unmeasured: 0, sold: expect.closeTo(3000, 6) }); // prettier-ignore
    b.move('bin', 'truck', { wetKg: 3000 * BU, at: '2026-10-25T12:00:00Z' });
    b.move('truck', 'mill', { emptied: true, at: '2026-10-25T13:00:00Z' });
    const half = insuranceOf({ ...book, ledger: Ledger.of(b.book()) }, records({ logs: { binMeasurement: [measured] } }), 2026, 'UTC', at); // prettier-ignore
    // Half of it is on a ticket now: nothing counts twice.
    expect(half.units[0]).toMatchObject({ sold: expect.closeTo(5500, 3), measured: expect.closeTo(2750, 3), unmeasured: expect.closeTo(0, 6) }); // prettier-ignore
  });

  it('tells by when the insurer must know: a loss by its own days, a short harvest by those after its end', () => {
    const { notices } = of({ logs: { lossNotice: [{ policy: 'p1', cause: 'wind', seenOn: '2026-10-30' }] } });
    expect(notices.map(({ what, by, days, cause }) => [what, by, days, cause])).toEqual([
      ['end', '2026-09-23', -39, ''],
      ['loss', '2026-11-02', 1, 'wind'],
    ]);
    expect(of({ logs: { lossNotice: [{ policy: 'p1', cause: 'wind', seenOn: '2026-10-30', toldOn: '2026-10-31' }] } }).notices).toEqual([]); // prettier-ignore
  });
});

describe('loads under the wrong field', () => {
  const LOTS = [lot('A'), lot('B')];
  const b = new BookBuilder([{ id: 'A' }, { id: 'B' }], [{ id: 'cart', kind: 'cart' }]);
  const load = (of: string, day: number, hour: number, moisture: number, by = 'Wes') =>
    b.harvest(of, 'cart', 9000, moisture, { by, at: `2026-10-0${day}T${String(hour).padStart(2, '0')}:00:00Z` });
  for (let hour = 12; hour < 20; hour++) load('A', 1, hour, 0.171 + hour / 1e4);
  // The next day B is cut, and three loads still go under A.
  const wrong: string[] = [];
  for (let hour = 12; hour < 20; hour++) {
    const filed = hour >= 14 && hour < 17 ? 'A' : 'B';
    const id = load(filed, 2, hour, 0.151 + hour / 1e4);
    if (filed === 'A') wrong.push(id);
  }
  const book = (): FarmBook => ({ ledger: Ledger.of(b.book()), lots: LOTS, places: [] });

  it('are found by the loads around them and by moisture, and no other is', () => {
    const found = wrongFieldLoads(book(), LOTS);
    expect(found.map(({ entry }) => entry.id)).toEqual(wrong);
    expect(found[0]).toMatchObject({ lot: 'A', likely: 'B', reasons: ['alone', 'between', 'moisture'] });
  });

  it('are put where they belong in one batch, with what they were weighed by again', () => {
    b.add({ type: 'witness', of: wrong[0]!, method: 'bridge', wetKg: 9100 });
    let n = 0;
    const batch = movedToField(book(), [...wrong, 'nobody'], 'B', 'filed under A', () => `N${++n}`, '2026-10-05T12:00:00Z'); // prettier-ignore
    expect(batch.map(({ type }) => type)).toEqual(['void', 'harvest', 'witness', 'void', 'harvest', 'void', 'harvest']);
    const ledger = Ledger.of(b.book());
    const before = ledger.accounts();
    ledger.append(batch);
    const after = ledger.accounts();
    const sum = (of: typeof before): number => of.A!.harvestedDryKg + of.B!.harvestedDryKg;
    expect(sum(after)).toBeCloseTo(sum(before), 6);
    expect(after.B!.harvestedDryKg).toBeGreaterThan(before.B!.harvestedDryKg);
    expect(wrongFieldLoads({ ledger, lots: LOTS, places: [] }, LOTS)).toEqual([]);
  });
});

it('one walk over any book counts for each field what its loads and tickets say one by one', () => {
  fc.assert(
    fc.property(anyBook, (book) => {
      const ledger = Ledger.of(book);
      const lots = ledger.header.lots.map(({ id }) => lot(id));
      const units = { u1: UNIT, u2: { ...UNIT, number: '0001-0002', lots: ['B'] } };
      const { units: found, inNoUnit } = insuranceOf({ ledger, lots, places: [] }, records({ units }), 2026, 'UTC', Date.parse('2026-09-09')); // prettier-ignore
      expect(inNoUnit.map(({ id }) => id)).toEqual(['C']);
      for (const { fields } of found)
        for (const field of fields) {
          const sum = { sold: 0, tickets: 0, harvested: 0 };
          for (const { entry, moisture, wetLots } of ledger.parcels()) {
            const bushels = ((wetLots[field.lot.id] ?? 0) / BU) * moistureFactor(POLICY, moisture);
            if (entry.type === 'harvest') sum.harvested += bushels;
            if (!ledger.isDelivery(entry.id) || wetLots[field.lot.id] === undefined) continue;
            sum.sold += bushels;
            sum.tickets++;
          }
          expect(field).toMatchObject({ sold: expect.closeTo(sum.sold, 6), tickets: sum.tickets, harvested: expect.closeTo(sum.harvested, 6) }); // prettier-ignore
        }
    }),
    { seed: 20261201, numRuns: 150 },
  );
});
