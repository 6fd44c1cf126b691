import { knowCrops } from '../crops/index.js';
import { invariant, tally } from '../kernel/index.js';
import { checkReferences, entryCheck, duplicateId, MOST_VOIDS, namesOf, type Names } from './check.js';
import { instantOf } from './instant.js';
import { type Book, type BookHeader, type Entry, isBuyer, NO_GRAIN_KG } from './model.js';
import { FLAG_DEAD, Kind, Records } from './records.js';
import { readingHeader } from './revisions.js';
import { BookRefused, type Refusal } from './refusal.js';
import { type DryingSink, type ParcelSink, replay } from './replay.js';
import { Out, Stock } from './stock.js';
import { ReplayLog } from './replay-log.js';

/** What a place holds. Masses in kg; moisture is a wet-basis fraction, null where there is no grain. */
export interface Position {
  readonly wetKg: number;
  readonly dryKg: number;
  readonly moisture: number | null;
  readonly layers: number;
  /** dry kg by lot */
  readonly lots: Record<string, number>;
  /** wet kg by lot: each lot with its own water until it is dried with others */
  readonly wetLots: Record<string, number>;
}

/** One stratum of a place. */
export interface Layer {
  readonly wetKg: number;
  readonly dryKg: number;
  readonly moisture: number;
  readonly lots: Record<string, number>;
  readonly wetLots: Record<string, number>;
}

/** All of a lot's dry matter, kg. Harvested + restated - lost = in stock + delivered. */
export interface Account {
  readonly harvestedDryKg: number;
  readonly restatedDryKg: number;
  /** by reason; drying's own loss has the reason `drying` */
  readonly lostDryKg: Record<string, number>;
  readonly waterRemovedKg: number;
  readonly inStockDryKg: number;
  readonly deliveredDryKg: number;
}

/** A part taken out of mixed grain: the lots that lay there, and the layers that stayed. */
export interface PartTaken {
  readonly lots: readonly string[];
  readonly left: readonly number[];
}

/** Grain that one harvest, move or loss put somewhere. */
export interface ParcelView {
  readonly entry: Entry;
  readonly wetKg: number;
  readonly dryKg: number;
  readonly moisture: number;
  readonly lots: Record<string, number>;
  readonly wetLots: Record<string, number>;
}

/** A state of the book that can be stored as JSON and continued from. */
export interface Checkpoint {
  readonly format: 'fanega-checkpoint';
  readonly version: 1;
  /** The last entry that is in it, by (at, id); null for the empty state. */
  readonly after: { readonly at: string; readonly id: string } | null;
  readonly places: Record<string, readonly Layer[]>;
  readonly accounts: Record<string, Account>;
}

/** Checkpoints are kept no denser than this many positions, and at most this many of them. */
const LEAST_SPACING = 1024;
const MOST_CHECKPOINTS = 24;

/** Entries looked at by one call: a loop that a book goes through once would be compiled anew for each book. */
const AT_ONCE = 512;

/**
 * A grain book with its replay: append entries in any order of arrival and ask what is where.
 *
 * Appending validates the whole batch first and applies all of it or nothing. No rule of the book depends on what lies where, so that grain
 * is moved only when somebody asks: from the nearest checkpoint before the earliest entry that came since, once for however many there were.
 * Cost: about half a microsecond an entry replayed.
 */
export class Ledger {
  readonly records: Records;
  private readonly names: Names;
  private readonly outs: Uint8Array;
  private readonly written = new ReplayLog();
  private reached: Stock;
  /** The first position that was replayed and is another since; Infinity for none. */
  private changedFrom = Infinity;
  private checkpoints: Stock[] = [];
  private spacing = LEAST_SPACING;
  private readonly base: Stock;
  private readonly notBefore: { at: number; id: string } | null;

