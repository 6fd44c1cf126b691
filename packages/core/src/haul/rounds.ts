import { instantOf } from '../ledger/instant.js';
import type { Entry, HarvestEntry, MoveEntry, WitnessEntry } from '../ledger/model.js';

/** What the walk needs to know of the book: entries by (at, id) without the voided ones, and what weighed each. */
export interface RoundsInput {
  readonly entries: readonly Entry[];
  readonly witnessesOf: (id: string) => readonly Entry[];
  /** combine, cart, truck, buyer … by place. */
  readonly kindOf: (place: string) => string | undefined;
}

export interface WeighedGrain {
  readonly id: string;
  readonly atMs: number;
  readonly weights: readonly { readonly method: string; readonly scale: string; readonly kg: number }[];
}

/** Where a truck or cart was last seen, by the book. */
export interface VehicleNow {
  readonly place: string;
  readonly kind: string;
  readonly sinceMs: number;
  /** What happened then: grain came into it, or went out of it, and the other place. */
  readonly last: 'loaded' | 'unloaded';
  readonly where: string;
  readonly entry: string;
  /** When the first grain of what is on it came: a truck that was begun waits from then on. */
  readonly firstLoadMs: number | null;
  /** Entries that put on it what is on it, since it was last emptied. */
  readonly loads: readonly string[];
}

/** A load from its loading to where it was emptied, and when the same truck was loaded again. */
export interface Round {
  readonly truck: string;
  readonly to: string;
  readonly loadedMs: number;
  readonly emptiedMs: number;
  readonly againMs: number | null;
}

/** A delivery without a ticket: no weight of the buyer's came back. */
export interface Unticketed {
  readonly entry: MoveEntry;
  readonly atMs: number;
}

export interface Rounds {
  readonly weighed: readonly WeighedGrain[];
  readonly vehicles: readonly VehicleNow[];
  readonly rounds: readonly Round[];
  readonly unticketed: readonly Unticketed[];
  /** Weights of own scales alone: nothing better measured the load, and no later one can. */
  readonly alone: readonly {
    readonly entry: HarvestEntry;
    readonly atMs: number;
    readonly method: string;
    readonly scale: string;
  }[];
}

/** The own bridge has no place in the book: it stands where the truck drives over it. */
export const OWN_TRUCK_SCALE = 'own bridge';
export const SEVERAL_CARTS = 'carts';

interface OnTruck {
  readonly fromMs: number;
  readonly lastMs: number;
  /** What weighed each part that was put on. */
  readonly parts: readonly (readonly { readonly method: string; readonly scale: string; readonly kg: number }[])[];
  readonly bridgeKg: number | null;
}

/**
 * One walk over the book: every load's weights side by side, where the vehicles are, how long their rounds took, and the deliveries
 * whose ticket never came. The cart's weight of a truckload is the sum of its dumps, where every one of them was weighed.
 */
