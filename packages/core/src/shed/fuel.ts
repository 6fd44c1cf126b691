import { median } from '../kernel/index.js';

/** Fuel that went into a machine. */
export interface FuelAdded {
  readonly atMs: number;
  readonly gallons: number;
  /** up to the brim */
  readonly full: boolean;
}

export interface FuelInput {
  readonly tankGallons: number;
  /** gal/h as somebody typed it, until the fills say it */
  readonly burnPerHour: number | null;
  /** fraction of the tank that is not to be burned */
  readonly reserve: number;
  /** min; the road home is driven on what is left */
  readonly homeMin?: number;
  /** in any order */
  readonly fills: readonly FuelAdded[];
  /** when the machine took or gave grain by the book, ms, in order */
  readonly moments: readonly number[];
  readonly nowMs: number;
}

export interface FuelState {
  readonly leftGallons: number;
  /** gal an hour of work */
  readonly burnPerHour: number;
  /** the farm's own fills, or what was typed */
  readonly burnBy: 'fills' | 'typed';
  /** between how many pairs of full tanks it was measured; 0 where it was typed */
  readonly pairs: number;
  /** hours of work since the last full tank */
  readonly workedHours: number;
  /** hours of work until only the reserve, and the road home, is left; below 0 when that is being burned */
  readonly hoursLeft: number;
  /** when that is, working on without a break, ms */
  readonly fillByMs: number;
  readonly fullAtMs: number;
}

const HOUR = 3_600_000;
/** Between two loads a machine works on; what is longer was a break. Common practice, no source. */
const BREAK_MS = 45 * 60_000;
/** Shorter than this between two full tanks says nothing of the burn, hours. */
const LEAST_HOURS = 1;
/** The last pairs of full tanks that are looked at. */
const PAIRS = 8;

/** Hours that a machine worked between two moments: from load to load, breaks left out. @param moments ms, in order */
export function workedHours(moments: readonly number[], fromMs: number, toMs: number): number {
  let sum = 0;
  let last = fromMs;
  for (const at of [...moments, toMs]) {
    if (at <= fromMs) continue;
    const until = Math.min(at, toMs);
    if (until - last <= BREAK_MS) sum += Math.max(0, until - last);
    last = Math.max(last, until);
    if (at >= toMs) break;
  }
  return sum / HOUR;
}

/**
 * Gallons an hour of work by the farm's own fills: what went in from one full tank to the next, over the hours worked between; the middle
 * of the last ones. Null where no two full tanks are an hour of work apart.
 */
export function ownBurn(
  fills: readonly FuelAdded[],
  moments: readonly number[],
): { readonly perHour: number; readonly pairs: number } | null {
  const inOrder = [...fills].sort((a, b) => a.atMs - b.atMs);
  const rates: number[] = [];
  let from: number | null = null;
  let gallons = 0;
  for (const fill of inOrder) {
    gallons += fill.gallons;
    if (!fill.full) continue;
    const hours: number = from === null ? 0 : workedHours(moments, from, fill.atMs);
    if (from !== null && hours >= LEAST_HOURS) rates.push(gallons / hours);
    from = fill.atMs;
    gallons = 0;
  }
  const last = rates.slice(-PAIRS);
  return last.length === 0 ? null : { perHour: median(last), pairs: last.length };
}

/** What is left in a tank and until when it lasts; null where it was never filled full, or nobody knows what it burns. */
export function fuelNow(input: FuelInput): FuelState | null {
  const { tankGallons, reserve, fills, moments, nowMs } = input;
  const before = fills.filter(({ atMs }) => atMs <= nowMs).sort((a, b) => a.atMs - b.atMs);
  const full = before.findLast((fill) => fill.full);
  const own = ownBurn(before, moments);
  const burnPerHour = own?.perHour ?? input.burnPerHour;
  if (full === undefined || burnPerHour === null) return null;
  const since = before.filter(({ atMs, full: again }) => atMs > full.atMs && !again);
  const worked = workedHours(moments, full.atMs, nowMs);
  const added = since.reduce((sum, { gallons }) => sum + gallons, 0);
  const leftGallons = Math.min(tankGallons, Math.max(0, tankGallons + added - worked * burnPerHour));
  const hoursLeft = (leftGallons - reserve * tankGallons) / burnPerHour - (input.homeMin ?? 0) / 60;
  return {
    ...{
      leftGallons,
      burnPerHour,
      burnBy: own ? 'fills' : 'typed',
      pairs: own?.pairs ?? 0,
      workedHours: worked,
      hoursLeft,
    },
    fillByMs: nowMs + Math.max(0, hoursLeft) * HOUR,
    fullAtMs: full.atMs,
  };
}

/** Gallons a bushel of what was cut or hauled with it; null where nothing was filled or carried. */
export function fuelPerBushel(fills: readonly FuelAdded[], bushels: number): number | null {
  const gallons = fills.reduce((sum, fill) => sum + fill.gallons, 0);
  return gallons > 0 && bushels > 0 ? gallons / bushels : null;
}

/**
 * Gallons an acre: what a bushel takes, times the bushels of an acre; null where one of them is not known.
 * @param bushelsPerAcre as they were cut
 */
export const fuelPerAcre = (perBushel: number | null, bushelsPerAcre: number | null): number | null =>
  perBushel === null || bushelsPerAcre === null || !(bushelsPerAcre > 0) ? null : perBushel * bushelsPerAcre;
