/**
 * Milliseconds since 1970 of an ISO 8601 date-time with a zone ("Z" or an offset); NaN for anything else.
 * Written out because `Date.parse` takes 30 February, zone-less local times and prose, and costs a third of a replay.
 * Fractions of a millisecond are kept (about 0.25 µs of resolution), so the order of very close entries holds.
 */
export function instantOf(text: string): number {
  const length = text.length;
  if (length < 17) return NaN;
  const digit = (i: number): number => {
    const c = text.charCodeAt(i) - 48;
    return c >= 0 && c <= 9 ? c : NaN;
  };
  const two = (i: number): number => digit(i) * 10 + digit(i + 1);
  if (text.charCodeAt(4) !== 45 || text.charCodeAt(7) !== 45 || text.charCodeAt(13) !== 58) return NaN;
  const t = text.charCodeAt(10);
  if (t !== 84 && t !== 116 && t !== 32) return NaN;
  const year = two(0) * 100 + two(2);
  const month = two(5);
  const day = two(8);
  const hour = two(11);
  const minute = two(14);
  let second = 0;
  let at = 16;
  if (text.charCodeAt(at) === 58) {
    second = two(17);
    at = 19;
    if (text.charCodeAt(at) === 46) {
      let scale = 0.1;
      const start = ++at;
      for (let d = digit(at); d === d; d = digit(at)) {
        second += d * scale;
        scale /= 10;
        at++;
      }
      if (at === start) return NaN;
    }
  }
  let offsetMinutes = 0;
  const zone = text.charCodeAt(at);
  if (zone === 90 || zone === 122) {
    at++;
  } else if (zone === 43 || zone === 45) {
    const hours = two(at + 1);
    const colon = text.charCodeAt(at + 3) === 58 ? 1 : 0;
    const minutes = two(at + 3 + colon);
    if (!(hours <= 23 && minutes <= 59)) return NaN;
    offsetMinutes = (hours * 60 + minutes) * (zone === 45 ? -1 : 1);
    at += 5 + colon;
  } else {
    return NaN;
  }
  if (at !== length) return NaN;
  if (!(month >= 1 && month <= 12 && day >= 1 && hour <= 23 && minute <= 59 && second < 60)) return NaN;
  if (day > daysInMonth(year, month)) return NaN;
  return ((daysSince1970(year, month, day) * 24 + hour) * 60 + minute - offsetMinutes) * 60000 + second * 1000;
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
