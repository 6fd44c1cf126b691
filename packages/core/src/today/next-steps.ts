import { dumpOf, receiversOf, roomOf } from '../haul/index.js';
import type { HolderNow } from '../ledger/index.js';

/** A move that is likely next, ready to be recorded. */
export interface LoadStep {
  readonly from: string;
  readonly to: string;
  /** undefined: all of it */
  readonly wetKg?: number;
  readonly staysKg: number;
}

export type NextStep =
  | {
      readonly kind: 'cart_full' | 'truck_waits' | 'tank_full' | 'wet_bin_fills' | 'dryer_holds';
      readonly place: string;
      readonly load?: LoadStep;
    }
  /** Two crops lie in one place. */
  | {
      readonly kind: 'crops_mixed';
      readonly place: string;
      readonly crops: readonly string[];
      readonly bushels: readonly number[];
    }
  | { readonly kind: 'unknown_grain'; readonly place: string; readonly dryKg: number }
  | {
      readonly kind: 'level_differs';
      readonly place: string;
      readonly entry: string;
      readonly share: number;
      readonly wetKg: number;
    }
  | { readonly kind: 'maybe_twins'; readonly first: string; readonly second: string; readonly share: number | null };

export interface NextStepInput {
  readonly holders: readonly HolderNow[];
  /** Grain wetter than this goes to the wet bin, fraction by crop. */
  readonly dryBelow: Readonly<Record<string, number>>;
  /** Where each crop was last taken by truck, newest first. */
  readonly lastTargets: Readonly<Record<string, readonly string[]>>;
  /** Levels that did not match the book: what was found and what the book had. */
  readonly levels: readonly {
    readonly entry: string;
    readonly place: string;
    readonly foundKg: number;
    readonly bookKg: number;
  }[];
  readonly twins: readonly { readonly first: string; readonly second: string; readonly share: number | null }[];
  /** kg of a bushel, by crop */
  readonly kgPerBushel: (crop: string | undefined) => number;
}

/** A vessel counts as full from here on: what is left takes no other dump. */
const FULL = 0.85;
/** A truck with more than this is loaded and waits. */
const LOADED = 0.5;
/** Less of another crop is what a sweep leaves. */
const MIXED_BU = 5;
/** A level within this of the book is a match; the farm's own scales differ as much. */
const LEVEL_TOLERANCE = 0.01;

const fill = (holder: HolderNow): number => (holder.capacityBu ? holder.bushels / holder.capacityBu : 0);

/**
 * What the book itself says should be done next, most pressing first: full vessels that stop a combine, loaded trucks,
 * then questions that the book cannot answer by itself. Thresholds: common practice, no source.
 */
export function nextSteps(input: NextStepInput): NextStep[] {
  const of = (kind: string): HolderNow[] => input.holders.filter((holder) => holder.kind === kind);
  const steps: NextStep[] = [];
  const byFill = (a: HolderNow, b: HolderNow): number => fill(b) - fill(a);
  const receiver = (kind: string, from: HolderNow): HolderNow | undefined => receiversOf(input.holders, kind, from)[0];
  const load = (from: HolderNow, to: HolderNow): LoadStep => dumpOf(from, to, input.kgPerBushel);

  for (const cart of of('cart')
    .filter((h) => fill(h) >= FULL)
    .sort(byFill)) {
    const truck = receiver('truck', cart);
    steps.push({ kind: 'cart_full', place: cart.id, ...(truck ? { load: load(cart, truck) } : {}) });
  }
  for (const combine of of('combine')
    .filter((h) => fill(h) >= FULL)
    .sort(byFill)) {
    const cart = receiver('cart', combine);
    steps.push({ kind: 'tank_full', place: combine.id, ...(cart ? { load: load(combine, cart) } : {}) });
  }
  for (const truck of of('truck')
    .filter((h) => fill(h) >= LOADED)
    .sort(byFill)) {
    const to = target(truck, input);
    steps.push({ kind: 'truck_waits', place: truck.id, ...(to ? { load: { from: truck.id, to, staysKg: 0 } } : {}) });
  }
  for (const dryer of of('dryer').filter((h) => h.bushels >= 1)) {
    const bin = input.lastTargets[`dryer:${dryer.crop ?? ''}`]?.[0];
    steps.push({
      kind: 'dryer_holds',
      place: dryer.id,
      ...(bin ? { load: { from: dryer.id, to: bin, staysKg: 0 } } : {}),
    });
  }
  for (const wet of of('wetBin').filter((h) => fill(h) >= 0.6)) {
    const dryer = of('dryer').find((h) => h.bushels < 1);
    steps.push({ kind: 'wet_bin_fills', place: wet.id, ...(dryer ? { load: load(wet, dryer) } : {}) });
  }
  for (const pair of input.twins) steps.push({ kind: 'maybe_twins', ...pair });
  for (const level of input.levels) {
    // Nothing in the book is no share of anything.
    if (level.bookKg <= 0) continue;
    const share = level.foundKg / level.bookKg - 1;
    if (Math.abs(share) > LEVEL_TOLERANCE) {
      steps.push({
        kind: 'level_differs',
        place: level.place,
        entry: level.entry,
        share,
        wetKg: level.foundKg - level.bookKg,
      });
    }
  }
  for (const holder of input.holders) {
    const crops = (holder.crops ?? []).filter(({ bushels }) => bushels >= MIXED_BU);
    if (crops.length > 1)
      steps.push({
        kind: 'crops_mixed',
        place: holder.id,
        crops: crops.map(({ crop }) => crop),
        bushels: crops.map(({ bushels }) => bushels),
      });
  }
  for (const holder of input.holders) {
    if (holder.unknownDryKg > 1) steps.push({ kind: 'unknown_grain', place: holder.id, dryKg: holder.unknownDryKg });
  }
  return steps;
}

function target(truck: HolderNow, input: NextStepInput): string | undefined {
  const limit = input.dryBelow[truck.crop ?? ''];
  const wet = limit !== undefined && truck.moisture !== null && truck.moisture > limit + 0.007;
  if (wet) {
    const wetBin = input.holders.find((h) => h.kind === 'wetBin' && roomOf(h) >= truck.bushels);
    if (wetBin) return wetBin.id;
  }
  return input.lastTargets[truck.crop ?? '']?.find((id) => {
    const holder = input.holders.find((h) => h.id === id);
    return holder?.kind !== 'wetBin' && (holder === undefined || roomOf(holder) >= truck.bushels);
  });
}