  constructor(header: BookHeader, from?: Checkpoint) {
    knowCrops(header.defaults.crops);
    this.records = new Records(header);
    this.names = namesOf(header);
    this.outs = Uint8Array.from(header.places, (place) =>
      isBuyer(place)
        ? Out.Buyer
        : place.withdrawal === 'firstIn'
          ? Out.FirstIn
          : place.withdrawal === 'lastIn'
            ? Out.LastIn
            : Out.Mixed,
    );
    this.base = new Stock(this.records.lotIds.length, header.places.length);
    this.notBefore = null;
    if (from) {
      this.load(from);
      if (from.after) this.notBefore = { at: instantOf(from.after.at), id: from.after.id };
    }
    this.reached = this.base.snapshot();
  }

  /** Replayed to its end. @throws BookRefused */
  static of(book: Book): Ledger {
    const ledger = new Ledger(readingHeader(book));
    ledger.append(book.entries);
    ledger.settle();
    return ledger;
  }

  /** The stock at the end of the book. */
  private get stock(): Stock {
    this.settle();
    return this.reached;
  }

  /** What replay wrote down, to the end of the book. */
  get tape(): ReplayLog {
    this.settle();
    return this.written;
  }

  get header(): BookHeader {
    return this.records.header;
  }

  get size(): number {
    return this.records.entries.length;
  }

  /** How many layers were ever made; layer ids on the tape are below it. */
  get layerCount(): number {
    return this.stock.layerCount;
  }

  entry(id: string): Entry | undefined {
    return this.records.get(id);
  }

  /** True when a living void names the entry. */
  isVoided(id: string): boolean {
    const r = this.records.recordOf(id);
    return r !== undefined && this.records.isVoided(r);
  }

  /** Everything that is wrong with a batch, without applying it. */
  check(entries: readonly Entry[]): Refusal[] {
    const refusals = this.inspect(entries, MOST_VOIDS);
    this.records.drop();
    return refusals;
  }

  /** Reads a batch into the records as drafts, which {@link Records.add} takes in or {@link Records.drop} forgets. */
  private inspect(entries: readonly Entry[], mostVoids: number): Refusal[] {
    const refusals: Refusal[] = [];
    const { records } = this;
    const known = this.size;
    const closer = entryCheck(this.names, refusals);
    records.open(entries);
    let isTwice = false;
    for (let from = 0; from < entries.length; from += AT_ONCE) {
      const to = Math.min(from + AT_ONCE, entries.length);
      this.draft(entries, from, to, refusals, closer);
      if (refusals.length === 0 && !isTwice) isTwice = !records.claim(from, to);
    }
    if (refusals.length > 0) return refusals;
    const { referring } = records;
    // Not all of them have a number then.
    const batch = isTwice ? new Map<string, Entry>() : null;
    if (batch) {
      records.drop();
      entries.forEach((entry, i) => {
        if (batch.has(entry.id) || records.get(entry.id)) refusals.push(duplicateId(entry, i));
        batch.set(entry.id, entry);
      });
    }
    const find = (id: string): Entry | undefined => {
      if (batch?.has(id)) return batch.get(id);
      const r = records.recordOf(id);
      return r === undefined ? undefined : r < known ? records.entries[r] : entries[r - known];
    };
    checkReferences(entries, referring, find, refusals, mostVoids);
    const limit = this.notBefore;
    if (limit) {
      entries.forEach((entry, i) => {
        const at = records.atMs[known + i]!;
        if (at < limit.at || (at === limit.at && entry.id <= limit.id)) {
          refusals.push({
            code: 'before_checkpoint',
            path: `entries[${i}]`,
            id: entry.id,
            field: 'at',
            value: entry.at,
          });
        }
      });
    }
    return refusals;
  }

  /** Drafts a part of a batch. */
  private draft(
    entries: readonly Entry[],
    from: number,
    to: number,
    refusals: Refusal[],
    closer: ReturnType<typeof entryCheck>,
  ): void {
    const { records } = this;
    const known = this.size;
    for (let i = from; i < to; i++) {
      const entry = entries[i]!;
      // Next to all entries are right: why one is not is found out only of that one.
      if (!records.draft(known + i, entry)) {
        const before = refusals.length;
        closer(entry, i);
        if (refusals.length === before) records.fill(known + i, entry);
      }
    }
  }

