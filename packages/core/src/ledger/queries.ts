import { tally } from '../kernel/index.js';
import { bushelsByCrop, bushelsOf, type FarmBook, mainCrop, placesInUse } from './farm.js';
import { instantOf } from './instant.js';
import type { ParcelView } from './ledger.js';
import type { ConditionEntry, Entry, MeasureEntry, WitnessEntry } from './model.js';

/** An entry with what replay made of it. */
export interface TapeLine {
  /** Its number in the book's sequence; 0 while it waits on a device. */
  readonly seq: number;
  readonly entry: Entry;
  readonly voided: boolean;
  /** What counted; null for entries that move nothing and for voided ones. */
  readonly wetKg: number | null;
  readonly dryKg: number | null;
  readonly wetLots: Readonly<Record<string, number>>;
  readonly witnesses: readonly Entry[];
}

/** Entries with what replay made of them; the span that they lie in is replayed once for all of them. */
export function tapeLines({ ledger }: FarmBook, entries: readonly Entry[], seqOf: (id: string) => number): TapeLine[] {
  const ids = new Set(entries.map((entry) => entry.id));
  const positions = entries
    .map((entry) => ledger.positionOfEntry(entry.id))
    .filter((position) => position !== undefined);
  const from = Math.min(...positions);
  const parcels =
    positions.length === 0 ? [] : ledger.parcels(from, Math.max(...positions) + 1, (entry) => ids.has(entry.id));
  const wetLots = new Map(parcels.map((parcel) => [parcel.entry.id, parcel.wetLots]));
  return entries.map((entry) => {
    const effective = ledger.effective(entry.id);
    return {
      seq: seqOf(entry.id),
      entry,
      voided: ledger.isVoided(entry.id),
      wetKg: effective?.wetKg ?? null,
      dryKg: effective?.dryKg ?? null,
      wetLots: wetLots.get(entry.id) ?? {},
      witnesses: ledger.witnessesOf(entry.id),
    };
  });
}

/** The latest arrivals before a number of the sequence, newest first. */
export function tapePage(
  book: FarmBook,
  seqOf: (id: string) => number,
  limit: number,
  before = Infinity,
  wanted: (entry: Entry) => boolean = () => true,
): TapeLine[] {
  const all = book.ledger.arrivals;
  const found: Entry[] = [];
  for (let i = all.length - 1; i >= 0 && found.length < limit; i--) {
    const entry = all[i]!;
    if (seqOf(entry.id) < before && wanted(entry)) found.push(entry);
  }
  return tapeLines(book, found, seqOf);
}

/** The places that an entry names. */
export function placesOf(entry: Entry): string[] {
  const { from, to, place } = entry as { from?: string; to?: string; place?: string };
  return [from, to, place].filter((id) => id !== undefined);
}

/** A delivery with what is known of its ticket: of the move itself, or of a ticket that came later. */
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

/** What the tickets of a load say: its own, and those that came late. */
export interface TicketFigures {
  readonly ticket: string | null;
  readonly grossKg: number | null;
  readonly tareKg: number | null;
  readonly pricePerBu: number | null;
}

/** The newest ticket speaks: one that was corrected at the buyer comes after the one that was wrong. */
export function ticketFigures(entry: Entry, witnesses: readonly Entry[]): TicketFigures {
  const late = witnesses
    .filter((witness): witness is WitnessEntry => witness.type === 'witness' && witness.method === 'ticket')
    .reverse();
  const said = [...late, ...(entry.type === 'move' ? [entry] : [])];
  const figure = (key: 'grossKg' | 'tareKg' | 'pricePerBu'): number | null =>
    said.find((one) => one[key] !== undefined)?.[key] ?? null;
  return {
    ticket: said.find((one) => one.ticket !== undefined)?.ticket ?? null,
    grossKg: figure('grossKg'),
    tareKg: figure('tareKg'),
    pricePerBu: figure('pricePerBu'),
  };
}

