import { UTCDateMini } from '@date-fns/utc/date/mini';
import { fromWallTime, happensTwice, toWallTime } from '@fanega/core';
import { format, formatDistanceStrict, parseISO } from 'date-fns';
import { choice } from './choice';

export const HOUR_MS = 3_600_000;
export const DAY_MS = 24 * HOUR_MS;

/** "6:26 pm" or "18:26". */
export const CLOCK_STYLES = ['12', '24'] as const;
export type ClockStyle = (typeof CLOCK_STYLES)[number];
const PATTERNS: Readonly<Record<ClockStyle, string>> = { '12': 'h:mm aaa', '24': 'HH:mm' };

export const {
  now: clockStyle,
  setReaders: setClockStyle,
  setFarms: setFarmClock,
  use: useReadersClock,
} = choice<ClockStyle>('fanega.clock', CLOCK_STYLES, '12');

/** A day of no zone that says what the farm's clocks say, to the minute. */
const inZone = (at: string | number, timeZone: string): Date =>
  new UTCDateMini(`${toWallTime(new Date(at).getTime(), timeZone)}:00Z`);

/** "6:26 pm" */
export const clock = (at: string | number, timeZone: string): string =>
  format(inZone(at, timeZone), PATTERNS[clockStyle()]);
/** "Sep 8" */
export const day = (at: string | number, timeZone: string): string => format(inZone(at, timeZone), 'MMM d');
/** "Sep 8, 2026, 6:26 pm", for what is read years later */
export const dated = (at: string | number, timeZone: string): string =>
  `${format(inZone(at, timeZone), 'MMM d, yyyy')}, ${clock(at, timeZone)}`;
/** "Tue, Sep 8" */
export const weekday = (at: string | number, timeZone: string): string => format(inZone(at, timeZone), 'EEE, MMM d');
/** "Sep 8, 6:26 pm" */
export const moment = (at: string | number, timeZone: string): string => `${day(at, timeZone)}, ${clock(at, timeZone)}`;
/** "6:26 pm" of what comes within the day, "Sep 8, 6:26 pm" of what comes later. */
export const soon = (at: number, now: number, timeZone: string): string =>
  at - now < 20 * HOUR_MS ? clock(at, timeZone) : moment(at, timeZone);
/** "2026-09-08 14:55", for a file that a spreadsheet reads. */
export const stamp = (at: string | number, timeZone: string): string =>
  format(inZone(at, timeZone), 'yyyy-MM-dd HH:mm');
/** "Sep 20" of a calendar day like 2026-09-20. */
export const dayText = (calendarDay: string): string => format(parseISO(calendarDay), 'MMM d');
/** "Oct 14, 2026" of one, where its year is not plain. */
export const dayYearText = (calendarDay: string | undefined): string =>
  calendarDay ? format(parseISO(calendarDay), 'MMM d, yyyy') : '';
/** "3 minutes ago", "in 2 hours"; show the moment itself where somebody asks. */
export const since = (at: string | number, now: string | number): string =>
  formatDistanceStrict(new Date(at), new Date(now), { addSuffix: true });

/** "6:26 pm" of a minute of the day; a time by which one must go is rounded up, one at which one must stop down, by the caller. */
export function minuteText(minute: number): string {
  const ofDay = ((Math.round(minute) % 1440) + 1440) % 1440;
  // A day of no zone that has 24 hours.
  return format(new UTCDateMini(ofDay * 60_000), PATTERNS[clockStyle()]);
}

/** "6:15 pm" of an hour of the day with its part. */
export const hourText = (hour: number): string => minuteText(Math.floor(60 * hour + 1e-6));

/** "47 min", "5 h 39 min"; what is begun of a minute does not count. */
export const spanText = (minutes: number): string =>
  minutes < 90 ? `${Math.floor(minutes)} min` : `${Math.floor(minutes / 60)} h ${Math.floor(minutes % 60)} min`;

/** What somebody may type, for a hint or an error. */
export const likeMinute = (): string => `A time like ${minuteText(18 * 60 + 9)}`;

/** Minutes of the day of "6:09 pm", "6:09p", "6 pm", "18:09" or "1809", whichever clock is read; NaN for none. */
export function readMinute(text: string): number {
  const found = /^(\d{1,2})(?::?(\d{2}))?\s*(?:([ap])\.?\s*m?\.?)?$/i.exec(text.trim());
  if (!found) return NaN;
  const [hours, minutes] = [Number(found[1]), Number(found[2] ?? 0)];
  const half = found[3]?.toLowerCase();
  if (minutes > 59) return NaN;
  if (half !== undefined)
    return hours >= 1 && hours <= 12 ? ((hours % 12) + (half === 'p' ? 12 : 0)) * 60 + minutes : NaN;
  // A bare "6" is morning to one and evening to another.
  return found[2] !== undefined && hours <= 23 ? hours * 60 + minutes : NaN;
}

/** "10/14/2026" of a calendar day like 2026-10-14, for a box that is typed in. */
export const dayTyped = (calendarDay: string | null | undefined): string =>
  calendarDay ? format(parseISO(calendarDay), 'MM/dd/yyyy') : '';

/** "10/14/2026 2:30 pm" of an instant, for a box that is typed in. */
export const momentTyped = (at: number, timeZone: string): string => {
  const wall = toWallTime(at, timeZone);
  const twice = happensTwice(wall, timeZone);
  const which = twice && fromWallTime(wall, timeZone, true) <= at ? ' second' : twice ? ' first' : '';
  return `${dayTyped(wall.slice(0, 10))} ${clock(at, timeZone)}${which}`;
};
