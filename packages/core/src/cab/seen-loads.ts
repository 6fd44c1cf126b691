import { type Entry, type HarvestEntry, instantOf } from '../ledger/index.js';
import { type FlowMoment, tankByFlow } from '../cut/index.js';
import { type PhonePosition, POOR_METERS } from '../fields/index.js';
import {
  axleByAxle,
  curveLoads,
  type ScaleReading,
  STILL_CART,
  STILL_TRUCK_SCALE,
  type StillRule,
} from '../haul/index.js';
import type { SeenKind, SeenLoadRecord, SelfRecording } from '../records/index.js';
import { type Formula, insideRing, metersBetween, type Point, quantity } from '../kernel/index.js';

/** Where a machine was. */
export interface TrackPoint extends PhonePosition {
  readonly atMs: number;
}

/** A machine with what its devices said, each in order of time. */
export interface SeenMachine {
  readonly placeId: string;
  readonly kind: 'combine' | 'cart' | 'truck';
  readonly track: readonly TrackPoint[];
  /** of the scale under a cart, its zero taken off */
  readonly weights?: readonly ScaleReading[];
  readonly rule?: StillRule;
  /** of a combine's display */
  readonly flows?: readonly FlowMoment[];
}

/** A place where trucks are emptied: a pit, a buyer's yard. */
export type SeenYard = SelfRecording['yards'][number];

export interface SeenInput {
  readonly machines: readonly SeenMachine[];
  /** lots that may be cut, with the edges of their fields; a field that nobody drew has none */
  readonly lots: readonly { readonly lotId: string; readonly rings: readonly (readonly Point[])[] }[];
  readonly yards: readonly SeenYard[];
  /** of the farm's own truck scale; left out: it has none on the wire */
  readonly bridge?: readonly ScaleReading[];
  /** what the book had in a place at an instant, and what was asked about and not answered yet, wet kg */
  readonly heldKg: (placeId: string, atMs: number) => number;
  /** Infinity where nobody knows */
  readonly capacityKg: (placeId: string) => number;
  /** it was entered, by a machine or by somebody, or asked about: it is not told again */
  readonly known: (load: SeenLoad) => boolean;
  /** when the book last emptied a combine's tank before an instant, ms; 0: it does not know */
  readonly emptiedMs: (combineId: string, beforeMs: number) => number;
  /** which lot a combine cut last by the book */
  readonly lastLot: (combineId: string) => string | null;
  /** what a truck weighs empty, kg; null: nobody weighed it */
  readonly emptyKg: (truckId: string) => number | null;
}

export type SeenWhy =
  | 'all agree'
  | 'nobody beside it'
  | 'two beside it'
  | 'position is poor'
  | 'field is not known'
  | 'two fields'
  | 'display differs'
  | 'moisture is not known'
  | 'more than it holds'
  | 'more than it had'
  | 'not weighed'
  | 'scale differs';

/** A load that machines saw. Sure ones are entered; of the others somebody is asked. */
export interface SeenLoad {
  /** cut: off the field into a cart; dump: from a machine into another; yard: a truck was emptied */
  readonly kind: SeenKind;
  /** the machine whose scale or way shows it */
  readonly machineId: string;
  readonly atMs: number;
  readonly fromMs: number;
  /** null: not known */
  readonly from: string | null;
  readonly to: string | null;
  readonly lotId: string | null;
  /** wet kg; null: all of it */
  readonly kg: number | null;
  /** wet-basis fraction by the display; null: not known */
  readonly moisture: number | null;
  /** what the display counted, kg; null: it was silent */
  readonly displayKg: number | null;
  /** nothing of it stayed */
  readonly emptied: boolean;
  readonly sure: boolean;
  readonly why: SeenWhy;
}

export const SEEN_LOADS: Formula = {
  id: 'seen-loads',
  title: 'Loads that record themselves',
  equation:
    'a cart’s still weights differ: a load; from the combine, or into the truck, that stood within 25 m, the next one at least twice as far and 12 m farther; field: nine tenths of where it cut lie in its edge; sure where display and scale differ by at most 15 %',
  standing: 'common practice',
  source: 'No printed source. Positions are a receiver’s own, taken only where it says to be within 40 m',
  inputs: [quantity('position', 0, POOR_METERS, 'm'), quantity('weight', 250, 60_000, 'kg')],
  note: 'What is in doubt is asked and never entered: a load that nobody saw shows as a gap in the balance.',
};

