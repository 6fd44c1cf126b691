import { type Formula, quantity, requireFinite, requireInRange } from '../kernel/index.js';
import type { SiteEquipment } from '../records/index.js';

const RATE = quantity('rate', 0, 100_000, 'bu/h');
const HOUR = 3_600_000;

export const ROUTES: Formula = {
  id: 'routes',
  title: 'A route and its weakest link',
  standing: 'common practice',
  source: 'no printed source',
  equation: 'rate of a route = the least rate of its machines; start the last machine first, stop the feeders first',
  inputs: [RATE],
  note: 'Two routes that share a machine cannot run together. Amps, belts and locks are the machine’s own book.',
};

export type SiteMachine = SiteEquipment['machines'][number];

/** A way of grain over machines from where it is fed to where it falls. */
export interface Route {
  /** Ids of machines and places, from the feeder to the place where it falls. */
  readonly path: readonly string[];
  /** bu/h of its weakest machine; null where nobody wrote a rate. */
  readonly rate: number | null;
  readonly weakest: string | null;
}

/** More ways than this from one place are a drawing error, not a bin site. */
const MOST_ROUTES = 200;
const LONGEST = 12;

const machineOf = (site: SiteEquipment, id: string): SiteMachine | undefined =>
  site.machines.find((one) => one.id === id);

/** A path as a route, with its weakest machine. */
export function routeOf(site: SiteEquipment, path: readonly string[]): Route {
  let rate: number | null = null;
  let weakest: string | null = null;
  for (const id of path) {
    const own = machineOf(site, id)?.rate;
    if (own === undefined) continue;
    requireInRange(`rate of ${id}`, own, RATE.least, RATE.most, 'bu/h');
    if (rate === null || own < rate) [rate, weakest] = [own, id];
  }
  return { path, rate, weakest };
}

/** Every way from a machine or place to the places where grain can fall, the fastest first. */
export function routesFrom(site: SiteEquipment, from: string): Route[] {
  const next = new Map<string, string[]>();
  for (const { from: a, to: b } of site.links) next.set(a, [...(next.get(a) ?? []), b]);
  const isMachine = new Set(site.machines.map(({ id }) => id));
  const found: Route[] = [];
  const walk = (path: readonly string[]): void => {
    const last = path.at(-1)!;
    // It falls where no machine takes it on: a bin, a pile, an overhead tank, a truck under a spout.
    if (path.length > 1 && !isMachine.has(last)) {
      found.push(routeOf(site, path));
      return;
    }
    if (path.length > LONGEST || found.length >= MOST_ROUTES) return;
    for (const to of next.get(last) ?? []) if (!path.includes(to)) walk([...path, to]);
  };
  walk([from]);
  return found.sort((a, b) => (b.rate ?? -1) - (a.rate ?? -1) || a.path.length - b.path.length);
}

/** The fastest way to each place that can be reached from here. */
export function bestRoutesFrom(site: SiteEquipment, from: string): Route[] {
  const all = routesFrom(site, from);
  return all.filter((route, i) => all.findIndex((one) => one.path.at(-1) === route.path.at(-1)) === i);
}

/** Where grain can be fed: what something is fed from and nothing feeds, and every place that feeds a machine. */
export function feedersOf(site: SiteEquipment): string[] {
  const fed = new Set(site.links.map(({ to }) => to));
  const isMachine = new Set(site.machines.map(({ id }) => id));
  return [...new Set(site.links.map(({ from }) => from))].filter((id) => !fed.has(id) || !isMachine.has(id));
}

/** Machines that two routes share: they cannot run together. */
export function sharedMachines(site: SiteEquipment, a: readonly string[], b: readonly string[]): string[] {
  return a.filter((id) => b.includes(id) && machineOf(site, id) !== undefined);
}

/** Last machine first: nothing is fed before what follows it runs. */
export const startOrder = (site: SiteEquipment, path: readonly string[]): SiteMachine[] =>
  path
    .flatMap((id) => machineOf(site, id) ?? [])
    .filter(({ driven }) => driven)
    .reverse();
/** Feeders first: what follows runs empty before it stops. */
export const stopOrder = (site: SiteEquipment, path: readonly string[]): SiteMachine[] =>
  startOrder(site, path).reverse();

/** A route that somebody set; an empty path closes what was set from there. */
export interface SetRoute {
  readonly atMs: number;
  readonly from: string;
  readonly path: readonly string[];
}

export interface RunningRoute extends Route {
  readonly from: string;
  /** Where grain falls now. */
  readonly to: string;
  readonly sinceMs: number;
}

/**
 * What is set now: of each feeder the newest; closed ones are left out. A path over what is no longer there is none. Where trucks dump comes
 * first, then what was set last.
 */
