import { NO_GRAIN_KG } from './model.js';
import type { ReplayLog } from './replay-log.js';

/** How a place gives grain back, as a number for the replay loop. */
export const Out = { Mixed: 0, FirstIn: 1, LastIn: 2, Buyer: 3 } as const;
export type Out = (typeof Out)[keyof typeof Out];

/** Slots that a stock begins with. */
const FEWEST_SLOTS = 16;

/** Scales outside these are folded into the row before they can run out of range. */
const LEAST_SCALE = 1e-100;
const MOST_SCALE = 1e100;

/**
 * All grain on the farm at one moment of the replay, in columns: layers in slots, each with its wet mass, its dry
 * fraction and a row of dry kg by lot, and the accounts of every lot.
 *
 * A slot's row holds dry kg by lot and then wet kg by lot. The dry kg of lot i in slot s is
 * `scale[s] * rows[s * stride + i]` for lo[s] <= i < hi[s] and 0 outside; its wet kg is
 * `wetScale[s] * rows[s * stride + lots + i]`. Taking a part of a layer or restating it is then one multiplication, and a
 * book of many seasons touches only the lots that are there.
 *
 * Dry matter is what is accounted for. Wet kg by lot follow it for people, who divide a load by its weight: each lot
 * keeps its own water while grain is only mixed, and drying brings all of them to one moisture.
 */
export class Stock {
  wet: Float64Array;
  /** 1 - moisture */
  dryFraction: Float64Array;
  scale: Float64Array;
  wetScale: Float64Array;
  readonly stride: number;
  lo: Int32Array;
  hi: Int32Array;
  layerId: Int32Array;
  rows: Float64Array;
  private free: number[] = [];
  private used = 0;

  /** Slots of each place, oldest first, from `head` on. */
  layers: number[][];
  head: Int32Array;

  harvested: Float64Array;
  restated: Float64Array;
  delivered: Float64Array;
  waterRemoved: Float64Array;
  /** by reason number */
  lost: Float64Array[] = [];

  /** How many layers were ever made, touches written and deliveries kept up to here. */
  layerCount = 0;
  touchCount = 0;
  /** Positions replayed. */
  position = 0;

  /** @param slots how many it is made for; it grows beyond them */
  constructor(
    readonly lots: number,
    readonly places: number,
    slots = FEWEST_SLOTS,
  ) {
    this.stride = 2 * lots;
    this.wet = new Float64Array(slots);
    this.dryFraction = new Float64Array(slots);
    this.scale = new Float64Array(slots);
    this.wetScale = new Float64Array(slots);
    this.lo = new Int32Array(slots);
    this.hi = new Int32Array(slots);
    this.layerId = new Int32Array(slots);
    this.rows = new Float64Array(slots * this.stride);
    this.layers = Array.from({ length: places }, () => []);
    this.head = new Int32Array(places);
    this.harvested = new Float64Array(lots);
    this.restated = new Float64Array(lots);
    this.delivered = new Float64Array(lots);
    this.waterRemoved = new Float64Array(lots);
  }

  /** A free slot with no lots in it. */
  alloc(): number {
    const slot = this.free.length > 0 ? this.free.pop()! : this.used++;
    if (slot >= this.wet.length) this.growSlots();
    this.lo[slot] = 0;
    this.hi[slot] = 0;
    return slot;
  }

  release(slot: number): void {
    this.free.push(slot);
  }

  private growSlots(): void {
    const n = this.wet.length * 2;
    const f = (a: Float64Array, to: number) => {
      const b = new Float64Array(to);
      b.set(a);
      return b;
    };
    const g = (a: Int32Array) => {
      const b = new Int32Array(n);
      b.set(a);
      return b;
    };
    this.wet = f(this.wet, n);
    this.dryFraction = f(this.dryFraction, n);
    this.scale = f(this.scale, n);
    this.wetScale = f(this.wetScale, n);
    this.lo = g(this.lo);
    this.hi = g(this.hi);
    this.layerId = g(this.layerId);
    this.rows = f(this.rows, n * this.stride);
  }

  /** A slot with grain of one lot. */
  single(lot: number, wetKg: number, dryFraction: number): number {
    const slot = this.alloc();
    this.wet[slot] = wetKg;
    this.dryFraction[slot] = dryFraction;
    this.scale[slot] = 1;
    this.wetScale[slot] = 1;
    this.lo[slot] = lot;
    this.hi[slot] = lot + 1;
    this.rows[slot * this.stride + lot] = wetKg * dryFraction;
    this.rows[slot * this.stride + this.lots + lot] = wetKg;
    return slot;
  }

  /** Splits a fraction off a layer into a new slot. */
  split(slot: number, fraction: number): number {
    const out = this.alloc();
    const from = this.lo[slot]!;
    const to = this.hi[slot]!;
    this.copyLots(slot, out, from, to);
    this.lo[out] = from;
    this.hi[out] = to;
    this.dryFraction[out] = this.dryFraction[slot]!;
    this.wet[out] = this.wet[slot]! * fraction;
    this.scale[out] = this.scale[slot]! * fraction;
    this.wetScale[out] = this.wetScale[slot]! * fraction;
    const rest = 1 - fraction;
    this.multiply(slot, rest, rest);
    return out;
  }

