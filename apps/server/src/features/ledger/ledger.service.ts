import {
  type AppendAnswer,
  type BookCheckAnswer,
  type BrokenEntry,
  type FarmVersions,
  type FingerprintAnswer,
  type RevisionBody,
  type RevisionInfo,
  ULID,
} from '@fanega/contract';
import {
  bookAsOf,
  type Book,
  bookFromJson,
  type BookHeader,
  BookRefused,
  checkRecord,
  OWN_CROP,
  canonicalJson,
  ChainWalk,
  checkChain,
  checkChange,
  type Entry,
  type FarmBook,
  findTwins,
  fingerprintOf,
  instantOf,
  joinTwins,
  Ledger,
  type LogName,
  mayLog,
  mayRecord,
  type MoveEntry,
  type Refusal,
  revised,
  type RevisionChange,
  seqOfFingerprint,
  TWIN_RULES,
  type TwinPair,
  isSignedBy,
  signedBy,
  undoing,
  wordRefusalAtField,
  withoutReason,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller, Writer } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { type FarmWrite, FarmWrites } from '../../platform/farm-write.js';
import { notItsJob, onJob } from '../../platform/jobs.js';
import { setBounded } from '../../platform/bounded.js';
import type { Progress } from '../../platform/lines.js';
import { bookRefuses, Refused } from '../../platform/refused.js';
import { troubleOf } from '../../platform/trouble.js';
import { requireSensible } from '../../platform/sensible-time.js';
import { type Connection, VersionsRepository } from '../../platform/versions.js';
import {
  type FarmHeader,
  type KeptRevision,
  LedgerRepository,
  type NewEntry,
  targetsFirst,
} from './ledger.repository.js';

/** A farm's book, replayed up to a sequence number. */
export interface OpenBook extends FarmBook {
  readonly farmId: string;
  readonly header: FarmHeader;
  readonly versions: FarmVersions;
  /** Entries that cannot be read and that nobody has taken out. */
  readonly broken: number;
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
  /** Rows that no entry can be read from; everything else goes on without them. */
  readonly aside: Aside[];
  /** Answers worked out from this state, thrown away with the next entry. */
  answers: Map<string, { readonly version: string; readonly value: unknown }>;
}

/** A row of the book that cannot be read, and why. */
interface Aside {
  readonly seq: number;
  readonly entry: Entry;
  readonly refusal: Refusal;
}

/** Whose name stands with an entry: a paired phone's stands behind the driver's. */
const signatureOf = (typed: string | undefined, { name, job }: Pick<Writer, 'name' | 'job'>): string =>
  job ? onJob(job, typed) : signedBy(typed, name);

/** Kind of a place by its id. */
function kindsIn(places: OpenBook['places']): (place: string) => string | undefined {
  const kinds = new Map(places.map(({ id, kind }) => [id, kind]));
  return (place) => kinds.get(place);
}

/** What somebody wants to append, and whom to tell. */
interface Batch {
  readonly sent: readonly Entry[];
  readonly caller: Writer;
  readonly replaces?: string;
  readonly resolve: (answer: AppendAnswer) => void;
  readonly reject: (error: unknown) => void;
}

/** Batches of one transaction: more would let the first of them wait for the last. */
const MOST_TOGETHER = 200;

/** Books that one process keeps replayed; the one that was asked least lately leaves first. A season takes some ten megabytes. */
const MOST_BOOKS = 12;
/** Answers that are kept of one state of a book: every field, every ticket of a season. */
const MOST_ANSWERS = 2000;

@Injectable()
export class LedgerService {
  /** In the order of their last use. */
  private readonly books = new Map<string, Kept>();
  private readonly queues = new Map<string, Promise<unknown>>();
  /** Batches that wait for the farm's next transaction. */
  private readonly batches = new Map<string, Batch[]>();
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

  /**
   * A paired phone records what its job records.
   * @throws Refused for anything else
   */
  async requireJobs(farmId: string, { job }: Writer, entries: readonly Entry[]): Promise<void> {
    if (!job) return;
    const { ledger, places } = await this.open(farmId);
    const kindOf = kindsIn(places);
    const sent = new Map(entries.map((entry) => [entry.id, { ...entry, by: onJob(job, entry.by) }]));
    const entryOf = (id: string): Entry | undefined => ledger.entry(id) ?? (sent.get(id) as Entry | undefined);
    const index = entries.findIndex((entry) => !mayRecord(job, entry, kindOf, entryOf));
    if (index >= 0)
      throw notItsJob(job, [
        { index, entry: entries[index]!.id, field: 'type', code: 'role_too_low', message: `not a job of ${job.label}` },
      ]);
  }

  /** The same of a record beside the grain. */
  async requireJobsLog(farmId: string, { job }: Writer, name: LogName, body: object): Promise<void> {
    if (job && !mayLog(job, name, body, kindsIn((await this.open(farmId)).places))) throw notItsJob(job);
  }

