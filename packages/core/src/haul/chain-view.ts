import { calendarDay, startOfDay } from '../kernel/index.js';
import { type FieldFacts, fieldFacts, type FieldRow } from '../fields/index.js';
import { takesCrop, windowAt, windowFor, timesFrom } from '../records/index.js';
import { baseMoistureOf, type FarmView, instantOf } from '../ledger/index.js';
import {
  type BuyerFacts,
  type HaulTimes,
  living,
  type RecordsOf,
  type SettingsOf,
  WEEKDAYS,
} from '../records/index.js';
import type { ChainNow, Elsewhere } from './chain.js';
import { bushelPointsAt, dryerOf } from '../dry/index.js';
import { machineRate } from './machine-rate.js';
import { USUAL_CART_DRIVE_MIN, USUAL_HOME_PIT } from './usual.js';
import type { HaulView } from './view.js';

/** Minutes of a farm that nobody asked yet; common practice, no source. */
export const USUAL_HAUL_TIMES: HaulTimes = {
  roadMin: {},
  loadMin: 6,
  tarpMin: 3,
  unloadMin: 10,
  othersPerHour: 2,
  lidsCloseBu: 300,
};
/** Home, where a name of a place is wanted. */
export const HOME = 'home';

/** What the combines bring in an hour of the field together, bu: each by its own rate; what somebody typed only where none has a profile. */
export function combineRate(farm: FarmView, records: HaulRecords, rows: readonly FieldRow[], crop: string): number {
  const rates = Object.keys(records.settings.combineProfile).map(
    (id) => machineRate(farm, records, rows, id, crop)?.inField ?? 0,
  );
  const sum = rates.reduce((a, b) => a + b, 0) / farm.kgPerBu(crop);
  return sum > 0 ? sum : (records.settings.nextFieldPlan.farm?.value.combineBushelsPerHour ?? 0);
}

/**
 * bu/h in a crop of each combine, over its hours in the field: one without a profile cuts like the mean of the others, or its part of what was
 * typed for all.
 */
export function combineRates(
  farm: FarmView,
  records: HaulRecords,
  rows: readonly FieldRow[],
  combines: readonly { readonly id: string }[],
  crop: string,
): number[] {
  const perBu = farm.kgPerBu(crop);
  const own = combines.map(({ id }) => {
    const found = machineRate(farm, records, rows, id, crop);
    return found === null ? null : found.inField / perBu;
  });
  const known = own.filter((one) => one !== null);
  const otherwise =
    known.length > 0
      ? known.reduce((a, b) => a + b, 0) / known.length
      : combineRate(farm, records, rows, crop) / Math.max(1, combines.length);
  return own.map((one) => one ?? otherwise);
}

/** Wet bushels that stand on so many acres of a field, as wet as its last reading; null where nobody expects a yield there. */
export function standingBushels(farm: FarmView, { crop, expected, row }: FieldFacts, acres: number): number | null {
  const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
  if (expected === null || row.lot.acres === 0) return null;
  return (acres * expected * (1 - base)) / (1 - (row.lastMoisture?.moisture ?? base));
}

/** Records that the hauling is worked out from. */
export type HaulRecords = RecordsOf<
  'delay' | 'settingsEntry' | 'lossCheck',
  'dryerSetup' | 'cuttingWindow' | 'nextFieldPlan' | 'combineProfile' | 'haulPlan'
> & { readonly settings: Partial<SettingsOf<'buyerFacts' | 'buyerRoads'>> };

/** Where a truck is, by the book and the usual times. */
export const TRUCK_STATES = ['empty', 'loading', 'loaded', 'out', 'unloading', 'back', 'down'] as const;
/** Nothing is broken. */
const NONE_DOWN: ReadonlyMap<string, string> = new Map();
export type TruckState = (typeof TRUCK_STATES)[number];

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

