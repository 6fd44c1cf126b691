import type { FieldRow, HaulAnswer, HaulSheet, Notebook } from '@fanega/contract';
import type { ChainLink, ChainNow, Elsewhere } from '@fanega/core';
import type { Farm } from '../data/farm';
import { type FieldFacts, fieldFacts, windowFor } from '../data/field-facts';
import { startOfDay } from './time';
import { bushelsPerHour } from './haul-facts';

export type TruckState = 'stands empty' | 'is being loaded' | 'waits loaded' | 'on the way out' | 'in line or unloading' | 'on the way back';

export interface TruckNow {
  readonly id: string;
  readonly name: string;
  readonly bushels: number;
  readonly capacity: number;
  readonly state: TruckState;
  /** Since when, ms; null where the book knows nothing of it. */
  readonly sinceMs: number | null;
  readonly where: string;
  /** Likely there (out) or in the field again (back), ms. */
  readonly likelyMs: number | null;
  /** Leave by then to be in line by closing, ms; null where no closing is known or it is empty. */
  readonly leaveByMs: number | null;
}

/** What holds the grain back, in words. */
export const BECAUSE: Readonly<Record<ChainLink, string>> = {
  field: 'the field',
  combine: 'the combine itself',
  cart: 'the carts',
  trucks: 'trucks on the road',
  line: 'the line at the buyer',
  hours: 'the buyer’s closing',
  pit: 'the pit',
  'wet bin': 'the wet bin and the dryer behind it',
  dryer: 'the dryer that stands',
  'bin room': 'full bins',
};
export const DELAY_LINKS: readonly ChainLink[] = ['combine', 'cart', 'trucks', 'line', 'dryer'];
export const DELAY_WORDS: Partial<Record<ChainLink, string>> = {
  combine: 'A combine stands',
  cart: 'A cart stands',
  trucks: 'A truck is late',
  line: 'The line is longer',
  dryer: 'The dryer stands',
};
/** The minute at which a harvest day ends where nobody says; who still cuts by then looks two hours ahead. */
const EVENING = 20 * 60;
const LATE_MIN = 120;

const MINUTE = 60_000;
/** As much of a truck as makes it a load. */
const LOADED = 0.85;
/** A line that nobody said anything of takes as long as unloading; later than that it is still in line. */
const STILL_THERE_MIN = 60;

/** Where the truck's load goes by what it did last, or the first buyer. */
export interface HaulTo {
  readonly kind: 'elevator' | 'home';
  /** The buyer; empty for home. */
  readonly buyerId: string;
}

/** Where trucks likely go: where one went last, or home where there is a wet bin. */
export function likelyTo(farm: Farm): HaulTo {
  const last = farm.data.tape.flatMap(({ entry, voided }) => (!voided && entry.type === 'move' && farm.place(entry.from)?.kind === 'truck' ? [entry.to] : []))[0];
  if (last !== undefined && farm.place(last)?.kind === 'buyer') return { kind: 'elevator', buyerId: last };
  if (farm.data.places.some((place) => place.kind === 'wetBin')) return { kind: 'home', buyerId: '' };
  const buyer = farm.data.places.find((place) => place.kind === 'buyer');
  return buyer ? { kind: 'elevator', buyerId: buyer.id } : { kind: 'home', buyerId: '' };
}

/** Minute of the farm's day at which a buyer closes for a crop; null where nobody said. */
export function closesAt(farm: Farm, notebook: Notebook, crop: string, buyerId: string): { readonly opens: number; readonly closes: number } | null {
  const sheet = (windowFor(notebook, crop, buyerId) ?? windowFor(notebook, crop, null))?.sheet;
  return sheet?.closesAt === undefined ? null : { opens: 60 * (sheet.opensAt ?? 0), closes: 60 * sheet.closesAt };
}

export interface LastDeparture {
  readonly id: string;
  readonly name: string;
  /** The crop whose hours these are; null where they are anybody's. */
  readonly crop: string | null;
  readonly opensMs: number;
  readonly closesMs: number;
  /** Leave by then to be in line at closing. */
  readonly leaveByMs: number;
}

