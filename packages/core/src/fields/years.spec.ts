import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { kept, recordsOf } from '../../test/farm-records.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import { yearLots, yearsBy } from './index.js';

const lot = (id: string, fieldId: string, season: number, variety: string, acres = 10, crop = 'corn'): LotInfo => ({ id, fieldId, fieldName: `Field ${fieldId}`, acres, crop, season, variety, tag: id, shares: [] }); // prettier-ignore
const LOTS = [lot('A5', 'A', 2025, 'KL 1'), lot('B5', 'B', 2025, 'KL 2'), lot('A6', 'A', 2026, 'KL 2'), lot('B6', 'B', 2026, 'KL 2'), lot('S6', 'C', 2026, 'bean', 10, 'soybean')]; // prettier-ignore
const place = (id: string, kind: string): PlaceInfo => ({ id, name: id, kind, withdrawal: 'mixed', capacityBu: null, diameterM: null, eaveM: null, hopperM: null }); // prettier-ignore
const PLACES = [place('c1', 'combine'), place('cart', 'cart')];
const BU = 56 * 0.45359237;

describe('years side by side', () => {
  const b = new BookBuilder(LOTS as never, PLACES as never);
  // 200 bu/ac at 15 % on ten acres: 2,000 bu x 25.4 kg.
  const bushels = (id: string, n: number, at: string, moisture = 0.15) => b.harvest(id, 'cart', (n * BU * 0.85) / (1 - moisture), moisture, { at }); // prettier-ignore
  bushels('A5', 2000, '2025-09-10T12:00:00Z');
  bushels('B5', 1800, '2025-09-11T12:00:00Z', 0.19);
  bushels('A6', 1000, '2026-08-20T12:00:00Z');
  bushels('A6', 1200, '2026-08-20T15:00:00Z');
  bushels('B6', 500, '2026-09-12T12:00:00Z', 0.2);
  b.harvest('S6', 'cart', 100, 0.13, { at: '2026-09-12T13:00:00Z' });
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: LOTS, places: PLACES };
  const sheet = (id: string, at: string, lotId: string, values: object) => kept({ id, at, machineId: 'c1', lotId, values, why: '' }); // prettier-ignore
  const frame = (kernels: number) => ({ kernels, area: 1 });
  const count = (id: string, settingsId: string, lotId: string, kernels: number) =>
    kept({ id, at: '2026-08-20T13:00:00Z', machineId: 'c1', lotId, settingsId, behind: [frame(kernels), frame(kernels)], before: [], atHeader: [], kernelGrams: 0.3, pricePerBu: 4 }); // prettier-ignore
  const records = recordsOf({
    settingsEntry: [
      sheet('S3', '2026-08-20T14:00:00Z', 'A6', { rotor: 360, fan: 900, speed: 1.6 }),
      sheet('S2', '2026-08-20T11:00:00Z', 'A6', { rotor: 420, fan: 900, speed: 1.9 }),
      sheet('S1', '2025-09-01T12:00:00Z', 'A5', { rotor: 360, fan: 900, speed: 2 }),
    ],
    lossCheck: [count('L1', 'S2', 'A6', 40), count('L2', 'S3', 'A6', 20)],
  });
  const lots = yearLots(book, records);
  const by = (how: Parameters<typeof yearsBy>[2]) => yearsBy(lots, 'corn', how, { moisture: 0.15, trust: [] });

  it('by field: each year’s yield at the base, the moisture that it came off at, and what is not cut to its end', () => {
    const { seasons, rows } = by('field');
    expect(seasons).toEqual([2026, 2025]);
    expect(rows.map(({ name }) => name)).toEqual(['Field A', 'Field B']);
    expect(rows[0]!.cells[2025]!.perAcre).toBeCloseTo(200, 6);
    expect(rows[0]!.cells[2026]!.perAcre).toBeCloseTo(220, 6);
    expect(rows[1]!.cells[2025]!.moisture).toBeCloseTo(0.19, 9);
    expect([rows[0]!.cells[2026]!.open, rows[1]!.cells[2026]!.open]).toEqual([false, true]);
  });
  it('by variety: fields of it together, by their acres', () => {
    const two = by('variety').rows.find(({ name }) => name === 'KL 2')!;
    expect(two.cells[2026]).toMatchObject({ acres: 20, fields: 2 });
    expect(two.cells[2026]!.perAcre).toBeCloseTo(135, 6);
    expect(two.cells[2025]!.perAcre).toBeCloseTo(180, 6);
  });
  it('by moisture: two points together; 18 to 20 is one, and 20 begins the next', () => {
    expect(by('moisture').rows.map(({ name, cells }) => [Number(name).toFixed(2), Object.keys(cells)])).toEqual([
      ['0.14', ['2025', '2026']],
      ['0.18', ['2025']],
      ['0.20', ['2026']],
    ]);
  });
  it('by settings: what was cut with each, and what was counted; the same rotor and fan of two years are one line', () => {
    const { rows } = by('settings');
    const slow = rows.find(({ values }) => values.rotor === 360)!;
    const fast = rows.find(({ values }) => values.rotor === 420)!;
    expect(slow.cells[2025]!.bushels).toBeCloseTo(3800, 6);
    expect(slow.cells[2026]!.bushels).toBeCloseTo(1200 + 500, 6);
    expect(fast.cells[2026]!.bushels).toBeCloseTo(1000, 6);
    expect(slow.cells[2026]!.perAcre).toBeNull();
    expect(slow.cells[2025]!.loss).toBeNull();
    // Twice as many kernels behind the machine are twice the loss.
    expect(fast.cells[2026]!.loss! / slow.cells[2026]!.loss!).toBeCloseTo(2, 6);
  });
  it('is empty for a crop that nobody cut', () => {
    expect(yearsBy(lots, 'wheat', 'field', { moisture: 0.15, trust: [] })).toEqual({ seasons: [], rows: [] });
  });
});