  /** @throws BookRefused with every refusal; nothing is applied then */
  append(entries: readonly Entry[]): void {
    this.take(entries, MOST_VOIDS);
  }

  /** Entries that were taken once already, maybe by looser rules than today's: what is acknowledged stays readable. @throws BookRefused */
  restore(entries: readonly Entry[]): void {
    this.take(entries, this.size + entries.length);
  }

  private take(entries: readonly Entry[], mostVoids: number): void {
    const refusals = this.inspect(entries, mostVoids);
    if (refusals.length > 0) {
      this.records.drop();
      throw new BookRefused(refusals);
    }
    this.changedFrom = Math.min(this.changedFrom, this.records.add());
  }

  /** Replays what was not replayed yet. */
  private settle(): void {
    if (this.changedFrom === Infinity) return;
    const from = this.changedFrom;
    this.changedFrom = Infinity;
    if (from < this.reached.position) {
      while (this.checkpoints.length > 0 && this.checkpoints.at(-1)!.position > from) this.checkpoints.pop();
      this.reached = (this.checkpoints.at(-1) ?? this.base).snapshot();
    }
    const end = this.records.steps;
    // A book that comes as a whole keeps no more of them on the way than in the end.
    while (this.checkpoints.length === 0 && end > this.spacing * MOST_CHECKPOINTS) this.spacing *= 2;
    this.written.reservePositions(end);
    while (this.reached.position < end) {
      const last = this.checkpoints.at(-1)?.position ?? 0;
      const next = Math.min(end, Math.max(last + this.spacing, this.reached.position + 1));
      replay(this.reached, this.records, this.written, this.outs, next);
      if (next >= last + this.spacing) this.keepCheckpoint();
    }
  }

  private keepCheckpoint(): void {
    this.checkpoints.push(this.reached.snapshot());
    if (this.checkpoints.length > MOST_CHECKPOINTS) {
      this.spacing *= 2;
      this.checkpoints = this.checkpoints.filter((_, i) => i % 2 === 1);
    }
  }

  /** The stock just before a position, replayed from the nearest checkpoint. */
  private stockAt(position: number): Stock {
    const { stock } = this;
    if (position === stock.position) return stock;
    let nearest = this.base;
    for (const checkpoint of this.checkpoints) if (checkpoint.position <= position) nearest = checkpoint;
    const copy = nearest.snapshot();
    replay(copy, this.records, this.written, this.outs, position);
    return copy;
  }

  private lotMaps(
    stock: Stock,
    slots: readonly number[],
  ): { lots: Record<string, number>; wetLots: Record<string, number> } {
    const lots = tally<number>();
    const wetLots = tally<number>();
    for (const slot of slots) {
      stock.lotsOf(slot, (lot, dry, wet) => {
        const id = this.records.lotIds[lot]!;
        lots[id] = (lots[id] ?? 0) + dry;
        wetLots[id] = (wetLots[id] ?? 0) + wet;
      });
    }
    return { lots, wetLots };
  }

  private positionIn(stock: Stock, place: number): Position {
    const slots = stock.slotsOf(place);
    let wetKg = 0;
    let dryKg = 0;
    for (const slot of slots) {
      wetKg += stock.wet[slot]!;
      dryKg += stock.dryKg(slot);
    }
    return {
      wetKg,
      dryKg,
      moisture: wetKg > 0 ? 1 - dryKg / wetKg : null,
      layers: slots.length,
      ...this.lotMaps(stock, slots),
    };
  }

  /** What every place but the buyers holds, now or just after an instant (ms since 1970). */
  positions(atMs?: number): Record<string, Position> {
    const stock = atMs === undefined ? this.stock : this.stockAt(this.records.positionsUntil(atMs));
    const result = tally<Position>();
    this.records.placeIds.forEach((id, p) => {
      if (this.outs[p] !== Out.Buyer) result[id] = this.positionIn(stock, p);
    });
    return result;
  }

  position(placeId: string): Position {
    return this.positionIn(this.stock, this.records.placeNumber(placeId));
  }

