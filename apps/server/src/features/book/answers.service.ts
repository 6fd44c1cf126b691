import type { DayFlow, Delivery, DeliveryTraceAnswer, FarmNow, FieldRow, LotTraceAnswer, MonitorAnswer, ReadingInfo, TapeLine } from '@fanega/contract';
import {
  balanceOf,
  type Book,
  CROPS,
  cropOf,
  deliveryWay,
  type Entry,
  FLAG_DEAD,
  findTwins,
  type HarvestedLoad,
  type HarvestEntry,
  instantOf,
  kilogramsPerBushel,
  Kind,
  lotWay,
  monitorLoads,
  type NextStep,
  nextSteps,
  type ParcelView,
  type Position,
  traceDelivery,
} from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { Clock, startOfDay } from '../../platform/clock.js';
import { Refused } from '../../platform/refused.js';
import { BookRepository } from './book.repository.js';
import { BookService, type OpenBook } from './book.service.js';

const TAPE_LENGTH = 60;
/** A demo farm's clock runs on from its last entry, but no further than this. */
const DEMO_DRIFT_MS = 10 * 60_000;
/** Levels older than this are history, not something to do today. */
const LEVEL_AGE_MS = 7 * 24 * 3_600_000;
const TWIN_AGE_MS = 24 * 3_600_000;

