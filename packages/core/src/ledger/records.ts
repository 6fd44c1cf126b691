import { IdIndex, invariant } from '../kernel/index.js';
import { MAX_MOISTURE } from '../units/index.js';
import { MAX_MASS_KG, NET_TOLERANCE_KG } from './check.js';
import { instantOf } from './instant.js';
import { type BookHeader, type Entry, isBuyer, UNKNOWN_LOT } from './model.js';

/** What a record does to grain; witnesses and voids change other records instead. */
export const Kind = { Harvest: 1, Move: 2, Condition: 3, Loss: 4, Measure: 5 } as const;
export type Kind = (typeof Kind)[keyof typeof Kind];

export const FLAG_TAKE_ALL = 1;
export const FLAG_DEAD = 2;
/** Out through the spout in the wall. */
export const FLAG_SIDE_DRAW = 4;

function grow<T extends Float64Array | Int32Array | Uint8Array>(array: T, length: number): T {
  const next = new (array.constructor as new (n: number) => T)(length);
  next.set(array);
  return next;
}

const NONE: readonly number[] = [];

type Loose = Readonly<Record<string, unknown>>;

const isOptional = (value: unknown, type: 'string' | 'boolean'): boolean => value === undefined || typeof value === type; // prettier-ignore

/** A number that is not left out lies within limits. */
const isWithin = (value: unknown, most: number): boolean =>
  value === undefined || (typeof value === 'number' && value >= 0 && value <= most);

/** A ticket's three weights agree, where it has more than one. */
function netsOut({ grossKg, tareKg }: Loose, wetKg: unknown): boolean {
  if (grossKg === undefined && tareKg === undefined) return true;
  if (!isWithin(grossKg, MAX_MASS_KG) || !isWithin(tareKg, MAX_MASS_KG)) return false;
  if (grossKg === undefined || tareKg === undefined || wetKg === undefined) return true;
  return Math.abs((grossKg as number) - (tareKg as number) - (wetKg as number)) <= NET_TOLERANCE_KG;
}

/**
 * The entries of a book in columns, in the order in which they arrived, with ids resolved to numbers; and `order`, which
 * lists the records that move grain by (at, id). Replay reads only these columns. Which measurement counts is settled
 * here, when an entry or one of its witnesses arrives or is voided.
 */
export class Records {
  entries: Entry[] = [];
  readonly lotIds: string[];
  readonly placeIds: string[];
  readonly unknownLot: number;
  readonly reasons: string[] = ['drying'];
  readonly drying = 0;

  atMs = new Float64Array(64);
  kind = new Uint8Array(64);
  flags = new Uint8Array(64);
  /** harvest: lot; otherwise the place that is taken from, dried or measured */
  source = new Int32Array(64);
  /** harvest and move: the place that grain goes to */
  target = new Int32Array(64);
  /** the weight that counts, kg; NaN where nothing weighed it */
  wet = new Float64Array(64);
  /** the moisture that counts; NaN where nothing measured it */
  moist = new Float64Array(64);
  /** condition: dry loss */
  dryLoss = new Float64Array(64);
  reason = new Int32Array(64);

  /** positions -> record numbers, by (at, id) */
  order = new Int32Array(64);
  /** how many records move grain */
  steps = 0;

  private readonly lotIndex: Map<string, number>;
  private readonly placeIndex: Map<string, number>;
  private readonly isBuyer: Uint8Array;
  private readonly byId = new IdIndex((r) => (r < this.entries.length ? this.entries[r]! : this.batch[r - this.entries.length]!).id); // prettier-ignore
  private batch: readonly Entry[] = [];
  /** The last batch that was drafted: which of it are witnesses and voids, and which losses, in its order. */
  referring: number[] = [];
  private losses: number[] = [];
  private readonly witnesses = new Map<number, number[]>();
  private readonly voids = new Map<number, number[]>();
  private readonly reasonIndex = new Map<string, number>([['drying', 0]]);
  private readonly trustRank: Map<string, number>;

  constructor(readonly header: BookHeader) {
    this.lotIds = header.lots.map((lot) => lot.id);
    if (!this.lotIds.includes(UNKNOWN_LOT)) this.lotIds.push(UNKNOWN_LOT);
    this.unknownLot = this.lotIds.indexOf(UNKNOWN_LOT);
    this.placeIds = header.places.map((place) => place.id);
    this.lotIndex = new Map(this.lotIds.map((id, i) => [id, i]));
    this.placeIndex = new Map(this.placeIds.map((id, i) => [id, i]));
    this.isBuyer = Uint8Array.from(header.places, (place) => (isBuyer(place) ? 1 : 0));
    this.trustRank = new Map();
    header.defaults.trust.forEach((method, i) => {
      if (!this.trustRank.has(method)) this.trustRank.set(method, i);
    });
  }