/** Beside each other, m: an auger is some ten meters long. */
const BESIDE = 25;
const APART = 12;
/** Two positions are of the same moment, ms. */
const SAME_MS = 20_000;
/** A cart stands beside the other one so long before and after, ms. */
const STANDS_MS = 12_000;
/** Positions that tell of a load at all. */
const LEAST_POINTS = 2;
/** Share of where it cut that lies in one field. */
const IN_FIELD = 0.9;
const DISPLAY_AGREES = 0.15;
const BRIDGE_AGREES = 0.05;
/** Of what it holds level. */
const HEAP = 1.1;
/** What sticks in a cart's corners, kg. */
const STAYS = 150;
/** A truck is emptied in no less, and stands no longer without being parked. */
const YARD_LEAST_MS = 3 * 60_000;
const YARD_MOST_MS = 90 * 60_000;
/** A load is told this late: whatever else saw it has spoken by then. */
export const SETTLES_MS = 60_000;
/** A tank that holds less than so much is empty to the book, kg. */
const LITTLE = 250;

/** Median distance of two tracks over a span, m; null where they say too little. */
function apart(a: SeenMachine, b: SeenMachine, fromMs: number, toMs: number): number | 'poor' | null {
  const found: number[] = [];
  let poor = 0;
  let k = 0;
  for (const p of a.track) {
    // It comes a moment before it pours, and stands a moment after.
    if (p.atMs < fromMs - STANDS_MS || p.atMs > toMs + STANDS_MS) continue;
    while (k + 1 < b.track.length && Math.abs(b.track[k + 1]!.atMs - p.atMs) <= Math.abs(b.track[k]!.atMs - p.atMs))
      k++;
    const q = b.track[k];
    if (!q || Math.abs(q.atMs - p.atMs) > SAME_MS) continue;
    if (p.accuracy > POOR_METERS || q.accuracy > POOR_METERS) poor++;
    else found.push(metersBetween([p.lon, p.lat], [q.lon, q.lat]));
  }
  if (found.length < LEAST_POINTS) return poor > 0 ? 'poor' : null;
  return found.sort((x, y) => x - y)[Math.floor(found.length / 2)]!;
}

/** Who stood beside a machine over a span. */
function beside(
  me: SeenMachine,
  others: readonly SeenMachine[],
  fromMs: number,
  toMs: number,
): { readonly machine: SeenMachine | null; readonly why: SeenWhy } {
  const ways = others.map((machine) => ({ machine, meters: apart(me, machine, fromMs, toMs) }));
  const near = ways
    .flatMap(({ machine, meters }) => (typeof meters === 'number' ? [{ machine, meters }] : []))
    .sort((a, b) => a.meters - b.meters);
  const [first, second] = near;
  // One that hardly knows where it is might be the one.
  const poor = ways.some(({ meters }) => meters === 'poor');
  if (!first || first.meters > BESIDE) return { machine: null, why: poor ? 'position is poor' : 'nobody beside it' };
  if (second && second.meters < Math.max(2 * first.meters, first.meters + APART))
    return { machine: first.machine, why: 'two beside it' };
  return { machine: first.machine, why: poor ? 'position is poor' : 'all agree' };
}

/** The lot that a combine cut between two instants, by where it was while grain came. */
function lotCut(
  combine: SeenMachine,
  lots: SeenInput['lots'],
  fromMs: number,
  toMs: number,
  last: string | null,
): { readonly lotId: string | null; readonly why: SeenWhy } {
  const drawn = lots.filter(({ rings }) => rings.length > 0);
  const cutting = (combine.flows ?? []).filter(({ atMs, flow }) => atMs > fromMs && atMs <= toMs && flow > 0);
  const times = cutting.map(({ atMs }) => atMs);
  const within = new Map<string, number>();
  let points = 0;
  let i = 0;
  for (const { atMs, lon, lat, accuracy } of combine.track) {
    if (atMs <= fromMs || atMs > toMs || accuracy > POOR_METERS) continue;
    while (i + 1 < times.length && times[i + 1]! <= atMs) i++;
    if (times[i] === undefined || Math.abs(times[i]! - atMs) > SAME_MS) continue;
    points++;
    for (const { lotId, rings } of drawn)
      if (rings.some((ring) => insideRing(ring, [lon, lat]))) within.set(lotId, (within.get(lotId) ?? 0) + 1);
  }
  if (points < LEAST_POINTS) return { lotId: last, why: 'field is not known' };
  const [best] = [...within].sort((a, b) => b[1] - a[1]);
  if (!best) return { lotId: last, why: 'field is not known' };
  return { lotId: best[0], why: best[1] >= IN_FIELD * points ? 'all agree' : 'two fields' };
}

