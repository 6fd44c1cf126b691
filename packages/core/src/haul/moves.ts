import { type Formula, median, metersBetween, type Point, quantity, requireInRange, within } from '../kernel/index.js';
import type { RigMove, RigRoad } from '../records/index.js';

const SPEED = quantity('road speed', 0.5, 30, 'm/s');
const METERS = quantity('way as the crow flies', 0, 200_000, 'm');

export const ROAD_MINUTES: Formula = {
  id: 'road-minutes',
  title: 'Minutes from field to field',
  equation: 'minutes = 4/pi x straight way / road speed',
  standing: 'computed',
  source: 'Geometry: on a square grid of roads a way of any direction is 4/π of the straight one, on the mean',
  inputs: [METERS, SPEED],
  note: 'The farm’s own times stand above it, from the first move on.',
};

/** Mean of |cos| + |sin|: what a grid of section roads adds to the straight way. */
const DETOUR = 4 / Math.PI;

/**
 * Minutes that a machine needs on section roads.
 * Range and source: {@link ROAD_MINUTES}.
 * @param meters straight @param speed m/s
 * @example 5 miles (8,047 m) apart at 18 mph (8.05 m/s): 21 min
 */
export const roadMinutes = (meters: number, speed: number): number =>
  (DETOUR * within(METERS, meters)) / within(SPEED, speed) / 60;

/** How a machine goes where nobody said it: a combine with its head on the cart, a cart behind its tractor. Common practice, no source. */
export const USUAL_RIG: Readonly<Record<'combine' | 'cart', RigRoad>> = {
  combine: { width: 4.3, speed: 8, readyMin: 25, headOnCart: true, escort: true },
  cart: { width: 3.7, speed: 8.9, readyMin: 5, headOnCart: false, escort: false },
};

/** A machine that goes from field to field, as it stands now. */
export interface Rig {
  readonly placeId: string;
  readonly kind: 'combine' | 'cart';
  readonly road: RigRoad;
  /** nobody said how it goes: the usual stands */
  readonly assumed: boolean;
  /** lot that it is in; null: the yard, or nobody knows */
  readonly lotId: string | null;
  readonly driver: string | null;
  /** the head that is on, where it has one */
  readonly head: string | null;
}

/** A field of the day's plan, the one that is cut now first. */
export interface MoveStop {
  readonly lotId: string;
  /** until it is cut with all that cut it; null: nobody knows */
  readonly hours: number | null;
  readonly spot: Point | null;
}

/** Somebody of the crew and the pickup that he came with, each where they were last. */
export interface CrewSpot {
  readonly name: string;
  readonly lotId: string | null;
  readonly vehicle: string | null;
  readonly vehicleLotId: string | null;
}

export interface RigTrip {
  readonly rig: Rig;
  readonly fromLotId: string | null;
  /** ms; null where nobody knows when the field before is done */
  readonly leavesMs: number | null;
  readonly minutes: number | null;
  /** own: this machine was timed on this way before; straight: by its speed and the way */
  readonly minutesBy: 'own' | 'straight' | null;
  /** moves that it was timed on */
  readonly timed: number;
  readonly arrivesMs: number | null;
  /** it would be on the road before sunrise or after sunset, or within half an hour of them */
  readonly light: 'day' | 'dusk' | 'dark' | null;
}

export interface FieldMove {
  readonly fromLotId: string | null;
  readonly toLotId: string;
  /** when the field before is cut, ms; null: nobody knows, or not today */
  readonly doneMs: number | null;
  /** the field before is not cut before the day ends */
  readonly notToday: boolean;
  readonly trips: readonly RigTrip[];
  /** who drives ahead or behind; null where nobody is free */
  readonly escort: { readonly name: string; readonly vehicle: string } | null;
  readonly escortWanted: boolean;
  /** pickups that go along, so that there is a ride back */
  readonly along: readonly string[];
  /** people who stand at the next field without a ride */
  readonly noRide: readonly string[];
  /** by when the last machine must leave to be there by daylight, ms; null: no day's end is known */
  readonly leaveByMs: number | null;
}

/** Wide machines are slow to see: the last half hour of daylight counts as dusk. Common practice, no source. */
const DUSK_MS = 30 * 60_000;
/** People that a pickup takes. Common practice, no source. */
const SEATS = 5;

/** Sunrise and sunset of a day, ms. */
export interface SunOfDay {
  readonly riseMs: number;
  readonly setMs: number;
}

