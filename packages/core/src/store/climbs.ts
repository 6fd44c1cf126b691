import { requireFinite } from '../kernel/index.js';

/** Somebody climbs a bin, or is down again. */
export interface ClimbNote {
  readonly id: string;
  readonly atMs: number;
  readonly placeId: string;
  readonly who: string;
  /** Who stays on the ground and watches. */
  readonly second: string;
  readonly down: boolean;
}

export interface Climbing {
  readonly placeId: string;
  readonly who: string;
  readonly second: string;
  readonly sinceMs: number;
  /** Nobody said for fifteen minutes that they are down. */
  readonly overdue: boolean;
}

/** After which the others are alarmed; common practice, no source. */
export const CLIMB_MS = 15 * 60_000;
/** A climb of another day was forgotten, not lost: nobody is alarmed for ever. */
const FORGOTTEN_MS = 12 * 3_600_000;

/** Who is up now, the longest first. */
export function climbingNow(notes: readonly ClimbNote[], nowMs: number): Climbing[] {
  requireFinite('time', nowMs, 'ms');
  const newest = new Map<string, ClimbNote>();
  for (const note of notes) {
    requireFinite('time', note.atMs, 'ms');
    const key = `${note.placeId} ${note.who}`;
    const last = newest.get(key);
    if (last === undefined || note.atMs > last.atMs || (note.atMs === last.atMs && note.down)) newest.set(key, note);
  }
  return [...newest.values()]
    .filter(({ down, atMs }) => !down && nowMs - atMs < FORGOTTEN_MS)
    .map(({ placeId, who, second, atMs }) => ({
      placeId,
      who,
      second,
      sinceMs: atMs,
      overdue: nowMs - atMs >= CLIMB_MS,
    }))
    .sort((a, b) => a.sinceMs - b.sinceMs);
}