const firstDoubt = (...reasons: readonly SeenWhy[]): SeenWhy => reasons.find((why) => why !== 'all agree') ?? 'all agree'; // prettier-ignore

/**
 * Loads that the farm's machines saw by themselves, in order of time. Range and source: {@link SEEN_LOADS}.
 * @param untilMs loads that ended later are not told yet
 */
export function seenLoads(input: SeenInput, untilMs: number): SeenLoad[] {
  const of = (kind: SeenMachine['kind']): SeenMachine[] => input.machines.filter((one) => one.kind === kind);
  const [combines, carts, trucks] = [of('combine'), of('cart'), of('truck')];
  /** What was seen after the book's own state, by place. */
  const moved = new Map<string, number>();
  const held = (placeId: string, atMs: number): number => Math.max(0, input.heldKg(placeId, atMs) + (moved.get(placeId) ?? 0)); // prettier-ignore
  /** kg that trucks had as they stood in a yard and left it, where it was asked whether they were emptied there. */
  const asked = new Map<string, number>();
  /** A truck that was asked about and holds more than it can by the book was emptied. */
  const inTruck = (placeId: string, atMs: number): number => {
    const kg = held(placeId, atMs);
    return kg > HEAP * input.capacityKg(placeId) ? Math.max(0, kg - (asked.get(placeId) ?? 0)) : kg;
  };
  /** A heap of it stands over the rim; what does not fit on top of a load that was asked about says that it is gone. */
  const fits = (placeId: string, kg: number, atMs: number): SeenWhy => kg > HEAP * input.capacityKg(placeId) - Math.max(0, held(placeId, atMs) - (asked.get(placeId) ?? 0)) ? 'more than it holds' : 'all agree'; // prettier-ignore
  /** Its weight counts for what comes after it, sure or not: that there was a load is beyond doubt. */
  const tell = (load: SeenLoad): boolean => {
    if (input.known(load)) return false;
    seen.push(load);
    return true;
  };
  const move = (placeId: string | null, kg: number): void => {
    if (placeId !== null) moved.set(placeId, (moved.get(placeId) ?? 0) + kg);
  };
  const emptied = new Map<string, number>();
  const seen: SeenLoad[] = [];
  const weighings = crossings(input.bridge ?? []);
  const taken = new Set<number>();

  const steps = carts
    .flatMap((cart) => curveLoads(cart.weights ?? [], cart.rule ?? STILL_CART).map((load) => ({ cart, load })))
    .filter(({ load }) => load.toMs <= untilMs - SETTLES_MS);
  const stays = trucks.flatMap((truck) => yardStays(truck, input.yards).filter(({ toMs }) => toMs <= untilMs - SETTLES_MS)); // prettier-ignore
  const events = [
    ...steps.map((step) => ({ atMs: step.load.toMs, step, stay: null })),
    ...stays.map((stay) => ({ atMs: stay.toMs, step: null, stay })),
  ].sort((a, b) => a.atMs - b.atMs);

  for (const { step, stay } of events) {
    if (stay) {
      const truckId = stay.truck.placeId;
      const had = inTruck(truckId, stay.fromMs);
      const load = yardLoad(stay, weighings, taken, input.emptyKg(truckId), had);
      if (load?.sure) asked.delete(truckId);
      else if (load) asked.set(truckId, (asked.get(truckId) ?? 0) + had);
      if (load && tell(load) && load.sure) move(load.from, -had);
      continue;
    }
    const { cart, load } = step;
    const { fromMs, toMs: atMs, kg } = load;
    const common = { machineId: cart.placeId, atMs, fromMs, kg };
    const none = { lotId: null, moisture: null, displayKg: null };
    if (load.kind === 'unloaded') {
      const { machine, why } = beside(cart, trucks, fromMs, atMs);
      const had = held(cart.placeId, fromMs);
      const reason = firstDoubt(
        why,
        kg > HEAP * had + STAYS ? 'more than it had' : 'all agree',
        machine === null ? 'all agree' : fits(machine.placeId, kg, fromMs),
      );
      const emptiedIt = load.afterKg <= STAYS;
      if (!tell({ ...common, ...none, kind: 'dump', from: cart.placeId, to: machine?.placeId ?? null, emptied: emptiedIt, sure: reason === 'all agree', why: reason })) continue; // prettier-ignore
      move(cart.placeId, emptiedIt ? -had : -kg);
      move(machine?.placeId ?? null, kg);
      continue;
    }
    const { machine: combine, why } = beside(cart, combines, fromMs, atMs);
    const since = combine === null ? 0 : Math.max(emptied.get(combine.placeId) ?? 0, input.emptiedMs(combine.placeId, fromMs)); // prettier-ignore
    const tank = combine?.flows?.length ? tankByFlow(combine.flows.filter((one) => one.atMs <= atMs), since) : null; // prettier-ignore
    const counted = tank !== null && tank.fromMs !== null ? tank : null;
    if (combine) emptied.set(combine.placeId, atMs);
    // What the book has in the tank slept there: it is moved, not cut.
    const had = combine === null ? 0 : held(combine.placeId, fromMs);
    if (combine !== null && had > LITTLE && (counted?.kg ?? 0) < 0.5 * kg) {
      const reason = firstDoubt(why, Math.abs(kg - had) > DISPLAY_AGREES * had ? 'display differs' : 'all agree');
      if (!tell({ ...common, ...none, kind: 'dump', from: combine.placeId, to: cart.placeId, emptied: true, sure: reason === 'all agree', why: reason })) continue; // prettier-ignore
      move(combine.placeId, -had);
      move(cart.placeId, kg);
      continue;
    }
    const field = combine === null ? { lotId: null, why: 'field is not known' as const } : lotCut(combine, input.lots, since, atMs, input.lastLot(combine.placeId)); // prettier-ignore
    const reason = firstDoubt(
      why,
      field.why,
      counted === null || counted.moisture === null ? 'moisture is not known' : 'all agree',
      counted !== null && Math.abs(counted.kg - kg) > DISPLAY_AGREES * kg ? 'display differs' : 'all agree',
      // Its own scale knows what is in it better than the book, which may wait for an answer.
      load.afterKg > HEAP * input.capacityKg(cart.placeId) ? 'more than it holds' : 'all agree',
    );
    const sure = reason === 'all agree';
    const seenCut = { from: combine?.placeId ?? null, to: cart.placeId, lotId: field.lotId, moisture: counted?.moisture ?? null, displayKg: counted?.kg ?? null }; // prettier-ignore
    if (tell({ ...common, ...seenCut, kind: 'cut', emptied: false, sure, why: reason })) move(cart.placeId, kg);
  }
  return seen;
}