/** Light on the whole way: the worst of it counts. */
function lightOf(fromMs: number, toMs: number, { riseMs, setMs }: SunOfDay): NonNullable<RigTrip['light']> {
  if (fromMs < riseMs || toMs > setMs) return 'dark';
  return fromMs < riseMs + DUSK_MS || toMs > setMs - DUSK_MS ? 'dusk' : 'day';
}

interface Timed {
  readonly minutes: number;
  readonly by: 'own' | 'straight';
  readonly timed: number;
}

/** Minutes of a way: the farm's own for this machine there or back, of any machine of its kind, else by the straight way. */
function timeOf(rig: Rig, from: MoveStop | null, to: MoveStop, own: readonly RigMove[], kinds: ReadonlyMap<string, string>): Timed | null {
  const ends = new Set([from?.lotId, to.lotId]);
  const way = own.filter(({ fromLot, toLot }) => ends.has(fromLot) && ends.has(toLot) && fromLot !== toLot);
  const minutesOf = ({ at, leftAt }: RigMove): number => (Date.parse(at) - Date.parse(leftAt)) / 60_000;
  const mine = way.filter(({ placeId }) => placeId === rig.placeId);
  const alike = mine.length > 0 ? mine : way.filter(({ placeId }) => kinds.get(placeId) === rig.kind);
  if (alike.length > 0) return { minutes: median(alike.map(minutesOf)), by: 'own', timed: alike.length };
  if (!from?.spot || !to.spot) return null;
  return { minutes: roadMinutes(metersBetween(from.spot, to.spot), rig.road.speed), by: 'straight', timed: 0 };
} // prettier-ignore

const HOUR_MS = 3_600_000;
export type CutFor = (fromMs: number, hours: number) => number | null;
/** Nothing holds the combines back. */
export const unhindered: CutFor = (fromMs, hours) => fromMs + hours * HOUR_MS;

/**
 * When so many hours of cutting are over, where the chain holds the combines back; null where its day ends first.
 * @param byMinute hours of cutting until each minute from `nowMs` on, see `cuttingHours`
 */
export function cutForBy(byMinute: readonly number[], nowMs: number): CutFor {
  const last = byMinute.length - 1;
  const at = (minute: number): number => {
    if (minute <= 0) return 0;
    const whole = Math.floor(minute);
    if (whole >= last) return byMinute[last]!;
    return byMinute[whole]! + (minute - whole) * (byMinute[whole + 1]! - byMinute[whole]!);
  };
  return (fromMs, hours) => {
    const target = at((fromMs - nowMs) / 60_000) + hours;
    if (target > byMinute[last]! + 1e-9) return null;
    const minute = byMinute.findIndex((worked) => worked >= target - 1e-9);
    const [before, after] = [byMinute[Math.max(0, minute - 1)]!, byMinute[minute]!];
    const part = after > before ? (target - before) / (after - before) : 1;
    return Math.max(fromMs, nowMs + Math.max(0, minute - 1 + Math.min(1, Math.max(0, part))) * 60_000);
  };
}

/**
 * The day's moves in their order: each machine with its head, width and escort, when it leaves and arrives, whether by daylight, and who is left
 * without a ride. Combines leave first; a cart when the last tank is in it.
 * @param stops the field that is cut now, then those that come next @param own moves that were timed, newest first
 * @param sunOf sunrise and sunset of the day of a moment, ms; null where nobody knows where the farm is
 */
