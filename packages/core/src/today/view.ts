import { CROPS } from '../crops/index.js';
import {
  type Balance,
  balanceOf,
  type BookDefaults,
  type DayFlow,
  dayFlow,
  type FarmBook,
  findTwins,
  holders,
  kgPerBushelOf,
  lastDried,
  lastTargetsOf,
  levelChecks,
  placesInUse,
  type Position,
} from '../ledger/index.js';
import { baseMoistureOf } from '../ledger/index.js';
import { type NextStep, nextSteps } from './next-steps.js';

/** Levels older than this are history, not something to do today; common practice, no source. */
const LEVEL_AGE_MS = 7 * 24 * 3_600_000;
const TWIN_AGE_MS = 24 * 3_600_000;

/** What the day comes to, and what to do next. */
export interface TodayView {
  readonly flow: DayFlow;
  readonly dried: { readonly from: number; readonly to: number } | null;
  readonly balance: Balance;
  /** |restated| over harvested, all lots. */
  readonly restatedShare: number;
  readonly steps: readonly NextStep[];
}

/**
 * @param nowMs the farm's time @param midnightMs when its day began
 * @param positions as the book has them now
 */
export function todayView(
  book: FarmBook,
  nowMs: number,
  midnightMs: number,
  positions: Readonly<Record<string, Position>>,
): TodayView {
  const { ledger } = book;
  const accounts = Object.values(ledger.accounts());
  const balance = balanceOf(accounts);
  const from = ledger.positionsUntil(midnightMs - 1);
  return {
    flow: dayFlow(book, from),
    dried: lastDried(book, from),
    balance,
    restatedShare:
      balance.harvested > 0
        ? accounts.reduce((sum, account) => sum + Math.abs(account.restatedDryKg), 0) / balance.harvested
        : 0,
    steps: stepsOf(book, nowMs, positions),
  };
}

/** Moisture above which each crop is dried here, by crop. */
export const dryBelow = (defaults?: Pick<BookDefaults, 'bases'>): Record<string, number> =>
  Object.fromEntries(Object.keys(CROPS).map((crop) => [crop, baseMoistureOf(crop, defaults)]));

function stepsOf(book: FarmBook, nowMs: number, positions: Readonly<Record<string, Position>>): NextStep[] {
  const { ledger } = book;
  const used = placesInUse(book.places, (id) => positions[id]?.wetKg ?? 0);
  return nextSteps({
    holders: holders(used, new Map(book.lots.map((lot) => [lot.id, lot])), (place) => positions[place]),
    dryBelow: dryBelow(ledger.header.defaults),
    lastTargets: lastTargetsOf(book),
    levels: levelChecks(book, nowMs - LEVEL_AGE_MS, nowMs),
    twins: findTwins(ledger.entriesBetween(nowMs - TWIN_AGE_MS, nowMs))
      .filter((pair) => !pair.same)
      .map(({ first, second, difference }) => ({ first: first.id, second: second.id, share: difference })),
    kgPerBushel: kgPerBushelOf,
  });
}