/** What one parcel into a buyer was, as its tickets say it. */
export function deliveryOf({ ledger }: FarmBook, parcel: ParcelView): Delivery {
  const { entry } = parcel;
  const move = entry.type === 'move' ? entry : undefined;
  const witnesses = ledger.witnessesOf(entry.id);
  const said = ticketFigures(entry, witnesses);
  return {
    entry,
    to: entry.type === 'harvest' || entry.type === 'move' ? entry.to : '',
    from: move?.from ?? null,
    ticket: said.ticket,
    grossKg: said.grossKg,
    tareKg: said.tareKg,
    netKg: parcel.wetKg,
    dryKg: parcel.dryKg,
    moisture: parcel.moisture,
    pricePerBu: said.pricePerBu,
    lots: parcel.lots,
    wetLots: parcel.wetLots,
    witnesses,
  };
}

/**
 * Deliveries, newest first; of the lots of one season only where one is named. Grain of unknown origin in a load belongs to the seasons of the
 * rest of it; a load of nothing else, to the season that went out last before it, or first after it.
 */
export function deliveries(book: FarmBook, season?: number): Delivery[] {
  const { ledger } = book;
  const all = ledger.parcels(0, ledger.steps, (entry) => ledger.isDelivery(entry.id));
  const seasonOf = new Map(book.lots.map((lot) => [lot.id, lot.season]));
  const seasons = all.map(({ lots }) => Object.keys(lots).flatMap((lot) => seasonOf.get(lot) ?? []));
  let last: readonly number[] | undefined = seasons.find((known) => known.length > 0);
  const isOf = (known: readonly number[]): boolean => {
    if (known.length > 0) last = known;
    return season === undefined || last === undefined || last.includes(season);
  };
  return all
    .filter((_, i) => isOf(seasons[i]!))
    .map((parcel) => deliveryOf(book, parcel))
    .reverse();
}

/** kg of wet grain that went by each station on the day, by lot. */
export type DayFlow = Readonly<Record<'cut' | 'haul' | 'dry' | 'store' | 'sell', Readonly<Record<string, number>>>>;

/**
 * What counts as cut, hauled, dried, stored and sold since a position (the farm's midnight): off the field; out of a truck; out of a
 * dryer that ran; into a bin or pile; into a buyer.
 */
export function dayFlow(book: FarmBook, from: number): DayFlow {
  const flow: Record<keyof DayFlow, Record<string, number>> = {
    cut: tally(),
    haul: tally(),
    dry: tally(),
    store: tally(),
    sell: tally(),
  };
  const kindOf = new Map(book.places.map((place) => [place.id, place.kind]));
  const add = (station: keyof DayFlow, wetLots: Readonly<Record<string, number>>): void => {
    for (const [lot, kg] of Object.entries(wetLots)) flow[station][lot] = (flow[station][lot] ?? 0) + kg;
  };
  const today = book.ledger.parcels(from);
  // What a dryer run held is no parcel: its lots are those that come out of the dryer next.
  const ran = dryerRuns(book, from).length > 0;
  for (const { entry, wetLots } of today) {
    if (entry.type === 'harvest') add('cut', wetLots);
    if (entry.type !== 'move') continue;
    const fromKind = kindOf.get(entry.from);
    const toKind = kindOf.get(entry.to);
    if (fromKind === 'truck') add('haul', wetLots);
    if (fromKind === 'dryer' && ran) add('dry', wetLots);
    if (toKind === 'bin' || toKind === 'pile') add('store', wetLots);
    if (toKind === 'buyer') add('sell', wetLots);
  }
  return flow;
}

/** The newest line of the tape by which grain went into a place or out of it. */
export const lastTouch = (tape: readonly TapeLine[], placeId: string): TapeLine | undefined =>
  tape.find(
    ({ entry, voided }) =>
      !voided &&
      ((entry.type === 'move' && (entry.from === placeId || entry.to === placeId)) ||
        (entry.type === 'harvest' && entry.to === placeId)),
  );

