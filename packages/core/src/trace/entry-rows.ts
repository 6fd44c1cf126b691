import { inOrder } from '../kernel/index.js';
import { type Entry, type FarmBook, instantOf } from '../ledger/index.js';

/** Columns of the book's entries as a table, in their order. */
export const ENTRY_COLUMNS = [
  'at',
  'type',
  'field',
  'from',
  'to',
  'wet_kg',
  'moisture',
  'method',
  'ticket',
  'gross_kg',
  'tare_kg',
  'price_per_bu',
  'note',
  'by',
  'device',
  'voided',
  'id',
] as const;

const text = (value: unknown): string => (value === undefined || value === null ? '' : typeof value === 'number' || typeof value === 'boolean' || typeof value === 'string' ? String(value) : JSON.stringify(value)); // prettier-ignore

/**
 * Entries as rows of words, in the order in which they happened: names for people, the id last for programs. Weights in kg, moisture as a
 * wet-basis fraction, as the book has them.
 */
export function* entryRows({ ledger, lots, places }: FarmBook): Generator<string[]> {
  const placeName = new Map(places.map(({ id, name }) => [id, name]));
  const lotName = new Map(lots.map(({ id, fieldName, season }) => [id, `${fieldName} ${season}`]));
  const named = (names: ReadonlyMap<string, string>, id: unknown): string => (typeof id === 'string' ? (names.get(id) ?? id) : ''); // prettier-ignore
  const all = [...(ledger.records.entries as readonly Entry[])].sort((a, b) => instantOf(a.at) - instantOf(b.at) || inOrder(a.id, b.id)); // prettier-ignore
  for (const entry of all) {
    const of = entry as unknown as Readonly<Record<string, unknown>>;
    yield [
      new Date(instantOf(entry.at)).toISOString(),
      entry.type,
      named(lotName, of.lot),
      named(placeName, of.from),
      named(placeName, of.to ?? of.place),
      text(of.wetKg),
      text(of.moisture),
      text(of.method),
      text(of.ticket),
      text(of.grossKg),
      text(of.tareKg),
      text(of.pricePerBu),
      text(of.note ?? of.reason),
      text(of.by),
      text(of.device),
      ledger.isVoided(entry.id) ? 'voided' : '',
      entry.id,
    ];
  }
}
