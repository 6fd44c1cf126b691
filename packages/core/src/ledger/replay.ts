import { NO_GRAIN_KG } from './model.js';
import { FLAG_DEAD, FLAG_SIDE_DRAW, FLAG_TAKE_ALL, Kind, type Records } from './records.js';
import { Out, type Stock } from './stock.js';
import type { ReplayLog } from './replay-log.js';

/** Sees each parcel that a harvest, move or loss puts somewhere, before it merges. `slot` is valid only during the call. */
export type ParcelSink = (record: number, slot: number, stock: Stock) => void;

/** Sees the layers of a place just before they are dried. */
export type DryingSink = (record: number, slots: readonly number[], stock: Stock) => void;

/**
 * Replays positions stock.position .. to - 1. The rules are those of the design, to the letter; each is named where it is
 * applied. Rewriting the tape of a position gives the same values again, so a copy of an earlier stock may be replayed
 * to look at it.
 */
export function replay(
  stock: Stock,
  records: Records,
  tape: ReplayLog,
  outs: Uint8Array,
  to: number,
  sink?: ParcelSink,
  drying?: DryingSink,
): void {
  tape.reservePositions(to);
  const { order, kind, flags, source, target, wet, moist } = records;
  const { touchStart, into: tapeInto, restated: tapeRestated, wetKg: tapeWet, dryKg: tapeDry } = tape;
  const touch = (layer: number, factor: number): void => tape.touch(stock.touchCount++, layer, factor);
  const defaultMoisture = records.header.defaults.moisture;

  /** Grain that the book knows nothing of: it joins the lot `unknown`, posted as a restatement. */
  const unknownParcel = (wetKg: number, moisture: number): number => {
    const slot = stock.single(records.unknownLot, wetKg, 1 - (Number.isNaN(moisture) ? defaultMoisture : moisture));
    stock.post(stock.restated, slot, 1);
    return slot;
  };

  /** Grain too little to count as grain: off the books with a restatement, so that the balance still closes. */
  const dust = (slot: number): void => {
    stock.post(stock.restated, slot, -1);
    stock.release(slot);
  };

  /**
   * Takes a weight (NaN for all of it without weighing) and restates the parcel to it where everything was taken.
   * Returns the slot or -1; `factor` holds what its dry matter was multiplied by.
   */
  const factor = new Float64Array(1); // a captured `let` would be boxed again at every write
  const take = (place: number, out: Out, weight: number, all: boolean, moisture: number): number => {
    factor[0] = 1;
    const weighed = !Number.isNaN(weight);
    if (stock.count(place) === 0) {
      return weighed && weight > NO_GRAIN_KG ? unknownParcel(weight, moisture) : -1;
    }
    const slot = stock.take(place, out, all || !weighed ? Infinity : weight, tape);
    if (slot < 0) return -1;
    let wetFactor = 1;
    if (weighed && stock.count(place) === 0) {
      wetFactor = weight / stock.wet[slot]!;
    }
    let dryFactor = wetFactor;
    if (!Number.isNaN(moisture)) {
      const dryFraction = 1 - moisture;
      dryFactor *= dryFraction / stock.dryFraction[slot]!;
      stock.dryFraction[slot] = dryFraction;
    }
    if (wetFactor !== 1 || dryFactor !== 1) {
      if (dryFactor !== 1) stock.post(stock.restated, slot, dryFactor - 1);
      stock.multiply(slot, wetFactor, dryFactor);
      factor[0] = dryFactor;
    }
    return slot;
  };

  for (let pos = stock.position; pos < to; pos++) {
    const r = order[pos]!;
    touchStart[pos] = stock.touchCount;
    let into = -1;
    let restated = 1;
    let outWet = 0;
    let outDry = 0;
    if ((flags[r]! & FLAG_DEAD) === 0) {
      switch (kind[r]! as Kind) {
        case Kind.Harvest:
        case Kind.Move: {
          let slot: number;
          if (kind[r] === Kind.Harvest) {
            slot = stock.single(source[r]!, wet[r]!, 1 - moist[r]!);
            stock.post(stock.harvested, slot, 1);
          } else {
            const out = (flags[r]! & FLAG_SIDE_DRAW) !== 0 ? Out.LastIn : (outs[source[r]!]! as Out);
            slot = take(source[r]!, out, wet[r]!, (flags[r]! & FLAG_TAKE_ALL) !== 0, moist[r]!);
            restated = factor[0]!;
          }
          if (slot < 0) break;
          if (stock.wet[slot]! <= NO_GRAIN_KG) {
            dust(slot);
            break;
          }
          outWet = stock.wet[slot]!;
          outDry = stock.dryKg(slot);
          if (sink !== undefined) sink(r, slot, stock);
          const place = target[r]!;
          if (outs[place] === Out.Buyer) {
            stock.post(stock.delivered, slot, 1);
            stock.release(slot);
          } else into = stock.deposit(place, outs[place]! as Out, slot);
          break;
        }
        case Kind.Condition: {
          const place = source[r]!;
          const dryFraction = 1 - moist[r]!;
          const loss = records.dryLoss[r]!;
          if (drying !== undefined) drying(r, stock.slotsOf(place), stock);
          for (const slot of stock.slotsOf(place)) {
            const wetBefore = stock.wet[slot]!;
            const dryBefore = wetBefore * stock.dryFraction[slot]!;
            const dry = dryBefore * (1 - loss);
            const wetAfter = dry / dryFraction;
            stock.post(stock.waterRemoved, slot, (wetBefore - dryBefore - (wetAfter - dry)) / dryBefore);
            if (loss !== 0) {
              stock.post(stock.lostAccount(records.drying), slot, loss);
              touch(stock.layerId[slot]!, 1 - loss);
            }
            stock.multiply(slot, wetAfter / wetBefore, 1 - loss);
            stock.equalize(slot, dryFraction);
            outWet += wetAfter;
            outDry += dry;
          }
          break;
        }
        case Kind.Loss: {
          const slot = take(source[r]!, outs[source[r]!]! as Out, wet[r]!, false, NaN);
          restated = factor[0]!;
          if (slot < 0) break;
          outWet = stock.wet[slot]!;
          outDry = stock.dryKg(slot);
          if (sink !== undefined) sink(r, slot, stock);
          stock.post(stock.lostAccount(records.reason[r]!), slot, 1);
          stock.release(slot);
          break;
        }
        case Kind.Measure: {
          const place = source[r]!;
          const measured = wet[r]!;
          const moisture = moist[r]!;
          const slots = stock.slotsOf(place);
          if (measured <= NO_GRAIN_KG) {
            for (const slot of slots) stock.post(stock.restated, slot, -1);
            stock.clear(place);
            break;
          }
          if (slots.length === 0) {
            into = stock.deposit(place, outs[place]! as Out, unknownParcel(measured, moisture));
          } else {
            let held = 0;
            for (const slot of slots) held += stock.wet[slot]!;
            const wetFactor = measured / held;
            for (const slot of slots) {
              let dryFactor = wetFactor;
              if (!Number.isNaN(moisture)) {
                dryFactor *= (1 - moisture) / stock.dryFraction[slot]!;
                stock.dryFraction[slot] = 1 - moisture;
              }
              if (dryFactor !== 1) {
                stock.post(stock.restated, slot, dryFactor - 1);
                touch(stock.layerId[slot]!, dryFactor);
              }
              stock.multiply(slot, wetFactor, dryFactor);
            }
          }
          outWet = measured;
          for (const slot of stock.slotsOf(place)) outDry += stock.dryKg(slot);
          break;
        }
      }
    }
    tapeInto[pos] = into;
    tapeRestated[pos] = restated;
    tapeWet[pos] = outWet;
    tapeDry[pos] = outDry;
  }
  touchStart[to] = stock.touchCount;
  stock.position = to;
}