/** Today's last departure to every buyer whose hours somebody gave, the soonest first. */
export function lastDepartures(farm: Farm, notebook: Notebook, sheet: HaulSheet, crop: string): LastDeparture[] {
  const midnight = startOfDay(farm.data.now, farm.data.farm.timeZone);
  return farm.data.places
    .filter((place) => place.kind === 'buyer')
    .flatMap(({ id, name }) => {
      // His own hours for this crop; where he takes others only, theirs; else what is set for the crop everywhere.
      const others = Object.keys(notebook.windows).flatMap((subject) => (subject.endsWith(`@${id}`) ? [subject.slice(0, -id.length - 1)] : []));
      const own = others.includes(crop) ? crop : others[0];
      const hours = closesAt(farm, notebook, own ?? crop, id);
      if (!hours) return [];
      const at = (minute: number): number => midnight + minute * MINUTE;
      return [
        { id, name, crop: own !== undefined && own !== crop ? own : null, opensMs: at(hours.opens), closesMs: at(hours.closes), leaveByMs: at(hours.closes - roadOf(sheet, id)) },
      ];
    })
    .sort((a, b) => a.leaveByMs - b.leaveByMs);
}

/** Every truck: where it is by the book and by the usual times, what is on it, and since when. */
export function trucksNow(farm: Farm, notebook: Notebook, haul: HaulAnswer, sheet: HaulSheet, crop: string): TruckNow[] {
  const now = farm.data.now;
  const midnight = startOfDay(now, farm.data.farm.timeZone);
  return farm.data.places
    .filter((place) => place.kind === 'truck')
    .map((place): TruckNow => {
      const bushels = farm.bushels(farm.held(place.id).wetLots);
      const capacity = place.capacityBu ?? Math.max(900, bushels);
      const seen = haul.vehicles.find((vehicle) => vehicle.place === place.id);
      const base = {
        id: place.id,
        name: place.name,
        bushels,
        capacity,
        sinceMs: seen?.sinceMs ?? null,
        where: seen ? farm.placeName(seen.where) : '',
        likelyMs: null,
        leaveByMs: null,
      };
      // What happened yesterday says where it stands, not where it drives.
      const today = seen !== undefined && seen.sinceMs >= midnight;
      if (bushels < 1) {
        const backMs = seen && seen.last === 'unloaded' ? seen.sinceMs + roadOf(sheet, seen.where) * MINUTE : null;
        if (today && backMs !== null && backMs > now) return { ...base, state: 'on the way back', likelyMs: backMs };
        return { ...base, state: 'stands empty' };
      }
      const buyer = buyerOf(farm, haul, place.id);
      const hours = buyer === null ? null : closesAt(farm, notebook, crop, buyer);
      const road = buyer === null ? 0 : roadOf(sheet, buyer);
      const leaveByMs = hours === null ? null : midnight + (hours.closes - road) * MINUTE;
      if (bushels < LOADED * capacity) return { ...base, state: 'is being loaded', leaveByMs };
      const leftMs = (seen?.sinceMs ?? now) + sheet.tarpMin * MINUTE;
      const thereMs = leftMs + road * MINUTE;
      if (buyer === null || !today) return { ...base, state: 'waits loaded', leaveByMs };
      if (now < leftMs) return { ...base, state: 'waits loaded', leaveByMs };
      if (now < thereMs) return { ...base, state: 'on the way out', likelyMs: thereMs, leaveByMs };
      return { ...base, state: now < thereMs + STILL_THERE_MIN * MINUTE ? 'in line or unloading' : 'waits loaded', likelyMs: thereMs, leaveByMs };
    });
}

const roadOf = (sheet: HaulSheet, place: string): number => sheet.roadMin[place] ?? 5;

/** The buyer that this truck, or else any truck, went to last; null where trucks go home. */
function buyerOf(farm: Farm, haul: HaulAnswer, truck: string): string | null {
  const deliveries = farm.data.tape.flatMap(({ entry, voided }) => (!voided && entry.type === 'move' && farm.place(entry.from)?.kind === 'truck' ? [entry] : []));
  const last = deliveries.find((entry) => entry.from === truck) ?? deliveries[0];
  const to = last?.to ?? Object.keys(haul.times).find((place) => farm.place(place)?.kind === 'buyer');
  return to !== undefined && farm.place(to)?.kind === 'buyer' ? to : null;
}