  /** A machine's phone where the machine is of a kind. */
  async requireMachine(farmId: string, { job }: Writer, kind: string): Promise<void> {
    if (job && (job.kind !== 'machine' || kindsIn((await this.open(farmId)).places)(job.placeId ?? '') !== kind))
      throw notItsJob(job);
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
      takeIn(kept, rows);
      for (const { seq, entry } of rows) kept.seqOf.set(entry.id, seq);
      kept.seq = versions.seq;
      kept.answers = new Map();
    }
    kept.versions = versions;
    const { ledger, header, seqOf, aside } = kept;
    return {
      farmId,
      header,
      ledger,
      lots: header.lots,
      places: header.places,
      versions,
      broken: brokenOf(aside).filter(({ settled }) => !settled).length,
      seqOf: (id) => seqOf.get(id) ?? 0,
    };
  }

  /** A changed header: the book is replayed again only where replay depends on what changed, not for a name. */
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
      aside: [],
      answers: new Map(),
    };
  }

  /**
   * Appends a batch; {@link plan} says what counts. Batches that wait for the same farm are taken together in one transaction, each with its
   * own answer: a farm that fifty devices write to pays for the disk once for all of them.
   */
  append(farmId: string, sent: readonly Entry[], caller: Writer, replaces?: string): Promise<AppendAnswer> {
    return new Promise((resolve, reject) => {
      const batch: Batch = { sent, caller, ...(replaces === undefined ? {} : { replaces }), resolve, reject };
      const waiting = this.batches.get(farmId);
      if (waiting) {
        waiting.push(batch);
        return;
      }
      this.batches.set(farmId, [batch]);
      void this.oneAtATime(farmId, async () => {
        const taken = this.batches.get(farmId)!;
        this.batches.delete(farmId);
        await this.appendTogether(farmId, taken);
      });
    });
  }

  private async appendTogether(farmId: string, batches: readonly Batch[]): Promise<void> {
    for (let from = 0; from < batches.length; from += MOST_TOGETHER) {
      const some = batches.slice(from, from + MOST_TOGETHER);
      try {
        const done = await this.write(farmId, (write) => this.appendAll(write, some));
        done.forEach((finish) => finish());
      } catch (error) {
        if (some.length === 1 || troubleOf(error) !== null) some.forEach(({ reject }) => reject(error));
        // One of them is to blame, and the others shall not pay for it.
        else for (const batch of some) await this.appendTogether(farmId, [batch]);
      }
    }
  }

  /** @returns what tells each its answer, once all of it is safe */
  private async appendAll({ tx, farm, changed }: FarmWrite, batches: readonly Batch[]): Promise<(() => void)[]> {
    await this.catchUp(farm.id, tx);
    const kept = this.books.get(farm.id)!;
    const receivedMs = this.clock.now();
    const all: NewEntry[] = [];
    const done = batches.map(({ sent, caller, replaces, resolve, reject }) => {
      const base = farm.seq + all.length;
      try {
        const { rows, answer } = this.plan(kept, base, receivedMs, sent, caller, replaces);
        if (rows.length > 0) {
          takeIn(
            kept,
            rows.map(({ entry }, i) => ({ seq: base + 1 + i, entry })),
          );
          rows.forEach(({ entry }, i) => kept.seqOf.set(entry.id, base + 1 + i));
          kept.seq = base + rows.length;
          kept.answers = new Map();
          all.push(...rows);
        }
        return () => resolve(answer);
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        return () => reject(error);
      }
    });
    if (all.length > 0) {
      await this.repository.insert(tx, farm, all, receivedMs);
      changed('book');
    }
    return done;
  }

  /** Runs a write of which entries may be a part. One at a time in this process; the farm's lock does the same among all of them. */
  writing<T>(farmId: string, work: (write: FarmWrite) => Promise<T>): Promise<T> {
    return this.oneAtATime(farmId, () => this.write(farmId, work));
  }

  /** What the book was given in a write that did not come to its end is forgotten with it: it is read again. */
  private async write<T>(farmId: string, work: (write: FarmWrite) => Promise<T>): Promise<T> {
    let tries = 0;
    try {
      return await this.writes.run(farmId, async (write) => {
        // A try before this one went further than the book; by now another server may have come as far with other entries.
        if (tries++ > 0) this.books.delete(write.farm.id);
        return work(write);
      });
    } catch (error) {
      if (!(error instanceof Refused)) this.books.delete(farmId);
      throw error;
    }
  }

  /** Appends a batch as part of a write; {@link plan} says what counts. */
  async appendIn(
    { tx, farm, changed }: FarmWrite,
    sent: readonly Entry[],
    caller: Writer,
    replaces?: string,
  ): Promise<AppendAnswer> {
    await this.catchUp(farm.id, tx);
    const receivedMs = this.clock.now();
    // Nobody else can append while we hold the farm's row, so the state is the newest.
    const { rows, answer } = this.plan(this.books.get(farm.id)!, farm.seq, receivedMs, sent, caller, replaces);
    if (rows.length > 0) {
      await this.repository.insert(tx, farm, rows, receivedMs);
      changed('book');
    }
    return answer;
  }

  /**
   * What a batch puts into the book that has come to `base`, all or nothing, and its answer. The same entry again is accepted and nothing is
   * doubled; another entry under a used id is refused. With `replaces`, the entry that is made again must not have been voided by somebody
   * else. Loads that two devices recorded are joined in the same transaction.
   * @throws Refused
   */
  private plan(
    { ledger, seqOf, aside, header }: Kept,
    base: number,
    receivedMs: number,
    sent: readonly Entry[],
    caller: Writer,
    replaces?: string,
  ): { readonly rows: readonly NewEntry[]; readonly answer: AppendAnswer } {
    const isBroken = (id: string): boolean => aside.some(({ entry }) => entry.id === id);
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
        by: signatureOf(entry.by, caller),
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
    const seasons = new Map(header.lots.map(({ id, season }) => [id, season]));
    const [unsaid] = withoutReason(ledger, fresh.map(({ entry }) => entry), header.closed, (lot) => seasons.get(lot)); // prettier-ignore
    if (unsaid) {
      const message = `${unsaid.season} is closed: say in the note why it is changed`;
      const { id } = fresh[unsaid.index]!.entry;
      throw new Refused('season_closed', `${message}.`, [{ index: sent.findIndex((one) => one.id === id), entry: id, field: 'note', code: 'season_closed', message }]); // prettier-ignore
    }
    // What cannot be read cannot be voided in the ledger either: it is taken out by a void that stands aside with it.
    const readable = fresh
      .map(({ entry }) => entry)
      .filter((entry) => !(entry.type === 'void' && isBroken(entry.voids)));
    const refusals = ledger.check(readable);
    if (refusals.length > 0) {
      // The book counted only what is new; people count what they sent.
      const places = readable.map((entry) => sent.findIndex((s) => s.id === entry.id));
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
        seq: seqs.get(id) ?? seqOf.get(id) ?? 0,
        known: known.has(id) && !seqs.has(id),
      }));
    };
    if (fresh.length === 0) return { rows: [], answer: { seq: base, accepted: accepted([]), joined: [] } };
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
    return {
      rows,
      answer: {
        seq: base + rows.length,
        accepted: accepted(rows),
        joined: twins.map(({ first, second }) => ({ first: first.id, second: second.id })),
      },
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
    const at = new Date(this.clock.now()).toISOString();
    await this.repository.revise(
      tx,
      farm,
      { id, at, by: caller.name, reason: reason.trim(), change },
      caller.id,
      header,
    );
    changed('header');
    changed('book');
    return { seq: farm.seq };
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
    const revisions = kept.map(({ seq, before: _, link: __, ...revision }) => ({
      ...revision,
      after: seqs.filter((one) => one < seq).length,
    }));
    // Links that were written since belong to entries that this state does not have.
    const chain = (await this.repository.links(id)).slice(0, entries.length + revisions.length);
    const aside = this.books.get(id)?.aside ?? [];
    // A chain is of all records: where some cannot be read, the file says which, and carries none.
    const book: Book = {
      ...{ format: 'fanega-book', version: 2, ...first, revisions, entries },
      ...(aside.length === 0 ? { chain } : { aside: aside.map(({ seq, entry }) => ({ seq, entry })) }),
    } as Book;
    return asOf === undefined ? book : bookAsOf(book, asOf);
  }

  /** Walks through the whole book as it is kept, link by link, and compares what it is read with to its revisions. */
  async checkBook(farmId: string): Promise<BookCheckAnswer> {
    const { farmId: id } = await this.open(farmId);
    const end = await this.repository.bookEnd(id);
    const [revisions, header] = [await this.repository.revisions(id), await this.repository.header(id)];
    const walk = new ChainWalk();
    const waiting = revisions.filter(({ seq }) => seq <= end.seq);
    const revision = ({ seq: _, before: __, link, ...record }: KeptRevision): void => void walk.next(record, link);
    for (let last = 0; ;) {
      const rows = (await this.repository.keptEntries(id, last, WALKED_AT_ONCE)).filter(({ seq }) => seq <= end.seq);
      for (const { seq, body, link } of rows) {
        while (waiting[0] && waiting[0].seq < seq) revision(waiting.shift()!);
        walk.next((typeof body === 'string' ? JSON.parse(body) : body) as Entry, link);
        last = seq;
      }
      if (rows.length < WALKED_AT_ONCE) break;
    }
    waiting.forEach(revision);
    const { sound, records, head, fault } = walk.end({ records: end.seq, head: end.chain });
    const differs = headerDiffers(LedgerRepository.readWith(header), revisions);
    const aside = this.books.get(id)?.aside ?? [];
    const broken = brokenOf(aside);
    return {
      sound: sound && differs.length === 0 && broken.every(({ settled }) => settled),
      records,
      fingerprint: fingerprintOf(head),
      changed: fault ? { seq: fault.seq, id: fault.id, missing: fault.what === 'count_differs' } : null,
      header: differs,
      broken,
    };
  }

  /** The number at which the book had a fingerprint that stands on some paper, or null. */
  async fingerprint(farmId: string, text: string): Promise<FingerprintAnswer> {
    const { farmId: id } = await this.open(farmId);
    return { seq: seqOfFingerprint(await this.repository.links(id), text) };
  }

  /** What the book has come to, with its link: both are printed on every sheet. */
  async end(farmId: string): Promise<{ readonly seq: number; readonly link: string }> {
    const { seq, chain } = await this.repository.bookEnd(farmId);
    return { seq, link: chain };
  }

  /** When the first entry came in, ms since 1970; null where the book is empty. */
  firstReceived(farmId: string): Promise<number | null> {
    return this.repository.firstReceived(farmId);
  }

  /** Brings a whole book file into a farm that has no book yet; checked whole before anything is written. */
  async restore(farmId: string, json: unknown, caller: Caller, tell: Progress): Promise<{ entries: number }> {
    let book: Book;
    try {
      book = bookFromJson(json);
      Ledger.of(book);
      const chain = checkChain(book);
      if (chain?.fault) {
        const message = `this file was changed since it was written down: record ${chain.fault.seq} is not what it was`;
        throw new Refused('book_refuses', message, [{ index: chain.fault.seq - 1, code: 'chain', message }]);
      }
    } catch (error) {
      if (error instanceof BookRefused) throw bookRefuses(error.refusals);
      throw error;
    }
    for (const [i, { id: _, ...crop }] of (book.defaults.crops ?? []).entries())
      if (checkRecord(OWN_CROP, crop).length > 0) {
        const message = `crop ${i + 1} of the farm's own is not one: check its names and figures`;
        throw new Refused('book_refuses', message, [{ index: i, field: 'crops', code: 'crop_wrong', message }]);
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
        await this.repository.restore(tx, farm, book, caller.id, this.clock.now(), tell);
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

const WALKED_AT_ONCE = 5000;

/** Takes rows into a ledger; those that are no entries are put aside, and with them what only makes sense beside them. */
function takeIn({ ledger, aside }: Kept, rows: readonly { readonly seq: number; readonly entry: Entry }[]): void {
  for (let rest = rows; ;) {
    try {
      ledger.restore(rest.map(({ entry }) => entry));
      return;
    } catch (error) {
      if (!(error instanceof BookRefused)) throw error;
      const wrong = new Map<number, Refusal>();
      for (const refusal of error.refusals) {
        const index = /^entries\[(\d+)]/.exec(refusal.path)?.[1];
        if (index === undefined) throw error;
        if (!wrong.has(Number(index))) wrong.set(Number(index), refusal);
      }
      for (const [index, refusal] of wrong) aside.push({ ...rest[index]!, refusal });
      rest = rest.filter((_, i) => !wrong.has(i));
    }
  }
}

/** Rows that cannot be read, without the voids that took some of them out. */
function brokenOf(aside: readonly Aside[]): BrokenEntry[] {
  if (aside.length === 0) return [];
  const ids = new Set(aside.map(({ entry }) => entry.id));
  const takenOut = new Set(aside.flatMap(({ entry }) => (entry.type === 'void' ? [entry.voids] : [])));
  return aside
    .filter(({ entry }) => !(entry.type === 'void' && ids.has(entry.voids)))
    .map(({ seq, entry, refusal }) => ({
      seq,
      id: String(entry.id),
      message: wordRefusalAtField(refusal),
      text: JSON.stringify(entry),
      settled: takenOut.has(entry.id),
    }));
}

/** What the book is read with now and its last revision did not make so. */
function headerDiffers(header: BookHeader, revisions: readonly KeptRevision[]): string[] {
  const last = new Map<string, RevisionChange>();
  for (const { change } of revisions) last.set(`${change.what} ${subjectOf(change)}`.trim(), change);
  return [...last].flatMap(([name, change]) =>
    canonicalJson(undoing(header, change)) === canonicalJson(change) ? [] : [name],
  );
}
const subjectOf = (change: RevisionChange): string =>
  change.what === 'shares'
    ? change.lot
    : change.what === 'baseMoisture'
      ? change.crop
      : change.what === 'withdrawal'
        ? change.place
        : '';

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