  /** A loop: for rows this short the call of copyWithin alone costs more. */
  private copyLots(slot: number, out: number, from: number, to: number): void {
    const rows = this.rows;
    const lots = this.lots;
    const shift = (out - slot) * this.stride;
    const end = slot * this.stride + to;
    for (let i = slot * this.stride + from; i < end; i++) {
      rows[i + shift] = rows[i]!;
      rows[i + lots + shift] = rows[i + lots]!;
    }
  }

  /** Multiplies wet mass, dry matter or both of a layer. */
  multiply(slot: number, wetFactor: number, dryFactor: number): void {
    this.wet[slot] = this.wet[slot]! * wetFactor;
    const scale = this.scale[slot]! * dryFactor;
    const wetScale = this.wetScale[slot]! * wetFactor;
    this.scale[slot] = scale;
    this.wetScale[slot] = wetScale;
    if (scale < LEAST_SCALE || scale > MOST_SCALE || wetScale < LEAST_SCALE || wetScale > MOST_SCALE) this.fold(slot);
  }

  private fold(slot: number): void {
    const dry = slot * this.stride;
    const wet = dry + this.lots;
    for (let i = this.lo[slot]!; i < this.hi[slot]!; i++) {
      this.rows[dry + i]! *= this.scale[slot]!;
      this.rows[wet + i]! *= this.wetScale[slot]!;
    }
    this.scale[slot] = 1;
    this.wetScale[slot] = 1;
  }

  /** Gives every lot in the slot the moisture of the slot: what a dryer does. */
  equalize(slot: number, dryFraction: number): void {
    const dry = slot * this.stride;
    for (let i = this.lo[slot]!; i < this.hi[slot]!; i++) this.rows[dry + this.lots + i] = this.rows[dry + i]!;
    this.wetScale[slot] = this.scale[slot]! / dryFraction;
    this.dryFraction[slot] = dryFraction;
  }

  /** Pours `slot` into `into` and frees it: masses add, lots add. */
  merge(into: number, slot: number): void {
    const lo = this.lo[slot]!;
    const hi = this.hi[slot]!;
    if (lo < this.lo[into]!) {
      this.zeroLots(into, lo, this.lo[into]!);
      this.lo[into] = lo;
    }
    if (hi > this.hi[into]!) {
      this.zeroLots(into, this.hi[into]!, hi);
      this.hi[into] = hi;
    }
    this.addLots(into, slot, lo, hi);
    const wetA = this.wet[into]!;
    const wetB = this.wet[slot]!;
    const wet = wetA + wetB;
    this.dryFraction[into] = (wetA * this.dryFraction[into]! + wetB * this.dryFraction[slot]!) / wet;
    this.wet[into] = wet;
    this.free.push(slot);
  }

  private zeroLots(slot: number, from: number, to: number): void {
    const base = slot * this.stride;
    for (let i = base + from; i < base + to; i++) {
      this.rows[i] = 0;
      this.rows[i + this.lots] = 0;
    }
  }

  private addLots(into: number, slot: number, from: number, to: number): void {
    const rows = this.rows;
    const lots = this.lots;
    const dry = this.scale[slot]! / this.scale[into]!;
    const wet = this.wetScale[slot]! / this.wetScale[into]!;
    const shift = (slot - into) * this.stride;
    const end = into * this.stride + to;
    for (let i = into * this.stride + from; i < end; i++) {
      rows[i] = rows[i]! + dry * rows[i + shift]!;
      rows[i + lots] = rows[i + lots]! + wet * rows[i + lots + shift]!;
    }
  }

  /** Adds factor x the dry kg by lot of a slot to an account. */
  post(account: Float64Array, slot: number, factor: number): void {
    const rows = this.rows;
    const base = slot * this.stride;
    const k = factor * this.scale[slot]!;
    const hi = this.hi[slot]!;
    let i = this.lo[slot]!;
    for (; i + 3 < hi; i += 4) {
      const y = base + i;
      account[i] = account[i]! + k * rows[y]!;
      account[i + 1] = account[i + 1]! + k * rows[y + 1]!;
      account[i + 2] = account[i + 2]! + k * rows[y + 2]!;
      account[i + 3] = account[i + 3]! + k * rows[y + 3]!;
    }
    for (; i < hi; i++) account[i] = account[i]! + k * rows[base + i]!;
  }

  lostAccount(reason: number): Float64Array {
    for (let n = this.lost.length; n <= reason; n++) this.lost.push(new Float64Array(this.lots));
    return this.lost[reason]!;
  }

  dryKg(slot: number): number {
    return this.wet[slot]! * this.dryFraction[slot]!;
  }

  /** Slots of a place, oldest first. */
  slotsOf(place: number): readonly number[] {
    const head = this.head[place]!;
    return head === 0 ? this.layers[place]! : this.layers[place]!.slice(head);
  }

  count(place: number): number {
    return this.layers[place]!.length - this.head[place]!;
  }