/** What the book tells, worked out by the core from the replayed state. */
@Injectable()
export class AnswersService {
  constructor(
    @Inject(BookService) private readonly books: BookService,
    @Inject(BookRepository) private readonly repository: BookRepository,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async now(farmId: string): Promise<FarmNow> {
    const now = await this.farmTime(farmId);
    // What is due today changes with the clock too, minute by minute.
    const answer = await this.books.answer(farmId, 'now', (book) => this.farmNow(book, now), Math.floor(now / 60_000));
    // Devices set their clocks by it: the answer may be a minute old, the time must not be.
    return { ...answer, now };
  }

  /** The farm's clock, ms since 1970: a demo farm lives at the end of its book. */
  async farmTime(farmId: string): Promise<number> {
    const book = await this.books.open(farmId);
    const real = this.clock.now();
    if (!book.setup.farm.demo) return real;
    const last = lastInstant(book) ?? real;
    return last + Math.min(DEMO_DRIFT_MS, Math.max(0, real - (await this.repository.lastReceived(farmId))));
  }

  private farmNow(book: OpenBook, now: number): FarmNow {
    const { ledger, setup } = book;
    const { farm, lots, places } = setup;
    const positions = ledger.positions();
    const accounts = ledger.accounts();
    const balance = balanceOf(Object.values(accounts));
    const from = ledger.records.positionsUntil(startOfDay(now, farm.timeZone) - 1);
    const today = ledger.parcels(from);
    return {
      farm: { id: farm.id, name: farm.name, timeZone: farm.timeZone, demo: Boolean(farm.demo), defaults: ledger.header.defaults },
      seq: book.seq,
      now,
      lots,
      places,
      positions,
      layers: Object.fromEntries(places.filter((place) => place.kind !== 'buyer').map((place) => [place.id, ledger.layers(place.id)])),
      tape: tapeOf(book, TAPE_LENGTH),
      flow: flowOf(book, today, from),
      balance,
      restatedShare: balance.harvested > 0 ? Object.values(accounts).reduce((sum, a) => sum + Math.abs(a.restatedDryKg), 0) / balance.harvested : 0,
      dried: driedToday(book, from),
      steps: this.steps(book, positions, now),
      entries: ledger.size,
    };
  }

  private steps(book: OpenBook, positions: Readonly<Record<string, Position>>, now: number): NextStep[] {
    const { ledger, setup } = book;
    const cropOfLot = new Map(setup.lots.map((lot) => [lot.id, lot.crop]));
    const kgPerBushel = (crop: string | undefined): number => kilogramsPerBushel(cropOf(crop ?? '')?.legalPounds ?? CROPS.corn.legalPounds);
    const holders = setup.places.flatMap((place) => {
      const position = positions[place.id];
      if (!position) return [];
      const crop = mainCrop(position, cropOfLot);
      return [
        {
          id: place.id,
          kind: place.kind,
          wetKg: position.wetKg,
          bushels: position.wetKg / kgPerBushel(crop),
          moisture: position.moisture,
          unknownDryKg: position.lots.unknown ?? 0,
          ...(place.capacityBu === null ? {} : { capacityBu: place.capacityBu }),
          ...(crop === undefined ? {} : { crop }),
        },
      ];
    });
    const recent = ledger.parcels(Math.max(0, ledger.records.steps - 400));
    const lastTargets: Record<string, string[]> = {};
    const kindOf = new Map(setup.places.map((place) => [place.id, place.kind]));
    for (const { entry, lots } of recent.reverse()) {
      if (entry.type !== 'move') continue;
      const crop = mainCrop({ lots }, cropOfLot) ?? '';
      const key = kindOf.get(entry.from) === 'truck' ? crop : kindOf.get(entry.from) === 'dryer' ? `dryer:${crop}` : undefined;
      if (key !== undefined && !lastTargets[key]?.includes(entry.to)) (lastTargets[key] ??= []).push(entry.to);
    }
    const day = ledger.entriesBetween(now - TWIN_AGE_MS, now);
    return nextSteps({
      holders,
      dryBelow: Object.fromEntries(Object.values(CROPS).map((crop) => [crop.id, crop.baseMoisture])),
      lastTargets,
      levels: ledger
        .entriesBetween(now - LEVEL_AGE_MS, now)
        .flatMap((entry) => (entry.type === 'measure' ? [{ entry: entry.id, place: entry.place, foundKg: entry.wetKg, bookKg: heldBefore(book, entry) }] : [])),
      twins: findTwins(day)
        .filter((pair) => !pair.same)
        .map(({ first, second, difference }) => ({ first: first.id, second: second.id, share: difference })),
      kgPerBushel,
    });
  }

  async fields(farmId: string): Promise<FieldRow[]> {
    const { notes } = await this.books.open(farmId);
    const work = async (book: OpenBook): Promise<FieldRow[]> => {
      const accounts = book.ledger.accounts();
      const readings = await this.repository.lastReadings(farmId);
      const cuts = cutsOf(book);
      return book.setup.lots.map((lot): FieldRow => {
        const account = accounts[lot.id]!;
        const cut = cuts.get(lot.id);
        const reading = readings.get(lot.fieldId);
        const fromReading =
          reading && reading.moisture !== null ? { moisture: reading.moisture, at: new Date(reading.atMs).toISOString(), source: reading.source, tester: reading.tester } : null;
        const fromCut = cut ? { moisture: cut.lastMoisture, at: cut.last, source: 'combine', tester: '' } : null;
        const newest = fromReading && fromCut ? (instantOf(fromReading.at) > instantOf(fromCut.at) ? fromReading : fromCut) : (fromReading ?? fromCut);
        return {
          lot,
          account,
          balance: balanceOf([account]),
          cutWetKg: cut?.wetKg ?? 0,
          cutDryKg: account.harvestedDryKg,
          lastMoisture: newest,
          firstCut: cut?.first ?? null,
          lastCut: cut?.last ?? null,
        };
      });
    };
    return this.books.answer(farmId, 'fields', work, notes);
  }

  deliveries(farmId: string): Promise<Delivery[]> {
    return this.books.answer(farmId, 'deliveries', (book) =>
      book.ledger
        .parcels(0, book.ledger.records.steps, (entry) => book.ledger.isDelivery(entry.id))
        .map((parcel) => deliveryOf(book, parcel))
        .reverse(),
    );
  }

  /**
   * Moistures of a lot that are in the book already: what the combine read of each load, and the test of a ticket whose grain was
   * this lot's alone (a twentieth of another field is not told apart). Newest first.
   */
  lotMoistures(farmId: string, lotId: string): Promise<ReadingInfo[]> {
    return this.books.answer(farmId, `moistures ${lotId}`, (book) => {
      const lot = book.setup.lots.find(({ id }) => id === lotId);
      if (!lot) throw new Refused('not_found', 'There is no such field in the book.');
      const found: ReadingInfo[] = [];
      for (const { entry, lots, dryKg, moisture } of book.ledger.parcels(0, book.ledger.records.steps, (e) => e.type === 'harvest' || book.ledger.isDelivery(e.id))) {
        const source = entry.type === 'harvest' ? 'combine' : 'elevator';
        if (!((lots[lotId] ?? 0) >= 0.95 * dryKg && dryKg > 0)) continue;
        if (source === 'elevator' && !('moisture' in entry && entry.moisture !== undefined)) continue;
        found.push({ id: entry.id, fieldId: lot.fieldId, at: entry.at, moisture, source, cracked: null, tester: '', spot: '', by: entry.by ?? '' });
      }
      return found.reverse();
    });
  }

  /** Displays against scales, by combine. */
  monitors(farmId: string): Promise<MonitorAnswer[]> {
    return this.books.answer(farmId, 'monitors', (book) => {
      const places = book.setup.places.filter((place) => place.kind === 'combine');
      const entries = new Map<string, HarvestEntry>();
      const loads = book.ledger.records.entries.flatMap((entry): HarvestedLoad[] => {
        if (entry.type !== 'harvest' || book.ledger.isVoided(entry.id)) return [];
        entries.set(entry.id, entry);
        // Grain is dumped from the tank into the cart: then the tablet of the combine tells whose display it was, or there is only one.
        const combine =
          places.find((place) => place.id === entry.to) ?? places.find((place) => entry.device?.startsWith(`${place.id}-`)) ?? (places.length === 1 ? places[0] : undefined);
        const own = { method: entry.method ?? 'estimate', wetKg: entry.wetKg };
        const others = book.ledger.witnessesOf(entry.id).flatMap((w) => ('wetKg' in w && w.wetKg !== undefined ? [{ method: w.method ?? 'estimate', wetKg: w.wetKg }] : []));
        return [{ id: entry.id, machine: combine?.id ?? entry.device ?? '', lot: entry.lot, atMs: instantOf(entry.at), measured: [own, ...others], note: entry.note ?? '' }];
      });
      return [...monitorLoads(loads)].map(([machine, { pairs, only }]) => ({
        machine,
        name: places.find((place) => place.id === machine)?.name ?? machine,
        pairs,
        only: only.map((load) => ({ ...load, entry: entries.get(load.id)! })),
      }));
    });
  }

  async delivery(farmId: string, entryId: string): Promise<DeliveryTraceAnswer> {
    return this.books.answer(farmId, `delivery ${entryId}`, (book) => {
      const trace = traceDelivery(book.ledger, entryId);
      if (!trace) throw new Refused('not_found', book.ledger.isVoided(entryId) ? 'This delivery was voided.' : 'There is no such delivery in the book.');
      const position = book.ledger.positionOfEntry(entryId)!;
      const [parcel] = book.ledger.parcels(position, position + 1);
      const loads = (contributions: Readonly<Record<string, number>>) =>
        Object.entries(contributions)
          .map(([id, dryKg]) => ({ entry: book.ledger.entry(id)!, dryKg }))
          .sort((a, b) => instantOf(a.entry.at) - instantOf(b.entry.at));
      return { delivery: deliveryOf(book, parcel!), loads: loads(trace.loads), moves: loads(trace.moves), way: deliveryWay(book.ledger, trace) };
    });
  }

  async lot(farmId: string, lotId: string): Promise<LotTraceAnswer> {
    const rows = await this.fields(farmId);
    const deliveries = await this.deliveries(farmId);
    return this.books.answer(farmId, `lot ${lotId}`, (book) => {
      const row = rows.find((r) => r.lot.id === lotId);
      if (!row) throw new Refused('not_found', 'There is no such field in the book.');
      return {
        row,
        way: lotWay(book.ledger, lotId),
        deliveries: deliveries.filter((d) => (d.lots[lotId] ?? 0) > 0).map((delivery) => ({ delivery, dryKg: delivery.lots[lotId]!, wetKg: delivery.wetLots[lotId] ?? 0 })),
      };
    });
  }

  /** One page of the book's arrivals, newest first. */
  async tape(farmId: string, before: number, limit: number, wanted: (entry: Entry) => boolean): Promise<TapeLine[]> {
    const book = await this.books.open(farmId);
    return tapeOf(book, limit, before, wanted);
  }

  async entry(farmId: string, entryId: string): Promise<TapeLine> {
    const book = await this.books.open(farmId);
    const entry = book.ledger.entry(entryId);
    if (!entry) throw new Refused('not_found', 'There is no such entry in the book.');
    return linesOf(book, [entry])[0]!;
  }

  /** The whole book in the open format. */
  async book(farmId: string): Promise<Book> {
    const { ledger } = await this.books.open(farmId);
    return { format: 'fanega-book', version: 1, ...ledger.header, entries: ledger.records.entries };
  }
}

function lastInstant({ ledger }: OpenBook): number | undefined {
  const { records } = ledger;
  return records.steps === 0 ? undefined : records.atMs[records.order[records.steps - 1]!];
}

function mainCrop(position: Pick<Position, 'lots'>, cropOfLot: ReadonlyMap<string, string>): string | undefined {
  let best: string | undefined;
  let most = 0;
  for (const [lot, dry] of Object.entries(position.lots)) {
    const crop = cropOfLot.get(lot);
    if (crop !== undefined && dry > most) {
      best = crop;
      most = dry;
    }
  }
  return best;
}

/** What the book held in a place just before a level was taken. */
function heldBefore({ ledger }: OpenBook, entry: Entry & { type: 'measure' }): number {
  return ledger.positions(instantOf(entry.at) - 0.001)[entry.place]?.wetKg ?? 0;
}

/** Entries with what replay made of them; the span that they lie in is replayed once for all of them. */
function linesOf(book: OpenBook, entries: readonly Entry[]): TapeLine[] {
  const { ledger } = book;
  const ids = new Set(entries.map((entry) => entry.id));
  const positions = entries.map((entry) => ledger.positionOfEntry(entry.id)).filter((position) => position !== undefined);
  const from = Math.min(...positions);
  const parcels = positions.length === 0 ? [] : ledger.parcels(from, Math.max(...positions) + 1, (entry) => ids.has(entry.id));
  const wetLots = new Map(parcels.map((parcel) => [parcel.entry.id, parcel.wetLots]));
  return entries.map((entry) => {
    const effective = ledger.effective(entry.id);
    return {
      seq: book.seqOf.get(entry.id) ?? 0,
      entry,
      voided: ledger.isVoided(entry.id),
      wetKg: effective?.wetKg ?? null,
      dryKg: effective?.dryKg ?? null,
      wetLots: wetLots.get(entry.id) ?? {},
      witnesses: ledger.witnessesOf(entry.id),
    };
  });
}

/** The latest arrivals before a sequence number, newest first. */
function tapeOf(book: OpenBook, limit: number, before = Infinity, wanted: (entry: Entry) => boolean = () => true): TapeLine[] {
  const all = book.ledger.records.entries;
  const found: Entry[] = [];
  for (let i = Math.min(all.length, before - 1) - 1; i >= 0 && found.length < limit; i--) {
    const entry = all[i]!;
    if (wanted(entry)) found.push(entry);
  }
  return linesOf(book, found);
}

function flowOf(book: OpenBook, today: readonly ParcelView[], from: number): DayFlow {
  const flow: Record<keyof DayFlow, Record<string, number>> = { cut: {}, haul: {}, dry: {}, store: {}, sell: {} };
  const kindOf = new Map(book.setup.places.map((place) => [place.id, place.kind]));
  const add = (station: keyof DayFlow, wetLots: Readonly<Record<string, number>>) => {
    for (const [lot, kg] of Object.entries(wetLots)) flow[station][lot] = (flow[station][lot] ?? 0) + kg;
  };
  for (const { entry, wetLots } of today) {
    if (entry.type === 'harvest') add('cut', wetLots);
    if (entry.type !== 'move') continue;
    const fromKind = kindOf.get(entry.from);
    const toKind = kindOf.get(entry.to);
    if (fromKind === 'truck') add('haul', wetLots);
    if (toKind === 'bin' || toKind === 'pile') add('store', wetLots);
    if (toKind === 'buyer') add('sell', wetLots);
  }
  // What a dryer run held is not a parcel: its lots are those that come out of the dryer next, or lie in it still.
  if (conditionsSince(book, from).length > 0) for (const { entry, wetLots } of today) if (entry.type === 'move' && kindOf.get(entry.from) === 'dryer') add('dry', wetLots);
  return flow;
}

function conditionsSince({ ledger }: OpenBook, from: number): number[] {
  const { records } = ledger;
  const found: number[] = [];
  for (let pos = from; pos < records.steps; pos++) {
    const r = records.order[pos]!;
    if (records.kind[r] === Kind.Condition && (records.flags[r]! & FLAG_DEAD) === 0) found.push(pos);
  }
  return found;
}

/** Moisture in and out of the last dryer run of the day. */
function driedToday(book: OpenBook, from: number): FarmNow['dried'] {
  const { ledger } = book;
  const last = conditionsSince(book, from).at(-1);
  if (last === undefined) return null;
  const entry = ledger.records.entries[ledger.records.order[last]!]!;
  if (entry.type !== 'condition') return null;
  const before = ledger.positions(instantOf(entry.at) - 0.001)[entry.place]?.moisture;
  return before === null || before === undefined ? null : { from: before, to: entry.moisture };
}

interface Cut {
  wetKg: number;
  first: string;
  last: string;
  lastMoisture: number;
}

function cutsOf({ ledger }: OpenBook): Map<string, Cut> {
  const cuts = new Map<string, Cut>();
  for (const parcel of ledger.parcels(0, ledger.records.steps, (entry) => entry.type === 'harvest')) {
    const { entry } = parcel;
    if (entry.type !== 'harvest') continue;
    const cut = cuts.get(entry.lot);
    if (cut) {
      cut.wetKg += parcel.wetKg;
      cut.last = entry.at;
      cut.lastMoisture = parcel.moisture;
    } else cuts.set(entry.lot, { wetKg: parcel.wetKg, first: entry.at, last: entry.at, lastMoisture: parcel.moisture });
  }
  return cuts;
}

function deliveryOf({ ledger }: OpenBook, parcel: ParcelView): Delivery {
  const { entry } = parcel;
  const move = entry.type === 'move' ? entry : undefined;
  return {
    entry,
    to: entry.type === 'harvest' || entry.type === 'move' ? entry.to : '',
    from: move?.from ?? null,
    ticket: move?.ticket ?? null,
    grossKg: move?.grossKg ?? null,
    tareKg: move?.tareKg ?? null,
    netKg: parcel.wetKg,
    dryKg: parcel.dryKg,
    moisture: parcel.moisture,
    pricePerBu: move?.pricePerBu ?? null,
    lots: parcel.lots,
    wetLots: parcel.wetLots,
    witnesses: ledger.witnessesOf(entry.id),
  };
}
