import { type AppendAnswer, type FarmVersions, type RevisionBody, type RevisionInfo, ULID } from '@fanega/contract';
import {
  bookAsOf,
  type Book,
  bookFromJson,
  BookRefused,
  checkChange,
  type Entry,
  type FarmBook,
  findTwins,
  instantOf,
  joinTwins,
  Ledger,
  type MoveEntry,
  type Refusal,
  revised,
  TWIN_RULES,
  type TwinPair,
  isSignedBy,
  signedBy,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { type FarmWrite, FarmWrites } from '../../platform/farm-write.js';
import { setBounded } from '../../platform/bounded.js';
import { bookRefuses, Refused } from '../../platform/refused.js';
import { requireSensible } from '../../platform/sensible-time.js';
import { type Connection, VersionsRepository } from '../../platform/versions.js';
import { type FarmHeader, LedgerRepository, type NewEntry, targetsFirst } from './ledger.repository.js';

/** A farm's book, replayed up to a sequence number. */
export interface OpenBook extends FarmBook {
  readonly farmId: string;
  readonly header: FarmHeader;
  readonly versions: FarmVersions;
  readonly seqOf: (entryId: string) => number;
}

interface Kept {
  farmId: string;
  header: FarmHeader;
  /** What replay depends on, as text: a name may change without it. */
  readWith: string;
  ledger: Ledger;
  seq: number;
  versions: FarmVersions;
  readonly seqOf: Map<string, number>;
  /** Answers worked out from this state, thrown away with the next entry. */
  answers: Map<string, { readonly version: string; readonly value: unknown }>;
}

/** Who writes: a person, or a device, which is nobody's account. */
export interface Writer {
  readonly id: string | null;
  readonly name: string;
}

/** Books that one process keeps replayed; the one that was asked least lately leaves first. A season takes some ten megabytes. */
const MOST_BOOKS = 12;
/** Answers that are kept of one state of a book: every field, every ticket of a season. */
const MOST_ANSWERS = 2000;

@Injectable()
export class LedgerService {
  /** In the order of their last use. */
  private readonly books = new Map<string, Kept>();
  private readonly queues = new Map<string, Promise<unknown>>();
  /** A look that has not begun yet: whoever comes meanwhile shares it. */
  private readonly next = new Map<string, Promise<OpenBook>>();

  constructor(
    @Inject(LedgerRepository) private readonly repository: LedgerRepository,
    @Inject(VersionsRepository) private readonly versions: VersionsRepository,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  /** The book as of now: what this process replayed already, and what any process appended since. */
  open(farmId: string): Promise<OpenBook> {
    const waiting = this.next.get(farmId);
    if (waiting) return waiting;
    const opened = this.oneAtATime(farmId, () => {
      this.next.delete(farmId);
      return this.catchUp(farmId);
    });
    this.next.set(farmId, opened);
    return opened;
  }

  /**
   * An answer that costs more than a look-up, worked out once for each state of the book. One that depends on something else too gives a
   * `version` of that: the older one is replaced, so that a quiet farm does not pile them up. The work is given one state and may not wait:
   * an answer never mixes two.
   */
  async answer<T>(
    farmId: string,
    key: string,
    work: (book: OpenBook) => T,
    version: (book: OpenBook) => string = () => '',
  ): Promise<T> {
    const book = await this.open(farmId);
    const kept = this.books.get(book.farmId);
    const wanted = version(book);
    const known = kept?.answers.get(key);
    if (known?.version === wanted && kept?.seq === book.versions.seq) return known.value as T;
    // Only what was answered is kept: a failure must not be answered again.
    const value = work(book);
    if (kept?.seq === book.versions.seq) {
      setBounded(kept.answers, key, { version: wanted, value }, MOST_ANSWERS);
    }
    return value;
  }

  /** The book inside a write: everything that was appended before it. */
  openIn({ tx, farm }: FarmWrite): Promise<OpenBook> {
    return this.catchUp(farm.id, tx);
  }

  private oneAtATime<T>(farmId: string, work: () => Promise<T>): Promise<T> {
    const mine = (this.queues.get(farmId) ?? Promise.resolve()).then(work, work);
    const quiet = mine.catch(() => undefined);
    this.queues.set(farmId, quiet);
    void quiet.then(() => this.queues.get(farmId) === quiet && this.queues.delete(farmId));
    return mine;
  }

  private async catchUp(asked: string, on?: Connection): Promise<OpenBook> {
    const [[farmId, versions] = []] = await this.versions.of([asked], on);
    if (farmId === undefined || versions === undefined) throw new Refused('not_found', 'There is no such farm.');
    let kept = this.books.get(farmId);
    if (!kept || kept.versions.topics.header !== versions.topics.header)
      kept = await this.readHeader(farmId, versions, kept, on);
    setBounded(this.books, farmId, kept, MOST_BOOKS);
    if (kept.seq < versions.seq) {
      const rows = await this.repository.entriesAfter(farmId, kept.seq, on);
      kept.ledger.restore(rows.map((row) => row.entry));
      for (const { seq, entry } of rows) kept.seqOf.set(entry.id, seq);
      kept.seq = versions.seq;
      kept.answers = new Map();
    }
    kept.versions = versions;
    const { ledger, header, seqOf } = kept;
    return {
      farmId,
      header,
      ledger,
      lots: header.lots,
      places: header.places,
      versions,
      seqOf: (id) => seqOf.get(id) ?? 0,
    };
  }

  /** A changed header: the book is replayed anew only where replay depends on what changed, not for a name. */
  private async readHeader(
    farmId: string,
    versions: FarmVersions,
    kept: Kept | undefined,
    on?: Connection,
  ): Promise<Kept> {
    const header = await this.repository.header(farmId, on);
    const readWith = JSON.stringify([
      header.defaults,
      header.lots.map(({ id }) => id),
      header.places.map(({ id, kind, withdrawal }) => [id, kind, withdrawal]),
    ]);
    if (kept?.readWith === readWith) {
      kept.header = header;
      kept.answers = new Map();
      return kept;
    }
    return {
      farmId,
      header,
      readWith,
      ledger: new Ledger(LedgerRepository.readWith(header)),
      seq: 0,
      versions,
      seqOf: new Map(),
      answers: new Map(),
    };
  }

  /** Appends a batch in a write of its own; {@link appendIn} says what counts. */
  append(farmId: string, sent: readonly Entry[], caller: Writer, replaces?: string): Promise<AppendAnswer> {
    return this.writing(farmId, (write) => this.appendIn(write, sent, caller, replaces));
  }

  /** Runs a write of which entries may be a part. One at a time in this process; the farm's lock does the same among all of them. */
  writing<T>(farmId: string, work: (write: FarmWrite) => Promise<T>): Promise<T> {
    return this.oneAtATime(farmId, () => this.writes.run(farmId, work));
  }

  /**
   * Appends a batch, all or nothing, as part of a write. The same entry again is accepted and nothing is doubled; another entry under a used
   * id is refused. With `replaces`, the entry that is made again must not have been voided by somebody else. Loads that two devices recorded
   * are joined in the same transaction.
   */
  async appendIn(
    { tx, farm, changed }: FarmWrite,
    sent: readonly Entry[],
    caller: Writer,
    replaces?: string,
  ): Promise<AppendAnswer> {
    const { ledger, seqOf } = await this.catchUp(farm.id, tx);
    // Nobody else can append while we hold the farm's row, so the state is the newest.
    const base = farm.seq;
    const receivedMs = this.clock.now();
    const fresh: NewEntry[] = [];
    const known = new Set<string>();
    const batch = new Map<string, Entry>();
    sent.forEach((entry, index) => {
      const stored = ledger.entry(entry.id) ?? batch.get(entry.id);
      if (stored) {
        if (!sameEntry(stored, entry)) {
          throw new Refused('id_used_otherwise', `entry ${index + 1}: its id is used by another entry already`, [
            {
              index,
              entry: entry.id,
              field: 'id',
              code: 'id_used_otherwise',
              message: 'this id is used by another entry already',
            },
          ]);
        }
        known.add(entry.id);
        return;
      }
      requireSensible(entry.at, receivedMs, index, entry.id);
      const full = {
        ...entry,
        recordedAt: entry.recordedAt ?? new Date(receivedMs).toISOString(),
        by: signedBy(entry.by, caller.name),
      } as Entry;
      batch.set(entry.id, full);
      fresh.push({ entry: full, userId: caller.id });
    });
    // Made again by two people, a load would be there twice: the second one looks first.
    if (
      replaces !== undefined &&
      fresh.length > 0 &&
      ledger.entry(replaces) !== undefined &&
      ledger.isVoided(replaces)
    ) {
      throw new Refused(
        'corrected_already',
        'Somebody else corrected or voided this load meanwhile. Look at it again, then correct what stands there now.',
      );
    }
    const refusals = ledger.check(fresh.map(({ entry }) => entry));
    if (refusals.length > 0) {
      // The book counted only what is new; people count what they sent.
      const places = fresh.map(({ entry }) => sent.findIndex((s) => s.id === entry.id));
      throw bookRefuses(
        refusals.map((r) => ({
          ...r,
          path: r.path.replace(/^entries\[(\d+)]/, (_, i: string) => `entries[${places[Number(i)]}]`),
        })),
      );
    }
    const accepted = (rows: readonly NewEntry[]): AppendAnswer['accepted'] => {
      const seqs = new Map(rows.map(({ entry }, i) => [entry.id, base + 1 + i]));
      return [...new Set(sent.map((entry) => entry.id))].map((id) => ({
        id,
        seq: seqs.get(id) ?? seqOf(id),
        known: known.has(id) && !seqs.has(id),
      }));
    };
    if (fresh.length === 0) return { seq: base, accepted: accepted([]), joined: [] };
    const twins = twinsOf(ledger, fresh);
    const stamp = new Date(receivedMs).toISOString();
    for (const pair of twins) {
      for (const entry of joinTwins(pair, {
        voidId: ulid(receivedMs),
        witnessId: ulid(receivedMs),
        at: stamp,
        by: 'Fanega',
        device: 'server',
      }))
        fresh.push({ entry, userId: null });
    }
    const byId = new Map(fresh.map((row) => [row.entry.id, row]));
    const rows = targetsFirst(fresh.map(({ entry }) => entry)).map((entry) => byId.get(entry.id)!);
    await this.repository.insert(tx, farm.id, base + 1, rows, receivedMs);
    // A second batch of the same write follows this one.
    farm.seq = base + rows.length;
    changed('book');
    return {
      seq: farm.seq,
      accepted: accepted(rows),
      joined: twins.map(({ first, second }) => ({ first: first.id, second: second.id })),
    };
  }

  /** Changes what the book is read with: dated, with author and reason, under a number of the book's own sequence. */
  revise(farmId: string, body: RevisionBody, caller: Writer): Promise<{ seq: number }> {
    return this.writing(farmId, (write) => this.reviseIn(write, body, caller));
  }

  async reviseIn(
    { tx, farm, changed }: FarmWrite,
    { id, reason, change }: RevisionBody,
    caller: Writer,
  ): Promise<{ seq: number }> {
    const kept = (await this.repository.revisions(farm.id, tx)).find((one) => one.id === id);
    if (kept) {
      if (JSON.stringify(kept.change) !== JSON.stringify(plain(change)))
        throw new Refused('id_used_otherwise', 'This id is used by another revision already.');
      return { seq: kept.seq };
    }
    const header = LedgerRepository.readWith(await this.repository.header(farm.id, tx));
    const refusals: Refusal[] = [];
    checkChange(change, header, (code, field, value, expected) =>
      refusals.push({ code, path: 'change', field, value, ...(expected === undefined ? {} : { expected }) }),
    );
    if (refusals.length > 0) throw bookRefuses(refusals);
    const seq = farm.seq + 1;
    const at = new Date(this.clock.now()).toISOString();
    await this.repository.revise(
      tx,
      farm.id,
      seq,
      { id, at, by: caller.name, reason: reason.trim(), change },
      caller.id,
      header,
    );
    farm.seq = seq;
    changed('header');
    changed('book');
    return { seq };
  }

  async revisions(farmId: string): Promise<RevisionInfo[]> {
    const book = await this.book(farmId);
    const seqs = new Map((await this.repository.revisions(farmId)).map(({ id, seq }) => [id, seq]));
    return (book.revisions ?? []).map((revision) => ({ ...revision, seq: seqs.get(revision.id)! })).reverse();
  }

  /** The whole book in the open format, or as it was read when its sequence had come to a number. */
  async book(farmId: string, asOf?: number): Promise<Book> {
    const { farmId: id, ledger, header, seqOf } = await this.open(farmId);
    const kept = await this.repository.revisions(id);
    const entries = [...ledger.arrivals];
    // Back to what was first written down: what each revision replaced, the newest first.
    const first = [...kept]
      .reverse()
      .reduce((after, { before }) => revised(after, before), LedgerRepository.readWith(header));
    const seqs = entries.map((entry) => seqOf(entry.id));
    const revisions = kept.map(({ seq, before: _, ...revision }) => ({
      ...revision,
      after: seqs.filter((one) => one < seq).length,
    }));
    const book: Book = { format: 'fanega-book', version: 2, ...first, revisions, entries };
    return asOf === undefined ? book : bookAsOf(book, asOf);
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
    for (const [what, list] of [
      ['entry', book.entries],
      ['revision', book.revisions ?? []],
    ] as const) {
      const strange = list.findIndex(({ id }) => !ULID.test(id));
      if (strange < 0) continue;
      const message = `${what} ${strange + 1}: its id is not a ULID of 26 letters and digits`;
      throw new Refused('book_refuses', message, [{ index: strange, field: 'id', code: 'not_a_ulid', message }]);
    }
    try {
      await this.writing(farmId, async ({ tx, farm, changed }) => {
        if (!(await this.repository.isEmpty(tx, farm)))
          throw new Refused('book_begun', 'This farm has a book already; a file goes into an empty one only.');
        await this.repository.restore(tx, farm, book, caller.id, this.clock.now());
        changed('book');
        changed('header');
        changed('store');
      });
    } catch (error) {
      const { code, sqlMessage } = error as { code?: string; sqlMessage?: string };
      // Ids, names and tags that are too long or used twice: rules of our tables, not of the format.
      if (code === 'ER_DUP_ENTRY' || code === 'ER_DATA_TOO_LONG')
        throw new Refused('book_refuses', `a name or id of this book does not fit: ${sqlMessage ?? code}`);
      throw error;
    }
    return { entries: book.entries.length };
  }
}

/** As JSON has it: without what was left out. */
const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));