export function walkRounds({ entries, witnessesOf, kindOf }: RoundsInput): Rounds {
  const weighed: WeighedGrain[] = [];
  const vehicles = new Map<string, VehicleNow>();
  const rounds: Round[] = [];
  const open = new Map<string, number>();
  const unticketed: Unticketed[] = [];
  const alone: Rounds['alone'][number][] = [];
  const on = new Map<string, OnTruck>();
  const seen = (place: string, last: VehicleNow['last'], where: string, entry: Entry, atMs: number): void => {
    const kind = kindOf(place);
    if (kind !== 'truck' && kind !== 'cart') return;
    const before = vehicles.get(place);
    const firstLoadMs = last === 'loaded' ? ((before?.loads.length ?? 0) > 0 ? before!.firstLoadMs : atMs) : null;
    const loads =
      last === 'loaded'
        ? [...(before?.loads ?? []), entry.id]
        : entry.type === 'move' && entry.wetKg !== undefined && !entry.emptied
          ? (before?.loads ?? [])
          : [];
    vehicles.set(place, { place, kind, sinceMs: atMs, last, where, entry: entry.id, firstLoadMs, loads });
  };
  /** Whose scale a weight came from. */
  const scaleOf = (method: string, entry: HarvestEntry | MoveEntry): string => {
    if (method === 'ticket') return kindOf(entry.to) === 'buyer' ? entry.to : 'tickets';
    if (method === 'bridge') return OWN_TRUCK_SCALE;
    const ends = entry.type === 'move' ? [entry.from, entry.to] : [entry.to];
    if (method === 'cartScale') return ends.find((place) => kindOf(place) === 'cart') ?? SEVERAL_CARTS;
    if (method === 'monitor')
      return (
        ends.find((place) => kindOf(place) === 'combine') ?? /^(.*)-[^-]*$/.exec(entry.device ?? '')?.[1] ?? 'display'
      );
    return method;
  };
  const measured = (entry: HarvestEntry | MoveEntry): { method: string; scale: string; kg: number }[] => {
    const own = entry.wetKg === undefined ? [] : [{ method: entry.method ?? 'estimate', kg: entry.wetKg }];
    const others = witnessesOf(entry.id).flatMap((w) =>
      (w as WitnessEntry).wetKg === undefined
        ? []
        : [{ method: w.method ?? 'estimate', kg: (w as WitnessEntry).wetKg! }],
    );
    return [...own, ...others].map(({ method, kg }) => ({ method, kg, scale: scaleOf(method, entry) }));
  };
  const keep = (
    entry: Entry,
    atMs: number,
    weights: readonly { method: string; scale: string; kg: number }[],
  ): void => {
    const scales = new Map(
      weights.filter((w) => w.method !== 'estimate' && w.method !== 'volume').map((w) => [`${w.method} ${w.scale}`, w]),
    );
    if (scales.size >= 2) weighed.push({ id: entry.id, atMs, weights: [...scales.values()] });
  };
  for (const entry of entries) {
    const atMs = instantOf(entry.at);
    if (entry.type === 'harvest') {
      const weights = measured(entry);
      keep(entry, atMs, weights);
      if (weights.length === 1 && (weights[0]!.method === 'cartScale' || weights[0]!.method === 'monitor'))
        alone.push({ entry, atMs, method: weights[0]!.method, scale: weights[0]!.scale });
      seen(entry.to, 'loaded', entry.lot, entry, atMs);
      if (kindOf(entry.to) === 'truck') load(entry, atMs, weights);
    } else if (entry.type === 'measure' && kindOf(entry.place) === 'truck') {
      const before = on.get(entry.place);
      if (before && entry.method === 'bridge') on.set(entry.place, { ...before, bridgeKg: entry.wetKg });
    } else if (entry.type === 'move') {
      const weights = measured(entry);
      seen(entry.from, 'unloaded', entry.to, entry, atMs);
      seen(entry.to, 'loaded', entry.from, entry, atMs);
      const isDelivery = kindOf(entry.to) === 'buyer';
      if (isDelivery && !weights.some((w) => w.method === 'ticket')) unticketed.push({ entry, atMs });
      if (kindOf(entry.from) === 'truck') {
        const all = entry.wetKg === undefined || entry.emptied === true;
        const carried = on.get(entry.from);
        if (carried && all) keep(entry, atMs, [...weights, ...sumOf(carried)]);
        else keep(entry, atMs, weights);
        if (carried) {
          open.set(
            entry.from,
            rounds.push({ truck: entry.from, to: entry.to, loadedMs: carried.lastMs, emptiedMs: atMs, againMs: null }) -
              1,
          );
          if (all) on.delete(entry.from);
          else on.set(entry.from, { ...carried, parts: [], bridgeKg: null });
        }
      } else keep(entry, atMs, weights);
      if (kindOf(entry.to) === 'truck') load(entry, atMs, weights);
    }
  }
  return { weighed, vehicles: [...vehicles.values()], rounds, unticketed, alone };

  function load(entry: HarvestEntry | MoveEntry, atMs: number, weights: OnTruck['parts'][number]): void {
    const before = on.get(entry.to);
    if (!before) {
      const last = open.get(entry.to);
      if (last !== undefined) rounds[last] = { ...rounds[last]!, againMs: atMs };
    }
    on.set(entry.to, {
      fromMs: before?.fromMs ?? atMs,
      lastMs: atMs,
      parts: [...(before?.parts ?? []), weights],
      bridgeKg: null,
    });
  }

  /** The load as own scales have it: the sum of its parts where one method weighed them all, and the bridge's. */
  function sumOf({ parts, bridgeKg }: OnTruck): { method: string; scale: string; kg: number }[] {
    const found: { method: string; scale: string; kg: number }[] =
      bridgeKg === null ? [] : [{ method: 'bridge', scale: OWN_TRUCK_SCALE, kg: bridgeKg }];
    for (const method of ['bridge', 'cartScale']) {
      if (method === 'bridge' && bridgeKg !== null) continue;
      const weights = parts.flatMap((part) => part.find((w) => w.method === method) ?? []);
      if (parts.length === 0 || weights.length < parts.length) continue;
      const scales = new Set(weights.map((w) => w.scale));
      found.push({
        method,
        scale: scales.size === 1 ? weights[0]!.scale : SEVERAL_CARTS,
        kg: weights.reduce((sum, w) => sum + w.kg, 0),
      });
    }
    return found;
  }
}

export interface OwnTimes {
  readonly rounds: number;
  /** From the last grain on to the ticket: tarp, road, line and pit. */
  readonly toTicket: { readonly mean: number; readonly cv: number };
  /** The newest of them by the moment of the ticket: from the last grain on, minutes. */
  readonly trips: readonly { readonly atMs: number; readonly minutes: number }[];
  /** From the ticket to the next grain on; null where no truck came back the same day. */
  readonly back: { readonly mean: number; readonly cv: number } | null;
}

/** Longer is a night or a rest, no round. */
const LONGEST_MIN = 240;
/** So many tell of the hours of a day; older ones are of another line. */
const MOST_TRIPS = 120;

/** Minutes of a farm's own rounds to one place, by its tickets; null with fewer than three. */
export function ownTimes(rounds: readonly Round[], to: string): OwnTimes | null {
  const own = rounds.filter((round) => round.to === to);
  const minutes = (from: number, until: number | null): number[] =>
    until === null || until < from || until - from > LONGEST_MIN * 60_000 ? [] : [(until - from) / 60_000];
  const there = own.flatMap((round) => minutes(round.loadedMs, round.emptiedMs));
  const back = own.flatMap((round) => minutes(round.emptiedMs, round.againMs));
  if (there.length < 3) return null;
  const describe = (values: readonly number[]): { mean: number; cv: number } => {
    const middle = values.reduce((a, b) => a + b, 0) / values.length;
    const spread = Math.sqrt(values.reduce((sum, v) => sum + (v - middle) ** 2, 0) / Math.max(1, values.length - 1));
    return { mean: middle, cv: middle > 0 ? spread / middle : 0 };
  };
  const trips = own
    .flatMap(({ loadedMs, emptiedMs }) =>
      minutes(loadedMs, emptiedMs).map((one) => ({ atMs: emptiedMs, minutes: one })),
    )
    .sort((a, b) => b.atMs - a.atMs)
    .slice(0, MOST_TRIPS);
  return { rounds: there.length, trips, toTicket: describe(there), back: back.length < 3 ? null : describe(back) };
}
