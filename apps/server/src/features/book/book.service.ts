import { type AppendAnswer, ULID } from '@fanega/contract';
import { type Book, bookFromJson, BookRefused, type Entry, findTwins, instantOf, joinTwins, Ledger, type MoveEntry, TWIN_RULES, type TwinPair } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { bookRefuses, Refused } from '../../platform/refused.js';
import { BookRepository, type Connection, type FarmSetup, type NewEntry, targetsFirst } from './book.repository.js';
import { FeedService } from './feed.service.js';

/** A farm's book, replayed up to a sequence number. */
export interface OpenBook {
  readonly setup: FarmSetup;
  readonly ledger: Ledger;
  readonly setupVersion: number;
  seq: number;
  /** Version of the notebook: readings change what is told of the fields, not the book. */
  notes: number;
  /** Sequence number of each entry. */
  readonly seqOf: Map<string, number>;
  /** Answers worked out from this state, thrown away with the next entry. */
  readonly answers: Map<string, { readonly version: number; readonly value: unknown }>;
}

/** Who writes: a person, or a device, which is nobody's account. */
export interface Writer {
  readonly id: string | null;
  readonly name: string;
}

@Injectable()
export class BookService {
  private readonly books = new Map<string, OpenBook>();
  private readonly queues = new Map<string, Promise<unknown>>();

