import { isObject } from '../kernel/index.js';
import { type Book, bookAsOf, type ChainRecord, checkChain, Ledger, linkOf } from '../ledger/index.js';
import { type Origin, originOf } from './origin.js';

/** A record of the book with its link and the one before it, so that it can be checked by itself. */
export interface ChainedRecord {
  readonly seq: number;
  readonly before: string;
  readonly link: string;
  readonly record: ChainRecord;
}

/** An origin to hand out: with the entries that it follows from, and the fingerprint of the book that it was worked out of. */
export interface OriginFile {
  readonly format: 'fanega-origin';
  readonly version: 1;
  readonly farm: string;
  readonly timeZone: string;
  readonly origin: Origin;
  /** The book's number and link when it was worked out. */
  readonly seq: number;
  readonly link: string;
  readonly records: readonly ChainedRecord[];
}

/** What is wrong with an origin file: in which record, or in which figure. */
export interface OriginFault {
  readonly code:
    | 'not_an_origin'
    | 'record_changed'
    | 'load_without_record'
    | 'load_differs'
    | 'sum_differs'
    | 'book_differs'
    | 'figures_differ';
  readonly at: string;
}

/** kg by which figures may differ: what is left of adding floating numbers in another order. */
const CLOSE = 1e-6;
const close = (a: number, b: number): boolean => Math.abs(a - b) <= CLOSE * Math.max(1, Math.abs(a), Math.abs(b));

/** @throws OriginRefused where the text is no origin file */
export function parseOrigin(text: string): OriginFile {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    throw new OriginRefused('it is not JSON');
  }
  if (!isObject(json) || json.format !== 'fanega-origin' || json.version !== 1)
    throw new OriginRefused('it is no origin file of version 1');
  const { origin, records, seq, link } = json;
  const whole =
    isObject(origin) &&
    ['fields', 'loads', 'entries'].every((list) => Array.isArray(origin[list])) &&
    isObject(origin.subject) &&
    Array.isArray(records) &&
    Number.isInteger(seq) &&
    typeof link === 'string';
  if (!whole) throw new OriginRefused('parts of it are missing');
  return json as unknown as OriginFile;
}

export class OriginRefused extends Error {
  constructor(why: string) {
    super(why);
    this.name = 'OriginRefused';
  }
}

/**
 * Looks at an origin file alone: each record has the link that its own text and the link before it make, each load is one of its records, and
 * its figures sum up. Whether the book ever had these records, only the book can say: {@link checkOriginAgainst}.
 */
export function checkOrigin({ origin, records }: OriginFile): OriginFault[] {
  const faults: OriginFault[] = [];
  const byId = new Map<string, ChainedRecord>();
  for (const one of records) {
    byId.set(one.record.id, one);
    if (linkOf(one.before, one.record) !== one.link) faults.push({ code: 'record_changed', at: one.record.id });
  }
  for (const load of origin.loads) {
    const record = byId.get(load.id)?.record;
    if (!record) faults.push({ code: 'load_without_record', at: load.id });
    else if (!('type' in record) || record.type !== 'harvest' || record.lot !== load.lot || record.at !== load.at)
      faults.push({ code: 'load_differs', at: load.id });
  }
  const fields = origin.fields.reduce((sum, { dryKg }) => sum + dryKg, 0);
  if (!close(fields, origin.dryKg)) faults.push({ code: 'sum_differs', at: 'fields' });
  const loads = origin.loads.reduce((sum, { dryKg }) => sum + dryKg, 0);
  if (loads > origin.dryKg * (1 + CLOSE) + CLOSE) faults.push({ code: 'sum_differs', at: 'loads' });
  return faults;
}

/**
 * Looks at an origin file with the book that it is said to come from: the book's own chain, the link at its number, and the same figures worked
 * out again as of that number.
 */
export function checkOriginAgainst(book: Book, file: OriginFile): OriginFault[] {
  const faults = checkOrigin(file);
  const chain = checkChain(book);
  if (chain === null || chain.fault || book.chain?.[file.seq - 1] !== file.link) {
    faults.push({ code: 'book_differs', at: String(file.seq) });
    return faults;
  }
  for (const { seq, link, record } of file.records)
    if (book.chain[seq - 1] !== link) faults.push({ code: 'book_differs', at: record.id });
  const again = originOf({ ledger: Ledger.of(bookAsOf(book, file.seq)), lots: [], places: [] }, file.origin.subject, file.origin.at); // prettier-ignore
  if (!again) return [...faults, { code: 'figures_differ', at: 'subject' }];
  const kgOf = new Map(again.fields.map(({ lot, dryKg }) => [lot, dryKg]));
  for (const { lot, dryKg, sure } of file.origin.fields) {
    const own = again.fields.find((field) => field.lot === lot);
    if (!close(kgOf.get(lot) ?? 0, dryKg) || own?.sure !== sure) faults.push({ code: 'figures_differ', at: lot });
  }
  const loadKg = new Map(again.loads.map(({ id, dryKg }) => [id, dryKg]));
  for (const { id, dryKg } of file.origin.loads)
    if (!close(loadKg.get(id) ?? 0, dryKg)) faults.push({ code: 'figures_differ', at: id });
  return faults;
}
