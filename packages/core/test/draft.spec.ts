import fc from 'fast-check';
import { expect, it } from 'vitest';
import { entryCheck, namesOf } from '../src/ledger/check.js';
import { instantOf } from '../src/ledger/instant.js';
import type { Book, Entry } from '../src/ledger/model.js';
import { FLAG_SIDE_DRAW, FLAG_TAKE_ALL, Kind, Records } from '../src/ledger/records.js';
import type { Refusal } from '../src/ledger/refusal.js';
import { anyBook } from './books.js';

const COLUMNS = ['atMs', 'kind', 'flags', 'source', 'target', 'wet', 'moist', 'dryLoss'] as const;
const rowOf = (records: Records): number[] => COLUMNS.map((column) => records[column][0]!);

/** The columns of an entry that is right, field by field. */
function expectedRow(book: Book, entry: Entry): number[] {
  const lot = (id: string): number => book.lots.findIndex((one) => one.id === id);
  const place = (id: string): number => book.places.findIndex((one) => one.id === id);
  const row = (kind: number, flags: number, source: number, target: number, wet?: number | null, moist?: number | null, dryLoss?: number | null) => [instantOf(entry.at), kind, flags, source, target, wet ?? NaN, moist ?? NaN, dryLoss ?? 0]; // prettier-ignore
  switch (entry.type) {
    case 'harvest':
      return row(Kind.Harvest, 0, lot(entry.lot), place(entry.to), entry.wetKg, entry.moisture);
    case 'move': {
      const all = entry.emptied === true || (entry.wetKg ?? null) === null ? FLAG_TAKE_ALL : 0;
      return row(Kind.Move, all | (entry.sideDraw === true ? FLAG_SIDE_DRAW : 0), place(entry.from), place(entry.to), entry.wetKg, entry.moisture); // prettier-ignore
    }
    case 'condition':
      return row(Kind.Condition, 0, place(entry.place), 0, null, entry.moisture, entry.dryLoss);
    case 'loss':
      return row(Kind.Loss, 0, place(entry.place), 0, entry.wetKg);
    case 'measure':
      return row(Kind.Measure, 0, place(entry.place), 0, entry.wetKg, entry.moisture);
    default:
      return row(0, 0, 0, 0);
  }
}

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
        entryCheck(namesOf(book), refusals)(entry, 0);
        const isRight = refusals.length === 0;
        const isDrafted = quick.draft(0, entry);
        if (isRight) {
          right++;
          careful.fill(0, entry as Entry);
          expect({ entry, row: rowOf(careful) }).toEqual({ entry, row: expectedRow(book, entry as Entry) });
        }
        if (!isDrafted) continue;
        drafted++;
        expect({ entry, isRight }).toEqual({ entry, isRight: true });
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