export function routesNow(site: SiteEquipment, set: readonly SetRoute[]): RunningRoute[] {
  const newest = new Map<string, SetRoute>();
  for (const one of set) {
    requireFinite('time', one.atMs, 'ms');
    const last = newest.get(one.from);
    if (last === undefined || one.atMs > last.atMs) newest.set(one.from, one);
  }
  const links = new Set(site.links.map(({ from, to }) => `${from} ${to}`));
  const isPit = ({ from }: RunningRoute): boolean => machineOf(site, from)?.kind === 'pit';
  return [...newest.values()]
    .flatMap(({ from, path, atMs }): RunningRoute[] =>
      path.length < 2 || path.some((id, i) => i > 0 && !links.has(`${path[i - 1]} ${id}`))
        ? []
        : [{ ...routeOf(site, path), from, to: path.at(-1)!, sinceMs: atMs }],
    )
    .sort((a, b) => Number(isPit(b)) - Number(isPit(a)) || b.sinceMs - a.sinceMs);
}

/** What a motor does, as its device said last. */
export interface MotorNow {
  readonly machineId: string;
  readonly running: boolean;
  /** of its full load; null where its device does not say */
  readonly load: number | null;
  readonly atMs: number;
}

export interface MotorAlarm {
  /** It stands while what feeds it runs. */
  readonly stopped: string;
  /** What must be stopped, the nearest feeder first. */
  readonly stop: readonly string[];
  readonly sinceMs: number;
}

/** A load above this is said: the belt slips before it stops. */
export const HIGH_LOAD = 1.05;

/**
 * A machine of a set route that stands while machines before it run: grain piles up in its boot, the belt burns. It alarms at once, with
 * what to stop. One that never reported is not taken to stand.
 */
export function motorAlarms(routes: readonly Pick<RunningRoute, 'path'>[], motors: readonly MotorNow[]): MotorAlarm[] {
  const state = new Map(motors.map((one) => [one.machineId, one]));
  const alarms = new Map<string, MotorAlarm>();
  for (const { path } of routes)
    path.forEach((id, i) => {
      const own = state.get(id);
      if (own === undefined || own.running) return;
      const running = path
        .slice(0, i)
        .filter((before) => state.get(before)?.running === true)
        .reverse();
      if (running.length > 0) alarms.set(id, { stopped: id, stop: running, sinceMs: own.atMs });
    });
  return [...alarms.values()].sort((a, b) => a.sinceMs - b.sinceMs);
}

/** An overhead tank that fills: when it is full, and whether a truck can be loaded from it now. */
export interface Filling {
  /** bu in it now, by its rate since the route was set */
  readonly bushels: number;
  readonly fullMs: number | null;
  readonly canLoad: boolean;
}

/**
 * Filling by rate while nobody is there.
 * @param heldBu bu by the book when the route was set @param truckBu bu of the next truck; null where nobody knows
 */
export function fillingOf(input: {
  readonly heldBu: number;
  readonly capacityBu: number;
  /** bu/h */
  readonly rate: number;
  readonly sinceMs: number;
  readonly nowMs: number;
  readonly truckBu: number | null;
}): Filling {
  const { sinceMs, nowMs, truckBu } = input;
  const heldBu = requireInRange('what it holds', input.heldBu, 0, 1e7, 'bu');
  const capacityBu = requireInRange('its size', input.capacityBu, 0, 1e7, 'bu');
  const rate = requireInRange('rate', input.rate, RATE.least, RATE.most, 'bu/h');
  requireFinite('time', sinceMs, 'ms');
  requireFinite('time', nowMs, 'ms');
  if (truckBu !== null) requireInRange('truck', truckBu, 0, 1e5, 'bu');
  const bushels = Math.min(capacityBu, heldBu + (Math.max(0, nowMs - sinceMs) / HOUR) * rate);
  const fullMs = heldBu >= capacityBu ? sinceMs : rate > 0 ? sinceMs + ((capacityBu - heldBu) / rate) * HOUR : null;
  return { bushels, fullMs, canLoad: truckBu !== null && bushels >= truckBu };
}

/** Columns of a drawing: how many machines lie before each at the most. */
export function columnsOf(site: SiteEquipment): ReadonlyMap<string, number> {
  const ids = [...new Set([...site.machines.map(({ id }) => id), ...site.links.flatMap(({ from, to }) => [from, to])])];
  const column = new Map(ids.map((id) => [id, 0]));
  // As long as something moves to the right; a circle ends after as many rounds as there are machines.
  for (let round = 0; round < ids.length; round++) {
    let moved = false;
    for (const { from, to } of site.links) {
      const least = column.get(from)! + 1;
      if (column.get(to)! < least && least <= ids.length) {
        column.set(to, least);
        moved = true;
      }
    }
    if (!moved) break;
  }
  return column;
}

/** What a dump pit reaches, and where it goes now. */
export interface Gates {
  readonly reach: ReadonlySet<string>;
  /** Places at the end of the routes that are set from pits. */
  readonly now: readonly string[];
}

/** Where trucks that dump send their grain by the gates; null where no pit has a route. */
export function gatesNow(site: SiteEquipment, routes: readonly Pick<RunningRoute, 'from' | 'to'>[]): Gates | null {
  const pits = new Set(site.machines.filter(({ kind }) => kind === 'pit').map(({ id }) => id));
  const now = routes.filter(({ from }) => pits.has(from)).map(({ to }) => to);
  if (now.length === 0) return null;
  return { reach: new Set([...pits].flatMap((pit) => routesFrom(site, pit).map(({ path }) => path.at(-1)!))), now };
}
