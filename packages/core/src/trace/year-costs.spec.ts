import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import type { DryerSetup, HaulTimes } from '../records/index.js';
import { yearCosts } from './index.js';

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
});
