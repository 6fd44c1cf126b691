import { expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import { monitorsView } from './index.js';

it('a display is judged by its loads of this season and the last, not by those before it was set', () => {
  const places = [['c', 'combine'], ['t', 'truck']].map(([id, kind]) => ({ id: id!, kind: kind! })); // prettier-ignore
  const b = new BookBuilder([{ id: 'A' }, { id: 'Last' }, { id: 'Old' }], places);
  const display = (lot: string, shown: number, scale: number): void => {
    const load = b.harvest(lot, 'c', scale, 0.15, { method: 'cartScale' });
    b.add({ type: 'witness', of: load, wetKg: shown, method: 'monitor' });
  };
  display('Old', 9000, 6000);
  display('Last', 6300, 6000);
  display('A', 6200, 6000);
  b.harvest('Old', 'c', 5000, 0.15, { method: 'monitor' });
  b.harvest('A', 'c', 5000, 0.15, { method: 'monitor' });
  const lot = (id: string, season: number): LotInfo => ({ id, fieldId: id, fieldName: id, acres: 1, crop: 'corn', season, variety: '', tag: id, shares: [] }); // prettier-ignore
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: [lot('A', 2026), lot('Last', 2025), lot('Old', 2024)], places: places as unknown as PlaceInfo[] }; // prettier-ignore
  const [combine] = monitorsView(book);
  expect(combine!.pairs.map(({ lot: of, monitorKg, scaleKg }) => [of, monitorKg, scaleKg])).toEqual([['Last', 6300, 6000], ['A', 6200, 6000]]); // prettier-ignore
  expect(combine!.only.map(({ lot: of }) => of)).toEqual(['A']);
  // A book that has only old seasons still has its newest.
  expect(monitorsView({ ...book, lots: book.lots.slice(2) })[0]!.pairs).toHaveLength(1);
});
