import { requireFinite, requireInRange } from '../kernel/index.js';
import { type FarmView, instantOf, lastTouch } from '../ledger/index.js';
import { type Cover, living, type RecordsOf } from '../records/index.js';

/** A place that stands open to the rain, as far as closing it matters. */
export interface OpenPlace {
  readonly placeId: string;
  readonly cover: Cover;
  readonly heldBu: number;
  /** when its cover was closed last; null: never told */
  readonly closedMs: number | null;
  /** when grain went into it or out of it last: it was open then */
  readonly touchedMs: number | null;
}

export interface ToClose {
  readonly placeId: string;
  readonly cover: Cover;
  readonly heldBu: number;
  readonly closed: boolean;
  /** bushels that must go before it closes; 0 where it closes as it is */
  readonly mustGoBu: number;
  /** when somebody must begin at the latest, ms */
  readonly startByMs: number;
}

const HOUR = 3_600_000;
/** A place with less than this in it is empty: an open lid spoils nothing. */
const EMPTY_BU = 1;

/**
 * What is to be closed before the rain, by who must begin first; closed ones last. What was touched after it was closed stands open again.
 * @param rainMs when it begins to rain
 */
export function coversToClose(places: readonly OpenPlace[], rainMs: number): ToClose[] {
  requireFinite('time of the rain', rainMs, 'ms');
  return places
    .filter(({ heldBu, cover }) => heldBu >= EMPTY_BU || cover.kind !== 'tarp')
    .map(({ placeId, cover, heldBu, closedMs, touchedMs }) => ({
      placeId,
      cover,
      heldBu: requireFinite('grain in it', heldBu, 'bu'),
      closed: closedMs !== null && closedMs >= (touchedMs ?? -Infinity),
      mustGoBu: Math.max(0, heldBu - (cover.closesUpTo ?? Infinity)),
      startByMs: rainMs - cover.minutes * 60_000,
    }))
    .sort((a, b) => Number(a.closed) - Number(b.closed) || b.mustGoBu - a.mustGoBu || a.startByMs - b.startByMs);
}

/** Everything that has a cover, how that stands, and what is in it. */
export function coveredPlaces(farm: FarmView, records: RecordsOf<'coverMoved', 'cover'>): OpenPlace[] {
  // Newest first: the first of a place is how its cover was left.
  const moved = living<'coverMoved'>(records.logs.coverMoved);
  return Object.entries(records.settings.cover).map(([placeId, { value: cover }]): OpenPlace => {
    const last = moved.find(({ body }) => body.placeId === placeId)?.body;
    const touched = lastTouch(farm.data.tape, placeId);
    return {
      placeId,
      cover,
      heldBu: farm.bushels(farm.held(placeId).wetLots),
      closedMs: last?.closed ? instantOf(last.at) : null,
      touchedMs: touched ? instantOf(touched.entry.at) : null,
    };
  });
}

/** Chance in an hour from which rain is counted on. Common practice, no source. */
export const RAIN_LIKELY = 0.5;

/** The first hour from now on in which the air is as damp as the farm's own line, ms; null: none as far as it is known. */
export function dewBegins(
  hours: readonly { readonly atMs: number; readonly humidity: number }[],
  line: number,
  nowMs: number,
  withinHours = 12,
): number | null {
  requireFinite('time', nowMs, 'ms');
  requireInRange('line of dew', line, 0.3, 1, 'fraction');
  const first = hours
    .filter(({ atMs, humidity }) => atMs > nowMs - HOUR && atMs <= nowMs + withinHours * HOUR && humidity >= line)
    .reduce((least, { atMs }) => Math.min(least, atMs), Infinity);
  return first === Infinity ? null : Math.max(nowMs, first);
}

/** The first hour from now on in which rain is likely, ms; null: none as far as it is known. */
export function rainBegins(
  hours: readonly { readonly atMs: number; readonly chance: number }[],
  nowMs: number,
  withinHours = 24,
): number | null {
  requireFinite('time', nowMs, 'ms');
  const first = hours
    .filter(({ atMs, chance }) => atMs > nowMs - HOUR && atMs <= nowMs + withinHours * HOUR && chance >= RAIN_LIKELY)
    .reduce((least, { atMs }) => Math.min(least, atMs), Infinity);
  return first === Infinity ? null : Math.max(nowMs, first);
}
