import { instantOf } from '@fanega/core';
import { Refused } from './refused.js';

const FIRST_MS = Date.UTC(1990, 0, 1);
const YEAR_MS = 366 * 86_400_000;

/**
 * When something happened lies within a farm's years: a slip in the year would be the newest of everything, for good.
 * @param index of the entry in its batch, where there are several
 */
export function requireSensible(at: string, nowMs: number, index?: number, entry?: string): void {
  const ms = instantOf(at);
  if (Number.isNaN(ms) || (ms >= FIRST_MS && ms <= nowMs + YEAR_MS)) return;
  const message = `the year is ${new Date(ms).getUTCFullYear()}: from 1990 to a year from now; check the date`;
  throw new Refused('body_wrong', `${index === undefined ? 'T' : `entry ${index + 1}: t`}${message.slice(1)}`, [
    {
      ...(index === undefined ? {} : { index }),
      ...(entry === undefined ? {} : { entry }),
      field: 'at',
      code: 'date_far',
      message,
    },
  ]);
}