  /** Strata of a place, oldest first. */
  layers(placeId: string): Layer[] {
    return this.layersIn(this.stock, this.records.placeNumber(placeId));
  }

  private layersIn(stock: Stock, place: number): Layer[] {
    return stock.slotsOf(place).map((slot) => ({
      wetKg: stock.wet[slot]!,
      dryKg: stock.dryKg(slot),
      moisture: 1 - stock.dryFraction[slot]!,
      ...this.lotMaps(stock, [slot]),
    }));
  }

  /** Ids of a place's layers on the tape, oldest first; for tracing a layer backward. */
  layerIds(placeId: string): { id: number; dryKg: number }[] {
    return this.stock
      .slotsOf(this.records.placeNumber(placeId))
      .map((slot) => ({ id: this.stock.layerId[slot]!, dryKg: this.stock.dryKg(slot) }));
  }

  /** The account of each lot of the book, and of `unknown` once there was any. */
  accounts(): Record<string, Account> {
    return this.accountsOf(this.stock);
  }

  private accountsOf(stock: Stock): Record<string, Account> {
    const inStock = new Float64Array(stock.lots);
    for (let p = 0; p < stock.places; p++) for (const slot of stock.slotsOf(p)) stock.post(inStock, slot, 1);
    const result = tally<Account>();
    this.records.lotIds.forEach((id, i) => {
      const lostDryKg = tally<number>();
      stock.lost.forEach((account, reason) => {
        if (account[i] !== 0) lostDryKg[this.records.reasons[reason]!] = account[i]!;
      });
      const account: Account = {
        harvestedDryKg: stock.harvested[i]!,
        restatedDryKg: stock.restated[i]!,
        lostDryKg,
        waterRemovedKg: stock.waterRemoved[i]!,
        inStockDryKg: inStock[i]!,
        deliveredDryKg: stock.delivered[i]!,
      };
      const listed = i < this.header.lots.length;
      const { restatedDryKg, waterRemovedKg, inStockDryKg, deliveredDryKg } = account;
      const touched = [restatedDryKg, waterRemovedKg, inStockDryKg, deliveredDryKg, ...Object.values(lostDryKg)].some(
        (kg) => kg !== 0,
      );
      if (listed || touched) result[id] = account;
    });
    return result;
  }

  /** When the last entry that moves grain and was not voided happened, ms since 1970; undefined where there is none. */
  get lastInstant(): number | undefined {
    const { order, flags, atMs } = this.records;
    for (let position = this.steps - 1; position >= 0; position--) {
      const r = order[position]!;
      if ((flags[r]! & FLAG_DEAD) === 0) return atMs[r];
    }
    return undefined;
  }

  /** How many positions the book has: one for each entry that moves grain. */
  get steps(): number {
    return this.records.steps;
  }

  /** Entries in their order of arrival, the voided ones among them. */
  get arrivals(): readonly Entry[] {
    return this.records.entries;
  }

  /** How many positions happened at or before an instant, ms since 1970. */
  positionsUntil(atMs: number): number {
    return this.records.positionsUntil(atMs);
  }

  /** Living entries that move grain from a position on, in the order of the book. */
  entriesFrom(position: number): Entry[] {
    const found: Entry[] = [];
    for (let pos = position; pos < this.steps; pos++) {
      const r = this.records.order[pos]!;
      if ((this.records.flags[r]! & FLAG_DEAD) === 0) found.push(this.records.entries[r]!);
    }
    return found;
  }

  /** What the book held in the place of each entry just before it, by the entry's id; one replay for all of them. */
  heldBefore(ids: readonly string[]): Map<string, Position> {
    return this.heldAt(ids, 0);
  }

  /** What the place of each entry held just after it. */
  heldAfter(ids: readonly string[]): Map<string, Position> {
    return this.heldAt(ids, 1);
  }

