import { inOrder } from '../kernel/index.js';
/**
 * What cannot wait, in one order for everybody: who is in danger, what breaks or burns, then what has a time, the nearest first.
 * Common practice, no source.
 */
export const ALARM_KINDS = [
  'person',
  'fire',
  'machine',
  'heat',
  'wind',
  'rain',
  'dew',
  'wet grain',
  'closing',
  'full',
  'fuel',
  'look',
  'retest',
] as const;
export type AlarmKind = (typeof ALARM_KINDS)[number];

/** These are never put off, whatever hour it is. */
const AT_ONCE: ReadonlySet<AlarmKind> = new Set(['person', 'fire', 'machine', 'heat']);

export interface AlarmFacts {
  /** names it for good: the same alarm on another phone has the same key */
  readonly key: string;
  readonly kind: AlarmKind;
  /** by when something must be done; null: now */
  readonly byMs: number | null;
  /** places whom it concerns; null: everybody */
  readonly places: readonly string[] | null;
}

export interface AlarmNow<A extends AlarmFacts> {
  readonly alarm: A;
  /** 0 danger, 1 within the hour, 2 later today */
  readonly urgency: 0 | 1 | 2;
  /** it makes itself heard */
  readonly aloud: boolean;
}

const HOUR = 3_600_000;
/** What is farther off than this is no alarm yet. */
const FAR_MS = 12 * HOUR;

/** Hours of the day between which the farm wants to hear nothing that can wait; over midnight too. */
export function isQuiet(hour: number, from: number | undefined, to: number | undefined): boolean {
  if (from === undefined || to === undefined || from === to) return false;
  return from < to ? hour >= from && hour < to : hour >= from || hour < to;
}

/**
 * The list of alarms: what somebody sees to is quiet and left out, what is far off is none yet.
 * @param heard keys that somebody sees to @param place whose cab it is; null: the whole farm's
 * @param hour of the day, farm time @param quiet the farm's quiet hours
 */
export function alarmsNow<A extends AlarmFacts>(
  alarms: readonly A[],
  at: {
    readonly nowMs: number;
    readonly hour: number;
    readonly heard: ReadonlySet<string>;
    readonly place: string | null;
    readonly quietFrom?: number | undefined;
    readonly quietTo?: number | undefined;
  },
): AlarmNow<A>[] {
  const { nowMs, heard, place } = at;
  const quiet = isQuiet(at.hour, at.quietFrom, at.quietTo);
  return alarms
    .filter(({ key, byMs }) => !heard.has(key) && (byMs === null || byMs - nowMs <= FAR_MS))
    .filter(({ kind, places }) => place === null || places === null || AT_ONCE.has(kind) || places.includes(place))
    .map((alarm): AlarmNow<A> => {
      const danger = AT_ONCE.has(alarm.kind);
      const urgency = danger ? 0 : alarm.byMs === null || alarm.byMs - nowMs <= HOUR ? 1 : 2;
      return { alarm, urgency, aloud: danger || (urgency === 1 && !quiet) };
    })
    .sort(
      (a, b) =>
        a.urgency - b.urgency ||
        (a.urgency === 0 ? ALARM_KINDS.indexOf(a.alarm.kind) - ALARM_KINDS.indexOf(b.alarm.kind) : 0) ||
        (a.alarm.byMs ?? 0) - (b.alarm.byMs ?? 0) ||
        ALARM_KINDS.indexOf(a.alarm.kind) - ALARM_KINDS.indexOf(b.alarm.kind) ||
        inOrder(a.alarm.key, b.alarm.key),
    );
}
