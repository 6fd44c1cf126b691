import { describe, expect, it } from 'vitest';
import { deliveries, type FarmBook, Ledger } from '../src/index.js';
import { BookBuilder } from './books.js';

const LOTS = [
  { id: 'old', season: 2025 },
  { id: 'new', season: 2026 },
];
const PLACES = [
  { id: 'truck', kind: 'truck' },
  { id: 'bin', kind: 'bin' },
  { id: 'mill', kind: 'buyer' },
];
/** Of the farm, what `deliveries` reads. */
const farmBook = (b: BookBuilder) =>
  ({ ledger: Ledger.of(b.book()), lots: LOTS, places: PLACES }) as unknown as FarmBook;
/** Out of a truck that is empty by the book, it is of unknown origin. */
const haul = (b: BookBuilder, wetKg: number) => b.move('truck', 'mill', { wetKg });

describe('deliveries of a season', () => {
  const b = new BookBuilder(LOTS, PLACES);
  const unknownFirst = haul(b, 500);
  b.move('truck', 'bin', { wetKg: 500 });
  b.harvest('old', 'bin', 1000);
  const mixed = b.move('bin', 'mill', { wetKg: 600 });
  const unknownAfterOld = haul(b, 300);
  b.harvest('new', 'truck', 1000);
  const fresh = haul(b, 1000);
  const unknownAfterNew = haul(b, 200);
  const book = farmBook(b);
  const ids = (season?: number) => deliveries(book, season).map(({ entry }) => entry.id);

  it('a load that brought unknown grain along is of the season of the rest, and of no other', () => {
    const { lots } = deliveries(book).find(({ entry }) => entry.id === mixed)!;
    expect(Object.keys(lots).sort()).toEqual(['old', 'unknown']);
    expect(ids(2026)).not.toContain(mixed);
  });

  it('one of nothing known goes with what went out last before it, or first after it', () => {
    expect(ids(2025)).toEqual([unknownAfterOld, mixed, unknownFirst]);
    expect(ids(2026)).toEqual([unknownAfterNew, fresh]);
  });

  it('each is of one of the seasons; where no origin is known at all, of each that is asked for', () => {
    expect(ids()).toEqual([unknownAfterNew, fresh, unknownAfterOld, mixed, unknownFirst]);
    const bare = new BookBuilder(LOTS, PLACES);
    haul(bare, 100);
    expect(deliveries(farmBook(bare), 2026)).toHaveLength(1);
  });
});
