import { type Crop, farmCrops, knowCrops } from '../crops/index.js';
import { type BookDefaults, UNKNOWN_LOT } from './model.js';
import {
  bushelsByCrop,
  bushelsOf,
  kgPerBushelOf,
  type LotInfo,
  mainCrop,
  type PlaceInfo,
  placesInUse,
} from './farm.js';
import type { Layer, Position } from './ledger.js';
import { type OwnedGrain, splitByOwner } from './owners.js';
import type { DayFlow, TapeLine } from './queries.js';

/** A farm as it was told at one moment: what every page's question is answered from. */
export interface FarmState {
  readonly farm: {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly demo: boolean;
    readonly defaults: BookDefaults;
  };
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
  readonly seq: number;
  /** The farm's clock, ms since 1970. */
  readonly now: number;
  readonly positions: Readonly<Record<string, Position>>;
  /** Strata, oldest first, by place. */
  readonly layers: Readonly<Record<string, readonly Layer[]>>;
  /** The latest entries, newest first. */
  readonly tape: readonly TapeLine[];
  readonly flow: DayFlow;
}

/** A farm's state with the look-ups that every view needs. */
export interface FarmView<State extends FarmState = FarmState> {
  /** As it was told, but for its places: those that count now. */
  readonly data: State;
  /** Also those that were put away. */
  readonly everyPlace: readonly PlaceInfo[];
  readonly lot: (id: string) => LotInfo | undefined;
  readonly place: (id: string) => PlaceInfo | undefined;
  readonly placeName: (id: string) => string;
  /** Place in the row of colors and weaves; -1 for a lot that is not known. */
  readonly lotIndex: (id: string) => number;
  readonly tag: (id: string) => string;
  /** Crops to choose from: those that everybody has, and the farm's own. */
  readonly crops: readonly Crop[];
  /** Crop of most of the grain, or undefined where nobody knows. */
  readonly cropOf: (lots: Readonly<Record<string, number>>) => string | undefined;
  readonly kgPerBu: (crop: string | undefined) => number;
  /** Weight bushels of grain as it is, each lot at its crop's legal weight. */
  readonly bushels: (wetLots: Readonly<Record<string, number>>) => number;
  /** The same by crop, the most first. */
  readonly byCrop: (wetLots: Readonly<Record<string, number>>) => ReturnType<typeof bushelsByCrop>;
  readonly held: (placeId: string) => Position;
  /** Whose grain is, kg of each, by the shares of its fields; the farm first. */
  readonly owners: (byLot: Readonly<Record<string, number>>) => OwnedGrain[];
  /** The farm's own part of it; all of none. */
  readonly ownPart: (byLot: Readonly<Record<string, number>>) => number;
}

const EMPTY: Position = { wetKg: 0, dryKg: 0, moisture: null, layers: 0, lots: {}, wetLots: {} };

export function farmView<State extends FarmState>(data: State): FarmView<State> {
  knowCrops(data.farm.defaults.crops);
  const lots = new Map(data.lots.map((lot) => [lot.id, lot]));
  const places = new Map(data.places.map((place) => [place.id, place]));
  const order = new Map(data.lots.map((lot, i) => [lot.id, i]));
  const used = placesInUse(data.places, (id) => data.positions[id]?.wetKg ?? 0);
  const owners = (byLot: Readonly<Record<string, number>>): OwnedGrain[] =>
    splitByOwner(byLot, (lot) => lots.get(lot)?.shares, data.farm.name);
  return {
    data: used === data.places ? data : { ...data, places: used },
    everyPlace: data.places,
    lot: (id) => lots.get(id),
    place: (id) => places.get(id),
    placeName: (id) => places.get(id)?.name ?? id,
    lotIndex: (id) => order.get(id) ?? -1,
    tag: (id) => (id === UNKNOWN_LOT ? '?' : (lots.get(id)?.tag ?? '?')),
    crops: farmCrops(data.farm.defaults.crops),
    cropOf: (byLot) => mainCrop(byLot, lots),
    kgPerBu: kgPerBushelOf,
    bushels: (wetLots) => bushelsOf(wetLots, lots),
    byCrop: (wetLots) => bushelsByCrop(wetLots, lots),
    held: (placeId) => data.positions[placeId] ?? EMPTY,
    owners,
    ownPart: (byLot) => {
      const all = owners(byLot);
      const whole = all.reduce((sum, { kg }) => sum + kg, 0);
      return whole > 0 ? all.reduce((sum, { own, kg }) => sum + (own ? kg : 0), 0) / whole : 1;
    },
  };
}
