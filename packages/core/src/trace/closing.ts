import { type Entry, instantOf, type Ledger } from '../ledger/index.js';

/** A season that is done with, and the last moment of it, ms since 1970. */
export interface ClosedSeason {
  readonly season: number;
  readonly throughMs: number;
}

/** Stands with the void of a load that is made again: no reason by itself. */
const NO_REASON = 'made again';

/**
 * Entries of a batch that change a closed season and bring no reason: a load of its fields, anything dated until its last day, and what is taken
 * back or weighed again of either. One reason in the batch serves all of it: a correction is a void and the entry made again.
 * @param seasonOf of a lot
 */
export function withoutReason(
  ledger: Pick<Ledger, 'entry'>,
  entries: readonly Entry[],
  closed: readonly ClosedSeason[],
  seasonOf: (lot: string) => number | undefined,
): { readonly index: number; readonly season: number }[] {
  if (closed.length === 0) return [];
  if (entries.some(({ note }) => note !== undefined && note.trim() !== '' && note.trim() !== NO_REASON)) return [];
  const seasons = new Map(closed.map((one) => [one.season, one]));
  const latest = closed.reduce((last, one) => (one.throughMs > last.throughMs ? one : last));
  const seasonClosed = (entry: Entry | undefined): number | null => {
    if (entry === undefined) return null;
    if (entry.type === 'harvest') {
      const season = seasonOf(entry.lot);
      return season !== undefined && seasons.has(season) ? season : null;
    }
    return instantOf(entry.at) <= latest.throughMs ? latest.season : null;
  };
  return entries.flatMap((entry, index) => {
    const about = entry.type === 'void' ? ledger.entry(entry.voids) : entry.type === 'witness' ? ledger.entry(entry.of) : entry; // prettier-ignore
    const season = seasonClosed(about);
    return season === null ? [] : [{ index, season }];
  });
}
