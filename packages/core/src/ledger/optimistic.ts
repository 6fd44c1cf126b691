import { Ledger, type Layer } from './ledger.js';
import { type BookDefaults, DEFAULT_MOISTURE, DEFAULT_TRUST, type Entry, type Place } from './model.js';
import { BookRefused } from './refusal.js';

/** What lies where, as somebody last heard of it. */
export interface LastKnown {
  readonly defaults?: BookDefaults;
  readonly lots: readonly { readonly id: string }[];
  readonly places: readonly Place[];
  readonly layers: Readonly<Record<string, readonly Layer[]>>;
}

/**
 * The book as it will be once entries that wait to be sent are in it, replayed by its own rules on what was last known. Entries that
 * need more of the book than its present state (a void or a witness of something older) are left out and named: what they do is known
 * when they have arrived.
 * @returns a ledger that begins at the last known state, and what could not be foreseen
 */
export function optimisticBook(
  known: LastKnown,
  waiting: readonly Entry[],
): { readonly ledger: Ledger; readonly unforeseen: readonly Entry[] } {
  const ledger = new Ledger(
    {
      defaults: known.defaults ?? { moisture: DEFAULT_MOISTURE, trust: [...DEFAULT_TRUST] },
      lots: known.lots.map(({ id }) => ({ id })),
      places: known.places,
    },
    { format: 'fanega-checkpoint', version: 1, after: null, places: { ...known.layers }, accounts: {} },
  );
  let left = [...waiting];
  // A witness may come before what it witnesses: whatever cannot stand yet is tried again once others stand.
  for (let before = Infinity; left.length > 0 && left.length < before;) {
    before = left.length;
    left = left.filter((entry) => {
      try {
        ledger.append([entry]);
        return false;
      } catch (error) {
        if (!(error instanceof BookRefused)) throw error;
        return true;
      }
    });
  }
  return { ledger, unforeseen: left };
}
