import { sha256 } from '@noble/hashes/sha2';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils';
import { instantOf } from './instant.js';
import type { Book, Entry, Revision } from './model.js';

/**
 * The chain of a book: each entry and revision, in the order of their arrival, has a link that is made of its own text and of the link before
 * it. Whoever changes, removes or inserts one behind the program's back changes every link after it, and the last one is printed on paper.
 *
 * A link is the SHA-256 (FIPS 180-4) of the link before it, a line feed and the record as JSON with its keys in order (RFC 8785), as 64
 * hexadecimal digits; before the first record stand 64 zeros. So `printf '%s\n%s' BEFORE RECORD | sha256sum` gives it without this program.
 */
export const CHAIN_START = '0'.repeat(64);

/** What has a link: an entry as it is kept, or a revision without its place among the entries. */
export type ChainRecord = Entry | Omit<Revision, 'after'>;

/** JSON with sorted keys and nothing that was left out: the same record is the same text. Numbers as JavaScript writes them (RFC 8785, 3.2.2). */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((item) => canonicalJson(item ?? null)).join(',')}]`;
  if (typeof value !== 'object' || value === null) return JSON.stringify(value) ?? 'null';
  const fields = value as Record<string, unknown>;
  const parts: string[] = [];
  for (const name of Object.keys(fields).sort())
    if (fields[name] !== undefined) parts.push(`${JSON.stringify(name)}:${canonicalJson(fields[name])}`);
  return `{${parts.join(',')}}`;
}

const textOf = (record: ChainRecord): string => {
  if (!('change' in record)) return canonicalJson(record);
  // However it is written down, it is the same moment and the same author.
  const { id, at, by, reason, change } = record;
  return canonicalJson({ id, at: new Date(Math.floor(instantOf(at))).toISOString(), by: by ?? '', reason, change });
};

/** The link of a record that follows another. */
export const linkOf = (before: string, record: ChainRecord): string =>
  bytesToHex(sha256(utf8ToBytes(`${before}\n${textOf(record)}`)));

/** A link as it is printed: its first 80 bits in groups that can be read out. */
export const fingerprintOf = (link: string): string => link.slice(0, 20).replace(/(.{4})(?=.)/g, '$1-');

/** Entries and revisions of a book in the order of their arrival: the nth has the number n + 1 of the farm's sequence. */
export function recordsInOrder({ entries, revisions = [] }: Pick<Book, 'entries' | 'revisions'>): ChainRecord[] {
  const records: ChainRecord[] = [];
  let done = 0;
  for (const { after, ...revision } of revisions) {
    for (; done < after && done < entries.length; done++) records.push(entries[done]!);
    records.push(revision);
  }
  for (; done < entries.length; done++) records.push(entries[done]!);
  return records;
}

/** The links of a book, made from its records alone. */
export function chainOf(book: Pick<Book, 'entries' | 'revisions'>): string[] {
  let link = CHAIN_START;
  return recordsInOrder(book).map((record) => (link = linkOf(link, record)));
}

export type ChainFault =
  /** The record is not what it was when it was written, or it was put in since. */
  | 'changed'
  /** There are more links than records, or more records than links. */
  | 'count_differs';

export interface ChainCheck {
  /** Nothing was changed: every record has the link that it must have. */
  readonly sound: boolean;
  /** Records that were looked at. */
  readonly records: number;
  /** The link that the newest record must have. */
  readonly head: string;
  /** The first record that is not as it was, by its number in the sequence. */
  readonly fault?: { readonly seq: number; readonly id: string | null; readonly what: ChainFault };
}

/** Looks at records one after the other and remembers the first whose link is not the right one. */
export class ChainWalk {
  private link = CHAIN_START;
  private count = 0;
  private fault: ChainCheck['fault'];

  /** @returns the link that the record must have */
  next(record: ChainRecord, kept: string | null | undefined): string {
    const right = linkOf(this.link, record);
    this.count++;
    if (right !== kept && !this.fault) this.fault = { seq: this.count, id: record.id, what: 'changed' };
    // Goes on from what is kept, as whoever wrote the next one did.
    this.link = kept ?? right;
    return right;
  }

  /** @param expected how many records there must be, and what the newest's link is, where that is known from elsewhere */
  end(expected?: { readonly records: number; readonly head: string }): ChainCheck {
    const whole = !expected || (expected.records === this.count && (this.count === 0 || expected.head === this.link));
    const fault = this.fault ?? (whole ? undefined : { seq: this.count + 1, id: null, what: 'count_differs' as const });
    return { sound: fault === undefined, records: this.count, head: this.link, ...(fault ? { fault } : {}) };
  }
}

/** Is a book file's chain that of its records? null where the file carries none: it is older than chains, or was made by another program. */
export function checkChain(book: Book): ChainCheck | null {
  if (book.chain === undefined) return null;
  const records = recordsInOrder(book);
  const walk = new ChainWalk();
  records.forEach((record, i) => walk.next(record, book.chain![i]));
  const last = book.chain.at(-1) ?? CHAIN_START;
  return walk.end({ records: book.chain.length, head: last });
}

/** The number in the sequence at which a book had a fingerprint, or null where it never had. Takes it as it was printed or read out. */
export function seqOfFingerprint(chain: readonly string[], fingerprint: string): number | null {
  const wanted = fingerprint.toLowerCase().replace(/[^0-9a-f]/g, '');
  if (wanted.length < 8) return null;
  const at = chain.findIndex((link) => link.startsWith(wanted.slice(0, 64)));
  return at < 0 ? null : at + 1;
}
