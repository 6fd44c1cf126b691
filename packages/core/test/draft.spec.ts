import fc from 'fast-check';
import { expect, it } from 'vitest';
import { entryCheck, namesOf } from '../src/ledger/check.js';
import type { Entry } from '../src/ledger/model.js';
import { Records } from '../src/ledger/records.js';
import type { Refusal } from '../src/ledger/refusal.js';
import { anyBook } from './books.js';

const COLUMNS = ['atMs', 'kind', 'flags', 'source', 'target', 'wet', 'moist', 'dryLoss'] as const;
const rowOf = (records: Records): number[] => COLUMNS.map((column) => records[column][0]!);

const FIELDS = ['id', 'at', 'type', 'lot', 'zone', 'from', 'to', 'place', 'wetKg', 'moisture', 'dryLoss', 'reason', 'of', 'voids', 'emptied', 'sideDraw', 'grossKg', 'tareKg', 'by', 'device', 'method', 'note', 'recordedAt']; // prettier-ignore
/** What stands where it does not belong: of every kind, and just inside and outside of limits. */
const VALUES = [undefined, null, '', 'mill', 'cart', 'A', 'unknown', '__proto__', '2026-09-08T14:52:00Z', '2026-02-30T00:00:00Z', true, false, NaN, Infinity, -1, -0, 0, 0.6, 0.61, 1, 1e9, 1.1e9, '5', [], {}, ['A']]; // prettier-ignore

it('what is drafted at once is what the careful check lets through, in the same figures; the rest of that is little', () => {
  let drafted = 0;
  let right = 0;
  const change = fc.tuple(fc.constantFrom(...FIELDS), fc.constantFrom(...VALUES));
  fc.assert(
    fc.property(anyBook, fc.array(change, { minLength: 40, maxLength: 40 }), (book, changes) => {
      const entries: unknown[] = book.entries.flatMap((entry, i) => {
        const [field, value] = changes[i % changes.length]!;
        const weighed = {
          ...entry,
          grossKg: 30_000,
          tareKg: 30_000 - Number((entry as { wetKg?: number }).wetKg ?? 0),
        };
        return [entry, { ...entry, [field]: value }, { ...weighed, [field]: value }, value];
      });
      for (const entry of entries) {
        const quick = new Records(book);
        const careful = new Records(book);
        quick.open([entry as Entry]);
        careful.open([entry as Entry]);
        const refusals: Refusal[] = [];
        const atMs = entryCheck(namesOf(book), refusals)(entry, 0);
        const isRight = refusals.length === 0;
        const isDrafted = quick.draft(0, entry);
        if (isRight) right++;
        if (!isDrafted) continue;
        drafted++;
        expect({ entry, isRight }).toEqual({ entry, isRight: true });
        careful.fill(0, entry as Entry, atMs);
        expect({ entry, row: rowOf(quick) }).toEqual({ entry, row: rowOf(careful) });
        expect(quick.referring).toEqual(careful.referring);
      }
    }),
    { seed: 20260908, numRuns: 150 },
  );
  expect(right).toBeGreaterThan(5000);
  // A null for what is left out is right, and looked at closer.
  expect(drafted / right).toBeGreaterThan(0.9);
});
