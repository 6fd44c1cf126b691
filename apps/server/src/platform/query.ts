import { Refused } from './refused.js';

/** A number in the address, from `least` to `most`. */
export function wholeNumber(
  field: string,
  text: string | undefined,
  otherwise: number,
  most: number,
  least = 1,
): number {
  if (text === undefined) return otherwise;
  const value = Number(text);
  if (text !== '' && Number.isInteger(value) && value >= least && value <= most) return value;
  const message = `${field} is "${text}"; it must be a whole number from ${least} to ${most}`;
  throw new Refused('body_wrong', message, [{ field, code: 'range', message }]);
}

/** A season in the address; undefined where none is named. */
export const seasonIn = (text: string | undefined): number | undefined =>
  text === undefined ? undefined : wholeNumber('season', text, 0, 2100, 2000);