  /** Dry and wet kg of each lot in a slot that has any. */
  lotsOf(slot: number, visit: (lot: number, dryKg: number, wetKg: number) => void): void {
    const base = slot * this.stride;
    for (let i = this.lo[slot]!; i < this.hi[slot]!; i++) {
      const dry = this.scale[slot]! * this.rows[base + i]!;
      if (dry !== 0) visit(i, dry, this.wetScale[slot]! * this.rows[base + this.lots + i]!);
    }
  }

  /** Whether any place holds grain of a lot that has a 1. */
  holds(lots: Uint8Array): boolean {
    let found = false;
    for (let place = 0; place < this.places; place++)
      for (const slot of this.slotsOf(place)) this.lotsOf(slot, (lot) => (found ||= lots[lot] === 1));
    return found;
  }

  dryKgOf(slot: number, lot: number): number {
    return lot >= this.lo[slot]! && lot < this.hi[slot]! ? this.scale[slot]! * this.rows[slot * this.stride + lot]! : 0;
  }

  /** A copy that shares nothing, packed to what is in use. */
  snapshot(): Stock {
    let slots = FEWEST_SLOTS;
    for (let p = 0; p < this.places; p++) slots += this.count(p);
    const copy = new Stock(this.lots, this.places, slots);
    for (let p = 0; p < this.places; p++) {
      const to = copy.layers[p]!;
      for (const slot of this.slotsOf(p)) to.push(copy.adopt(this, slot));
    }
    copy.harvested.set(this.harvested);
    copy.restated.set(this.restated);
    copy.delivered.set(this.delivered);
    copy.waterRemoved.set(this.waterRemoved);
    copy.lost = this.lost.map((account) => account.slice());
    copy.layerCount = this.layerCount;
    copy.touchCount = this.touchCount;
    copy.position = this.position;
    return copy;
  }

  private adopt(from: Stock, slot: number): number {
    const own = this.alloc();
    this.wet[own] = from.wet[slot]!;
    this.dryFraction[own] = from.dryFraction[slot]!;
    this.scale[own] = from.scale[slot]!;
    this.layerId[own] = from.layerId[slot]!;
    const lo = (this.lo[own] = from.lo[slot]!);
    const hi = (this.hi[own] = from.hi[slot]!);
    this.wetScale[own] = from.wetScale[slot]!;
    const rows = this.rows;
    const { lots } = this;
    const shift = (slot - own) * this.stride;
    const end = own * this.stride + hi;
    for (let i = own * this.stride + lo; i < end; i++) {
      rows[i] = from.rows[i + shift]!;
      rows[i + lots] = from.rows[i + lots + shift]!;
    }
    return own;
  }

  /**
   * Takes grain out of a place as one parcel in a slot of its own, or -1 when the place holds none (or nothing is asked).
   * @param wetKg how much; Infinity for all of it
   */
  take(place: number, out: Out, wetKg: number, tape: ReplayLog): number {
    const stack = this.layers[place]!;
    const newestFirst = out === Out.LastIn;
    let rest = wetKg;
    let parcel = -1;
    while (rest > NO_GRAIN_KG && stack.length > this.head[place]!) {
      const slot = newestFirst ? stack[stack.length - 1]! : stack[this.head[place]!]!;
      const has = this.wet[slot]!;
      let taken: number;
      // A remainder that counts as no grain goes along, so that no dust is left lying as a layer.
      if (rest >= has - NO_GRAIN_KG) {
        if (newestFirst || stack.length === 1) stack.pop();
        else this.dropOldest(place, stack);
        tape.touch(this.touchCount++, this.layerId[slot]!, 1);
        taken = slot;
        rest -= has;
      } else {
        const fraction = rest / has;
        tape.touch(this.touchCount++, this.layerId[slot]!, fraction);
        taken = this.split(slot, fraction);
        rest = 0;
      }
      if (parcel < 0) parcel = taken;
      else this.merge(parcel, taken);
    }
    return parcel;
  }

  private dropOldest(place: number, stack: number[]): void {
    const head = this.head[place]! + 1;
    if (head === stack.length) {
      // Popping: setting the length of an array is a slow call.
      for (let n = head; n > 0; n--) stack.pop();
      this.head[place] = 0;
    } else if (head > 256 && head * 2 > stack.length) {
      stack.splice(0, head);
      this.head[place] = 0;
    } else this.head[place] = head;
  }

  /** Puts a parcel into a place; returns the id of the layer that it is in now. */
  deposit(place: number, out: Out, slot: number): number {
    const stack = this.layers[place]!;
    if (out === Out.Mixed && stack.length > this.head[place]!) {
      const into = stack[stack.length - 1]!;
      this.merge(into, slot);
      return this.layerId[into]!;
    }
    const id = this.layerCount++;
    this.layerId[slot] = id;
    stack.push(slot);
    return id;
  }

  /** Takes all layers away and frees them. */
  clear(place: number): void {
    for (const slot of this.slotsOf(place)) this.release(slot);
    this.layers[place]!.length = 0;
    this.head[place] = 0;
  }
}