/** Pairs within the tolerance in which at least one record is new. */
function twinsOf(ledger: Ledger, fresh: readonly NewEntry[]): TwinPair[] {
  const ids = new Set(fresh.map(({ entry }) => entry.id));
  const voided = new Set(fresh.flatMap(({ entry }) => (entry.type === 'void' ? [entry.voids] : [])));
  const moves = fresh.map(({ entry }) => entry).filter((entry) => entry.type === 'move');
  if (moves.length === 0) return [];
  const around = new Map<string, Entry>();
  for (const move of moves) {
    around.set(move.id, move);
    const at = instantOf(move.at);
    for (const entry of ledger.entriesBetween(
      at - TWIN_RULES.withinMinutes * 60_000,
      at + TWIN_RULES.withinMinutes * 60_000,
    ))
      around.set(entry.id, entry);
  }
  const heldKg = (move: MoveEntry): number => ledger.positions(instantOf(move.at) - 0.001)[move.from]?.wetKg ?? 0;
  return findTwins(
    [...around.values()].filter((entry) => !voided.has(entry.id)),
    TWIN_RULES,
    heldKg,
  ).filter((pair) => pair.same && (ids.has(pair.first.id) || ids.has(pair.second.id)));
}

/** The same entry: every field that was sent again has the value that is stored. */
function sameEntry(stored: Entry, sent: Entry): boolean {
  const a = stored as unknown as Record<string, unknown>;
  const b = sent as unknown as Record<string, unknown>;
  const filled = new Set(['recordedAt', 'by']);
  for (const name of new Set([...Object.keys(a), ...Object.keys(b)])) {
    if (b[name] === undefined && filled.has(name)) continue;
    // Signed when it came; whoever sends it again may be signed in as somebody else.
    if (name === 'by' && isSignedBy(stored.by, String(b.by))) continue;
    if (a[name] !== b[name]) return false;
  }
  return true;
}
