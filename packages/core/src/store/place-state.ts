import type { PlaceState } from '../records/index.js';

/** What is to be known of a place at a moment. */
export interface PlaceNow {
  /** Out of service now. */
  readonly out: boolean;
  readonly why: string | null;
  /** When it serves again, ms; null where nobody said, or where it serves. */
  readonly backMs: number | null;
  /** It will be taken out of service later, ms. */
  readonly goesOutMs: number | null;
  readonly note: string | null;
}

/** Whether a place serves, until when not, and what is odd about it. */
export function placeNow(state: PlaceState | undefined, nowMs: number): PlaceNow {
  const from = state?.outFrom === undefined ? null : Date.parse(state.outFrom);
  const until = state?.outUntil === undefined ? null : Date.parse(state.outUntil);
  const over = until !== null && until <= nowMs;
  const out = from !== null && from <= nowMs && !over;
  return {
    out,
    why: from === null || over ? null : (state?.why?.trim() ?? null),
    backMs: out ? until : null,
    goesOutMs: from !== null && from > nowMs ? from : null,
    note: state?.note?.trim() || null,
  };
}
