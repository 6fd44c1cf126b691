import type { OwnCrop } from '../crops/index.js';

/** The grain book as people and devices write it. Everything else is derived from it by replay. */

export const METHODS = ['ticket', 'bridge', 'cartScale', 'volume', 'monitor', 'estimate'] as const;
export type Method = (typeof METHODS)[number];

export const WITHDRAWALS = ['mixed', 'firstIn', 'lastIn'] as const;
/** How grain comes out: all mixed, oldest first (hopper, mass flow) or newest first (flat bottom, center sump). */
export type Withdrawal = (typeof WITHDRAWALS)[number];

/** What a place is; a farm's own word is taken too, and holds grain like a bin. */
export const PLACE_KINDS = [
  'bin',
  'combine',
  'cart',
  'truck',
  'pit',
  'wetBin',
  'dryer',
  'overhead',
  'pile',
  'buyer',
] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** One field x crop x season (x variety x owner): what a bushel is traced to. Further properties are kept as they are. */
export interface Lot {
  readonly id: string;
  readonly [extra: string]: unknown;
}

/** Anything that holds grain, or a buyer (`kind: "buyer"`), where grain leaves the farm. */
export interface Place {
  readonly id: string;
  readonly kind?: string;
  /** `mixed` when left out. */
  readonly withdrawal?: Withdrawal;
  readonly [extra: string]: unknown;
}

interface EntryBase {
  /** ULID made by the device that wrote the entry. */
  readonly id: string;
  /** When it happened: ISO 8601 with a zone. The order of the book is (at, id). */
  readonly at: string;
  readonly recordedAt?: string;
  readonly by?: string;
  readonly device?: string;
  readonly method?: Method | (string & {});
  readonly note?: string;
}

/** Grain off the field into a place. Masses are wet kg, moistures wet-basis fractions. */
export interface HarvestEntry extends EntryBase {
  readonly type: 'harvest';
  readonly lot: string;
  /** The part of the field that it came off, by its id; left out: nobody said. */
  readonly zone?: string;
  readonly to: string;
  readonly wetKg: number;
  readonly moisture: number;
}

/** Grain from place to place; into a buyer it is a delivery. `wetKg` left out means all of it. */
export interface MoveEntry extends EntryBase {
  readonly type: 'move';
  readonly from: string;
  readonly to: string;
  readonly wetKg?: number;
  readonly emptied?: boolean;
  /** Through the spout in its wall: the newest comes first, whatever the place empties by else. */
  readonly sideDraw?: boolean;
  readonly moisture?: number;
  /** What a printed ticket says beside the net weight; carried, not computed with. */
  readonly ticket?: string;
  readonly grossKg?: number;
  readonly tareKg?: number;
  /** Dollars for a bushel at the buyer's base. */
  readonly pricePerBu?: number;
}

/** The whole content of a place is dried (or rewetted) to a moisture. */
export interface ConditionEntry extends EntryBase {
  readonly type: 'condition';
  readonly place: string;
  readonly moisture: number;
  /** Fraction of the dry matter lost, 0 to below 1. */
  readonly dryLoss?: number;
}

/** Spill, spoilage, fines, cleanout. */
export interface LossEntry extends EntryBase {
  readonly type: 'loss';
  readonly place: string;
  readonly wetKg: number;
  readonly reason: string;
}

/** What a level, a scale or an empty floor shows is really there. */
export interface MeasureEntry extends EntryBase {
  readonly type: 'measure';
  readonly place: string;
  readonly wetKg: number;
  readonly moisture?: number;
}

/** Another measurement of the same grain as the harvest or move named in `of`; a ticket that came late brings its number and price. */
export interface WitnessEntry extends EntryBase {
  readonly type: 'witness';
  readonly of: string;
  readonly wetKg?: number;
  readonly moisture?: number;
  readonly ticket?: string;
  readonly grossKg?: number;
  readonly tareKg?: number;
  /** Dollars for a bushel at the buyer's base. */
  readonly pricePerBu?: number;
}

/** The named entry never happened. */
export interface VoidEntry extends EntryBase {
  readonly type: 'void';
  readonly voids: string;
}

export type Entry = HarvestEntry | MoveEntry | ConditionEntry | LossEntry | MeasureEntry | WitnessEntry | VoidEntry;
export type EntryType = Entry['type'];

export interface BookDefaults {
  /** Moisture of grain that nobody measured, wet-basis fraction. */
  readonly moisture: number;
  /** Methods, most trusted first. */
  readonly trust: readonly string[];
  /** The farm's own base moistures by crop, where they are not the crop's usual one. */
  readonly bases?: Readonly<Record<string, number>>;
  /** Crops of the farm's own. */
  readonly crops?: readonly OwnCrop[];
}

export const DEFAULT_MOISTURE = 0.15;
export const DEFAULT_TRUST: readonly string[] = METHODS;

/** What entries refer to. */
export interface BookHeader {
  readonly defaults: BookDefaults;
  readonly lots: readonly Lot[];
  readonly places: readonly Place[];
}

/** Whose a part of every bushel of a lot is. */
export interface OwnerShare {
  readonly owner: string;
  /** Fraction of every bushel of the lot. */
  readonly part: number;
}

/** What the book is read with, changed: never in place, always with its author and reason. */
export type RevisionChange =
  | { readonly what: 'shares'; readonly lot: string; readonly shares: readonly OwnerShare[] }
  | { readonly what: 'trust'; readonly trust: readonly string[] }
  | { readonly what: 'defaultMoisture'; readonly moisture: number }
  | { readonly what: 'baseMoisture'; readonly crop: string; readonly moisture: number }
  | { readonly what: 'withdrawal'; readonly place: string; readonly withdrawal: Withdrawal };

/** One dated change of the header. From its place in the sequence on, the whole book is read with it. */
export interface Revision {
  readonly id: string;
  readonly at: string;
  readonly by?: string;
  readonly reason: string;
  /** How many of the file's entries had arrived before it. */
  readonly after: number;
  readonly change: RevisionChange;
}

/** A book file. Lots, places and defaults are as they were first written down; `revisions` lead to what they are now. */
export interface Book extends BookHeader {
  readonly format: 'fanega-book';
  /** 1 knew no revisions. */
  readonly version: 1 | 2;
  readonly revisions?: readonly Revision[];
  readonly entries: readonly Entry[];
  /** The links of entries and revisions in the order of their arrival; see `chain.ts`. */
  readonly chain?: readonly string[];
}

/** The lot of grain that is there although the book knows nothing of it. */
export const UNKNOWN_LOT = 'unknown';

/** A mass at or below this is no grain. */
export const NO_GRAIN_KG = 1e-9;

/** `type` is read too where a book calls it that. */
export function isBuyer(place: Place): boolean {
  return place.kind === 'buyer' || place.type === 'buyer';
}
