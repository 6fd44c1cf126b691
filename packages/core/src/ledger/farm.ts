import { CROPS, type CropId, cropOf } from '../crops/index.js';
import { kilogramsPerBushel } from '../units/index.js';
import type { Ledger } from './ledger.js';
import type { BookDefaults, OwnerShare, Withdrawal } from './model.js';

/** A lot with what people call it. */
export interface LotInfo {
  readonly id: string;
  readonly fieldId: string;
  readonly fieldName: string;
  readonly acres: number;
  readonly crop: string;
  readonly season: number;
  readonly variety: string;
  readonly tag: string;
  readonly shares: readonly OwnerShare[];
}

/** A place with what people call it and what a drawing needs of it. */
export interface PlaceInfo {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly withdrawal: string;
  /** What it holds, bushels: typed by hand, or out of its geometry; null where nobody knows. */
  readonly capacityBu: number | null;
  /** The capacity follows from the geometry and was not typed. */
  readonly capacityByGeometry?: boolean;
  readonly diameterM: number | null;
  readonly eaveM: number | null;
  readonly hopperM: number | null;
  /** The crop that a bin is kept for. */
  readonly reservedFor?: string | null;
  /** Sold, torn down, given up: no page offers it while it is empty; what was recorded of it stays. */
  readonly putAway?: boolean;
}

/** Holding less than this, kg, a place is empty: about a bushel, which is swept. */
export const EMPTY_KG = 30;

/**
 * The places that count for pages. One that was put away comes back by itself when a late load brings grain to it; a buyer's holds
 * nothing, it only adds up what was ever sold there. All of them, the same array, where none was put away.
 * @param heldKg wet kg in a place by the book
 */
export function placesInUse<P extends Pick<PlaceInfo, 'id' | 'kind' | 'putAway'>>(
  places: readonly P[],
  heldKg: (id: string) => number,
): readonly P[] {
  const isUsed = ({ id, kind, putAway }: P): boolean =>
    putAway !== true || (kind !== 'buyer' && Math.abs(heldKg(id)) > EMPTY_KG);
  return places.every(isUsed) ? places : places.filter(isUsed);
}

/** What places are called; the id of one that is not known. */
export function placeNames(places: readonly Pick<PlaceInfo, 'id' | 'name'>[]): (id: string) => string {
  const names = new Map(places.map(({ id, name }) => [id, name]));
  return (id) => names.get(id) ?? id;
}

/** A farm's book at one moment: what was replayed, and what its lots and places are called. */
export interface FarmBook {
  readonly ledger: Ledger;
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
}

/** kg of a bushel by weight; of corn where nobody knows the crop. */
export const kgPerBushelOf = (crop: string | undefined): number =>
  kilogramsPerBushel(cropOf(crop ?? '')?.legalPounds ?? CROPS.corn.legalPounds);

/** Moisture that a crop is counted dry at: the farm's own base where it has one, else the crop's usual. */
export const baseMoistureOf = (crop: string, defaults?: Pick<BookDefaults, 'bases'>): number =>
  defaults?.bases?.[crop] ?? cropOf(crop)?.baseMoisture ?? CROPS.corn.baseMoisture;

/** The crop of most of the grain; undefined where no lot is known. Equal parts: the lot that comes first by its id. */
export function mainCrop(
  byLot: Readonly<Record<string, number>>,
  lots: { get(id: string): { readonly crop: string } | undefined },
): string | undefined {
  let best: string | undefined;
  let most = 0;
  for (const id of Object.keys(byLot).sort()) {
    const crop = lots.get(id)?.crop;
    if (crop !== undefined && byLot[id]! > most) [best, most] = [crop, byLot[id]!];
  }
  return best;
}

/** Weight bushels of grain as it is, each lot at its crop's legal weight; grain of no known field counts as the rest of it. */
export function bushelsOf(
  wetLots: Readonly<Record<string, number>>,
  lots: { get(id: string): { readonly crop: string } | undefined },
): number {
  const rest = mainCrop(wetLots, lots);
  return Object.entries(wetLots).reduce((sum, [id, kg]) => sum + kg / kgPerBushelOf(lots.get(id)?.crop ?? rest), 0);
}

/** Weight bushels by crop, the most first: bushels of 56 and of 60 pounds are never one sum. Grain of no known field counts as the rest of it. */
export function bushelsByCrop(
  wetLots: Readonly<Record<string, number>>,
  lots: { get(id: string): { readonly crop: string } | undefined },
): { readonly crop: string | undefined; readonly bushels: number; readonly wetKg: number }[] {
  const rest = mainCrop(wetLots, lots);
  const kg = new Map<string | undefined, number>();
  for (const [id, one] of Object.entries(wetLots)) {
    const crop = lots.get(id)?.crop ?? rest;
    kg.set(crop, (kg.get(crop) ?? 0) + one);
  }
  return [...kg]
    .map(([crop, wetKg]) => ({ crop, bushels: wetKg / kgPerBushelOf(crop), wetKg }))
    .sort((a, b) => b.wetKg - a.wetKg);
}

/** The season that is worked in: the newest one that has a lot; undefined on a farm without fields. */
export const currentSeason = (lots: readonly { readonly season: number }[]): number | undefined =>
  lots.length === 0 ? undefined : lots.reduce((newest, lot) => Math.max(newest, lot.season), -Infinity);

/** Crops of the nine, for lists. */
export const isCrop = (crop: string): crop is CropId => Object.hasOwn(CROPS, crop);

/** How grain comes out of a place of a kind, where nobody says: hoppers from the bottom, everything else mixed. */
export const usualWithdrawal = (kind: string): Withdrawal =>
  kind === 'wetBin' || kind === 'overhead' ? 'firstIn' : kind === 'bin' ? 'lastIn' : 'mixed';