  private heldAt(ids: readonly string[], steps: 0 | 1): Map<string, Position> {
    const wanted = ids
      .flatMap((id) => {
        const position = this.positionOfEntry(id);
        const entry = this.entry(id);
        const place =
          entry === undefined
            ? undefined
            : entry.type === 'move'
              ? entry.from
              : 'place' in entry
                ? entry.place
                : undefined;
        return position === undefined || place === undefined
          ? []
          : [{ id, position, place: this.records.placeNumber(place) }];
      })
      .sort((a, b) => a.position - b.position);
    const held = new Map<string, Position>();
    if (wanted.length === 0) return held;
    let stock = this.stockAt(wanted[0]!.position);
    if (stock === this.stock) stock = stock.snapshot();
    for (const { id, position, place } of wanted) {
      replay(stock, this.records, this.written, this.outs, position + steps);
      held.set(id, this.positionIn(stock, place));
    }
    return held;
  }

  /**
   * Moves and losses that took a part out of grain of several lots, with the lots and the layers that they left behind: which part it was, only
   * the rule by which the place gives its grain back can say.
   * @param places that are looked at @param until positions before this one
   */
  partlyTaken(places: ReadonlySet<string>, until: number): Map<string, PartTaken> {
    this.settle();
    const found = new Map<string, PartTaken>();
    const stock = this.base.snapshot();
    for (let position = 0; position < until; position++) {
      const r = this.records.order[position]!;
      const kind = this.records.kind[r]!;
      if ((this.records.flags[r]! & FLAG_DEAD) !== 0 || (kind !== Kind.Move && kind !== Kind.Loss)) continue;
      const entry = this.records.entries[r]!;
      const from = entry.type === 'move' ? entry.from : entry.type === 'loss' ? entry.place : '';
      if (!places.has(from)) continue;
      const place = this.records.placeNumber(from);
      replay(stock, this.records, this.written, this.outs, position);
      const lots = new Set<number>();
      for (const slot of stock.slotsOf(place)) stock.lotsOf(slot, (lot, dryKg) => void (dryKg > NO_GRAIN_KG && lots.add(lot))); // prettier-ignore
      if (lots.size < 2) continue;
      replay(stock, this.records, this.written, this.outs, position + 1);
      const left = stock.slotsOf(place).map((slot) => stock.layerId[slot]!);
      if (left.length > 0) found.set(entry.id, { lots: [...lots].map((lot) => this.records.lotIds[lot]!), left });
    }
    return found;
  }

  /** Living entries that move grain, with from <= at <= to (ms since 1970), in the order of the book. */
  entriesBetween(fromMs: number, toMs: number): Entry[] {
    const found: Entry[] = [];
    for (let pos = this.records.positionsUntil(toMs) - 1; pos >= 0; pos--) {
      const r = this.records.order[pos]!;
      if (this.records.atMs[r]! < fromMs) break;
      if (!this.records.isVoided(r)) found.push(this.records.entries[r]!);
    }
    return found.reverse();
  }

  /** Witnesses of an entry that were not voided, in the order of the book. */
  witnessesOf(id: string): Entry[] {
    const r = this.records.recordOf(id);
    return r === undefined ? [] : this.records.liveWitnesses(r).map((w) => this.records.entries[w]!);
  }

  /** The position of a living entry that moves grain, or undefined. */
  positionOfEntry(id: string): number | undefined {
    const r = this.records.recordOf(id);
    if (r === undefined || this.records.kind[r] === 0 || this.records.isVoided(r)) return undefined;
    return this.records.positionOf(r);
  }

  /** True for a living move (or harvest) into a buyer. */
  isDelivery(id: string): boolean {
    const r = this.records.recordOf(id);
    if (r === undefined || this.records.isVoided(r)) return false;
    const kind = this.records.kind[r]! as Kind;
    return (kind === Kind.Move || kind === Kind.Harvest) && this.outs[this.records.target[r]!] === Out.Buyer;
  }