/** Living dryer runs since a position, in the order of the book. */
export const dryerRuns = ({ ledger }: FarmBook, from: number): ConditionEntry[] =>
  ledger.entriesFrom(from).filter((entry) => entry.type === 'condition');

/** Moisture in and out of the last dryer run since a position; null where nothing ran, or nothing was in it. */
export function lastDried(book: FarmBook, from: number): { readonly from: number; readonly to: number } | null {
  const last = dryerRuns(book, from).at(-1);
  const before = last && book.ledger.heldBefore([last.id]).get(last.id)?.moisture;
  return last === undefined || before === undefined || before === null ? null : { from: before, to: last.moisture };
}

/** What was cut: kg with all measurements settled, first and last load, moisture of the last. */
export interface CutPart {
  readonly wetKg: number;
  readonly dryKg: number;
  readonly first: string;
  readonly last: string;
  readonly lastMoisture: number;
}

/** What was cut of a lot, and of it by the zone that the loads name; '' is what names none. */
export interface Cut extends CutPart {
  readonly zones: ReadonlyMap<string, CutPart>;
}

const andLoad = (before: CutPart | undefined, at: string, wetKg: number, moisture: number): CutPart => ({
  wetKg: (before?.wetKg ?? 0) + wetKg,
  dryKg: (before?.dryKg ?? 0) + wetKg * (1 - moisture),
  first: before?.first ?? at,
  last: at,
  lastMoisture: moisture,
});

export function cuts({ ledger }: FarmBook): Map<string, Cut> {
  const found = new Map<string, CutPart & { readonly zones: Map<string, CutPart> }>();
  for (const { entry, wetKg, moisture } of ledger.parcels(0, ledger.steps, (entry) => entry.type === 'harvest')) {
    if (entry.type !== 'harvest') continue;
    const cut = found.get(entry.lot);
    const zones = cut?.zones ?? new Map<string, CutPart>();
    const zone = entry.zone ?? '';
    zones.set(zone, andLoad(zones.get(zone), entry.at, wetKg, moisture));
    found.set(entry.lot, { ...andLoad(cut, entry.at, wetKg, moisture), zones });
  }
  return found;
}

/** A level that was taken, with what the book had there just before it. */
export interface LevelCheck {
  readonly entry: string;
  readonly place: string;
  readonly foundKg: number;
  readonly bookKg: number;
}

/** Levels of a span of time against the book; one replay for all of them. */
export function levelChecks({ ledger }: FarmBook, fromMs: number, toMs: number): LevelCheck[] {
  const levels = ledger.entriesBetween(fromMs, toMs).filter((entry): entry is MeasureEntry => entry.type === 'measure');
  const held = ledger.heldBefore(levels.map((level) => level.id));
  return levels.map(({ id, place, wetKg }) => ({ entry: id, place, foundKg: wetKg, bookKg: held.get(id)?.wetKg ?? 0 }));
}

/** How many of the last moves tell where grain usually goes. */
const LATELY = 400;

/** Where trucks took each crop (by crop) and dryers emptied it (`dryer:crop`) lately, newest first. */
export function lastTargets(
  moves: readonly { readonly entry: Entry; readonly crop: string | undefined }[],
  kindOf: (place: string) => string | undefined,
): Record<string, string[]> {
  const targets = tally<string[]>();
  for (const { entry, crop } of moves) {
    // Where nobody goes any more.
    if (entry.type !== 'move' || kindOf(entry.to) === undefined) continue;
    const kind = kindOf(entry.from);
    const key = kind === 'truck' ? (crop ?? '') : kind === 'dryer' ? `dryer:${crop ?? ''}` : undefined;
    if (key !== undefined && !targets[key]?.includes(entry.to)) (targets[key] ??= []).push(entry.to);
  }
  return targets;
}

