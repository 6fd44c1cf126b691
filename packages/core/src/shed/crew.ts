import { groupBy, median, requireInRange } from '../kernel/index.js';
import type { Crew, PartHeat } from '../records/index.js';
import { workedHours } from './fuel.js';

/** A trainee's margins: the tank is dumped at three quarters, the speed is four fifths of what the figures say. Common practice, no source. */
export const TRAINEE = { tankShare: 0.75, speedShare: 0.8 } as const;

/** After which a rest is thought of, until the farm says otherwise, h. Common practice, no source. */
export const USUAL_HOURS = 12;

const sameName = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Whether somebody is marked as a trainee; whoever is not named is not. */
export const isTrainee = (crew: Pick<Crew, 'people'> | undefined, name: string): boolean =>
  crew?.people.some((one) => one.trainee && sameName(one.name, name)) ?? false;

/** Who is called for help, with a number where one is known. */
export function helpOf(crew: Pick<Crew, 'people' | 'call'> | undefined): { readonly name: string; readonly phone: string } | null {
  if (crew === undefined || crew.call.trim() === '') return null;
  return { name: crew.call, phone: crew.people.find(({ name }) => sameName(name, crew.call))?.phone ?? '' };
} // prettier-ignore

export interface AtTheWheel {
  /** h of work today, breaks of more than 45 minutes left out */
  readonly hours: number;
  readonly sinceMs: number | null;
  readonly rest: boolean;
}

/**
 * Hours at the wheel today, by what somebody recorded.
 * @param moments ms of his entries, in order @param dayMs when the farm's day began @param mostHours the farm's own line
 */
export function atTheWheel(moments: readonly number[], dayMs: number, nowMs: number, mostHours: number): AtTheWheel {
  requireInRange('hours until a rest', mostHours, 1, 24, 'h');
  const today = moments.filter((at) => at >= dayMs && at <= nowMs);
  const first = today[0];
  if (first === undefined) return { hours: 0, sinceMs: null, rest: false };
  const hours = workedHours(today, first, nowMs);
  return { hours, sinceMs: first, rest: hours >= mostHours };
}

export interface HeatVerdict {
  readonly verdict: 'stop' | 'watch' | 'fine';
  readonly because: 'too hot to hold' | 'very hot' | 'far above its usual' | 'hot' | 'noticed' | 'as usual';
  /** °C above the air; null where one of them was not measured */
  readonly rise: number | null;
  /** what it usually is above the air, °C; null: fewer than three readings before */
  readonly usual: number | null;
  readonly newest: PartHeat;
  /** ms when it was greased last by this list; null: never told */
  readonly greasedMs: number | null;
}

/**
 * Bearings, belts and motors by hand or infrared: from 80 °C (175 °F) they are stopped, from 60 °C (140 °F) watched, and stopped where they
 * are 25 °C (45 °F) above what they usually are. A hand that cannot stay on says the same as 60 °C and more: stop. Common practice, no
 * source; the machine's book and the bearing's maker count.
 */
export const PART_HEAT_LIMITS = { stop: 80, watch: 60, aboveUsual: 25 } as const;
/** Readings that make a usual. */
const LEAST = 3;

const riseOf = ({ celsius, airCelsius }: PartHeat): number | null =>
  celsius === undefined || airCelsius === undefined ? null : celsius - airCelsius;

/** Readings of each part of each machine, as they stand in the log: newest first. */
export const byPart = (heats: readonly PartHeat[]): ReadonlyMap<string, readonly PartHeat[]> =>
  groupBy(heats, ({ placeId, part }) => `${placeId} ${part.trim().toLowerCase()}`);

/** One verdict for a part from its readings, newest first. @throws RangeRefusal without one */
export function partHeat(readings: readonly PartHeat[]): HeatVerdict {
  requireInRange('readings of the part', readings.length, 1, 100_000, '');
  const [newest, ...before] = readings as readonly [PartHeat, ...PartHeat[]];
  const rise = riseOf(newest);
  const rises = before.flatMap((one) => riseOf(one) ?? []);
  const usual = rises.length >= LEAST ? median(rises) : null;
  const greased = readings.find(({ greased: now }) => now);
  const say = (verdict: HeatVerdict['verdict'], because: HeatVerdict['because']): HeatVerdict => ({
    verdict,
    because,
    rise,
    usual,
    newest,
    greasedMs: greased ? Date.parse(greased.at) : null,
  });
  const { celsius = -Infinity } = newest;
  if (newest.feels === 'tooHotToHold') return say('stop', 'too hot to hold');
  if (celsius >= PART_HEAT_LIMITS.stop) return say('stop', 'very hot');
  if (rise !== null && usual !== null && rise - usual >= PART_HEAT_LIMITS.aboveUsual) return say('stop', 'far above its usual');
  if (celsius >= PART_HEAT_LIMITS.watch) return say('watch', 'hot');
  return newest.noticed.trim() === '' ? say('fine', 'as usual') : say('watch', 'noticed');
} // prettier-ignore
