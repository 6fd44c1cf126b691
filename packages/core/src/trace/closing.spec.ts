import { describe, expect, it } from 'vitest';
import { BookBuilder } from '../../test/books.js';
import { type Entry, Ledger } from '../ledger/index.js';
import { withoutReason } from './index.js';

describe('a closed season', () => {
  const b = new BookBuilder([{ id: 'A25' }, { id: 'A26' }], [{ id: 'bin', kind: 'bin' }, { id: 'mill', kind: 'buyer' }]); // prettier-ignore
  const old = b.harvest('A25', 'bin', 1000, 0.15, { at: '2025-10-01T12:00:00Z' });
  const young = b.harvest('A26', 'bin', 1000, 0.15, { at: '2026-10-01T12:00:00Z' });
  const ledger = Ledger.of(b.book());
  const closed = [{ season: 2025, throughMs: Date.parse('2026-02-28T23:59:59Z') }];
  const seasonOf = (lot: string) => Number(`20${lot.slice(1)}`);
  const entry = (more: object): Entry => ({ id: 'N1', at: '2026-11-01T12:00:00Z', ...more }) as Entry;
  const asked = (...entries: Entry[]) => withoutReason(ledger, entries, closed, seasonOf).map(({ index, season }) => [index, season]); // prettier-ignore

  it('asks for a reason where one of its loads is added, taken back or weighed again, and for what is dated before its end', () => {
    const load = { type: 'harvest', lot: 'A25', to: 'bin', wetKg: 5, moisture: 0.15 };
    expect(asked(entry(load))).toEqual([[0, 2025]]);
    expect(asked(entry({ ...load, note: 'the fourth truck was never written down' }))).toEqual([]);
    expect(asked(entry({ type: 'void', voids: old }))).toEqual([[0, 2025]]);
    expect(asked(entry({ type: 'witness', of: old, wetKg: 990 }))).toEqual([[0, 2025]]);
    expect(asked(entry({ type: 'move', from: 'bin', to: 'mill', at: '2026-02-01T12:00:00Z' }))).toEqual([[0, 2025]]);
    // Old crop that is sold from the bin later is no change of its season.
    expect(asked(entry({ type: 'move', from: 'bin', to: 'mill' }))).toEqual([]);
    expect(asked(entry({ type: 'void', voids: young }), entry({ ...load, lot: 'A26' }))).toEqual([]);
  });

  it('takes the reason of a correction from either half, and “made again” is none', () => {
    const again = [entry({ type: 'void', voids: old, note: 'made again' }), entry({ id: 'N2', type: 'harvest', lot: 'A25', to: 'bin', wetKg: 990, moisture: 0.15 })]; // prettier-ignore
    expect(asked(...again)).toEqual([[0, 2025], [1, 2025]]); // prettier-ignore
    expect(asked(again[0]!, { ...again[1]!, note: 'scale was off' } as Entry)).toEqual([]);
    expect(withoutReason(ledger, again, [], seasonOf)).toEqual([]);
  });
});
