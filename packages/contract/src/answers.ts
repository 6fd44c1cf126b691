import type { Account, Balance, BookDefaults, Entry, GrainWay, HarvestEntry, Layer, MonitorOnly, MonitorPair, NextStep, Position } from '@fanega/core';

/** Every error of the server: a code for programs, a sentence for people, and where it is. */
export interface ErrorAnswer {
  readonly statusCode: number;
  readonly code: string;
  readonly message: string;
  readonly issues?: readonly ErrorIssue[];
  readonly requestId?: string;
}

export interface ErrorIssue {
  /** Index of the entry in the batch, where there is one. */
  readonly index?: number;
  readonly entry?: string;
  readonly field?: string;
  readonly code: string;
  readonly message: string;
}

export interface FieldInfo {
  readonly id: string;
  readonly name: string;
  readonly acres: number;
}

export interface LotInfo {
  readonly id: string;
  readonly fieldId: string;
  readonly fieldName: string;
  readonly acres: number;
  readonly crop: string;
  readonly season: number;
  readonly variety: string;
  readonly tag: string;
  readonly shares: readonly { readonly owner: string; readonly part: number }[];
}

export interface PlaceInfo {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly withdrawal: string;
  readonly capacityBu: number | null;
  readonly diameterM: number | null;
  readonly eaveM: number | null;
  readonly hopperM: number | null;
}

/** An entry with what replay made of it. */
export interface TapeLine {
  readonly seq: number;
  readonly entry: Entry;
  readonly voided: boolean;
  /** What counted; null for entries that move nothing and for voided ones. */
  readonly wetKg: number | null;
  readonly dryKg: number | null;
  readonly wetLots: Readonly<Record<string, number>>;
  readonly witnesses: readonly Entry[];
}

/** kg of wet grain that went by each station on the day, by lot. */
export type DayFlow = Readonly<Record<'cut' | 'haul' | 'dry' | 'store' | 'sell', Readonly<Record<string, number>>>>;

/** All that the frame of the program and most stations show, of one moment. */
export interface FarmNow {
  readonly farm: { readonly id: string; readonly name: string; readonly timeZone: string; readonly demo: boolean; readonly defaults: BookDefaults };
  readonly seq: number;
  /** The farm's clock, ms since 1970; a demo farm lives at the end of its book. */
  readonly now: number;
  readonly lots: readonly LotInfo[];
  readonly places: readonly PlaceInfo[];
  readonly positions: Readonly<Record<string, Position>>;
  readonly layers: Readonly<Record<string, readonly Layer[]>>;
  readonly tape: readonly TapeLine[];
  readonly flow: DayFlow;
  readonly balance: Balance;
  /** |restated| over harvested, all lots. */
  readonly restatedShare: number;
  readonly dried: { readonly from: number; readonly to: number } | null;
  readonly steps: readonly NextStep[];
  readonly entries: number;
}

export interface FieldRow {
  readonly lot: LotInfo;
  readonly account: Account;
  readonly balance: Balance;
  /** Wet kg as it came off the field, all measurements settled. */
  readonly cutWetKg: number;
  readonly cutDryKg: number;
  readonly lastMoisture: { readonly moisture: number; readonly at: string; readonly source: string; readonly tester: string } | null;
  readonly firstCut: string | null;
  readonly lastCut: string | null;
}

export interface Delivery {
  readonly entry: Entry;
  readonly to: string;
  readonly from: string | null;
  readonly ticket: string | null;
  readonly grossKg: number | null;
  readonly tareKg: number | null;
  readonly netKg: number;
  readonly dryKg: number;
  readonly moisture: number;
  readonly pricePerBu: number | null;
  readonly lots: Readonly<Record<string, number>>;
  readonly wetLots: Readonly<Record<string, number>>;
  readonly witnesses: readonly Entry[];
}

export interface TraceLoad {
  readonly entry: Entry;
  /** kg dry matter of the delivery that came from or through this entry */
  readonly dryKg: number;
}

export interface DeliveryTraceAnswer {
  readonly delivery: Delivery;
  readonly loads: readonly TraceLoad[];
  readonly moves: readonly TraceLoad[];
  readonly way: GrainWay;
}

export interface LotTraceAnswer {
  readonly row: FieldRow;
  readonly way: GrainWay;
  readonly deliveries: readonly { readonly delivery: Delivery; readonly dryKg: number; readonly wetKg: number }[];
}

/** One line of the change feed. */
export interface FeedEvent {
  readonly seq: number;
  /** Fields, lots or places changed too. */
  readonly setup: number;
  /** Readings, checks, settings or weather came in. */
  readonly notes: number;
}

/** What a combine's display showed and what scales weighed, out of the book. */
export interface MonitorAnswer {
  /** The combine's place, or the device that wrote the entries. */
  readonly machine: string;
  readonly name: string;
  readonly pairs: readonly MonitorPair[];
  /** Loads that nothing but the display measured, with their entries, so that they can be made again. */
  readonly only: readonly (MonitorOnly & { readonly entry: HarvestEntry })[];
}
