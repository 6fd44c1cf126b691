import { groupBy, inOrder, tally } from '../kernel/index.js';
import {
  type Entry,
  type FarmBook,
  kgPerBushelOf,
  Ledger,
  mainCrop,
  splitByOwner,
  ticketFigures,
  UNKNOWN_LOT,
  type Withdrawal,
} from '../ledger/index.js';
import { type Assumed, type Contributions, traceDelivery, tracePlace } from './sweep.js';

/** A ticket, or what a place holds now. */
export type OriginSubject =
  { readonly kind: 'delivery'; readonly id: string } | { readonly kind: 'place'; readonly id: string };

/**
 * How sure a share is: by identity (on its whole way the grain lay with nothing else, or all of what lay together went on), by the rule that
 * says how a mixed place gives its grain back, or of no known field.
 */
export const ORIGIN_SURE = ['exact', 'mixing', 'unknown'] as const;
export type OriginSure = (typeof ORIGIN_SURE)[number];

export interface OriginField {
  /** `unknown` for grain of no known field */
  readonly lot: string;
  readonly name: string;
  readonly crop: string | null;
  readonly season: number | null;
  readonly variety: string;
  readonly dryKg: number;
  readonly wetKg: number;
  /** of the whole, by dry matter */
  readonly part: number;
  readonly sure: OriginSure;
  /** of this field's share, what is known by identity */
  readonly exactPart: number;
  readonly loads: number;
  readonly firstAt: string | null;
  readonly lastAt: string | null;
  /** wet-basis fraction at the field, by the weight that is in here */
  readonly moisture: number | null;
}

export interface OriginLoad {
  readonly id: string;
  readonly at: string;
  readonly lot: string;
  readonly field: string;
  readonly into: string;
  /** kg dry matter of it that is in here */
  readonly dryKg: number;
  /** of the whole load */
  readonly part: number;
  readonly moisture: number;
  readonly method: string;
  readonly by: string;
  readonly sure: OriginSure;
}

/** Where grain came from, with names, so that whoever reads it needs no book. */
export interface Origin {
  readonly subject: OriginSubject;
  readonly name: string;
  /** The ticket's number, where it has one. */
  readonly ticket: string | null;
  readonly to: string;
  readonly at: string;
  readonly crop: string | null;
  readonly wetKg: number;
  readonly dryKg: number;
  readonly moisture: number | null;
  readonly method: string | null;
  readonly fields: readonly OriginField[];
  readonly loads: readonly OriginLoad[];
  /** Fields of which none is in here by the way that the places are held to empty, and some may be by another. */
  readonly maybe: readonly { readonly lot: string; readonly name: string }[];
  /** Places that it lay in on its way, in the order of the first time. */
  readonly through: readonly { readonly id: string; readonly name: string; readonly kind: string }[];
  /** Entries that it follows from: loads and moves, then what was dried or measured where it lay, then what it was weighed by again. */
  readonly entries: readonly string[];
  /** kg of dry matter weighed by each method, at the field */
  readonly methods: Readonly<Record<string, number>>;
}

/** Less of a place than this counts as all of it. */
const REST = 1e-6;

/** Places in which traced grain lay, and all that was taken out of them in part: which part it was, only a rule says. */
function assumedOf(ledger: Ledger, subject: OriginSubject, { loads, moves }: Contributions): Assumed {
  const places = new Set<string>(subject.kind === 'place' ? [subject.id] : []);
  for (const id of [...Object.keys(loads), ...Object.keys(moves)]) {
    const entry = ledger.entry(id)!;
    if (entry.type === 'move') places.add(entry.from);
    if ('to' in entry) places.add(entry.to);
  }
  const until = subject.kind === 'delivery' ? ledger.positionOfEntry(subject.id)! + 1 : ledger.steps;
  return { moves: ledger.partlyTaken(places, until), lots: new Set(), loads: tally<number>() };
}

const followed = (ledger: Ledger, subject: OriginSubject, assumed?: Assumed): Contributions | undefined =>
  subject.kind === 'delivery'
    ? traceDelivery(ledger, subject.id, assumed)
    : ledger.header.places.some(({ id }) => id === subject.id)
      ? tracePlace(ledger, subject.id, undefined, assumed)
      : undefined;

