import type { FieldFacts } from './standing.js';
import type { FieldForecast } from './field-forecast.js';
import type { FieldNow } from './field-now.js';
import { fitToCut, type FitReason, type FitWindow } from './fitness.js';
import type { StartCost } from './waiting.js';

/** What decided. */
export type VerdictReason =
  | FitReason
  | 'all of it is cut'
  | 'no window is set'
  | 'the best start by money'
  | 'waiting brings more'
  | 'too little to wait for'
  | 'likely refused';

/** The one answer of a field: what to do, until when or from when, and why. */
export interface FieldVerdict {
  readonly answer: 'done' | 'no window' | 'read it' | 'cut now' | 'wait' | 'stop';
  readonly because: VerdictReason;
  /** Until when it holds: when cutting stops, or when it is worth starting; ms, null where nobody can say. */
  readonly untilMs: number | null;
  /** What ends it, where that is known. */
  readonly ends: StartCost['endedBy'] | 'leaves the window' | null;
  /**
   * $ that the answer brings above the other one; where a later start brings a little more, too little to wait for, that little. Null where
   * money was not worked out.
   */
  readonly gain: number | null;
  /** The best start by money alone, ms; null where it was not worked out. */
  readonly bestMs: number | null;
}

export interface FieldVerdictInput {
  readonly facts: Pick<FieldFacts, 'acresLeft' | 'cuttingToday' | 'crop'>;
  readonly window: FitWindow | undefined;
  readonly now: FieldNow | null;
  /** Dew or rain on a crop whose straw must be dry. */
  readonly wetStraw: boolean;
  /** Hours after which a reading counts no longer. */
  readonly oldAfterHours: number;
  /** The field's course; `pending` while it is worked out, null where there is none. */
  readonly forecast: FieldForecast | 'pending' | null;
  /** Dollars of the starts, counted in hours from `baseMs`; `pending` while they are worked out, null where they cannot be. */
  readonly waiting:
    { readonly starts: readonly StartCost[]; readonly best: number; readonly baseMs: number } | 'pending' | null;
  /** Chance that the buyer refuses a load; null where too few pairs tell. */
  readonly refused: number | null;
  readonly nowMs: number;
}

const HOUR = 3_600_000;
/** Less than this is not worth waiting for: a reading of half a point moves more. Common practice, no source. */
const LEAST_GAIN = 50;
const LEAST_SHARE = 0.005;

/**
 * One answer for a field. The reading comes first (is it known, is it taken at all), then the money where it could be worked out, else the
 * window. Nothing is said while something that could turn it is still being worked out.
 * @returns `pending` then
 */
export function fieldVerdict(input: FieldVerdictInput): FieldVerdict | 'pending' {
  const { facts, window, now, forecast, waiting, nowMs } = input;
  const say = (
    answer: FieldVerdict['answer'],
    because: VerdictReason,
    more: Partial<FieldVerdict> = {},
  ): FieldVerdict => ({ answer, because, untilMs: null, ends: null, gain: null, bestMs: null, ...more });
  if (facts.acresLeft === 0 && !facts.cuttingToday) return say('done', 'all of it is cut');
  if (!window) return say('no window', 'no window is set');
  const fit = fitToCut({
    moisture: now?.moisture ?? null,
    window,
    ageHours: now ? Math.max(0, Math.min(9999, (nowMs - now.atMs) / HOUR)) : 0,
    wetStraw: input.wetStraw,
    oldAfterHours: input.oldAfterHours,
  });
  if (fit.because === 'dew or rain on it') return say('stop', fit.because);
  if (fit.because === 'too few readings') return say('read it', fit.because);
  if (fit.because === 'reading too old' || fit.also.includes('reading too old'))
    return say('read it', 'reading too old');
  if (forecast === 'pending' || waiting === 'pending') return 'pending';
  const enters = forecast?.enters.likely ?? null;
  const leaves = forecast?.leaves.likely ?? null;
  if (waiting && waiting.starts.length > 0) {
    const best = waiting.starts.find(({ start }) => start === waiting.best)!;
    const first = waiting.starts[0]!;
    const worth = Math.max(LEAST_GAIN, LEAST_SHARE * best.money);
    const at = (hour: number | null): number | null => (hour === null ? null : waiting.baseMs + hour * HOUR);
    const refusedNow = fit.because === 'refused above';
    if (best.cutDryKg === 0) return say('stop', refusedNow ? 'refused above' : fit.because);
    if (!refusedNow && (best.start === first.start || first.behind < worth))
      return say(
        'cut now',
        input.refused !== null && input.refused > 0.5
          ? 'likely refused'
          : best.start === first.start || first.behind < 1
            ? 'the best start by money'
            : 'too little to wait for',
        {
          untilMs: at(first.until),
          ends: first.endedBy,
          gain: best.start === first.start ? otherwise(waiting.starts, best.start) : first.behind,
          bestMs: at(best.start),
        },
      );
    return say('wait', refusedNow ? 'refused above' : 'waiting brings more', {
      untilMs: at(best.start),
      gain: first.behind,
    });
  }
  if (fit.because === 'refused above')
    return say(enters === null ? 'stop' : 'wait', 'refused above', { untilMs: enters });
  if (fit.because === 'too dry') return say('stop', 'too dry');
  return say('cut now', fit.because, {
    untilMs: leaves !== null && leaves > nowMs ? leaves : null,
    ends: leaves !== null && leaves > nowMs ? 'leaves the window' : null,
  });
}

/** $ that the best start brings above the next one that is a day away: what waiting would cost. */
function otherwise(starts: readonly StartCost[], best: number): number | null {
  const later = starts.filter(({ start }) => start >= best + 12);
  return later.length === 0 ? null : Math.min(...later.map(({ behind }) => behind));
}
