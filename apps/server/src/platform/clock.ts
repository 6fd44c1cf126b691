import { Injectable } from '@nestjs/common';

/** The only place that asks what time it is. */
@Injectable()
export class Clock {
  now(): number {
    return Date.now();
  }
}

/** Start of the farm's day at an instant, ms since 1970. */
export function startOfDay(ms: number, timeZone: string): number {
  const parts = new Intl.DateTimeFormat('en-US', { timeZone, hour: 'numeric', minute: 'numeric', second: 'numeric', hourCycle: 'h23' }).formatToParts(ms);
  const part = (type: string) => Number(parts.find((p) => p.type === type)?.value ?? 0);
  const guess = ms - ((part('hour') * 60 + part('minute')) * 60 + part('second')) * 1000 - (ms % 1000);
  // On the two days of the year when the clock is changed, the distance to midnight is an hour off.
  const at = new Intl.DateTimeFormat('en-US', { timeZone, hour: 'numeric', hourCycle: 'h23' }).format(guess);
  return at === '01' || at === '1' ? guess - 3_600_000 : at === '23' ? guess + 3_600_000 : guess;
}