export function movesOfDay(input: {
  readonly rigs: readonly Rig[];
  readonly stops: readonly MoveStop[];
  readonly own: readonly RigMove[];
  readonly crew: readonly CrewSpot[];
  readonly nowMs: number;
  readonly sunOf: (ms: number) => SunOfDay | null;
  /** when so many hours of cutting from a moment on are over, null where the day ends first; left out: nothing holds the combines back */
  readonly cutFor?: CutFor;
}): FieldMove[] {
  const { rigs, stops, own, nowMs, sunOf, cutFor = unhindered } = input;
  requireInRange('fields of the plan', stops.length, 0, 100, '');
  const kinds = new Map(rigs.map(({ placeId, kind }) => [placeId, kind]));
  const hoursOn = (fromMs: number | null, hours: number | null): number | null =>
    fromMs === null || hours === null ? null : cutFor(fromMs, requireInRange('hours', hours, 0, 10_000, 'h'));
  let crew = input.crew;
  let doneMs = hoursOn(nowMs, stops[0]?.hours ?? null);
  let notToday = doneMs === null && (stops[0]?.hours ?? null) !== null;
  const moves: FieldMove[] = [];
  for (let i = 1; i < stops.length; i++) {
    const [before, to] = [stops[i - 1]!, stops[i]!];
    const order = [...rigs].sort((a, b) => Number(a.kind === 'cart') - Number(b.kind === 'cart'));
    const trips = order.map((rig): RigTrip => {
      // The first move of a machine begins where it stands; from then on they go together.
      const fromLotId = i === 1 ? rig.lotId : before.lotId;
      const from = fromLotId === null ? null : (stops.find(({ lotId }) => lotId === fromLotId) ?? null);
      const time = fromLotId === to.lotId ? { minutes: 0, by: 'own' as const, timed: 0 } : timeOf(rig, from, to, own, kinds); // prettier-ignore
      const ready = rig.road.readyMin * 60_000;
      const leavesMs = doneMs === null ? null : doneMs + ready / 2;
      const arrivesMs = leavesMs === null || time === null ? null : leavesMs + time.minutes * 60_000;
      const sun = leavesMs === null ? null : sunOf(leavesMs);
      const light = sun === null || leavesMs === null || arrivesMs === null ? null : lightOf(leavesMs, arrivesMs, sun);
      return { rig, fromLotId, leavesMs, minutes: time?.minutes ?? null, minutesBy: time?.by ?? null, timed: time?.timed ?? 0, arrivesMs, light }; // prettier-ignore
    });
    const going = trips.filter(({ fromLotId }) => fromLotId !== to.lotId);
    const drivers = new Set(going.flatMap(({ rig }) => rig.driver ?? []));
    const there = crew.filter(({ name, lotId }) => drivers.has(name) || lotId === before.lotId);
    const escortWanted = going.some(({ rig }) => rig.road.escort);
    const pickups = crew.filter(({ vehicle, vehicleLotId }) => vehicle !== null && vehicleLotId === before.lotId);
    // Whoever steers no machine can drive a pickup ahead: his own, or any that stands there.
    const free = there.find(({ name }) => !drivers.has(name));
    const ridden = free && (pickups.find(({ name }) => name === free.name) ?? pickups[0]);
    const escort = escortWanted && free && ridden ? { name: free.name, vehicle: ridden.vehicle! } : null;
    const known = new Set(crew.filter(({ vehicleLotId }) => vehicleLotId === to.lotId).map(({ vehicle }) => vehicle));
    const seats = SEATS * (known.size + (escort ? 1 : 0));
    const rest = there.length - seats;
    // Each pickup that is still wanted is driven by somebody who comes back for his machine, or fetched later.
    const fetched = rest <= 0 ? [] : pickups.filter(({ vehicle }) => vehicle !== escort?.vehicle).slice(0, Math.ceil(rest / SEATS)); // prettier-ignore
    const along = [...(escort ? [escort.vehicle] : []), ...fetched.map(({ vehicle }) => vehicle!)];
    const carried = seats + SEATS * fetched.length;
    const arrivals = going.flatMap(({ arrivesMs, minutes }) => (arrivesMs === null || minutes === null ? [] : [{ arrivesMs, minutes }])); // prettier-ignore
    const longest = Math.max(0, ...arrivals.map(({ minutes }) => minutes));
    const sun = sunOf(doneMs ?? nowMs);
    moves.push({
      fromLotId: before.lotId,
      toLotId: to.lotId,
      doneMs,
      notToday,
      trips: going,
      escort,
      escortWanted,
      along,
      noRide: carried >= there.length ? [] : there.slice(carried).map(({ name }) => name),
      leaveByMs: sun === null || arrivals.length === 0 ? null : sun.setMs - longest * 60_000,
    });
    crew = crew.map((one) => ({
      ...one,
      lotId: there.includes(one) ? to.lotId : one.lotId,
      vehicleLotId: one.vehicle !== null && along.includes(one.vehicle) ? to.lotId : one.vehicleLotId,
    }));
    // Cutting goes on when the last combine is there and its head is on.
    const ready = trips.filter(({ rig }) => rig.kind === 'combine').map(({ rig, arrivesMs }) => (arrivesMs === null ? null : arrivesMs + rig.road.readyMin * 30_000)); // prettier-ignore
    const begins = ready.length === 0 || ready.includes(null) ? null : Math.max(...(ready as number[]));
    doneMs = hoursOn(begins, to.hours);
    notToday ||= begins !== null && to.hours !== null && doneMs === null;
  }
  return moves;
}
