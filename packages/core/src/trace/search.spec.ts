import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type FarmBook, Ledger, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import { gathered, searchBook, type TracePath } from './index.js';

const lot = (id: string, fieldName: string): LotInfo => ({ id, fieldName, fieldId: id, acres: 80, crop: 'corn', season: 2026, variety: '', tag: id, shares: [{ owner: 'Ida Renfro', part: 1 }] }); // prettier-ignore
const place = (id: string, name: string, kind: string): PlaceInfo => ({ id, name, kind, withdrawal: 'mixed', capacityBu: null, diameterM: null, eaveM: null, hopperM: null }); // prettier-ignore
const LOTS = [lot('HS', 'Heron Slough'), lot('PT', 'Pump Tract')];
const PLACES = [place('t3', 'Truck 3', 'truck'), place('b4', 'Bin 4', 'bin'), place('mill', 'Redbud Mill', 'buyer')];

describe('the search', () => {
  const b = new BookBuilder(LOTS as never, PLACES as never);
  const load = b.harvest('HS', 't3', 9000, 0.2, { by: 'Wes' });
  const other = b.harvest('PT', 't3', 8000, 0.2, { at: '2026-10-08T03:00:00Z' });
  const sold = b.move('t3', 'mill', { emptied: true, at: '2026-10-09T18:00:00Z' });
  b.add({ type: 'witness', of: sold, method: 'ticket', ticket: 'A-88412', at: '2026-10-11T18:00:00Z' });
  const gone = b.harvest('HS', 'b4', 100, 0.2, { note: 'spill' });
  b.add({ type: 'void', voids: gone });
  const book: FarmBook = { ledger: Ledger.of(b.book()), lots: LOTS, places: PLACES };
  const ids = (asked: string): string[] => searchBook(book, asked, 'America/Chicago').entries.map(({ entry }) => entry.id); // prettier-ignore

  it('finds by ticket (also one that came late), day, truck, field, owner, name, and by several words at once', () => {
    expect(searchBook(book, '88412', 'America/Chicago').entries).toMatchObject([{ entry: { id: sold }, delivery: true, ticket: 'A-88412' }]); // prettier-ignore
    // In the evening of the 7th on the farm.
    expect(ids('Oct 7')).toEqual([other]);
    expect(ids('10/7/2026')).toEqual([other]);
    expect(ids('truck 3').sort()).toEqual([load, other, sold].sort());
    expect(ids('truck heron')).toEqual([load]);
    // A 3 that stands in a number, or in another truck's day, is none.
    expect(ids('3').sort()).toEqual([load, other, sold].sort());
    expect(ids('wes')).toEqual([load]);
    expect(ids('spill')).toEqual([]);
    expect(ids('   ')).toEqual([]);
    const found = searchBook(book, 'renfro heron', 'America/Chicago');
    expect([found.fields.map(({ id }) => id), found.places]).toEqual([['HS'], []]);
    expect(searchBook(book, 'bin', 'America/Chicago').places.map(({ id }) => id)).toEqual(['b4']);
  });

  it('lists as many as asked for, and says how many there are', () => {
    expect(searchBook(book, 'truck', 'America/Chicago', 1)).toMatchObject({ matches: 3, entries: [{ entry: { id: sold } }] }); // prettier-ignore
  });
});

describe('a flow of many fields', () => {
  const path = (lots: number): TracePath => ({
    nodes: [...Array.from({ length: lots }, (_, i) => ({ id: `lot:${i}`, what: 'lot' as const, of: String(i), out: false })), { id: 'place:bin', what: 'place', of: 'bin', out: false }], // prettier-ignore
    links: Array.from({ length: lots }, (_, i) => ({ from: `lot:${i}`, to: 'place:bin', dryKg: 100 + i, entries: 1, lots: { [i]: 100 + i } })), // prettier-ignore
  });

  it('gathers the small ones where there are more than twelve, and loses no kilogram', () => {
    expect(gathered(path(12)).nodes).toHaveLength(13);
    const many = gathered(path(60));
    expect(many.nodes).toHaveLength(13);
    expect(many.nodes[0]).toMatchObject({ what: 'lots', of: '49' });
    const sum = (of: TracePath): number => of.links.reduce((all, { dryKg }) => all + dryKg, 0);
    expect(sum(many)).toBe(sum(path(60)));
    // Those that are shown are the largest.
    expect(many.links.filter(({ from }) => from !== 'lots:rest').every(({ dryKg }) => dryKg > 148)).toBe(true);
    expect(Object.keys(many.links.find(({ from }) => from === 'lots:rest')!.lots)).toHaveLength(49);
  });
});