  constructor(
    @Inject(BookRepository) private readonly repository: BookRepository,
    @Inject(FeedService) private readonly feed: FeedService,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  /** The book as of now: what this process replayed already, and what any process appended since. */
  open(farmId: string): Promise<OpenBook> {
    return this.oneAtATime(farmId, () => this.catchUp(farmId));
  }

  /**
   * An answer that costs more than a look-up, worked out once for each state of the book. One that changes with the
   * clock too gives a `version`: the older one is replaced, so that a quiet farm does not pile them up.
   */
  async answer<T>(farmId: string, key: string, work: (book: OpenBook) => T | Promise<T>, version = 0): Promise<T> {
    const book = await this.open(farmId);
    const { seq } = book;
    const kept = book.answers.get(key);
    if (kept?.version === version) return kept.value as T;
    // Only what was answered is kept: a failure must not be answered again.
    const value = await work(book);
    // An entry may have come in while it was worked out.
    if (book.seq === seq) book.answers.set(key, { version, value });
    return value;
  }

  private oneAtATime<T>(farmId: string, work: () => Promise<T>): Promise<T> {
    const before = this.queues.get(farmId) ?? Promise.resolve();
    const mine = before.then(work, work);
    this.queues.set(
      farmId,
      mine.catch(() => undefined),
    );
    return mine;
  }

  private async catchUp(farmId: string, on?: Connection): Promise<OpenBook> {
    const versions = await this.repository.versions(farmId, on);
    if (!versions) throw new Refused('not_found', 'There is no such farm.');
    let book = this.books.get(farmId);
    if (!book || book.setupVersion !== versions.setup) {
      const setup = await this.repository.setup(farmId, on);
      book = { setup, ledger: new Ledger(BookRepository.header(setup)), setupVersion: versions.setup, seq: 0, notes: versions.notes, seqOf: new Map(), answers: new Map() };
      this.books.set(farmId, book);
    }
    book.notes = versions.notes;
    if (book.seq < versions.seq) this.take(book, await this.repository.entriesAfter(farmId, book.seq, on));
    return book;
  }

  private take(book: OpenBook, rows: readonly { seq: number; entry: Entry }[]): void {
    book.ledger.append(rows.map((row) => row.entry));
    for (const { seq, entry } of rows) {
      book.seqOf.set(entry.id, seq);
      book.seq = seq;
    }
    book.answers.clear();
  }

  /**
   * Appends a batch, all or nothing. The same entry again is accepted and nothing is doubled; another entry under a used
   * id is refused. With `replaces`, the entry that is made again must not have been voided by somebody else. Loads that two devices recorded are joined in the same transaction.
   */
  append(farmId: string, sent: readonly Entry[], caller: Writer, replaces?: string): Promise<AppendAnswer> {
    return this.oneAtATime(farmId, () =>
      this.repository.appending(farmId, async (tx, lockedSeq) => {
        const book = await this.catchUp(farmId, tx);
        // Nobody else can append while we hold the farm's row, so the state is the newest.
        const base = Math.max(lockedSeq, book.seq);
        const receivedMs = this.clock.now();
        const fresh: NewEntry[] = [];
        const known = new Set<string>();
        const batch = new Map<string, Entry>();
        sent.forEach((entry, index) => {
          const stored = book.ledger.entry(entry.id) ?? batch.get(entry.id);
          if (stored) {
            if (!sameEntry(stored, entry)) {
              throw new Refused('id_used_otherwise', `entry ${index + 1}: its id is used by another entry already`, [
                { index, entry: entry.id, field: 'id', code: 'id_used_otherwise', message: 'this id is used by another entry already' },
              ]);
            }
            known.add(entry.id);
            return;
          }
          const full = { ...entry, recordedAt: entry.recordedAt ?? new Date(receivedMs).toISOString(), by: entry.by ?? caller.name } as Entry;
          batch.set(entry.id, full);
          fresh.push({ entry: full, userId: caller.id });
        });
        // Made again by two people, a load would be there twice: the second one looks first.
        if (replaces !== undefined && fresh.length > 0 && book.ledger.entry(replaces) !== undefined && book.ledger.isVoided(replaces)) {
          throw new Refused('corrected_already', 'Somebody else corrected or voided this load meanwhile. Look at it again, then correct what stands there now.');
        }
        const refusals = book.ledger.check(fresh.map(({ entry }) => entry));
        if (refusals.length > 0) {
          // The book counted only what is new; people count what they sent.
          const places = fresh.map(({ entry }) => sent.findIndex((s) => s.id === entry.id));
          throw bookRefuses(refusals.map((r) => ({ ...r, path: r.path.replace(/^entries\[(\d+)]/, (_, i: string) => `entries[${places[Number(i)]}]`) })));
        }
        const accepted = (rows: readonly NewEntry[]) => {
          const seqs = new Map(rows.map(({ entry }, i) => [entry.id, base + 1 + i]));
          return [...new Set(sent.map((entry) => entry.id))].map((id) => ({ id, seq: book.seqOf.get(id) ?? seqs.get(id)!, known: known.has(id) && !seqs.has(id) }));
        };
        if (fresh.length === 0) return { seq: base, accepted: accepted([]), joined: [] };
        const twins = this.twinsOf(book.ledger, fresh);
        const stamp = new Date(receivedMs).toISOString();
        for (const pair of twins) {
          for (const entry of joinTwins(pair, { voidId: ulid(receivedMs), witnessId: ulid(receivedMs), at: stamp, by: 'Fanega', device: 'server' })) {
            fresh.push({ entry, userId: null });
          }
        }
        const users = new Map(fresh.map((row) => [row.entry.id, row]));
        const rows = targetsFirst(fresh.map(({ entry }) => entry)).map((entry) => users.get(entry.id)!);
        await this.repository.insert(tx, farmId, base + 1, rows, receivedMs);
        return { seq: base + rows.length, accepted: accepted(rows), joined: twins.map(({ first, second }) => ({ first: first.id, second: second.id })) };
      }),
    ).then((answer) => {
      this.feed.appended(farmId, answer.seq);
      return answer;
    });
  }

  /** Brings a whole book file into a farm that has no book yet; checked whole before anything is written. */
  async restore(farmId: string, json: unknown, caller: Caller): Promise<{ entries: number }> {
    let book: Book;
    try {
      book = bookFromJson(json);
      Ledger.of(book);
    } catch (error) {
      if (error instanceof BookRefused) throw bookRefuses(error.refusals);
      throw error;
    }
    const strange = book.entries.findIndex((entry) => !ULID.test(entry.id));
    if (strange >= 0) {
      const message = `entry ${strange + 1}: its id is not a ULID of 26 letters and digits`;
      throw new Refused('book_refuses', message, [{ index: strange, field: 'id', code: 'not_a_ulid', message }]);
    }
    try {
      await this.repository.restore(farmId, book, caller.id, this.clock.now());
    } catch (error) {
      const { code, sqlMessage } = error as { code?: string; sqlMessage?: string };
      // Ids, names and tags that are too long or used twice: rules of our tables, not of the format.
      if (code === 'ER_DUP_ENTRY' || code === 'ER_DATA_TOO_LONG') throw new Refused('book_refuses', `a name or id of this book does not fit: ${sqlMessage ?? code}`);
      throw error;
    }
    this.feed.appended(farmId, book.entries.length);
    return { entries: book.entries.length };
  }

  /** Pairs within the tolerance in which at least one record is new. */
  private twinsOf(ledger: Ledger, fresh: readonly NewEntry[]): TwinPair[] {
    const ids = new Set(fresh.map(({ entry }) => entry.id));
    const voided = new Set(fresh.flatMap(({ entry }) => (entry.type === 'void' ? [entry.voids] : [])));
    const moves = fresh.map(({ entry }) => entry).filter((entry) => entry.type === 'move');
    if (moves.length === 0) return [];
    const around = new Map<string, Entry>();
    for (const move of moves) {
      around.set(move.id, move);
      const at = instantOf(move.at);
      for (const entry of ledger.entriesBetween(at - TWIN_RULES.withinMinutes * 60_000, at + TWIN_RULES.withinMinutes * 60_000)) around.set(entry.id, entry);
    }
    const heldKg = (move: MoveEntry): number => ledger.positions(instantOf(move.at) - 0.001)[move.from]?.wetKg ?? 0;
    return findTwins(
      [...around.values()].filter((entry) => !voided.has(entry.id)),
      TWIN_RULES,
      heldKg,
    ).filter((pair) => pair.same && (ids.has(pair.first.id) || ids.has(pair.second.id)));
  }
}

/** The same entry: every field that was sent again has the value that is stored. */
function sameEntry(stored: Entry, sent: Entry): boolean {
  const a = stored as unknown as Record<string, unknown>;
  const b = sent as unknown as Record<string, unknown>;
  const filled = new Set(['recordedAt', 'by']);
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
    if (b[key] === undefined && filled.has(key)) continue;
    if (a[key] !== b[key]) return false;
  }
  return true;
}