  get(id: string): Entry | undefined {
    const r = this.byId.get(id);
    return r < 0 ? undefined : this.entries[r];
  }

  recordOf(id: string): number | undefined {
    const r = this.byId.get(id);
    return r < 0 ? undefined : r;
  }

  placeNumber(id: string): number {
    const p = this.placeIndex.get(id);
    invariant(p !== undefined, 'place is in the book', id);
    return p;
  }

  lotNumber(id: string): number {
    const l = this.lotIndex.get(id);
    invariant(l !== undefined, 'lot is in the book', id);
    return l;
  }

  isVoided(r: number): boolean {
    return this.voids.has(r) && this.dead(r);
  }

  /** Witnesses of a record that were not voided, in the order of the book. */
  liveWitnesses(r: number): readonly number[] {
    const all = this.witnesses.get(r) ?? NONE;
    const live = this.voids.size === 0 ? all : all.filter((w) => !this.dead(w));
    return live.length < 2 ? live : [...live].sort((a, b) => this.compare(a, b));
  }

  /** A record is dead while a living void names it. Followed without recursion: no chain of voids is too long for it. */
  private dead(r: number): boolean {
    if (!this.voids.has(r)) return false;
    const path = [{ record: r, looked: 0 }];
    let isDead = false;
    while (path.length > 0) {
      const top = path.at(-1)!;
      const voids = this.voids.get(top.record) ?? [];
      // What was found of the void looked at last: a living one kills.
      if (top.looked > 0 && !isDead) {
        isDead = true;
        path.pop();
      } else if (top.looked === voids.length) {
        isDead = false;
        path.pop();
      } else path.push({ record: voids[top.looked++]!, looked: 0 });
    }
    return isDead;
  }

  compare(a: number, b: number): number {
    const d = this.atMs[a]! - this.atMs[b]!;
    if (d !== 0) return d;
    const x = this.entries[a]!.id;
    const y = this.entries[b]!.id;
    return x < y ? -1 : x > y ? 1 : 0;
  }