/** Where the loads go: as somebody said it, until it is said otherwise; else as the last truck went. */
export function loadsGoTo(
  farm: FarmView,
  records: RecordsOf<never, 'haulPlan'>,
): ChainChoice & { readonly said: boolean } {
  const plan = records.settings.haulPlan.farm?.value;
  if (plan === undefined) return { to: likelyTo(farm), lineMin: USUAL_LINE_MIN, said: false };
  return {
    to: plan.buyerId === undefined ? { kind: 'home', buyerId: '' } : { kind: 'elevator', buyerId: plan.buyerId },
    lineMin: plan.lineMin,
    said: true,
  };
}

/** Where trucks likely go: where one went last, or home where there is a wet bin. */
export function likelyTo(farm: FarmView): HaulTo {
  const last = farm.data.tape.flatMap(({ entry, voided }) =>
    !voided && entry.type === 'move' && farm.place(entry.from)?.kind === 'truck' ? [entry.to] : [],
  )[0];
  if (last !== undefined && farm.place(last)?.kind === 'buyer') return { kind: 'elevator', buyerId: last };
  if (farm.data.places.some((place) => place.kind === 'wetBin')) return { kind: 'home', buyerId: '' };
  const buyer = farm.data.places.find((place) => place.kind === 'buyer');
  return buyer ? { kind: 'elevator', buyerId: buyer.id } : { kind: 'home', buyerId: '' };
}

/**
 * A buyer's hours of a day, as somebody entered them for that day or its weekday; null where nobody did.
 * @param day of the farm's calendar
 */
export function hoursOn(
  facts: BuyerFacts | undefined,
  day: string,
): { readonly closed: boolean; readonly opens: number; readonly closes: number } | null {
  const exception = facts?.exceptions.find(({ on }) => on === day);
  if (exception) return exception;
  return facts?.hours[WEEKDAYS[new Date(`${day}T12:00:00Z`).getUTCDay()]!] ?? null;
}