/** {@link lastTargets} out of the book itself. */
export function lastTargetsOf(book: FarmBook): Record<string, string[]> {
  const lots = new Map(book.lots.map((lot) => [lot.id, lot]));
  const used = placesInUse(book.places, (id) => book.ledger.position(id).wetKg);
  const kinds = new Map(used.map((place) => [place.id, place.kind]));
  const recent = book.ledger.parcels(Math.max(0, book.ledger.steps - LATELY)).reverse();
  return lastTargets(
    recent.map(({ entry, lots: dry }) => ({ entry, crop: mainCrop(dry, lots) })),
    (place) => kinds.get(place),
  );
}

/** What a vessel holds now, as far as it matters for what to do next. Bushels are wet bushels of the crop in it. */
export interface HolderNow {
  readonly id: string;
  readonly kind: string;
  readonly bushels: number;
  readonly wetKg: number;
  /** Struck capacity in bushels; undefined where nobody entered it. */
  readonly capacityBu?: number;
  readonly crop?: string;
  /** wet-basis fraction; null when empty */
  readonly moisture: number | null;
  /** Dry kg of grain that no field is known for. */
  readonly unknownDryKg: number;
  /** Weight bushels by crop, where there are several. */
  readonly crops?: readonly { readonly crop: string; readonly bushels: number }[];
}

/** Every vessel with what is in it; buyers hold nothing. */
export function holders(
  places: readonly { readonly id: string; readonly kind: string; readonly capacityBu: number | null }[],
  lots: { get(id: string): { readonly crop: string } | undefined },
  heldIn: (place: string) =>
    | {
        readonly wetKg: number;
        readonly moisture: number | null;
        readonly lots: Readonly<Record<string, number>>;
        readonly wetLots: Readonly<Record<string, number>>;
      }
    | undefined,
): HolderNow[] {
  return places.flatMap((place): HolderNow[] => {
    const held = heldIn(place.id);
    if (place.kind === 'buyer' || !held) return [];
    const crop = mainCrop(held.lots, lots);
    const crops = bushelsByCrop(held.wetLots, lots);
    return [
      {
        id: place.id,
        kind: place.kind,
        wetKg: held.wetKg,
        bushels: bushelsOf(held.wetLots, lots),
        moisture: held.moisture,
        unknownDryKg: held.lots.unknown ?? 0,
        ...(place.capacityBu === null ? {} : { capacityBu: place.capacityBu }),
        ...(crop === undefined ? {} : { crop }),
        ...(crops.length > 1 ? { crops: crops.map((one) => ({ crop: one.crop ?? '', bushels: one.bushels })) } : {}),
      },
    ];
  });
}

/** A moisture of a lot that is in the book already. */
export interface BookMoisture {
  readonly id: string;
  readonly at: string;
  readonly moisture: number;
  readonly source: 'combine' | 'elevator';
  /** of this part of the field alone; null: of the field */
  readonly zoneId: string | null;
  readonly by: string;
}

/** A ticket speaks for a lot where the load was that lot's alone: a twentieth of another field is not told apart. */
const ALONE = 0.95;

/** What the combine read of each load of a lot, and the test of a ticket whose grain was this lot's alone. Newest first. */
export function lotMoistures({ ledger }: FarmBook, lotId: string): BookMoisture[] {
  const found: BookMoisture[] = [];
  for (const { entry, lots, dryKg, moisture } of ledger.parcels(
    0,
    ledger.steps,
    (e) => e.type === 'harvest' || ledger.isDelivery(e.id),
  )) {
    const source = entry.type === 'harvest' ? 'combine' : 'elevator';
    if (!((lots[lotId] ?? 0) >= ALONE * dryKg && dryKg > 0)) continue;
    if (source === 'elevator' && !('moisture' in entry && entry.moisture !== undefined)) continue;
    const zoneId = entry.type === 'harvest' ? (entry.zone ?? null) : null;
    found.push({ id: entry.id, at: entry.at, moisture, source, zoneId, by: entry.by ?? '' });
  }
  return found.reverse();
}

/** When a load was, for sorting. */
export const byTime = (a: { readonly at: string }, b: { readonly at: string }): number =>
  instantOf(a.at) - instantOf(b.at);