/** Delays that are not over yet, newest first. */
export function delaysNow(
  farm: Farm,
  notebook: Notebook,
): {
  readonly id: string;
  readonly link: string;
  readonly machineId?: string;
  readonly untilMs: number;
  readonly minutes: number;
  readonly reason?: string;
  readonly by: string;
  readonly at: string;
}[] {
  return notebook.notes.flatMap((note) => {
    if (note.kind !== 'delay' || note.voided) return [];
    const { id, link, machineId, minutes, reason, at } = note.body;
    const untilMs = Date.parse(at) + minutes * MINUTE;
    return untilMs > farm.data.now
      ? [{ id, link, minutes, untilMs, by: note.by, at, ...(machineId === undefined ? {} : { machineId }), ...(reason === undefined ? {} : { reason }) }]
      : [];
  });
}

export interface ChainChoice {
  readonly to: HaulTo;
  /** Minutes that a truck waits for others there. */
  readonly lineMin: number;
}

/** A line that nobody said anything of. */
export const USUAL_LINE_MIN = 15;

/** Where else the day's loads could go: home, and the buyers that take this crop as wet as it is. */
export function elsewhere(farm: Farm, notebook: Notebook, haul: HaulAnswer, rows: readonly FieldRow[], sheet: HaulSheet, to: HaulTo): Elsewhere[] {
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const home = farm.data.places.some((place) => place.kind === 'wetBin') ? [{ name: 'home', to: { kind: 'home', buyerId: '' } as HaulTo }] : [];
  const all = [...home, ...buyers.map(({ id, name }) => ({ name, to: { kind: 'elevator', buyerId: id } as HaulTo }))];
  const crop = cropCut(rows);
  const takes = (buyerId: string): boolean => {
    const own = windowFor(notebook, crop, buyerId);
    // A buyer with windows for other crops only does not take this one.
    if (!own && Object.keys(notebook.windows).some((subject) => subject.endsWith(`@${buyerId}`))) return false;
    const { refuseAbove } = (own ?? windowFor(notebook, crop, null))?.sheet ?? {};
    return refuseAbove === undefined || (cutLast(rows)?.lastMoisture?.moisture ?? 0) <= refuseAbove;
  };
  return all
    .filter((one) => one.to.buyerId !== to.buyerId && (one.to.kind === 'home' || takes(one.to.buyerId)))
    .flatMap(({ name, to: there }) => {
      const built = chainNow(farm, notebook, haul, rows, sheet, { to: there, lineMin: USUAL_LINE_MIN });
      return built ? [{ name, destination: built.chain.destination, roadMin: built.chain.roadMin, backMin: built.chain.backMin, unloadMin: built.chain.unloadMin }] : [];
    });
}

/** The field that was cut last. */
export const cutLast = (rows: readonly FieldRow[]): FieldRow | undefined => rows.filter((row) => row.lastCut !== null).sort((a, b) => (a.lastCut! < b.lastCut! ? 1 : -1))[0];
/** The crop that is cut, by the field that was last. */
export const cropCut = (rows: readonly FieldRow[]): string => cutLast(rows)?.lot.crop ?? 'corn';