  /** Position in `order` of a record that moves grain, or where it would go. */
  positionOf(r: number): number {
    let lo = 0;
    let hi = this.steps;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (this.compare(this.order[mid]!, r) < 0) lo = mid + 1;
      else hi = mid;
    }
    return lo;
  }

  /** Number of positions whose entry happened at or before the instant. */
  positionsUntil(ms: number): number {
    let lo = 0;
    let hi = this.steps;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (this.atMs[this.order[mid]!]! <= ms) lo = mid + 1;
      else hi = mid;
    }
    return lo;
  }

  /**
   * Reads an entry into row `r` beyond the book's own where it is right beyond doubt; false where it must be looked at closer, by
   * `entryCheck`. What the columns hold there counts only once {@link add} takes it in. Each entry is looked at once for all of it: a book
   * is larger than what a processor keeps at hand.
   */
  draft(r: number, value: unknown): boolean {
    if (typeof value !== 'object' || value === null) return false;
    const entry = value as Loose;
    const { id, at, type } = entry;
    if (typeof id !== 'string' || id === '' || typeof at !== 'string') return false;
    const atMs = instantOf(at);
    if (atMs !== atMs || !isOptional(entry.by, 'string') || !isOptional(entry.device, 'string')) return false;
    if (!isOptional(entry.method, 'string') || !isOptional(entry.note, 'string')) return false;
    const recorded = entry.recordedAt;
    if (recorded !== undefined && (typeof recorded !== 'string' || Number.isNaN(instantOf(recorded)))) return false;
    let kind = 0;
    let flags = 0;
    let source = 0;
    let target = 0;
    let wet: unknown;
    let moist: unknown;
    let dryLoss = 0;
    if (type === 'harvest') {
      kind = Kind.Harvest;
      source = this.lotIndex.get(entry.lot as string) ?? -1;
      target = this.placeIndex.get(entry.to as string) ?? -1;
      wet = entry.wetKg;
      moist = entry.moisture;
      // `unknown` is a lot of every ledger, and of a book only where it says so.
      if (source >= this.header.lots.length || target < 0 || wet === undefined || moist === undefined) return false;
      if (!isOptional(entry.zone, 'string')) return false;
    } else if (type === 'move') {
      kind = Kind.Move;
      source = this.holder(entry.from);
      target = this.placeIndex.get(entry.to as string) ?? -1;
      wet = entry.wetKg;
      moist = entry.moisture;
      const { emptied, sideDraw } = entry;
      if (target < 0 || !isOptional(emptied, 'boolean') || !isOptional(sideDraw, 'boolean')) return false;
      if (emptied === true || wet === undefined) flags = FLAG_TAKE_ALL;
      if (sideDraw === true) flags |= FLAG_SIDE_DRAW;
      if (!netsOut(entry, wet)) return false;
    } else if (type === 'witness') {
      wet = entry.wetKg;
      moist = entry.moisture;
      if (typeof entry.of !== 'string' || entry.of === '' || !netsOut(entry, wet)) return false;
    } else if (type === 'void') {
      if (typeof entry.voids !== 'string' || entry.voids === '') return false;
    } else {
      source = this.holder(entry.place);
      if (type === 'condition') {
        kind = Kind.Condition;
        moist = entry.moisture;
        const loss = entry.dryLoss ?? 0;
        if (moist === undefined || typeof loss !== 'number' || !(loss >= 0 && loss < 1)) return false;
        dryLoss = loss;
      } else {
        wet = entry.wetKg;
        if (wet === undefined) return false;
        if (type === 'measure') {
          kind = Kind.Measure;
          moist = entry.moisture;
        } else if (type === 'loss' && typeof entry.reason === 'string' && entry.reason !== '') kind = Kind.Loss;
        else return false;
      }
    }
    if (source < 0 || !isWithin(wet, MAX_MASS_KG) || !isWithin(moist, MAX_MOISTURE)) return false;
    this.atMs[r] = atMs;
    this.kind[r] = kind;
    this.flags[r] = flags;
    this.source[r] = source;
    this.target[r] = target;
    this.reason[r] = 0;
    this.wet[r] = kind === 0 || wet === undefined ? NaN : (wet as number);
    this.moist[r] = kind === 0 || moist === undefined ? NaN : (moist as number);
    this.dryLoss[r] = dryLoss;
    const index = r - this.entries.length;
    if (kind === 0) this.referring.push(index);
    else if (kind === Kind.Loss) this.losses.push(index);
    return true;
  }

  /** A place that grain can be taken from, or -1. */
  private holder(id: unknown): number {
    const place = this.placeIndex.get(id as string) ?? -1;
    return place >= 0 && this.isBuyer[place] === 0 ? place : -1;
  }

  /** The same for an entry that was checked and found right: one may write null for what is left out. */
  fill(r: number, entry: Entry): void {
    const said = Object.fromEntries(Object.entries(entry).filter(([, value]) => value !== null));
    invariant(this.draft(r, said), 'an entry that was checked can be drafted', entry.id);
  }

  /** Makes room for a batch whose entries will be drafted in their order, each by {@link draft} or {@link fill} and {@link claim}. */
  open(batch: readonly Entry[]): void {
    this.batch = batch;
    this.reserve(this.entries.length + batch.length);
  }

  /**
   * Takes the ids of the next part of the batch; false where another has one of them, and then no more of this batch may be claimed. By
   * themselves: nearly all that they do is to wait for memory, for several at once.
   */
  claim(from: number, to: number): boolean {
    for (let i = from; i < to; i++) if (!this.byId.add(this.batch[i]!.id)) return false;
    return true;
  }

  /** Forgets the drafts of a batch. */
  drop(): void {
    this.byId.truncate(this.entries.length);
    this.close();
  }

  private close(): void {
    this.batch = [];
    this.referring = [];
    this.losses = [];
  }

  /** Takes in the drafts of the batch; returns the first position whose replay they change (`steps` when none). */
  add(): number {
    const first = this.entries.length;
    const entries = this.batch;
    if (first === 0) this.entries = entries.slice();
    else for (let i = 0; i < entries.length; i++) this.entries.push(entries[i]!);
    const touched = new Set<number>();
    // A void or witness may stand before its target in a batch, so links wait until all ids are known.
    for (const i of this.referring) this.refer(first + i, entries[i]!, touched);
    for (const i of this.losses) {
      const entry = entries[i]!;
      if (entry.type === 'loss') this.reason[first + i] = this.reasonNumber(entry.reason);
    }
    this.close();
    const from = this.insertFrom(first);
    return this.settleAll(touched, from);
  }

  private settleAll(touched: Set<number>, dirty: number): number {
    for (const r of [...touched]) this.followVoids(r, touched);
    let from = dirty;
    for (const r of touched) {
      if (this.kind[r] === 0) continue;
      const changed = this.settle(r);
      if (changed) from = Math.min(from, this.positionOf(r));
    }
    return from;
  }

  private reserve(n: number): void {
    this.byId.reserve(n);
    if (n <= this.atMs.length) return;
    const to = Math.max(n, this.atMs.length * 2);
    this.atMs = grow(this.atMs, to);
    this.kind = grow(this.kind, to);
    this.flags = grow(this.flags, to);
    this.source = grow(this.source, to);
    this.target = grow(this.target, to);
    this.wet = grow(this.wet, to);
    this.moist = grow(this.moist, to);
    this.dryLoss = grow(this.dryLoss, to);
    this.reason = grow(this.reason, to);
    this.order = grow(this.order, to);
  }

  private refer(r: number, entry: Entry, touched: Set<number>): void {
    if (entry.type !== 'witness' && entry.type !== 'void') return;
    const target = this.byId.get(entry.type === 'witness' ? entry.of : entry.voids);
    this.link(entry.type === 'witness' ? this.witnesses : this.voids, target, r);
    touched.add(target);
  }

  private link(map: Map<number, number[]>, key: number, r: number): void {
    const list = map.get(key);
    if (list) list.push(r);
    else map.set(key, [r]);
  }

  reasonNumber(reason: string): number {
    let n = this.reasonIndex.get(reason);
    if (n === undefined) {
      n = this.reasons.push(reason) - 1;
      this.reasonIndex.set(reason, n);
    }
    return n;
  }

  /** A voided void brings its target back, a voided witness changes what counts: both reach further than one link. */
  private followVoids(r: number, touched: Set<number>): void {
    for (let entry = this.entries[r]!; entry.type === 'void' || entry.type === 'witness';) {
      const next = this.byId.get(entry.type === 'void' ? entry.voids : entry.of)!;
      if (touched.has(next)) return;
      touched.add(next);
      entry = this.entries[next]!;
    }
  }

  /** Decides again whether a record counts and which measurement of it is the most trusted; true when that changed. */
  private settle(r: number): boolean {
    const entry = this.entries[r]!;
    const dead = this.dead(r);
    const wasDead = (this.flags[r]! & FLAG_DEAD) !== 0;
    this.flags[r] = dead ? this.flags[r]! | FLAG_DEAD : this.flags[r]! & ~FLAG_DEAD;
    let changed = dead !== wasDead;
    if (entry.type === 'harvest' || entry.type === 'move') {
      const witnesses = this.liveWitnesses(r);
      const wet = this.mostTrusted('wetKg', entry, witnesses);
      const moist = this.mostTrusted('moisture', entry, witnesses);
      changed ||= !Object.is(wet, this.wet[r]) || !Object.is(moist, this.moist[r]);
      this.wet[r] = wet;
      this.moist[r] = moist;
    }
    return changed;
  }

  /** The most trusted measurement; between equals the entry's own, then the witness lowest by (at, id). */
  private mostTrusted(field: 'wetKg' | 'moisture', own: Entry, witnesses: readonly number[]): number {
    let best = NaN;
    let bestRank = Infinity;
    for (let i = -1; i < witnesses.length; i++) {
      const entry = i < 0 ? own : this.entries[witnesses[i]!]!;
      const value = (entry as { wetKg?: number | null; moisture?: number | null })[field];
      if (value === undefined || value === null) continue;
      const rank = this.trustRank.get(entry.method ?? '') ?? this.header.defaults.trust.length;
      if (rank < bestRank) {
        bestRank = rank;
        best = value;
      }
    }
    return best;
  }

  /** Merges the records from `start` on that move grain into `order`; returns the first position that changed. */
  private insertFrom(start: number): number {
    const { kind, order, atMs } = this;
    const end = this.entries.length;
    // Nearly always each is later than the one before it, and than all of the book.
    let last = this.steps === 0 ? -Infinity : atMs[order[this.steps - 1]!]!;
    let to = this.steps;
    let r = start;
    for (; r < end; r++) {
      if (kind[r] === 0) continue;
      const at = atMs[r]!;
      if (at <= last && (at < last || this.compare(order[to - 1]!, r) > 0)) break;
      last = at;
      order[to++] = r;
    }
    const first = this.steps;
    this.steps = to;
    return r === end ? first : Math.min(first, this.insert(r));
  }

  private insert(start: number): number {
    const records: number[] = [];
    for (let r = start; r < this.entries.length; r++) if (this.kind[r] !== 0) records.push(r);
    const compare = (a: number, b: number) => this.compare(a, b);
    for (let i = 1; i < records.length; i++) {
      if (compare(records[i - 1]!, records[i]!) > 0) {
        records.sort(compare);
        break;
      }
    }
    const order = this.order;
    const first = compare(order[this.steps - 1]!, records[0]!) < 0 ? this.steps : this.positionOf(records[0]!);
    let old = this.steps - 1;
    let fresh = records.length - 1;
    // Few late entries among many old ones: whole runs are shifted at once.
    while (fresh >= 0) {
      const at = old < first ? first : this.upperPosition(records[fresh]!, first, old + 1);
      order.copyWithin(at + fresh + 1, at, old + 1);
      order[at + fresh] = records[fresh]!;
      old = at - 1;
      fresh--;
    }
    this.steps += records.length;
    return first;
  }

  private upperPosition(r: number, lo: number, hi: number): number {
    if (hi > lo && this.compare(this.order[hi - 1]!, r) < 0) return hi;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (this.compare(this.order[mid]!, r) < 0) lo = mid + 1;
      else hi = mid;
    }
    return lo;
  }
}
