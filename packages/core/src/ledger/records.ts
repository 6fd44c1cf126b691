import { invariant } from '../kernel/index.js';
import { type BookHeader, type Entry, UNKNOWN_LOT } from './model.js';

/** What a record does to grain; witnesses and voids change other records instead. */
export const Kind = { Harvest: 1, Move: 2, Condition: 3, Loss: 4, Measure: 5 } as const;
export type Kind = (typeof Kind)[keyof typeof Kind];

const STEP_KINDS: Partial<Record<Entry['type'], Kind>> = {
  harvest: Kind.Harvest,
  move: Kind.Move,
  condition: Kind.Condition,
  loss: Kind.Loss,
  measure: Kind.Measure,
};

export const FLAG_TAKE_ALL = 1;
export const FLAG_DEAD = 2;
/** Out through the spout in the wall. */
export const FLAG_SIDE_DRAW = 4;

function grow<T extends Float64Array | Int32Array | Uint8Array>(array: T, length: number): T {
  const next = new (array.constructor as new (n: number) => T)(length);
  next.set(array);
  return next;
}

/**
 * The entries of a book in columns, in the order in which they arrived, with ids resolved to numbers; and `order`, which
 * lists the records that move grain by (at, id). Replay reads only these columns. Which measurement counts is settled
 * here, when an entry or one of its witnesses arrives or is voided.
 */
export class Records {
  readonly entries: Entry[] = [];
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
  private readonly byId = new Map<string, number>();
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
    this.trustRank = new Map();
    header.defaults.trust.forEach((method, i) => {
      if (!this.trustRank.has(method)) this.trustRank.set(method, i);
    });
  }

  get(id: string): Entry | undefined {
    const r = this.byId.get(id);
    return r === undefined ? undefined : this.entries[r];
  }

  recordOf(id: string): number | undefined {
    return this.byId.get(id);
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
  liveWitnesses(r: number): number[] {
    return (this.witnesses.get(r) ?? []).filter((w) => !this.dead(w)).sort((a, b) => this.compare(a, b));
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

  /** Whether what was claimed last took the place of an id of the book: a rare refusal, and the only one that costs a look at all of it. */
  private displaced = false;

  /** Takes the ids of new entries; returns the index of each whose id is taken already. */
  claim(entries: readonly Entry[]): number[] {
    const first = this.entries.length;
    const twice: number[] = [];
    for (let i = 0; i < entries.length; i++) {
      this.byId.set(entries[i]!.id, first + i);
      if (this.byId.size < first + i + 1 - twice.length) twice.push(i);
    }
    this.displaced = twice.length > 0;
    return twice;
  }

  /** Gives claimed ids back after a refusal. */
  unclaim(entries: readonly Entry[]): void {
    for (const entry of entries) this.byId.delete(entry.id);
    if (!this.displaced) return;
    // An id that was already in the book was pointed at the new entry.
    this.entries.forEach((entry, r) => {
      if (!this.byId.has(entry.id)) this.byId.set(entry.id, r);
    });
  }

  /** Adds checked entries whose ids were claimed; returns the first position whose replay they change (`steps` when none). */
  add(entries: readonly Entry[], instants: ArrayLike<number>): number {
    const first = this.entries.length;
    this.reserve(first + entries.length);
    for (let i = 0; i < entries.length; i++) {
      const entry = entries[i]!;
      const r = this.entries.push(entry) - 1;
      this.atMs[r] = instants[i]!;
    }
    // A void or witness may stand before its target in a batch, so links wait until all ids are known.
    const touched = new Set<number>();
    const stepRecords: number[] = [];
    for (let r = first; r < this.entries.length; r++) {
      this.fill(r, this.entries[r]!, touched);
      if (this.kind[r] !== 0) stepRecords.push(r);
    }
    const dirty = this.insert(stepRecords);
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

  private fill(r: number, entry: Entry, touched: Set<number>): void {
    this.kind[r] = STEP_KINDS[entry.type] ?? 0;
    this.wet[r] = NaN;
    this.moist[r] = NaN;
    switch (entry.type) {
      case 'harvest':
        this.source[r] = this.lotIndex.get(entry.lot)!;
        this.target[r] = this.placeIndex.get(entry.to)!;
        this.wet[r] = entry.wetKg;
        this.moist[r] = entry.moisture;
        break;
      case 'move':
        this.source[r] = this.placeIndex.get(entry.from)!;
        this.target[r] = this.placeIndex.get(entry.to)!;
        this.wet[r] = entry.wetKg ?? NaN;
        this.moist[r] = entry.moisture ?? NaN;
        if (entry.emptied === true || (entry.wetKg ?? null) === null) this.flags[r] = FLAG_TAKE_ALL;
        if (entry.sideDraw === true) this.flags[r] = this.flags[r]! | FLAG_SIDE_DRAW;
        break;
      case 'condition':
        this.source[r] = this.placeIndex.get(entry.place)!;
        this.moist[r] = entry.moisture;
        this.dryLoss[r] = entry.dryLoss ?? 0;
        break;
      case 'loss':
        this.source[r] = this.placeIndex.get(entry.place)!;
        this.wet[r] = entry.wetKg;
        this.reason[r] = this.reasonNumber(entry.reason);
        break;
      case 'measure':
        this.source[r] = this.placeIndex.get(entry.place)!;
        this.wet[r] = entry.wetKg;
        this.moist[r] = entry.moisture ?? NaN;
        break;
      case 'witness': {
        const of = this.byId.get(entry.of)!;
        this.link(this.witnesses, of, r);
        touched.add(of);
        break;
      }
      case 'void': {
        const voids = this.byId.get(entry.voids)!;
        this.link(this.voids, voids, r);
        touched.add(voids);
        break;
      }
    }
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
      const witnesses = this.liveWitnesses(r).map((w) => this.entries[w]!);
      const wet = this.mostTrusted('wetKg', entry, witnesses);
      const moist = this.mostTrusted('moisture', entry, witnesses);
      changed ||= !Object.is(wet, this.wet[r]) || !Object.is(moist, this.moist[r]);
      this.wet[r] = wet;
      this.moist[r] = moist;
    }
    return changed;
  }

  /** The most trusted measurement; between equals the entry's own, then the witness lowest by (at, id). */
  private mostTrusted(field: 'wetKg' | 'moisture', own: Entry, witnesses: readonly Entry[]): number {
    let best = NaN;
    let bestRank = Infinity;
    for (const entry of [own, ...witnesses]) {
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

  /** Merges new records into `order`; returns the first position that changed. */
  private insert(records: number[]): number {
    if (records.length === 0) return this.steps;
    const compare = (a: number, b: number) => this.compare(a, b);
    for (let i = 1; i < records.length; i++) {
      if (compare(records[i - 1]!, records[i]!) > 0) {
        records.sort(compare);
        break;
      }
    }
    const order = this.order;
    const first =
      this.steps === 0 || compare(order[this.steps - 1]!, records[0]!) < 0 ? this.steps : this.positionOf(records[0]!);
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