/** The chain as the book, the sheets and the reported delays have it. Null where the farm has no combine or nobody knows its rate. */
export function chainNow(
  farm: Farm,
  notebook: Notebook,
  haul: HaulAnswer,
  rows: readonly FieldRow[],
  sheet: HaulSheet,
  choice: ChainChoice,
): { readonly chain: ChainNow; readonly crop: string; readonly field: string | null } | null {
  const { now } = farm.data;
  const midnight = startOfDay(now, farm.data.farm.timeZone);
  const minute = (ms: number): number => Math.min(4320, Math.max(0, (ms - midnight) / MINUTE));
  const of = (kind: string) => farm.data.places.filter((place) => place.kind === kind);
  const bu = (id: string): number => farm.bushels(farm.held(id).wetLots);
  const combines = of('combine');
  const rate = bushelsPerHour(farm, notebook);
  if (combines.length === 0 || !(rate >= 1)) return null;
  const current = cutLast(rows);
  const crop = cropCut(rows);
  // What still stands of everything that is cut today; nobody expects a yield somewhere, or measured it: it lasts the day.
  const wetLeft = (fact: FieldFacts): number => {
    const base = fact.crop.baseMoisture;
    return fact.expected === null || fact.row.lot.acres === 0 ? 1e6 : (fact.acresLeft * fact.expected * (1 - base)) / (1 - (fact.row.lastMoisture?.moisture ?? base));
  };
  const cut = fieldFacts(farm, rows, notebook).filter((fact) => fact.cuttingToday || fact.row === current);
  const fieldLeft =
    cut.length === 0
      ? 1e6
      : Math.min(
          1e6,
          cut.reduce((sum, fact) => sum + wetLeft(fact), 0),
        );
  const delays = delaysNow(farm, notebook);
  const until = (link: string, machineId: string): { stoppedUntil?: number } => {
    const own = delays.filter((delay) => delay.link === link && (delay.machineId === undefined || delay.machineId === machineId)).map((delay) => minute(delay.untilMs));
    return own.length === 0 ? {} : { stoppedUntil: Math.max(...own) };
  };
  const trucks = trucksNow(farm, notebook, haul, sheet, crop).map((truck): ChainNow['trucks'][number] => {
    const late = delays.filter((delay) => delay.link === 'trucks' && (delay.machineId === undefined || delay.machineId === truck.id)).map((delay) => minute(delay.untilMs));
    const capacity = Math.max(1, truck.capacity);
    const base = { id: truck.name, capacity, holds: truck.bushels };
    if (late.length > 0) return truck.bushels >= LOADED * capacity ? { ...base, where: 'out', at: Math.max(...late) } : { ...base, where: 'back', at: Math.max(...late) };
    if (truck.state === 'on the way out') return { ...base, where: 'out', at: minute(truck.likelyMs!) };
    if (truck.state === 'in line or unloading') return { ...base, where: 'out', at: minute(now) };
    if (truck.state === 'on the way back') return { ...base, where: 'back', at: minute(truck.likelyMs!) };
    return { ...base, where: 'field' };
  });
  const road = choice.to.kind === 'elevator' ? roadOf(sheet, choice.to.buyerId) : roadOf(sheet, 'home');
  const hours = choice.to.kind === 'elevator' ? closesAt(farm, notebook, crop, choice.to.buyerId) : null;
  const wet = of('wetBin')[0];
  const lateLine = delays.filter((delay) => delay.link === 'line' || delay.link === 'pit' || delay.link === 'hours').reduce((sum, delay) => sum + delay.minutes, 0);
  const dryerStops = delays.filter((delay) => delay.link === 'dryer').map((delay) => minute(delay.untilMs));
  const moisture = current?.lastMoisture?.moisture ?? 0.18;
  const next = notebook.nextField?.sheet;
  const dryerPerHour = next && moisture > next.dryTo + 0.002 ? Math.min(50_000, next.bushelPointsPerHour / (100 * (moisture - next.dryTo))) : 50_000;
  const binRoom = farm.data.places
    .filter((place) => (place.kind === 'bin' || place.kind === 'pile') && place.capacityBu !== null)
    .filter((place) => {
      const held = farm.cropOf(farm.held(place.id).lots);
      return held === undefined || held === crop;
    })
    .reduce((sum, place) => sum + Math.max(0, place.capacityBu! - bu(place.id)), 0);
  return {
    crop,
    field: current?.lot.fieldName ?? null,
    chain: {
      now: minute(now),
      until: Math.max(EVENING, minute(now) + LATE_MIN),
      fieldLeft,
      combines: combines.map((combine) => ({ bushelsPerHour: rate / combines.length, tank: combine.capacityBu ?? 300, holds: bu(combine.id), ...until('combine', combine.id) })),
      carts: of('cart').map((cart) => ({ capacity: Math.max(cart.capacityBu ?? 1000, bu(cart.id)), holds: bu(cart.id), ...until('cart', cart.id) })),
      trucks,
      loadMin: sheet.loadMin,
      tarpMin: sheet.tarpMin,
      roadMin: road,
      backMin: road,
      unloadMin: choice.to.kind === 'elevator' ? sheet.unloadMin : Math.min(sheet.unloadMin, 6),
      destination:
        choice.to.kind === 'elevator'
          ? { kind: 'elevator', opens: hours?.opens ?? 0, closes: hours?.closes ?? 1440, lineMin: Math.min(1440, choice.lineMin + lateLine) }
          : {
              kind: 'home',
              wetBin: wet?.capacityBu ?? 3000,
              wetBinHolds: wet ? Math.min(wet.capacityBu ?? Infinity, bu(wet.id)) : 0,
              dryerPerHour,
              binRoom: Math.min(1e6, binRoom),
              ...(dryerStops.length > 0 ? { dryerStoppedUntil: Math.max(...dryerStops) } : {}),
            },
    },
  };
}
