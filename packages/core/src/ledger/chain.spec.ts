import { createHash } from 'node:crypto';
import canonicalize from 'canonicalize';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyBook } from '../../test/books.js';
import {
  bookAsOf,
  canonicalJson,
  CHAIN_START,
  chainOf,
  checkChain,
  type Entry,
  fingerprintOf,
  linkOf,
  parseBook,
  recordsInOrder,
  seqOfFingerprint,
  serializeBook,
} from './index.js';

const chained = fc.noShrink(anyBook).map((book) => ({ ...book, chain: chainOf(book) }));

describe('the chain of a book', () => {
  it('writes records as RFC 8785 does (canonicalize, the reference library)', () => {
    fc.assert(
      fc.property(fc.jsonValue({ noUnicodeString: false }), (value) => {
        expect(canonicalJson(value)).toBe(canonicalize(value));
      }),
      { seed: 21, numRuns: 500 },
    );
    // RFC 8785, 3.2.3: keys by their UTF-16 units.
    expect(canonicalJson({ '\u20ac': 1, '\r': 2, '1': 3, '\u00f6': 4, '\ufb33': 5, '\ud83d\ude00': 6 })).toBe(
      canonicalize({ '\u20ac': 1, '\r': 2, '1': 3, '\u00f6': 4, '\ufb33': 5, '\ud83d\ude00': 6 }),
    );
  });

  it('makes links that node:crypto makes too, from what the comment says', () => {
    const entry = { type: 'harvest', to: 'cart', lot: 'A', id: 'E1', at: '2026-09-08T12:00:00Z', wetKg: 1000, moisture: 0.165 } as Entry; // prettier-ignore
    const text =
      '{"at":"2026-09-08T12:00:00Z","id":"E1","lot":"A","moisture":0.165,"to":"cart","type":"harvest","wetKg":1000}';
    expect(linkOf(CHAIN_START, entry)).toBe(createHash('sha256').update(`${CHAIN_START}\n${text}`).digest('hex'));
  });

  it('holds for every book, there and back through a file, and as of any number', () => {
    fc.assert(
      fc.property(chained, fc.nat(40), (book, seq) => {
        expect(checkChain(book)).toMatchObject({ sound: true, records: book.chain.length });
        expect(checkChain(parseBook(serializeBook(book)))).toMatchObject({ sound: true });
        const then = bookAsOf(book, seq);
        expect(checkChain(then)).toMatchObject({ sound: true, records: Math.min(seq, book.chain.length) });
      }),
      { seed: 22, numRuns: 100 },
    );
  });

  it('finds the first record that was changed, left out, put in or moved', () => {
    fc.assert(
      fc.property(chained, fc.nat(), (book, pick) => {
        const { entries } = book;
        fc.pre(entries.length > 2);
        const n = pick % entries.length;
        const of = (list: readonly Entry[]) =>
          checkChain({ ...book, revisions: [], entries: list, chain: chainOf({ entries }) })!;
        expect(of(entries).sound).toBe(true);
        const changed = entries.map((entry, i) => (i === n ? { ...entry, note: `${entry.note ?? ''}!` } : entry));
        expect(of(changed).fault).toEqual({ seq: n + 1, id: entries[n]!.id, what: 'changed' });
        expect(of(entries.filter((_, i) => i !== n)).sound).toBe(false);
        expect(of([...entries.slice(0, n), entries[n]!, ...entries.slice(n)]).sound).toBe(false);
        const m = (n + 1) % entries.length;
        expect(of(entries.map((entry, i) => (i === n ? entries[m]! : i === m ? entries[n]! : entry))).sound).toBe(
          false,
        );
      }),
      { seed: 23, numRuns: 100 },
    );
  });

  it('says what is missing at the end, and finds a fingerprint again', () => {
    fc.assert(
      fc.property(chained, (book) => {
        fc.pre(book.chain.length > 1);
        const { entries, revisions: _, ...rest } = book;
        const cut = checkChain({ ...rest, entries: entries.slice(0, -1), chain: chainOf({ entries }) });
        expect(cut).toMatchObject({ sound: false, fault: { what: 'count_differs', seq: entries.length } });
        const printed = fingerprintOf(book.chain.at(-1)!);
        expect(printed).toMatch(/^([0-9a-f]{4}-){4}[0-9a-f]{4}$/);
        expect(seqOfFingerprint(book.chain, printed.toUpperCase().replaceAll('-', ' '))).toBe(book.chain.length);
        expect(seqOfFingerprint(book.chain, 'dead-beef-dead-beef-dead')).toBeNull();
        expect(recordsInOrder(book).length).toBe(book.chain.length);
      }),
      { seed: 24, numRuns: 50 },
    );
  });
});
