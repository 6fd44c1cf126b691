import { Injectable } from '@nestjs/common';

/** The only place that asks what time it is. */
@Injectable()
export class Clock {
  now(): number {
    return Date.now();
  }
}

/** A moment as answers say it; null where there is none. @param ms since 1970 */
export const isoOf = (ms: number | null): string | null => (ms === null ? null : new Date(ms).toISOString());