interface Stay {
  readonly truck: SeenMachine;
  readonly yard: SeenYard;
  readonly fromMs: number;
  readonly toMs: number;
  readonly poor: boolean;
}

const isIn = (point: TrackPoint, yard: SeenYard): boolean => metersBetween([point.lon, point.lat], [yard.lon, yard.lat]) <= yard.radius; // prettier-ignore

/** Times that a truck stood in a yard and left it again. */
function yardStays(truck: SeenMachine, yards: readonly SeenYard[]): Stay[] {
  const stays: Stay[] = [];
  for (const yard of yards) {
    let began: TrackPoint | null = null;
    let last: TrackPoint | null = null;
    let poor = false;
    // Where it stands already as the track begins, nobody knows since when.
    const first = truck.track.findIndex((point) => !isIn(point, yard));
    for (const point of first < 0 ? [] : truck.track.slice(first)) {
      if (isIn(point, yard)) {
        if (began === null) [began, poor] = [point, false];
        poor ||= point.accuracy > POOR_METERS;
        last = point;
      } else if (began !== null && last !== null) {
        const span = last.atMs - began.atMs;
        if (span >= YARD_LEAST_MS && span <= YARD_MOST_MS) stays.push({ truck, yard, fromMs: began.atMs, toMs: last.atMs, poor }); // prettier-ignore
        began = null;
      }
    }
  }
  return stays;
}

/** Trucks that drove over the platform, by their axles. */
function crossings(bridge: readonly ScaleReading[]): { readonly atMs: number; readonly kg: number }[] {
  const runs: ScaleReading[][] = [];
  let quietSince = -Infinity;
  for (const reading of bridge) {
    const empty = reading.kg < AXLE_KG;
    if (!empty && reading.atMs - quietSince > BETWEEN_TRUCKS_MS) runs.push([]);
    if (!empty) quietSince = reading.atMs;
    runs.at(-1)?.push(reading);
  }
  return runs.flatMap((run) => {
    const { axles, sumKg } = axleByAxle(run, STILL_TRUCK_SCALE);
    return axles.length === 0 ? [] : [{ atMs: run[0]!.atMs, kg: sumKg }];
  });
}
const AXLE_KG = 300;
/** Between two axles of one truck it is shorter. */
const BETWEEN_TRUCKS_MS = 20_000;

