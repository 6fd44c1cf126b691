const DAY_MS = 86_400_000;
/** Kept: the newest of each of so many days, weeks and months. */
const KEPT = { days: 14, weeks: 8, months: 24 } as const;

/**
 * Which backups to keep: the newest of each of the last 14 days, 8 weeks and 24 months that have one, and always the newest of all.
 * @param times when each was made, ms since 1970
 */
export function keptBackups(times: readonly number[]): Set<number> {
  const kept = new Set<number>();
  const newestOf = (most: number, spanOf: (ms: number) => string | number): void => {
    const spans = new Map<string | number, number>();
    for (const ms of [...times].sort((a, b) => b - a)) if (!spans.has(spanOf(ms))) spans.set(spanOf(ms), ms);
    for (const ms of [...spans.values()].slice(0, most)) kept.add(ms);
  };
  newestOf(KEPT.days, (ms) => Math.floor(ms / DAY_MS));
  // 1970 began on a Thursday.
  newestOf(KEPT.weeks, (ms) => Math.floor((ms / DAY_MS + 3) / 7));
  newestOf(KEPT.months, (ms) => new Date(ms).toISOString().slice(0, 7));
  return kept;
}
