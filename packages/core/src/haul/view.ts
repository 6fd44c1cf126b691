import { tally } from '../kernel/index.js';
import { type Entry, type FarmBook, type HarvestEntry, instantOf, mainCrop, type MoveEntry } from '../ledger/index.js';
import { type OwnTimes, ownTimes, type VehicleNow, walkRounds } from './rounds.js';
import type { GrainWeighed } from './scale-comparison.js';

/** A season and the winter's hauling after it. */
const LOOK_BACK_MS = 240 * 86_400_000;

/** The loads that a lost ticket is reckoned by. */
const AGREED = 200;

/** Which scales weighed the same grain, and what only one scale weighed. Newest first and whole. */
export interface WeighedView {
  readonly weighed: readonly GrainWeighed[];
  readonly alone: readonly { readonly entry: HarvestEntry; readonly method: string; readonly scale: string }[];
}

/** Everything of the hauling that comes out of the book and is more than a look-up. Newest first; all but what tickets and carts agreed on, whole. */
export interface HaulView {
  readonly vehicles: readonly VehicleNow[];
  /** What tickets and carts of this farm said of the same loads lately. */
  readonly agreed: readonly { readonly id: string; readonly ticketKg: number; readonly cartKg: number }[];
  /** Deliveries whose ticket never came. */
  readonly unticketed: readonly LostTicket[];
  /** Minutes of own rounds, by place. */
  readonly times: Readonly<Record<string, OwnTimes>>;
  /** Loads that the own truck scale weighed with an empty weight, typed without a ticket. */
  readonly tared: readonly {
    readonly entry: Pick<Entry, 'id' | 'at'>;
    readonly truck: string;
    readonly grossKg: number;
    readonly tareKg: number;
    readonly crop: string | null;
    readonly pricePerBu: number | null;
  }[];
}

export interface LostTicket {
  readonly entry: Entry;
  readonly to: string;
  readonly truck: string;
  readonly wetKg: number;
  readonly crop: string | null;
  /** What the same buyer paid last for the crop, else what anybody did: the likely price. */
  readonly pricePerBu: number | null;
}

function lately({ ledger, places }: FarmBook) {
  const from = ledger.positionsUntil((ledger.lastInstant ?? 0) - LOOK_BACK_MS);
  const entries = ledger.entriesFrom(from);
  const kinds = new Map(places.map((place) => [place.id, place.kind]));
  const kindOf = (place: string): string | undefined => kinds.get(place);
  const rounds = walkRounds({ entries, witnessesOf: (id) => ledger.witnessesOf(id), kindOf });
  return { from, entries, kindOf, rounds };
}

/** What the scales say of each other, in one walk over the season. */
export function weighedView(book: FarmBook): WeighedView {
  const { weighed, alone } = lately(book).rounds;
  return {
    weighed: [...weighed].reverse(),
    alone: alone.map(({ entry, method, scale }) => ({ entry, method, scale })),
  };
}

/** What the book tells of the hauling, in one walk over the season. */
export function haulView(book: FarmBook): HaulView {
  const { ledger, lots: allLots } = book;
  const { from, entries, kindOf, rounds: walk } = lately(book);
  const { vehicles, weighed, rounds, unticketed } = walk;
  const kgBy = (load: GrainWeighed, by: string): number | undefined => load.weights.find(({ method }) => method === by)?.kg; // prettier-ignore
  const lots = new Map(allLots.map((lot) => [lot.id, lot]));
  const delivered = entries.filter(
    (entry): entry is MoveEntry => entry.type === 'move' && kindOf(entry.to) === 'buyer',
  );
  const ownScale = entries.filter(
    (entry): entry is MoveEntry =>
      entry.type === 'move' && entry.method === 'bridge' && entry.grossKg !== undefined && entry.tareKg !== undefined,
  );
  const wanted = new Set([
    ...unticketed.map(({ entry }) => entry.id),
    ...delivered.map((d) => d.id),
    ...ownScale.map((move) => move.id),
  ]);
  const parcels = new Map(
    ledger.parcels(from, ledger.steps, (entry) => wanted.has(entry.id)).map((parcel) => [parcel.entry.id, parcel]),
  );
  const cropOf = (id: string): string | null => mainCrop(parcels.get(id)?.lots ?? {}, lots) ?? null;
  const prices = new Map<string, number>();
  for (const { id, to, pricePerBu } of delivered) {
    if (pricePerBu === undefined) continue;
    prices.set(`${to} ${cropOf(id)}`, pricePerBu);
    prices.set(`* ${cropOf(id)}`, pricePerBu);
  }
  const priceOf = (entry: MoveEntry): number | null =>
    entry.pricePerBu ?? prices.get(`${entry.to} ${cropOf(entry.id)}`) ?? prices.get(`* ${cropOf(entry.id)}`) ?? null;
  const times = tally<OwnTimes>();
  for (const to of new Set(rounds.map((round) => round.to))) {
    const own = ownTimes(rounds, to);
    if (own) times[to] = own;
  }
  return {
    vehicles,
    agreed: [...weighed]
      .reverse()
      .flatMap((load) => {
        const [ticketKg, cartKg] = [kgBy(load, 'ticket'), kgBy(load, 'cartScale')];
        return ticketKg === undefined || cartKg === undefined ? [] : [{ id: load.id, ticketKg, cartKg }];
      })
      .slice(0, AGREED),
    unticketed: [...unticketed].reverse().map(({ entry }) => ({
      entry,
      to: entry.to,
      truck: entry.from,
      wetKg: parcels.get(entry.id)?.wetKg ?? 0,
      crop: cropOf(entry.id),
      pricePerBu: priceOf(entry),
    })),
    times,
    tared: ownScale
      .sort((a, b) => instantOf(b.at) - instantOf(a.at))
      .map((entry) => ({
        entry: { id: entry.id, at: entry.at },
        truck: entry.from,
        grossKg: entry.grossKg!,
        tareKg: entry.tareKg!,
        crop: cropOf(entry.id),
        pricePerBu: priceOf(entry),
      })),
  };
}
