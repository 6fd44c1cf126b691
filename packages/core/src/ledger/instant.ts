/** Parts of a second beyond this are none: a nanosecond is below what the sum can hold. */
const FINEST = 1e9;

/**
 * Milliseconds since 1970 of an ISO 8601 date-time with a zone ("Z" or an offset); NaN for anything else.
 * Written out because `Date.parse` takes 30 February, zone-less local times and prose, and costs a third of a replay.
 * Fractions of a millisecond are kept (about 0.25 µs of resolution), so the order of very close entries holds.
 */
export function instantOf(text: string): number {
  const length = text.length;
  if (length < 17) return NaN;
  if (text.charCodeAt(4) !== 45 || text.charCodeAt(7) !== 45 || text.charCodeAt(13) !== 58) return NaN;
  const t = text.charCodeAt(10);
  if (t !== 84 && t !== 116 && t !== 32) return NaN;
  const century = two(text, 0);
  const yearOfIt = two(text, 2);
  const month = two(text, 5);
  const day = two(text, 8);
  const hour = two(text, 11);
  const minute = two(text, 14);
  let second = 0;
  let fraction = 0;
  let whole = 1;
  let at = 16;
  if (text.charCodeAt(at) === 58) {
    second = two(text, 17);
    at = 19;
    if (text.charCodeAt(at) === 46) {
      const start = ++at;
      for (let d = text.charCodeAt(at) - 48; d >= 0 && d <= 9; d = text.charCodeAt(++at) - 48) {
        if (whole >= FINEST) continue;
        fraction = fraction * 10 + d;
        whole *= 10;
      }
      if (at === start) return NaN;
    }
  }
  let offsetMinutes = 0;
  const zone = text.charCodeAt(at);
  if (zone === 90 || zone === 122) {
    at++;
  } else if (zone === 43 || zone === 45) {
    const hours = two(text, at + 1);
    const colon = text.charCodeAt(at + 3) === 58 ? 1 : 0;
    const minutes = two(text, at + 3 + colon);
    if (hours < 0 || hours > 23 || minutes < 0 || minutes > 59) return NaN;
    offsetMinutes = (hours * 60 + minutes) * (zone === 45 ? -1 : 1);
    at += 5 + colon;
  } else {
    return NaN;
  }
  if (at !== length) return NaN;
  // What is none is negative, and one negative makes all of it so.
  if ((century | yearOfIt | month | day | hour | minute | second) < 0) return NaN;
  if (month > 12 || day > 31 || hour > 23 || minute > 59 || second > 59) return NaN;
  const days = dayNumber(century * 100 + yearOfIt, month, day);
  return ((days * 24 + hour) * 60 + minute - offsetMinutes) * 60000 + second * 1000 + (fraction * 1000) / whole;
}

/** Two digits, or a negative number: a sign that any of the four differences has stays in what they are put together to. */
function two(text: string, i: number): number {
  const tens = (text.charCodeAt(i) - 48) | 0;
  const ones = (text.charCodeAt(i + 1) - 48) | 0;
  const bad = (tens | (9 - tens) | ones | (9 - ones)) >> 31;
  return (tens * 10 + ones) | bad;
}

let lastDate = -1;
let lastDays = NaN;

/** Days since 1970, NaN for a day that its month has not; entries of one day mostly stand together. */
function dayNumber(year: number, month: number, day: number): number {
  const date = (year * 16 + month) * 32 + day;
  if (date !== lastDate) {
    lastDays = month >= 1 && day >= 1 && day <= daysInMonth(year, month) ? daysSince1970(year, month, day) : NaN;
    lastDate = date;
  }
  return lastDays;
}

function daysInMonth(year: number, month: number): number {
  if (month === 2) return year % 4 === 0 && (year % 100 !== 0 || year % 400 === 0) ? 29 : 28;
  return month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
}

/** Days from 1970-01-01 in the proleptic Gregorian calendar (the usual civil-days algorithm, with years from March). */
function daysSince1970(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfEra = yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear;
  return era * 146097 + dayOfEra - 719468;
}
