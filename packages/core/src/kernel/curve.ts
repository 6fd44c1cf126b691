/** A clock that was set back: a step of more than this begins a new curve, or the device would be silent for ever. */
const SET_BACK_MS = 60_000;

/**
 * Adds figures to a curve that is kept for a while: those that came before, twice or too late are passed over.
 * @param kept in order of time @param sent in any order @param keptMs how much of the curve is kept
 * @returns the curve as it then stands, and what of it is new
 */
export function extendCurve<Sample extends { readonly atMs: number }>(
  kept: readonly Sample[],
  sent: readonly Sample[],
  keptMs: number,
): { readonly curve: readonly Sample[]; readonly fresh: readonly Sample[] } {
  const ordered = [...sent].sort((a, b) => a.atMs - b.atMs);
  const newest = ordered.at(-1)?.atMs;
  const last = kept.at(-1)?.atMs ?? -Infinity;
  if (newest === undefined) return { curve: kept, fresh: [] };
  const setBack = newest < last - SET_BACK_MS;
  const fresh = ordered.filter(({ atMs }, i) => (setBack || atMs > last) && atMs !== ordered[i - 1]?.atMs);
  if (fresh.length === 0) return { curve: kept, fresh };
  return { curve: [...(setBack ? [] : kept), ...fresh].filter(({ atMs }) => atMs >= newest - keptMs), fresh };
}
