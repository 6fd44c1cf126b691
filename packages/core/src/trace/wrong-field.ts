import { groupBy, median } from '../kernel/index.js';
import { type Entry, type FarmBook, type HarvestEntry, instantOf, type LotInfo } from '../ledger/index.js';

/** Why a load may be filed under a field that it is not of. */
export type WrongFieldReason =
  /** no other load of its field within half a day, and loads of another field around it by the same person or into the same place */
  | 'alone'
  /** between loads of another field by the same person, within an hour and a half */
  | 'between'
  /** its moisture is far from its field's loads of the day, and among the other field's */
  | 'moisture';

export interface WrongFieldLoad {
  readonly entry: HarvestEntry;
  readonly lot: string;
  /** the field that it is likely of */
  readonly likely: string;
  readonly reasons: readonly WrongFieldReason[];
  readonly wetKg: number;
}

/** Loads that say enough of a day's moisture: a fleet has hundreds. */
const ENOUGH = 40;
const HOUR = 3_600_000;
const NEAR = 1.5 * HOUR;
const HALF_DAY = 12 * HOUR;
/** Loads in a row that may have been filed wrong: more of them are a field that was cut. */
const MOST_IN_A_ROW = 4;
/** Points of moisture that two loads of one field may always differ by. */
const SPREAD = 0.004;

/**
 * Loads that are likely filed under the wrong field: by when, by whom and into what the loads around them were cut, and by moisture. Each is a
 * question to whoever was there, and no more. Common practice, no source.
 * @param lots that are looked at; others of the same crop and season are candidates too
 */
export function wrongFieldLoads({ ledger, lots: all }: FarmBook, lots: readonly LotInfo[]): WrongFieldLoad[] {
  const lotOf = new Map(all.map((lot) => [lot.id, lot]));
  const wanted = new Set(lots.map(({ id }) => id));
  const seasons = new Set(lots.map(({ season }) => season));
  const loads = ledger
    .entriesFrom(0)
    .filter(
      (entry): entry is HarvestEntry => entry.type === 'harvest' && seasons.has(lotOf.get(entry.lot)?.season ?? -1),
    );
  const at = new Map(loads.map((load) => [load, instantOf(load.at)]));
  const atOf = (load: HarvestEntry): number => at.get(load)!;
  const byLot = groupBy(loads, ({ lot }) => lot);
  for (const own of byLot.values()) own.sort((a, b) => atOf(a) - atOf(b));
  /** The first of a field's loads at or after a moment. */
  const firstFrom = (own: readonly HarvestEntry[], ms: number): number => {
    let [low, high] = [0, own.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (atOf(own[middle]!) < ms) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  /** Loads of a field within a span, as many as say enough, and how many there are. */
  const within = (
    lot: string,
    from: number,
    until: number,
  ): { readonly count: number; readonly some: readonly HarvestEntry[] } => {
    const own = byLot.get(lot) ?? [];
    const [low, end] = [firstFrom(own, from), firstFrom(own, until + 1)];
    const each = Math.max(1, Math.ceil((end - low) / ENOUGH));
    const some: HarvestEntry[] = [];
    for (let i = low; i < end; i += each) some.push(own[i]!);
    return { count: end - low, some };
  };
  const found: WrongFieldLoad[] = [];

  // Runs of one field among the loads of one person, or into one place where nobody is named.
  for (const [, own] of groupBy(loads, ({ by, to }) => by || `into ${to}`)) {
    own.sort((a, b) => atOf(a) - atOf(b));
    for (let from = 0; from < own.length;) {
      let until = from;
      while (until + 1 < own.length && own[until + 1]!.lot === own[from]!.lot) until++;
      const run = own.slice(from, until + 1);
      const [before, after] = [own[from - 1], own[until + 1]];
      from = until + 1;
      const lot = run[0]!.lot;
      if (!wanted.has(lot) || run.length > MOST_IN_A_ROW) continue;
      const likely = [before, after].find((load) => load !== undefined)?.lot;
      if (likely === undefined || lotOf.get(likely)?.crop !== lotOf.get(lot)?.crop) continue;
      const first = atOf(run[0]!);
      const last = atOf(run.at(-1)!);
      const near = (load: HarvestEntry | undefined, to: number): boolean => load !== undefined && load.lot === likely && Math.abs(atOf(load) - to) <= NEAR; // prettier-ignore
      const between = near(before, first) && near(after, last);
      if (!near(before, first) && !near(after, last)) continue;
      const mine = within(lot, first - HALF_DAY, last + HALF_DAY);
      const alone = mine.count === run.length;
      if (!alone && !between) continue;
      const others = mine.some.filter((load) => !run.includes(load));
      for (const load of run) {
        const theirs = within(likely, atOf(load) - HALF_DAY, atOf(load) + HALF_DAY).some;
        const wet = fitsOther(load, others, theirs);
        // Somebody who goes between two fields has loads of both; moisture, or nobody else there, decides.
        const reasons: WrongFieldReason[] = [...(alone ? (['alone'] as const) : []), ...(between ? (['between'] as const) : []), ...(wet === true ? (['moisture'] as const) : [])]; // prettier-ignore
        if (wet === false || !(alone || (between && wet === true))) continue;
        found.push({ entry: load, lot, likely, reasons, wetKg: ledger.effective(load.id)?.wetKg ?? load.wetKg });
      }
    }
  }
  return found.sort((a, b) => atOf(a.entry) - atOf(b.entry));
}

/** Is a load's moisture that of another field, and not of its own? null where too few loads of the day say. */
function fitsOther(load: HarvestEntry, own: readonly HarvestEntry[], other: readonly HarvestEntry[]): boolean | null {
  if (other.length < 3) return null;
  const mine = own.map(({ moisture }) => moisture);
  const theirs = other.map(({ moisture }) => moisture);
  const middle = median(theirs);
  const there = Math.abs(load.moisture - middle);
  const spread = Math.max(SPREAD, 3 * median(theirs.map((one) => Math.abs(one - middle))));
  if (mine.length < 3) return there <= spread ? true : null;
  const here = Math.abs(load.moisture - median(mine));
  return there <= spread && here > spread ? true : here <= spread && there > spread ? false : null;
}

/**
 * Loads put under another field: each is voided and made again with its weights, in one batch that is taken as a whole.
 * @param makeId a ULID for each new entry @param why stands in the book
 */
export function movedToField(
  { ledger }: Pick<FarmBook, 'ledger'>,
  ids: readonly string[],
  lot: string,
  why: string,
  makeId: () => string,
  now: string,
): Entry[] {
  return ids.flatMap((id): Entry[] => {
    const old = ledger.entry(id);
    if (old?.type !== 'harvest' || ledger.isVoided(id)) return [];
    const { recordedAt: _, ...kept } = old as HarvestEntry & { readonly recordedAt?: string };
    const made = makeId();
    return [
      { id: makeId(), type: 'void', voids: id, at: now, note: why } as Entry,
      { ...kept, id: made, lot, note: [old.note, why].filter(Boolean).join('; ') } as Entry,
      // It was weighed again as the same grain.
      ...ledger.witnessesOf(id).map((witness): Entry => ({ ...(witness as Entry & { type: 'witness' }), id: makeId(), of: made })), // prettier-ignore
    ];
  });
}
