import { fromWallTime } from './calendar.js';

/**
 * Do figures of a column have a decimal comma? "12,5" has one, "12,500" may be either: a column with a point behind a comma, or only groups
 * of three, is read as American.
 */
export function decimalComma(texts: readonly string[]): boolean {
  let yes = false;
  for (const text of texts) {
    const plain = text.trim();
    if (/\.\d+$/.test(plain) && !/\.\d{3}$/.test(plain)) return false;
    if (/,\d+\.\d/.test(plain)) return false;
    if (/,\d{1,2}$/.test(plain) || /,\d{4,}$/.test(plain) || /\.\d{3},\d/.test(plain)) yes = true;
  }
  return yes;
}

/** A figure as files write it, with its unit behind it or not; null where it is none. */
export function figureIn(text: string, comma: boolean): number | null {
  const plain = text
    .trim()
    .replace(/\s*(lbs?|kg|t|bu|ac|acres?|ha|%)\.?$/i, '')
    .replace(/[\s'’]/g, '');
  const american = comma ? plain.replace(/\./g, '').replace(',', '.') : plain.replace(/,(?=\d{3}(\D|$))/g, '');
  return /^[-+]?(\d+\.?\d*|\.\d+)(e[-+]?\d+)?$/i.test(american) ? Number(american) : null;
}

/**
 * A moment as files write it: ISO with or without a zone, month (or day) first, with a clock of 12 or 24 hours; noon of a day without a time.
 * @returns ms since 1970, or null where it is none
 */
export function momentIn(text: string, timeZone: string, dayFirst: boolean): number | null {
  const plain = text.trim();
  if (/^\d{4}-\d\d-\d\dT.*(Z|[+-]\d\d:?\d\d)$/.test(plain)) {
    const ms = Date.parse(plain);
    return Number.isNaN(ms) ? null : ms;
  }
  const found = /^(?:(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})|(\d{1,2})[-/.](\d{1,2})[-/.](\d{2}|\d{4}))(?:[T ,]+(\d{1,2}):(\d{2})(?::\d{2}(?:\.\d+)?)?\s*([ap]\.?m\.?)?)?$/i.exec(plain); // prettier-ignore
  if (!found) return null;
  const [, isoYear, isoMonth, isoDay, one, two, short, hour, minute, half] = found;
  const year = isoYear ?? (short!.length === 2 ? `20${short}` : short!);
  const [month, day] = isoYear ? [isoMonth!, isoDay!] : dayFirst ? [two!, one!] : [one!, two!];
  let hours = hour === undefined ? 12 : Number(hour);
  if (half !== undefined) {
    if (hours < 1 || hours > 12) return null;
    hours = (hours % 12) + (/^p/i.test(half) ? 12 : 0);
  }
  const pad = (value: string | number): string => String(value).padStart(2, '0');
  const date = `${year}-${pad(month)}-${pad(day)}`;
  // The 31st of a month of thirty is no day.
  const utc = Date.parse(`${date}T00:00:00Z`);
  if (Number.isNaN(utc) || new Date(utc).toISOString().slice(0, 10) !== date || hours > 23 || Number(minute ?? 0) > 59) return null; // prettier-ignore
  const ms = fromWallTime(`${date}T${pad(hours)}:${pad(minute ?? 0)}`, timeZone);
  return Number.isNaN(ms) ? null : ms;
}

/** Do the dates of a column put the day first? Only where one of them can be read no other way. */
export const dayComesFirst = (texts: readonly string[]): boolean =>
  texts.some((text) => {
    const found = /^(\d{1,2})[-/.](\d{1,2})[-/.]\d{2,4}/.exec(text.trim());
    return found !== null && Number(found[1]) > 12;
  });