/** A truck that came loaded, stood and left was emptied; its own scale says so for sure. Of several trucks each has the weighing next to its coming. */
function yardLoad(
  { truck, yard, fromMs, toMs, poor }: Stay,
  weighings: readonly { readonly atMs: number; readonly kg: number }[],
  taken: Set<number>,
  emptyKg: number | null,
  hadKg: number,
): SeenLoad | null {
  if (hadKg < 2 * LITTLE) return null;
  const there = weighings.filter(({ atMs }) => !taken.has(atMs) && atMs >= fromMs - SAME_MS && atMs <= toMs);
  const agrees = (kg: number): boolean => emptyKg !== null && Math.abs(kg - emptyKg - hadKg) <= BRIDGE_AGREES * hadKg;
  // The first one may be of the truck before it.
  const own = there.find(({ kg }) => agrees(kg)) ?? there[0];
  if (own) taken.add(own.atMs);
  const net = own && emptyKg !== null ? own.kg - emptyKg : null;
  const reason = firstDoubt(
    poor ? 'position is poor' : 'all agree',
    net === null ? 'not weighed' : agrees(own!.kg) ? 'all agree' : 'scale differs',
  );
  const sure = reason === 'all agree';
  const where = { machineId: truck.placeId, atMs: toMs, fromMs, from: truck.placeId, to: yard.placeId };
  return { kind: 'yard', ...where, lotId: null, kg: sure ? net : null, moisture: null, displayKg: null, emptied: true, sure, why: reason }; // prettier-ignore
}

/** Signs what machines wrote by themselves, in an entry's device. */
export const SEEN_SIGN = 'seen ';
/** The same load seen again: its end may be found a little earlier or later. */
const AGAIN_MS = 60_000;
/** Entries of people about a load are written so long before and after it. */
const TAPPED_BEFORE_MS = 3 * 60_000;
const TAPPED_AFTER_MS = 12 * 60_000;
const TAPPED_KG = 0.1;

/** Two findings of one load. */
export const sameSeenLoad = (a: Pick<SeenLoad, 'machineId' | 'atMs'>, b: Pick<SeenLoad, 'machineId' | 'atMs'>): boolean => a.machineId === b.machineId && Math.abs(a.atMs - b.atMs) < AGAIN_MS; // prettier-ignore

/** What tells a load from another one. */
type SeenFacts = Pick<SeenLoad, 'kind' | 'machineId' | 'from' | 'fromMs' | 'atMs' | 'kg'>;

/** A load that was asked about, as it was seen. */
export function seenOf({ kind, machineId, from, kg, at }: SeenLoadRecord): SeenFacts {
  const atMs = instantOf(at);
  return { kind, machineId, from: from ?? null, kg: kg ?? null, fromMs: atMs, atMs };
}

/** Is an entry of the book this load: written by itself, the answer to it, or tapped by somebody around its time with about its weight? */
export function isEntryOf(load: SeenFacts, entry: Entry): boolean {
  if (entry.type !== 'harvest' && entry.type !== 'move') return false;
  const into = entry.to === load.machineId && load.from !== load.machineId;
  if (!(load.kind === 'cut' ? into : into || (entry.type === 'move' && entry.from === load.machineId))) return false;
  const ms = instantOf(entry.at);
  if (Math.abs(ms - load.atMs) < AGAIN_MS) return true;
  if (entry.device?.startsWith(SEEN_SIGN) || ms < load.fromMs - TAPPED_BEFORE_MS || ms > load.atMs + TAPPED_AFTER_MS)
    return false;
  return entry.wetKg === undefined || load.kg === null || Math.abs(entry.wetKg - load.kg) <= TAPPED_KG * load.kg;
}

/**
 * Loads that entered by themselves and that somebody tapped as well, on a phone that was out of reach: his stays. Moves that two devices
 * wrote are joined by the book's own rule of twins.
 * @param entries living ones of the last hours
 * @returns ids of those that machines wrote
 */
export function tappedToo(entries: readonly Entry[]): string[] {
  const cuts = entries.filter((entry): entry is HarvestEntry => entry.type === 'harvest');
  const byHand = cuts.filter(({ device }) => !device?.startsWith(SEEN_SIGN));
  const taken = new Set<string>();
  return cuts
    .filter(({ device }) => device?.startsWith(SEEN_SIGN))
    .flatMap(({ id, at, to, wetKg }) => {
      const ms = instantOf(at);
      const load = { kind: 'cut' as const, machineId: to, from: null, fromMs: ms, atMs: ms, kg: wetKg };
      const twin = byHand.find((one) => !taken.has(one.id) && Math.abs(one.wetKg - wetKg) <= TAPPED_KG * wetKg && isEntryOf(load, one)); // prettier-ignore
      if (twin) taken.add(twin.id);
      return twin ? [id] : [];
    });
}
