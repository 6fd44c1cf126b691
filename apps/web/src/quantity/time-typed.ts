import { fromWallTime, happensTwice, toWallTime } from '@fanega/core';
import { format, isValid, parse } from 'date-fns';
import { dayTyped, minuteText, momentTyped, readMinute } from './time';

/** Days and moments as they are typed. Apart from those that are shown: the library's reader is large, and no page opens with it. */
const DAY_FORMS = [
  'yyyy-MM-dd',
  'M/d/yyyy',
  'M/d/yy',
  'M-d-yyyy',
  'MMM d, yyyy',
  'MMM d yyyy',
  'MMMM d, yyyy',
  'MMMM d yyyy',
];
/** Without a year: the one that the farm's clock is in. */
const DAY_FORMS_OF_YEAR = ['M/d', 'MMM d', 'MMMM d'];
const LOOKS_LIKE_DAY = /^(\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[/-]\d{1,2}([/-]\d{2,4})?|[a-z]{3,9}\.? \d{1,2}(,? \d{4})?)$/i;

/** A calendar day like 2026-10-14 of "10/14/2026", "10/14", "Oct 14" or 2026-10-14; `today` names the year where none is typed. */
export function readDay(text: string, today: string): { readonly value?: string; readonly error?: string } {
  const typed = text.trim();
  const like = `A day like ${dayTyped(today)}`;
  if (!LOOKS_LIKE_DAY.test(typed)) return { error: like };
  const near = new Date(Number(today.slice(0, 4)), 0, 1);
  for (const form of [...DAY_FORMS, ...DAY_FORMS_OF_YEAR]) {
    const found = parse(typed.replace('.', ''), form, near);
    // "26" is no year of its own to a form that wants four digits.
    if (isValid(found) && found.getFullYear() > 1900) return { value: format(found, 'yyyy-MM-dd') };
  }
  return { error: `There is no ${typed}: month before day, ${like.toLowerCase()}` };
}

/**
 * The instant of "10/14/2026 2:30 pm", "2:30 pm" of today, or 2026-10-14T14:30, on the farm's clock. The hour that autumn repeats wants
 * "first" or "second" behind it, the one that spring leaves out is said to be none.
 */
export function readMoment(
  text: string,
  timeZone: string,
  now: number,
): { readonly value?: number; readonly error?: string } {
  const typed = text.trim().replace(/^(\d{4}-\d\d-\d\d)T/, '$1 ');
  const found = /^(.*?)\s*(\d{1,2}(?::\d{2})?\s*(?:[ap]\.?\s*m?\.?)?)(?:\s+(first|second|1st|2nd))?$/i.exec(typed);
  const minute = found ? readMinute(found[2]!) : NaN;
  if (!found || Number.isNaN(minute)) return { error: `A day and a time, like ${momentTyped(now, timeZone)}` };
  const today = toWallTime(now, timeZone).slice(0, 10);
  const onDay = found[1] === '' ? { value: today } : readDay(found[1]!.replace(/,$/, ''), today);
  if (onDay.value === undefined) return { error: onDay.error! };
  const pad = (value: number): string => String(value).padStart(2, '0');
  const wall = `${onDay.value}T${pad(Math.floor(minute / 60))}:${pad(minute % 60)}`;
  const which = found[3]?.toLowerCase();
  if (happensTwice(wall, timeZone) && which === undefined)
    return { error: `${minuteText(minute)} came twice that night: write “first” or “second” behind it` };
  const at = fromWallTime(wall, timeZone, which === 'second' || which === '2nd');
  if (toWallTime(at, timeZone) !== wall)
    return { error: `There was no ${minuteText(minute)} that night: the clock went ahead an hour` };
  return { value: at };
}
