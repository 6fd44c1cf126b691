import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyBook, BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import { CROPS } from '../crops/index.js';
import type { BinFan, BinSetup, DryerSetup, HaulTimes } from '../records/index.js';
import type { SheetCheck } from '../sell/index.js';
import { fanInBin, wireKilowatts } from '../store/index.js';
import { storagePaid, yearCosts } from './index.js';

const BU = 25.40117272;

describe('what a year’s grain cost on its way', () => {
  it('by hand: ten points of 1,000 bushels at $1.80 propane, and two rounds of a truck', () => {
    const PLACES = [['d', 'dryer'], ['b', 'bin'], ['t', 'truck'], ['m', 'buyer']].map(([id, kind]) => ({ id: id!, kind: kind! })); // prettier-ignore
    const b = new BookBuilder([{ id: 'A' }, { id: 'Old' }], PLACES);
    b.harvest('A', 'd', 1000 * BU, 0.25);
    b.add({ type: 'condition', place: 'd', moisture: 0.15 });
    b.move('d', 't');
    b.move('t', 'm', { emptied: true });
    b.harvest('A', 't', 500 * BU, 0.15);
    b.move('t', 'b', { emptied: true });
    b.harvest('Old', 't', 500 * BU, 0.15);
    b.move('t', 'm', { emptied: true });
    const lot = (id: string, season: number): LotInfo => ({ id, fieldId: id, fieldName: id, acres: 1, crop: 'corn', season, variety: '', tag: id, shares: [] }); // prettier-ignore
    const book: FarmBook = { ledger: Ledger.of(b.book()), lots: [lot('A', 2026), lot('Old', 2025)], places: PLACES as unknown as PlaceInfo[] }; // prettier-ignore
    const setup = { fuelPerPointBushel: 0.02, fuelPrice: 1.8, kWhPerPointBushel: 0.01, powerPrice: 0.12 } as DryerSetup; // prettier-ignore
    const times = { roadMin: { m: 30 }, loadMin: 10, tarpMin: 5, unloadMin: 15 } as unknown as HaulTimes;
    const [corn] = yearCosts(book, { d: setup }, times, 90, 2026);
    // 10 points × 1,000 bu × (0.02 × 1.80 + 0.01 × 0.12) = $372, as the handbook example has it per bushel.
    expect(corn!.drying).toBeCloseTo(372, 6);
    expect(corn).toMatchObject({ driedBu: expect.closeTo(1000, 6), withoutSetup: 0, loads: expect.closeTo(2, 9), roadUnknown: expect.closeTo(1, 9) }); // prettier-ignore
    // A round of an hour and a half to the mill, and half an hour of loading at home, whose road nobody knows.
    expect(corn!.hauling).toBeCloseTo(90 * 1.5 + 90 * 0.5, 6);
    expect(yearCosts(book, {}, times, 90, 2026)[0]).toMatchObject({ drying: 0, withoutSetup: expect.closeTo(1000, 6) });
  });

  it('by hand: a fan of a bin for ten hours, the same grain carried over, and storage taken off a check', () => {
    const PLACES = [['b', 'bin'], ['old', 'bin'], ['t', 'truck']].map(([id, kind]) => ({ id: id!, kind: kind! })); // prettier-ignore
    const b = new BookBuilder([{ id: 'A' }, { id: 'Old' }], PLACES);
    b.harvest('Old', 'old', 3000 * BU, 0.15);
    b.harvest('A', 'b', 3000 * BU, 0.15);
    b.harvest('A', 't', 1000 * BU, 0.15);
    const last = b.move('t', 'b', { emptied: true });
    const lot = (id: string, season: number): LotInfo => ({ id, fieldId: id, fieldName: id, acres: 1, crop: 'corn', season, variety: '', tag: id, shares: [] }); // prettier-ignore
    const book: FarmBook = { ledger: Ledger.of(b.book()), lots: [lot('A', 2026), lot('Old', 2025)], places: PLACES as unknown as PlaceInfo[] }; // prettier-ignore
    const at = Date.parse(book.ledger.entry(last)!.at);
    const setup: BinSetup = { diameter: 9, eave: 6, hopper: 0 };
    const fan = { lowPressure: 500, lowFlow: 6.6, highPressure: 1500, highFlow: 4.2, efficiency: 0.5, heater: 0, powerPrice: 0.12 } as BinFan; // prettier-ignore
    const switches = [{ atMs: at + 3_600_000, on: true }, { atMs: at + 11 * 3_600_000, on: false }]; // prettier-ignore
    const storing = { fans: { b: { switches, fan, setup }, old: { switches, fan, setup } }, paid: { corn: 42.5, wheat: 9 }, nowMs: at + 20 * 86_400_000 }; // prettier-ignore
    const times = { roadMin: {}, loadMin: 10, tarpMin: 5, unloadMin: 15 } as unknown as HaulTimes;
    const costs = yearCosts(book, {}, times, 90, 2026, storing);
    const point = fanInBin(fan, setup, { crop: CROPS.corn, moisture: 0.15, wetKg: 4000 * BU })!;
    // Ten hours × kW at the wire × 12 cents; the fan under last year's corn is of that year.
    expect(costs).toHaveLength(1);
    expect(costs[0]).toMatchObject({ fanHours: expect.closeTo(10, 6), fansUnknown: 0, storedBu: expect.closeTo(4000, 6), storedAtBuyers: 42.5 }); // prettier-ignore
    expect(costs[0]!.fans).toBeCloseTo(((10 * point.shaftWatts) / 850) * 0.12, 6);
    expect(wireKilowatts(point)).toBeCloseTo(point.shaftWatts / 850, 9);
    // A fan that nobody has set up costs nothing that is known.
    const unknown = yearCosts(book, {}, times, 90, 2026, {
      ...storing,
      fans: { b: { switches, fan: undefined, setup } },
    });
    expect(unknown[0]).toMatchObject({ fans: 0, fansUnknown: expect.closeTo(10, 6) });
  });

  it('what buyers take for storage goes to the crops of the sheet, to the cent', () => {
    const sheet = (deductions: object[]): SheetCheck =>
      ({
        settlement: { lines: [{ ticket: '1', money: 300 }, { ticket: '2', money: 100 }, { ticket: '9', money: 50 }], deductions }, // prettier-ignore
        dues: new Map([['1', { sold: { crop: 'corn' } }], ['2', { sold: { crop: 'soybean' } }]]), // prettier-ignore
      }) as unknown as SheetCheck;
    const kinds = [{ kind: 'storage', amount: 10.01 }, { kind: 'checkoff', amount: 7 }]; // prettier-ignore
    expect(storagePaid([sheet(kinds), sheet([])])).toEqual({ corn: 7.51, soybean: 2.5 });
  });

  it('one walk over any book counts what its loads and dryings say one by one', () => {
    fc.assert(
      fc.property(anyBook, fc.integer({ min: 1, max: 7 }), (book, which) => {
        const ledger = Ledger.of(book);
        const { header } = ledger;
        const inYear = new Set(header.lots.filter((_, i) => (which >> (i % 3)) & 1).map(({ id }) => id));
        const lots = header.lots.map(({ id }): LotInfo => ({ id, fieldId: id, fieldName: id, acres: 1, crop: 'corn', season: inYear.has(id) ? 2026 : 2025, variety: '', tag: id, shares: [] })); // prettier-ignore
        const kindOf = new Map(header.places.map(({ id, kind }) => [id, kind ?? '']));
        const stores = (id: string | undefined): boolean => ['bin', 'overhead', 'pile'].includes(kindOf.get(id ?? '') ?? ''); // prettier-ignore
        const setup = { fuelPerPointBushel: 0.02, fuelPrice: 2, kWhPerPointBushel: 0.01, powerPrice: 0.1 } as DryerSetup; // prettier-ignore
        const setups = Object.fromEntries(header.places.map(({ id }) => [id, setup]));
        const times = { roadMin: { home: 5 }, loadMin: 10, tarpMin: 5, unloadMin: 15 } as unknown as HaulTimes;
        const own = (wetLots: Readonly<Record<string, number>>): number =>
          Object.entries(wetLots).reduce((sum, [lot, kg]) => sum + (inYear.has(lot) ? kg : 0), 0);
        const sum = { storedBu: 0, hauledBu: 0, loads: 0, driedBu: 0, drying: 0 };
        for (const { entry, wetKg, wetLots } of ledger.parcels()) {
          if (entry.type !== 'move' && entry.type !== 'harvest') continue;
          const from = entry.type === 'move' ? entry.from : undefined;
          if (stores(entry.to) && !stores(from)) sum.storedBu += own(wetLots) / BU;
          if (kindOf.get(from ?? '') !== 'truck') continue;
          sum.hauledBu += own(wetLots) / BU;
          sum.loads += own(wetLots) / wetKg;
        }
        const dryings = ledger.entriesFrom(0).filter((entry) => entry.type === 'condition');
        const before = ledger.heldBefore(dryings.map(({ id }) => id));
        for (const entry of dryings) {
          const held = before.get(entry.id)!;
          const points = held.moisture === null || entry.type !== 'condition' ? 0 : 100 * (held.moisture - entry.moisture); // prettier-ignore
          if (points <= 0) continue;
          sum.driedBu += own(held.wetLots) / BU;
          sum.drying += (points * own(held.wetLots) * 0.041) / BU;
        }
        const costs = yearCosts({ ledger, lots, places: header.places as unknown as PlaceInfo[] }, setups, times, 90, 2026); // prettier-ignore
        for (const [key, counted] of Object.entries(sum))
          expect(costs[0]?.[key as keyof typeof sum] ?? 0).toBeCloseTo(counted, 6);
      }),
      { seed: 20261201, numRuns: 200 },
    );
  });
});