  /**
   * What the harvests, moves and losses of a span of positions carried, with lot shares, replayed from the nearest
   * checkpoint. With `wanted`, only those records are looked at.
   */
  parcels(fromPosition = 0, toPosition = this.records.steps, wanted?: (entry: Entry) => boolean): ParcelView[] {
    invariant(fromPosition >= 0 && toPosition <= this.records.steps, 'positions are in the book', [
      fromPosition,
      toPosition,
    ]);
    const result: ParcelView[] = [];
    this.visitParcels(fromPosition, toPosition, (r, slot, stock) => {
      const entry = this.records.entries[r]!;
      if (wanted && !wanted(entry)) return;
      result.push({
        entry,
        wetKg: stock.wet[slot]!,
        dryKg: stock.dryKg(slot),
        moisture: 1 - stock.dryFraction[slot]!,
        ...this.lotMaps(stock, [slot]),
      });
    });
    return result;
  }

  /** {@link parcels} without building an object for each; `drying` sees a place's layers just before they are dried. */
  visitParcels(fromPosition: number, toPosition: number, sink: ParcelSink, drying?: DryingSink): void {
    let stock = this.stockAt(fromPosition);
    if (stock === this.stock) stock = stock.snapshot();
    replay(stock, this.records, this.written, this.outs, toPosition, sink, drying);
  }

  /** Before this position there was no grain of any of these lots. */
  firstWith(lots: ReadonlySet<string>): number {
    const { order, kind, source, flags, lotIds } = this.records;
    const wanted = Uint8Array.from(lotIds, (id) => (lots.has(id) ? 1 : 0));
    if (this.base.holds(wanted)) return 0;
    for (let position = 0; position < this.steps; position++) {
      const r = order[position]!;
      if (kind[r] === Kind.Harvest && (flags[r]! & FLAG_DEAD) === 0 && wanted[source[r]!] === 1) return position;
    }
    return this.steps;
  }

  /** What counted for one entry: the weight and moisture that replay used, or undefined for one that moves nothing. */
  effective(id: string): { wetKg: number; dryKg: number } | undefined {
    const position = this.positionOfEntry(id);
    return position === undefined
      ? undefined
      : { wetKg: this.tape.wetKg[position]!, dryKg: this.tape.dryKg[position]! };
  }

  /** The state just after a position (default: the end) as JSON that {@link Ledger} can be continued from. */
  checkpoint(position = this.records.steps): Checkpoint {
    const stock = this.stockAt(position);
    const last = position > 0 ? this.records.entries[this.records.order[position - 1]!]! : undefined;
    const places = tally<Layer[]>();
    this.records.placeIds.forEach((id, p) => {
      if (stock.count(p) > 0) places[id] = this.layersIn(stock, p);
    });
    return {
      format: 'fanega-checkpoint',
      version: 1,
      after: last ? { at: last.at, id: last.id } : null,
      places,
      accounts: this.accountsOf(stock),
    };
  }

  private load(from: Checkpoint): void {
    const base = this.base;
    for (const [placeId, layers] of Object.entries(from.places)) {
      const place = this.records.placeNumber(placeId);
      for (const layer of layers) {
        let slot = -1;
        for (const [lotId, dry] of Object.entries(layer.lots)) {
          const wet = layer.wetLots[lotId] ?? 0;
          const part = base.single(this.records.lotNumber(lotId), wet, wet > 0 ? dry / wet : 1);
          if (slot < 0) slot = part;
          else base.merge(slot, part);
        }
        if (slot < 0) continue;
        base.wet[slot] = layer.wetKg;
        base.dryFraction[slot] = layer.dryKg / layer.wetKg;
        base.layerId[slot] = base.layerCount++;
        base.layers[place]!.push(slot);
      }
    }
    for (const [lotId, account] of Object.entries(from.accounts)) {
      const lot = this.records.lotNumber(lotId);
      base.harvested[lot] = account.harvestedDryKg;
      base.restated[lot] = account.restatedDryKg;
      base.delivered[lot] = account.deliveredDryKg;
      base.waterRemoved[lot] = account.waterRemovedKg;
      for (const [reason, dry] of Object.entries(account.lostDryKg))
        base.lostAccount(this.records.reasonNumber(reason))[lot] = dry;
    }
  }
}