/** Entries in the order of the book. */
function entriesInOrder({ records }: Ledger, ids: readonly string[]): Entry[] {
  return ids
    .map((id) => records.recordOf(id)!)
    .sort((a, b) => records.compare(a, b))
    .map((r) => records.entries[r]!);
}

interface Grain {
  readonly wetKg: number;
  readonly dryKg: number;
  readonly moisture: number | null;
  readonly lots: Readonly<Record<string, number>>;
  readonly wetLots: Readonly<Record<string, number>>;
}

/** Of a delivery out of an empty place. */
const NOTHING: Grain = { wetKg: 0, dryKg: 0, moisture: null, lots: {}, wetLots: {} };

function grainOf(ledger: Ledger, subject: OriginSubject): Grain {
  if (subject.kind === 'place') return ledger.position(subject.id);
  const position = ledger.positionOfEntry(subject.id)!;
  return ledger.parcels(position, position + 1)[0] ?? NOTHING;
}

/**
 * Where a ticket's grain, or what a place holds, came from: fields and loads, with how sure each share is. Null for what is no living delivery
 * and no place of the farm.
 * @param now ISO 8601: the moment of a place's content
 */
export function originOf(book: FarmBook, subject: OriginSubject, now: string): Origin | null {
  const { ledger, lots, places } = book;
  const plain = followed(ledger, subject);
  if (!plain) return null;
  const assumed = assumedOf(ledger, subject, plain);
  followed(ledger, subject, assumed);
  const grain = grainOf(ledger, subject);
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  const placeOf = new Map(places.map((place) => [place.id, place]));
  const nameOf = (id: string): string => placeOf.get(id)?.name ?? id;
  const seen = entriesInOrder(ledger, [...new Set([...Object.keys(plain.loads), ...Object.keys(plain.moves)])].filter((id) => ledger.entry(id)!.type !== 'harvest' || plain.loads[id]! > 0)); // prettier-ignore
  const loads = seen.flatMap((entry): OriginLoad[] => {
    const { id } = entry;
    const dryKg = plain.loads[id] ?? 0;
    if (entry.type !== 'harvest' || dryKg <= 0) return [];
    const all = ledger.effective(id)!;
    return [
      {
        id,
        at: entry.at,
        lot: entry.lot,
        field: lotOf.get(entry.lot)?.fieldName ?? entry.lot,
        into: nameOf(entry.to),
        dryKg,
        part: all.dryKg > 0 ? Math.min(1, dryKg / all.dryKg) : 0,
        moisture: all.wetKg > 0 ? 1 - all.dryKg / all.wetKg : 0,
        method: entry.method ?? 'estimate',
        by: entry.by ?? '',
        sure: (assumed.loads[id] ?? 0) > REST * dryKg ? 'mixing' : 'exact',
      },
    ];
  });
  const byLot = groupBy(loads, ({ lot }) => lot);
  const fields = Object.entries(grain.lots)
    .filter(([, dryKg]) => dryKg > REST * grain.dryKg)
    .map(([lot, dryKg]): OriginField => {
      const own = byLot.get(lot) ?? [];
      const info = lotOf.get(lot);
      const loaded = own.reduce((sum, load) => sum + load.dryKg, 0);
      const vague = own.reduce((sum, { id }) => sum + (assumed.loads[id] ?? 0), 0);
      const exactPart = lot === UNKNOWN_LOT ? 0 : loaded > 0 ? Math.max(0, 1 - vague / loaded) : 0;
      const wet = own.reduce((sum, load) => sum + load.dryKg / (1 - load.moisture), 0);
      return {
        lot,
        name: info?.fieldName ?? (lot === UNKNOWN_LOT ? '' : lot),
        crop: info?.crop ?? null,
        season: info?.season ?? null,
        variety: info?.variety ?? '',
        dryKg,
        wetKg: grain.wetLots[lot] ?? 0,
        part: grain.dryKg > 0 ? dryKg / grain.dryKg : 0,
        sure: lot === UNKNOWN_LOT ? 'unknown' : assumed.lots.has(lot) || exactPart < 1 - REST ? 'mixing' : 'exact',
        exactPart,
        loads: own.length,
        firstAt: own[0]?.at ?? null,
        lastAt: own.at(-1)?.at ?? null,
        moisture: wet > 0 ? 1 - loaded / wet : null,
      };
    })
    .sort((a, b) => b.dryKg - a.dryKg || inOrder(a.lot, b.lot));
  const end = subject.kind === 'delivery' ? ledger.entry(subject.id) : undefined;
  const to = end && (end.type === 'move' || end.type === 'harvest') ? end.to : subject.id;
  const lay = new Set(seen.flatMap((entry) => ('to' in entry ? [entry.to] : [])));
  // What was done to it where it lay, and what else it was weighed by.
  const dried = seen.length === 0 ? [] : ledger.entriesBetween(Date.parse(seen[0]!.at), Date.parse(seen.at(-1)!.at)).filter((entry) => (entry.type === 'condition' || entry.type === 'measure') && lay.has(entry.place)); // prettier-ignore
  const weighed = seen.flatMap(({ id }) => ledger.witnessesOf(id));
  const through = [...new Set(seen.flatMap((entry) => ('to' in entry ? [entry.to] : [])))].filter((id) => id !== to);
  const methods = tally<number>();
  for (const { method, dryKg } of loads) methods[method] = (methods[method] ?? 0) + dryKg;
  const ticket = end ? ticketFigures(end, ledger.witnessesOf(end.id)).ticket : null;
  return {
    subject,
    name: subject.kind === 'place' ? nameOf(subject.id) : (ticket ?? ''),
    ticket,
    to: nameOf(to),
    at: end?.at ?? now,
    crop: mainCrop(grain.lots, lotOf) ?? null,
    wetKg: grain.wetKg,
    dryKg: grain.dryKg,
    moisture: grain.wetKg > 0 ? 1 - grain.dryKg / grain.wetKg : null,
    method: end && 'method' in end ? (end.method ?? null) : null,
    fields,
    loads,
    maybe: [...assumed.lots]
      .filter((lot) => !fields.some((field) => field.lot === lot))
      .sort()
      .map((lot) => ({ lot, name: lotOf.get(lot)?.fieldName ?? lot })),
    through: through.map((id) => ({ id, name: nameOf(id), kind: placeOf.get(id)?.kind ?? '' })),
    entries: [...seen, ...dried, ...weighed].map(({ id }) => id),
    methods,
  };
}

