import type {
  Balance,
  BookDefaults,
  DayFlow,
  Layer,
  LotInfo,
  NextStep,
  PlaceInfo,
  Position,
  TapeLine,
} from '@fanega/core';
import type { ClockStyle, UnitSystem } from './people.js';

/** What a farm's changes are counted by. Whoever shows something asks again when its topic has changed, and only then. */
export const TOPICS = [
  'book',
  'header',
  'fields',
  'cut',
  'haul',
  'dry',
  'store',
  'sell',
  'trace',
  'shed',
  'weather',
  'devices',
] as const;
export type Topic = (typeof TOPICS)[number];

/** One line of the change feed: the number that the book has come to, and the version of every topic. */
export interface FarmVersions {
  readonly seq: number;
  readonly topics: Readonly<Record<Topic, number>>;
}

/** What the farm is called and what its lots and places are; it changes a few times a year. */
export interface FarmHeaderAnswer {
  readonly farm: {
    readonly id: string;
    readonly name: string;
    readonly timeZone: string;
    readonly demo: boolean;
    readonly units: UnitSystem;
    readonly clock: ClockStyle;
    readonly defaults: BookDefaults;
  };
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
  /** What its topics had come to: with it a page knows what the feed's first word changes. */
  readonly topics: Pick<FarmVersions['topics'], 'header' | 'store'>;
}

/** All that the frame of the program and most stations show, of one moment. */
export interface FarmNow {
  readonly seq: number;
  /** The farm's clock, ms since 1970; a demo farm lives at the end of its book. */
  readonly now: number;
  readonly positions: Readonly<Record<string, Position>>;
  readonly tape: readonly TapeLine[];
  readonly flow: DayFlow;
  readonly balance: Balance;
  /** |restated| over harvested, all lots. */
  readonly restatedShare: number;
  readonly dried: { readonly from: number; readonly to: number } | null;
  readonly steps: readonly NextStep[];
  readonly entries: number;
  /** Entries that cannot be read and that nobody has taken out. */
  readonly broken: number;
  readonly topics: FarmVersions['topics'];
}

/** Strata of places, with a mark of each place's own: what is not named has not changed since the marks that were asked with. */
export interface LayersAnswer {
  readonly seq: number;
  readonly places: Readonly<Record<string, { readonly mark: string; readonly layers: readonly Layer[] }>>;
}
