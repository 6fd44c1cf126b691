import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import { grainOfOwner, landOwners } from './owners-grain.js';

const lot = (id: string, crop: string, shares: [string, number][]): LotInfo => ({ id, fieldId: id, fieldName: `Field ${id}`, acres: 80, crop, season: 2026, variety: '', tag: id, shares: shares.map(([owner, part]) => ({ owner, part })) }); // prettier-ignore
const LOTS = [lot('A', 'corn', [['Levee', 2 / 3], ['Iwona', 1 / 3]]), lot('B', 'corn', [['Levee', 1]]), lot('C', 'soybean', [['Iwona', 0.5], ['Levee', 0.5]])]; // prettier-ignore
const PLACES = [['c', 'cart'], ['b', 'bin'], ['s', 'bin'], ['m', 'buyer']].map(([id, kind]) => ({ id: id!, kind: kind!, name: `Place ${id!}` })); // prettier-ignore

describe('grain of one owner in another’s bins', () => {
  const b = new BookBuilder(LOTS.map(({ id }) => ({ id })), PLACES); // prettier-ignore
  b.harvest('A', 'b', 3000, 0.2);
  b.harvest('B', 'b', 1000, 0.16);
  b.harvest('C', 's', 800, 0.13);
  b.harvest('A', 'c', 600, 0.2);
  b.move('c', 'm', { emptied: true, ticket: 'T1' });
  b.harvest('A', 'c', 300, 0.2);
  b.move('c', 'm', { emptied: true, ticket: 'T2' });
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: LOTS, places: PLACES as unknown as PlaceInfo[] };

  it('is his part of each field’s grain there, by crop, with its own moisture', () => {
    const { lies, delivered, season } = grainOfOwner(book, 'Iwona');
    expect(season).toBe(2026);
    expect(lies.map(({ placeId, crop, wetKg, ofWetKg, moisture }) => [placeId, crop, Math.round(wetKg), ofWetKg, Math.round(moisture! * 1000)])).toEqual([['b', 'corn', 1000, 4000, 200], ['s', 'soybean', 400, 800, 130]]); // prettier-ignore
    expect(delivered).toMatchObject([{ placeId: 'm', crop: 'corn', loads: 2, wetKg: expect.closeTo(300, 6), fields: ['Field A'] }]); // prettier-ignore
  });

  it('adds up, over all owners, to what lies there', () => {
    const owners = landOwners(LOTS);
    expect(owners).toEqual(['Iwona', 'Levee']);
    for (const place of ['b', 's']) {
      const sum = owners
        .flatMap((owner) => grainOfOwner(book, owner).lies)
        .filter(({ placeId }) => placeId === place)
        .reduce((all, { wetKg, dryKg }) => [all[0]! + wetKg, all[1]! + dryKg], [0, 0]);
      const held = book.ledger.position(place);
      expect(sum[0]).toBeCloseTo(held.wetKg, 6);
      expect(sum[1]).toBeCloseTo(held.dryKg, 6);
    }
  });

  it('is none for somebody without a share, whatever he is called', () => {
    for (const owner of ['Bo', '__proto__', ''])
      expect(grainOfOwner(book, owner)).toMatchObject({ lies: [], delivered: [] });
  });
});
