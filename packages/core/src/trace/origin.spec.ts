import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type Book, chainOf, type FarmBook, Ledger, type Place, serializeBook } from '../ledger/index.js';
import { checkOrigin, checkOriginAgainst, divisionsOf, type OriginFile, originOf, parseOrigin } from './index.js';

const LOTS = ['A', 'B', 'C'].map((id) => ({ id }));
const PLACES: Place[] = [
  { id: 'cart', kind: 'cart' },
  { id: 'truck', kind: 'truck' },
  { id: 'bin', kind: 'bin', withdrawal: 'lastIn' },
  { id: 'mill', kind: 'buyer' },
];
const NOW = '2026-11-01T12:00:00Z';
const built = (write: (book: BookBuilder) => void): { book: FarmBook; file: Book } => {
  const builder = new BookBuilder(LOTS, PLACES);
  write(builder);
  const file = builder.book();
  return { book: { ledger: Ledger.of(file), lots: [], places: [] }, file };
};
const last = (file: Book): { readonly kind: 'delivery'; readonly id: string } => ({ kind: 'delivery', id: file.entries.at(-1)!.id }); // prettier-ignore

describe('where grain came from', () => {
  it('knows two fields in one truck exactly, where all of it is sold', () => {
    const { book, file } = built((b) => {
      b.harvest('A', 'truck', 6000, 0.2);
      b.harvest('B', 'truck', 4000, 0.2);
      b.move('truck', 'mill', { emptied: true, ticket: 'T1' });
    });
    const origin = originOf(book, last(file), NOW)!;
    expect(origin.fields.map(({ lot, sure, dryKg, loads }) => [lot, sure, Math.round(dryKg), loads])).toEqual([['A', 'exact', 4800, 1], ['B', 'exact', 3200, 1]]); // prettier-ignore
    expect(origin.loads.map(({ part, sure }) => [part, sure])).toEqual([[1, 'exact'], [1, 'exact']]); // prettier-ignore
    expect([origin.ticket, origin.to, origin.methods]).toEqual(['T1', 'mill', { estimate: 8000 }]);
  });

  it('says which part of a mixed bin’s grain is by the way it empties, and what another way makes of it', () => {
    const { book, file } = built((b) => {
      b.harvest('A', 'bin', 6000, 0.2);
      b.harvest('B', 'bin', 4000, 0.2);
      b.move('bin', 'truck', { wetKg: 5000 });
      b.move('truck', 'mill', { emptied: true });
    });
    const origin = originOf(book, last(file), NOW)!;
    // The last in comes first: all 4,000 of B and 1,000 of A.
    expect(origin.fields.map(({ lot, sure, wetKg }) => [lot, sure, Math.round(wetKg)])).toEqual([['B', 'mixing', 4000], ['A', 'mixing', 1000]]); // prettier-ignore
    const [asSet, mixed, lastIn, firstIn] = divisionsOf(book, last(file), 'Own');
    expect(asSet!.wetLots).toEqual(lastIn!.wetLots);
    expect([mixed!.wetLots.A, mixed!.wetLots.B]).toEqual([3000, 2000]);
    expect(firstIn!.wetLots).toEqual({ A: 5000 });
    // What stays behind in the bin is as vague, though by its rule it is of one field alone.
    expect(originOf(book, { kind: 'place', id: 'bin' }, NOW)!.fields).toMatchObject([{ lot: 'A', sure: 'mixing', part: 1 }]); // prettier-ignore
    expect(originOf(book, { kind: 'place', id: 'bin' }, NOW)!.maybe).toEqual([{ lot: 'B', name: 'B' }]);
  });

  it('tells exact grain that joins mixed grain apart, load by load', () => {
    const { book, file } = built((b) => {
      b.harvest('A', 'bin', 6000, 0.2);
      b.harvest('B', 'bin', 4000, 0.2);
      b.move('bin', 'truck', { wetKg: 5000 });
      b.harvest('C', 'truck', 2500, 0.2);
      b.harvest('A', 'truck', 1000, 0.2);
      b.move('truck', 'mill', { emptied: true });
    });
    const origin = originOf(book, last(file), NOW)!;
    const of = (lot: string) => origin.fields.find((field) => field.lot === lot)!;
    expect([of('C').sure, of('B').sure, of('A').sure]).toEqual(['exact', 'mixing', 'mixing']);
    // A thousand from the bin by its rule, and a thousand straight from the field.
    expect(of('A').exactPart).toBeCloseTo(0.5, 9);
  });

  it('names grain of no known field, and answers nothing for what is no delivery', () => {
    const { book, file } = built((b) => {
      b.harvest('A', 'cart', 1000, 0.2);
      b.move('truck', 'mill', { wetKg: 1500, moisture: 0.2 });
    });
    const origin = originOf(book, last(file), NOW)!;
    expect(origin.fields.find(({ lot }) => lot === 'unknown')?.sure).toBe('unknown');
    expect(originOf(book, { kind: 'delivery', id: file.entries[0]!.id }, NOW)).toBeNull();
    expect(originOf(book, { kind: 'place', id: 'nowhere' }, NOW)).toBeNull();
  });

  it('calls exact only what no way of emptying changes', () => {
    const step = fc.oneof(
      fc.record({ lot: fc.constantFrom('A', 'B', 'C'), to: fc.constantFrom('cart', 'truck', 'bin'), kg: fc.integer({ min: 1, max: 90 }) }), // prettier-ignore
      fc.record({ from: fc.constantFrom('cart', 'truck', 'bin'), to: fc.constantFrom('cart', 'truck', 'bin', 'mill'), part: fc.constantFrom(null, 10, 40, 100) }), // prettier-ignore
    );
    let exact = 0;
    fc.assert(
      fc.property(fc.array(step, { minLength: 4, maxLength: 30 }), (steps) => {
        const { book, file } = built((b) => {
          for (const one of steps)
            if ('lot' in one) b.harvest(one.lot, one.to, one.kg * 100, 0.2);
            else if (one.from !== one.to)
              b.move(one.from, one.to, one.part === null ? {} : { wetKg: one.part * 100, moisture: 0.2 });
        });
        for (const { id } of file.entries) {
          const origin = originOf(book, { kind: 'delivery', id }, NOW);
          if (!origin) continue;
          const ways = divisionsOf(book, origin.subject, 'Own');
          for (const { lot, sure } of origin.fields)
            if (sure === 'exact') {
              exact++;
              for (const { wetLots } of ways) expect(Math.abs((wetLots[lot] ?? 0) - ways[0]!.wetLots[lot]!)).toBeLessThan(1e-3); // prettier-ignore
            }
        }
      }),
      { seed: 5, numRuns: 300 },
    );
    expect(exact).toBeGreaterThan(100);
  });
});

