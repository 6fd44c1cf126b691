import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import { dayReport } from './index.js';

const BU = 25.40117272;

describe('a day of the farm', () => {
  const lot = (id: string): LotInfo => ({ id, fieldId: id, fieldName: id, acres: 80, crop: 'corn', season: 2026, variety: '', tag: id, shares: [] }); // prettier-ignore
  const PLACES = [['c', 'cart'], ['t', 'truck'], ['d', 'dryer'], ['b', 'bin'], ['m', 'buyer']].map(([id, kind]) => ({ id: id!, kind: kind! })); // prettier-ignore
  const b = new BookBuilder([{ id: 'A' }, { id: 'B' }], PLACES);
  const at = (text: string) => ({ at: text });
  // On the farm (Chicago) the first load is of the evening before.
  b.harvest('A', 'c', 100 * BU, 0.2, at('2026-09-08T04:30:00Z'));
  b.harvest('A', 'c', 300 * BU, 0.2, { ...at('2026-09-08T15:00:00Z'), by: 'Wes' });
  b.harvest('B', 'd', 500 * BU, 0.25, { ...at('2026-09-08T16:00:00Z'), by: 'Wes' });
  b.add({ type: 'condition', place: 'd', moisture: 0.15, ...at('2026-09-08T18:00:00Z'), by: 'Bea' });
  b.move('d', 'b', at('2026-09-08T19:00:00Z'));
  b.move('c', 't', at('2026-09-08T20:00:00Z'));
  b.move('t', 'm', { ...at('2026-09-09T04:00:00Z'), emptied: true, ticket: 'T1' });
  b.add({ type: 'loss', place: 'b', wetKg: 10, reason: 'spill', ...at('2026-09-09T04:30:00Z') });
  b.harvest('B', 'c', 900 * BU, 0.2, at('2026-09-09T15:00:00Z'));
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: [lot('A'), lot('B')], places: PLACES as unknown as PlaceInfo[] }; // prettier-ignore

  it('has what was cut, hauled, dried, put away, sold and lost between its midnights, and by whom', () => {
    const day = dayReport(book, '2026-09-08', 'America/Chicago');
    expect(day.cut.map(({ id, loads, bushels }) => [id, loads, Math.round(bushels)])).toEqual([['B', 1, 500], ['A', 1, 300]]); // prettier-ignore
    expect(day.hauled.map(({ id, bushels }) => [id, Math.round(bushels)])).toEqual([['t', 400]]);
    expect(day.dried).toMatchObject([{ id: 'd', from: expect.closeTo(0.25, 9), to: 0.15, waterKg: expect.closeTo(500 * BU * (1 - 0.75 / 0.85), 6) }]); // prettier-ignore
    expect(day.stored.map(({ id }) => id)).toEqual(['b']);
    expect(day.sold).toMatchObject([{ buyerId: 'm', ticket: 'T1', bushels: expect.closeTo(400, 6) }]);
    expect(day.lost).toMatchObject([{ id: 'b', reason: 'spill', wetKg: 10 }]);
    expect(day.people).toEqual([{ name: 'Wes', entries: 2 }, { name: 'Bea', entries: 1 }]); // prettier-ignore
    expect(dayReport(book, '2026-09-07', 'America/Chicago').cut).toMatchObject([{ id: 'A', loads: 1 }]);
  });

  it('of autumn’s long day is twenty-five hours', () => {
    const c = new BookBuilder([{ id: 'A' }], PLACES);
    c.harvest('A', 'c', 100, 0.2, at('2026-11-01T05:10:00Z'));
    c.harvest('A', 'c', 100, 0.2, at('2026-11-02T05:50:00Z'));
    c.harvest('A', 'c', 100, 0.2, at('2026-11-02T06:10:00Z'));
    const long: FarmBook = { ...book, ledger: Ledger.of(c.book()) };
    expect(dayReport(long, '2026-11-01', 'America/Chicago').cut[0]!.loads).toBe(2);
  });
});