/** Minute of the farm's day at which a buyer closes for a crop; null where nobody said. One who is closed today has closed at midnight. */
export function closesAt(
  farm: FarmView,
  records: HaulRecords,
  crop: string,
  buyerId: string,
): { readonly opens: number; readonly closes: number } | null {
  const own = hoursOn(
    records.settings.buyerFacts?.[buyerId]?.value,
    calendarDay(farm.data.now, farm.data.farm.timeZone),
  );
  if (own) return own.closed ? { opens: 0, closes: 0 } : { opens: 60 * own.opens, closes: 60 * own.closes };
  const window = (windowFor(records, crop, buyerId) ?? windowFor(records, crop, null))?.value;
  return window?.closesAt === undefined ? null : { opens: 60 * (window.opensAt ?? 0), closes: 60 * window.closesAt };
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
export function lastDepartures(farm: FarmView, records: HaulRecords, times: HaulTimes, crop: string): LastDeparture[] {
  const midnight = startOfDay(farm.data.now, farm.data.farm.timeZone);
  return farm.data.places
    .filter((place) => place.kind === 'buyer')
    .flatMap(({ id, name }) => {
      // His own hours for this crop; where he takes others only, theirs; else what is set for the crop everywhere.
      const others = Object.keys(records.settings.cuttingWindow).flatMap((subject) =>
        subject.endsWith(`@${id}`) ? [subject.slice(0, -id.length - 1)] : [],
      );
      const own = others.includes(crop) ? crop : others[0];
      const hours = closesAt(farm, records, own ?? crop, id);
      if (!hours) return [];
      const at = (minute: number): number => midnight + minute * MINUTE;
      return [
        {
          id,
          name,
          crop: own !== undefined && own !== crop ? own : null,
          opensMs: at(hours.opens),
          closesMs: at(hours.closes),
          leaveByMs: at(hours.closes - roadOf(times, id)),
        },
      ];
    })
    .sort((a, b) => a.leaveByMs - b.leaveByMs);
}

/**
 * Every truck: where it is by the book and by the usual times, what is on it, and since when.
 * @param down vessels whose machine is broken, with what broke: it stands where it is
 */
export function trucksNow(
  farm: FarmView,
  records: HaulRecords,
  haul: HaulView,
  times: HaulTimes,
  crop: string,
  down: ReadonlyMap<string, string> = NONE_DOWN,
): TruckNow[] {
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
        where: seen ? (farm.lot(seen.where)?.fieldName ?? farm.placeName(seen.where)) : '',
        likelyMs: null,
        leaveByMs: null,
      };
      const broke = down.get(place.id);
      if (broke !== undefined) return { ...base, state: 'down', where: broke };
      // What happened yesterday says where it stands, not where it drives.
      const today = seen !== undefined && seen.sinceMs >= midnight;
      if (bushels < 1) {
        const backMs = seen && seen.last === 'unloaded' ? seen.sinceMs + roadOf(times, seen.where) * MINUTE : null;
        if (today && backMs !== null && backMs > now) return { ...base, state: 'back', likelyMs: backMs };
        return { ...base, state: 'empty' };
      }
      const buyer = buyerOf(farm, haul, place.id);
      const hours = buyer === null ? null : closesAt(farm, records, crop, buyer);
      const road = buyer === null ? 0 : roadOf(timesFrom(times, records, loadedIn(farm, place.id, seen?.where)), buyer);
      const leaveByMs = hours === null ? null : midnight + (hours.closes - road) * MINUTE;
      if (bushels < LOADED * capacity) return { ...base, state: 'loading', leaveByMs };
      const leftMs = (seen?.sinceMs ?? now) + times.tarpMin * MINUTE;
      const thereMs = leftMs + road * MINUTE;
      if (buyer === null || !today) return { ...base, state: 'loaded', leaveByMs };
      if (now < leftMs) return { ...base, state: 'loaded', leaveByMs };
      if (now < thereMs) return { ...base, state: 'out', likelyMs: thereMs, leaveByMs };
      return {
        ...base,
        state: now < thereMs + STILL_THERE_MIN * MINUTE ? 'unloading' : 'loaded',
        likelyMs: thereMs,
        leaveByMs,
      };
    });
}

const roadOf = (times: HaulTimes, place: string): number => times.roadMin[place] ?? 5;

/** The field that a truck was loaded in; undefined for one that was loaded out of a bin, or where nobody knows. */
export function loadedIn(farm: FarmView, truckId: string, where: string | undefined): string | undefined {
  const kind = where === undefined ? undefined : farm.place(where)?.kind;
  const lot = farm.lot(where ?? '') ?? (kind === 'cart' || kind === 'combine' ? farm.lot(Object.entries(farm.held(truckId).wetLots).sort((a, b) => b[1] - a[1])[0]?.[0] ?? '') : undefined); // prettier-ignore
  return lot?.fieldId;
}

/** The buyer that this truck, or else any truck, went to last; null where trucks go home. */
function buyerOf(farm: FarmView, haul: HaulView, truck: string): string | null {
  const deliveries = farm.data.tape.flatMap(({ entry, voided }) =>
    !voided && entry.type === 'move' && farm.place(entry.from)?.kind === 'truck' ? [entry] : [],
  );
  const last = deliveries.find((entry) => entry.from === truck) ?? deliveries[0];
  const to = last?.to ?? Object.keys(haul.times).find((place) => farm.place(place)?.kind === 'buyer');
  return to !== undefined && farm.place(to)?.kind === 'buyer' ? to : null;
}