/** Ways in which a mixed place may be held to give its grain back. */
export const DIVISIONS = ['asSet', 'mixed', 'lastIn', 'firstIn'] as const;
export type DivisionWay = (typeof DIVISIONS)[number];

export interface Division {
  readonly way: DivisionWay;
  readonly lots: Readonly<Record<string, number>>;
  readonly wetLots: Readonly<Record<string, number>>;
  /** weight bushels by owner, the most first */
  readonly owners: readonly { readonly owner: string; readonly bushels: number }[];
}

const ON_WHEELS = new Set(['combine', 'cart', 'truck']);

/**
 * The same grain divided otherwise: the book replayed with every bin, pit and pile held to give its grain back fully mixed, from the core (the
 * last in comes first) or from the bottom (the first in comes first). Empty for what is no living delivery and no place.
 * @param ownName the farm's own name, as owners are named
 */
export function divisionsOf(book: FarmBook, subject: OriginSubject, ownName: string): Division[] {
  const { lots } = book;
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  if (!followed(book.ledger, subject)) return [];
  return DIVISIONS.map((way) => {
    const { lots: dry, wetLots } = grainOf(ledgerOf(book.ledger, way), subject);
    const per = kgPerBushelOf(mainCrop(dry, lotOf));
    const owners = splitByOwner(wetLots, (lot) => lotOf.get(lot)?.shares, ownName)
      .map(({ owner, kg }) => ({ owner, bushels: kg / per }))
      .sort((a, b) => b.bushels - a.bushels);
    return { way, lots: dry, wetLots, owners };
  });
}

function ledgerOf(ledger: Ledger, way: DivisionWay): Ledger {
  if (way === 'asSet') return ledger;
  const { header } = ledger;
  const other = new Ledger({
    ...header,
    places: header.places.map((place) =>
      place.kind === 'buyer' || ON_WHEELS.has(place.kind ?? '') ? place : { ...place, withdrawal: way as Withdrawal },
    ),
  });
  other.restore(ledger.arrivals as Entry[]);
  return other;
}
