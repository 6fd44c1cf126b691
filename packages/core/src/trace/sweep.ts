import { tally } from '../kernel/index.js';
import type { Ledger, PartTaken } from '../ledger/index.js';
import { Kind } from '../ledger/records.js';

/** Where the dry matter of a delivery or layer came from, in kg of that dry matter. */
export interface Contributions {
  /** by harvest entry */
  readonly loads: Record<string, number>;
  /** by move entry that it came through, the delivery itself included */
  readonly moves: Record<string, number>;
}

export interface DeliveryTrace extends Contributions {
  readonly entry: string;
  readonly to: string;
  readonly wetKg: number;
  readonly dryKg: number;
  /** dry kg by lot */
  readonly lots: Record<string, number>;
  /** wet kg by lot, as a person divides the load */
  readonly wetLots: Record<string, number>;
}

/** Of the same grain, the part whose way is known only by how a place is held to give its grain back. */
export interface Assumed {
  /** Moves and losses that took a part out of grain of several lots. */
  readonly moves: ReadonlyMap<string, PartTaken>;
  /** Lots of which another rule would have given more or less to the traced grain. */
  readonly lots: Set<string>;
  /** kg of each load's contribution that came through one of them */
  readonly loads: Record<string, number>;
}

/**
 * One backward sweep over the replayed entries: the adjoint of the replay. `weight[l]` is how many kg of the traced
 * grain come from each kg of dry matter in layer l at that moment; every step applies the transpose of what it did.
 * @param end the sweep starts at the position before this one
 * @param weight by layer id; used up
 * @param assumed collects what came through moves that are known by an assumption only
 */
function sweep(
  ledger: Ledger,
  end: number,
  weight: Float64Array,
  contributions: Contributions,
  assumed?: Assumed & { readonly start: boolean },
): void {
  const { records, tape } = ledger;
  // The same weights, of what came through an assumption: a part of the whole that goes the same way.
  const vague = assumed ? (assumed.start ? weight.slice() : new Float64Array(weight.length)) : null;
  for (let pos = end - 1; pos >= 0; pos--) {
    const r = records.order[pos]!;
    const kind = records.kind[r]! as Kind;
    const into = tape.into[pos]!;
    const from = tape.touchStart[pos]!;
    const to = tape.touchStart[pos + 1]!;
    if (kind === Kind.Harvest || kind === Kind.Move) {
      const parcelWeight = into < 0 ? 0 : weight[into]!;
      if (parcelWeight !== 0) {
        const dry = parcelWeight * tape.dryKg[pos]!;
        const { id } = records.entries[r]!;
        (kind === Kind.Harvest ? contributions.loads : contributions.moves)[id] = dry;
        if (vague && kind === Kind.Harvest) assumed!.loads[id] = vague[into]! * tape.dryKg[pos]!;
      }
      const back = parcelWeight * tape.restated[pos]!;
      const vagueBack = vague === null || into < 0 ? 0 : vague[into]! * tape.restated[pos]!;
      for (let t = from; t < to; t++) {
        const layer = tape.touchLayer[t]!;
        const taken = tape.touchFactor[t]!;
        weight[layer] = weight[layer]! * (1 - taken) + back * taken;
        if (vague) vague[layer] = vague[layer]! * (1 - taken) + vagueBack * taken;
      }
    } else if (kind === Kind.Loss) {
      for (let t = from; t < to; t++) {
        const layer = tape.touchLayer[t]!;
        weight[layer] = weight[layer]! * (1 - tape.touchFactor[t]!);
        if (vague) vague[layer] = vague[layer]! * (1 - tape.touchFactor[t]!);
      }
    } else {
      for (let t = from; t < to; t++) {
        const layer = tape.touchLayer[t]!;
        weight[layer] = weight[layer]! * tape.touchFactor[t]!;
        if (vague) vague[layer] = vague[layer]! * tape.touchFactor[t]!;
      }
    }
    const taken = vague && assumed!.moves.get(records.entries[r]!.id);
    if (!taken) continue;
    // What went and what stayed behind are both known by the rule only.
    let traced = false;
    const mark = (layer: number): void => {
      vague[layer] = weight[layer]!;
      traced ||= weight[layer] !== 0;
    };
    taken.left.forEach(mark);
    for (let t = from; t < to; t++) mark(tape.touchLayer[t]!);
    if (traced) for (const lot of taken.lots) assumed!.lots.add(lot);
  }
}

/**
 * The way of one delivery, down to the loads. Its shares sum to its weight; what is in `lots` under `unknown` comes from
 * no load. Undefined when the entry is not a living delivery.
 */
export function traceDelivery(ledger: Ledger, entryId: string, assumed?: Assumed): DeliveryTrace | undefined {
  const position = ledger.positionOfEntry(entryId);
  if (position === undefined || !ledger.isDelivery(entryId)) return undefined;
  const { records, tape } = ledger;
  const r = records.order[position]!;
  const contributions: Contributions = { loads: tally(), moves: tally() };
  const weight = new Float64Array(ledger.layerCount);
  const dryKg = tape.dryKg[position]!;
  const isMove = records.kind[r] === Kind.Move;
  if (dryKg > 0) (isMove ? contributions.moves : contributions.loads)[entryId] = dryKg;
  for (let t = tape.touchStart[position]!; t < tape.touchStart[position + 1]!; t++) {
    weight[tape.touchLayer[t]!] = tape.touchFactor[t]! * tape.restated[position]!;
  }
  const own = assumed?.moves.get(entryId);
  for (const lot of own?.lots ?? []) assumed!.lots.add(lot);
  sweep(ledger, position, weight, contributions, assumed && { ...assumed, start: own !== undefined });
  const [parcel] = ledger.parcels(position, position + 1);
  return {
    entry: entryId,
    to: records.placeIds[records.target[r]!]!,
    wetKg: tape.wetKg[position]!,
    dryKg,
    lots: parcel?.lots ?? {},
    wetLots: parcel?.wetLots ?? {},
    ...contributions,
  };
}

/** Where the grain that a place holds now came from; one layer of it (oldest is 0), or all of it. */
export function tracePlace(ledger: Ledger, placeId: string, layer?: number, assumed?: Assumed): Contributions {
  const contributions: Contributions = { loads: tally(), moves: tally() };
  const weight = new Float64Array(ledger.layerCount);
  ledger.layerIds(placeId).forEach(({ id }, i) => {
    if (layer === undefined || layer === i) weight[id] = 1;
  });
  sweep(ledger, ledger.records.steps, weight, contributions, assumed && { ...assumed, start: false });
  return contributions;
}