/** Delays that are not over yet, newest first. */
export function delaysNow(
  farm: FarmView,
  records: HaulRecords,
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
  return living(records.logs.delay).flatMap(({ body, by }) => {
    const { id, link, machineId, minutes, reason, at } = body;
    const untilMs = instantOf(at) + minutes * MINUTE;
    return untilMs > farm.data.now
      ? [
          {
            id,
            link,
            minutes,
            untilMs,
            by,
            at,
            ...(machineId === undefined ? {} : { machineId }),
            ...(reason === undefined ? {} : { reason }),
          },
        ]
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
export function elsewhere(
  farm: FarmView,
  records: HaulRecords,
  haul: HaulView,
  rows: readonly FieldRow[],
  times: HaulTimes,
  to: HaulTo,
  down: ReadonlyMap<string, string> = NONE_DOWN,
): Elsewhere[] {
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const home = farm.data.places.some((place) => place.kind === 'wetBin')
    ? [{ name: HOME, to: { kind: 'home', buyerId: '' } as HaulTo }]
    : [];
  const all = [...home, ...buyers.map(({ id, name }) => ({ name, to: { kind: 'elevator', buyerId: id } as HaulTo }))];
  const crop = cropCut(rows);
  const takes = (buyerId: string): boolean => {
    const { refuseAbove } = windowAt(records, crop, buyerId) ?? {};
    const dryEnough = refuseAbove === undefined || (cutLast(rows)?.lastMoisture?.moisture ?? 0) <= refuseAbove;
    return takesCrop(records, crop, buyerId) && dryEnough;
  };
  return all
    .filter((one) => one.to.buyerId !== to.buyerId && (one.to.kind === 'home' || takes(one.to.buyerId)))
    .flatMap(({ name, to: there }) => {
      const built = chainNow(farm, records, haul, rows, times, { to: there, lineMin: USUAL_LINE_MIN }, down);
      return built
        ? [
            {
              name,
              destination: built.chain.destination,
              roadMin: built.chain.roadMin,
              backMin: built.chain.backMin,
              unloadMin: built.chain.unloadMin,
            },
          ]
        : [];
    });
}

/** The field that was cut last. */
export const cutLast = (rows: readonly FieldRow[]): FieldRow | undefined =>
  rows.filter((row) => row.lastCut !== null).sort((a, b) => (a.lastCut! < b.lastCut! ? 1 : -1))[0];
/** The crop that is cut, by the field that was last. */
export const cropCut = (rows: readonly FieldRow[]): string => cutLast(rows)?.lot.crop ?? 'corn';

/**
 * The chain as the book, the sheets and the reported delays have it. Null where the farm has no combine that runs, or nobody knows its rate.
 * @param down vessels whose machine is broken: no part of the chain until it is mended
 */
export function chainNow(
  farm: FarmView,
  records: HaulRecords,
  haul: HaulView,
  rows: readonly FieldRow[],
  times: HaulTimes,
  choice: ChainChoice,
  down: ReadonlyMap<string, string> = NONE_DOWN,
): { readonly chain: ChainNow; readonly crop: string; readonly field: string | null } | null {
  const { now } = farm.data;
  const midnight = startOfDay(now, farm.data.farm.timeZone);
  const minute = (ms: number): number => Math.min(4320, Math.max(0, (ms - midnight) / MINUTE));
  const of = (kind: string) => farm.data.places.filter((place) => place.kind === kind && !down.has(place.id));
  const bu = (id: string): number => farm.bushels(farm.held(id).wetLots);
  const combines = of('combine');
  const current = cutLast(rows);
  const crop = cropCut(rows);
  const rates = combineRates(farm, records, rows, combines, crop);
  if (combines.length === 0 || !(rates.reduce((a, b) => a + b, 0) >= 1)) return null;
  // What still stands of everything that is cut today; where nobody expects a yield, or measured it, it lasts the day.
  const wetLeft = (fact: FieldFacts): number => standingBushels(farm, fact, fact.acresLeft) ?? 1e6;
  const cut = fieldFacts(farm, rows, records).filter((fact) => fact.cuttingToday || fact.row === current);
  const fieldLeft =
    cut.length === 0
      ? 1e6
      : Math.min(
          1e6,
          cut.reduce((sum, fact) => sum + wetLeft(fact), 0),
        );
  const delays = delaysNow(farm, records);
  const until = (link: string, machineId: string): { stoppedUntil?: number } => {
    const own = delays
      .filter((delay) => delay.link === link && (delay.machineId === undefined || delay.machineId === machineId))
      .map((delay) => minute(delay.untilMs));
    return own.length === 0 ? {} : { stoppedUntil: Math.max(...own) };
  };
  const running = trucksNow(farm, records, haul, times, crop, down).filter(({ state }) => state !== 'down');
  const trucks = running.map((truck): ChainNow['trucks'][number] => {
    const late = delays
      .filter((delay) => delay.link === 'trucks' && (delay.machineId === undefined || delay.machineId === truck.id))
      .map((delay) => minute(delay.untilMs));
    const capacity = Math.max(1, truck.capacity);
    const base = { id: truck.name, capacity, holds: truck.bushels };
    if (late.length > 0)
      return truck.bushels >= LOADED * capacity
        ? { ...base, where: 'out', at: Math.max(...late) }
        : { ...base, where: 'back', at: Math.max(...late) };
    if (truck.state === 'out') return { ...base, where: 'out', at: minute(truck.likelyMs!) };
    if (truck.state === 'unloading') return { ...base, where: 'out', at: minute(now) };
    if (truck.state === 'back') return { ...base, where: 'back', at: minute(truck.likelyMs!) };
    return { ...base, where: 'field' };
  });
  const here = timesFrom(times, records, current?.lot.fieldId);
  const road = roadOf(here, choice.to.kind === 'elevator' ? choice.to.buyerId : 'home');
  const hours = choice.to.kind === 'elevator' ? closesAt(farm, records, crop, choice.to.buyerId) : null;
  const wet = of('wetBin')[0];
  const lateLine = delays
    .filter((delay) => delay.link === 'line' || delay.link === 'pit' || delay.link === 'hours')
    .reduce((sum, delay) => sum + delay.minutes, 0);
  const dryerStops = delays.filter((delay) => delay.link === 'dryer').map((delay) => minute(delay.untilMs));
  const moisture = current?.lastMoisture?.moisture ?? 0.18;
  const dryer = dryerOf(records);
  const dryerPerHour =
    dryer && moisture > dryer.dryTo + 0.002
      ? Math.min(
          50_000,
          dryer.mostBushelsPerHour ?? Infinity,
          bushelPointsAt(dryer, 100 * (moisture - dryer.dryTo)) / (100 * (moisture - dryer.dryTo)),
        )
      : 50_000;
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
      combines: combines.map((combine, i) => ({
        bushelsPerHour: rates[i]!,
        tank: combine.capacityBu ?? 300,
        holds: bu(combine.id),
        ...until('combine', combine.id),
      })),
      carts: of('cart').map((cart) => ({
        capacity: Math.max(cart.capacityBu ?? 1000, bu(cart.id)),
        holds: bu(cart.id),
        ...until('cart', cart.id),
      })),
      trucks,
      loadMin: times.loadMin,
      ...(of('cart').length > 0 ? { cartDriveMin: USUAL_CART_DRIVE_MIN } : {}),
      tarpMin: times.tarpMin,
      roadMin: road,
      backMin: road,
      unloadMin:
        choice.to.kind === 'elevator'
          ? times.unloadMin
          : USUAL_HOME_PIT.dumpMin +
            (60 * trucks.reduce((sum, truck) => sum + truck.capacity, 0)) /
              Math.max(1, trucks.length) /
              USUAL_HOME_PIT.legPerHour,
      destination:
        choice.to.kind === 'elevator'
          ? {
              kind: 'elevator',
              opens: hours?.opens ?? 0,
              closes: hours?.closes ?? 1440,
              lineMin: Math.min(1440, choice.lineMin + lateLine),
            }
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