describe('an origin to hand out', () => {
  const { book, file } = built((b) => {
    b.harvest('A', 'bin', 6000, 0.2);
    b.harvest('B', 'bin', 4000, 0.2);
    b.move('bin', 'truck', { wetKg: 5000 });
    b.move('truck', 'mill', { emptied: true });
  });
  const chain = chainOf(file);
  const whole: Book = { ...file, chain };
  const origin = originOf(book, last(file), NOW)!;
  const records = origin.entries.map((id) => {
    const i = file.entries.findIndex((entry) => entry.id === id);
    return { seq: i + 1, before: chain[i - 1] ?? '0'.repeat(64), link: chain[i]!, record: file.entries[i]! };
  });
  const out: OriginFile = { format: 'fanega-origin', version: 1, farm: 'Test', timeZone: 'UTC', origin, seq: chain.length, link: chain.at(-1)!, records }; // prettier-ignore
  const through = (change: (text: string) => string) => parseOrigin(change(JSON.stringify(out)));

  it('is right by itself and with its book, also when the book went on', () => {
    expect(checkOrigin(parseOrigin(JSON.stringify(out)))).toEqual([]);
    expect(checkOriginAgainst(whole, out)).toEqual([]);
    const more = { ...file, entries: [...file.entries, { id: 'E9', at: '2026-09-09T12:00:00Z', type: 'harvest', lot: 'A', to: 'cart', wetKg: 5, moisture: 0.2 } as const] }; // prettier-ignore
    expect(checkOriginAgainst({ ...more, chain: chainOf(more) }, out)).toEqual([]);
    expect(serializeBook(whole)).toContain(out.link);
  });

  it('is found out where somebody changed it', () => {
    expect(checkOrigin(through((text) => text.replace('"wetKg":6000', '"wetKg":6001')))[0]).toEqual({ code: 'record_changed', at: 'E0001' }); // prettier-ignore
    const moved = through((text) => text.replace(/"lot":"B","name"/, '"lot":"C","name"'));
    expect(checkOriginAgainst(whole, moved).map(({ code }) => code)).toContain('figures_differ');
    const other = { ...file, entries: file.entries.map((entry) => ({ ...entry, note: 'x' })) };
    expect(checkOriginAgainst({ ...other, chain: chainOf(other) }, out)[0]?.code).toBe('book_differs');
    expect(checkOrigin({ ...out, origin: { ...origin, dryKg: origin.dryKg + 1 } })[0]).toEqual({ code: 'sum_differs', at: 'fields' }); // prettier-ignore
    expect(() => parseOrigin('{"format":"fanega-book"}')).toThrow(/no origin file/);
    expect(() => parseOrigin('nonsense')).toThrow(/not JSON/);
  });
});
