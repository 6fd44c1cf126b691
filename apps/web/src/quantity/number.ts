/** Plain numbers as people read and type them: a point for the part, commas between thousands. */

/** Names in their order, the numbers in them by their size. */
export { naturally } from '@fanega/core';

/** Beyond it numbers are written with an exponent. */
const WRITTEN_OUT = 1e21;
/** From here on there is no part to round. */
const WHOLE = 1e15;
const THOUSAND = /\B(?=(?:\d{3})+$)/g;

/**
 * The digits of a number of 0 or more, rounded as it is written: 1.005 becomes "1.01", though the machine holds a little less. Not by the
 * platform's formats: the first of them that a page asks for opens its tables of languages, 40 ms on a desk and four times that on a phone.
 */
function digits(value: number, decimals: number): string {
  const written = String(value);
  const rounded =
    written.includes('e') || value >= WHOLE
      ? value
      : Number(`${Math.round(Number(`${written}e${decimals}`))}e-${decimals}`);
  const [whole, part] = rounded.toFixed(decimals).split('.');
  return `${whole!.replace(THOUSAND, ',')}${part === undefined ? '' : `.${part}`}`;
}

/** "1,234.5"; nothing is shown as less than nothing by rounding. */
export function number(value: number, decimals = 0): string {
  if (Number.isNaN(value)) return 'NaN';
  const size = Math.abs(value);
  const text = size < WRITTEN_OUT ? digits(size, decimals) : Number.isFinite(size) ? size.toLocaleString('en-US') : '∞';
  return value < 0 && !/^[0.,]*$/.test(text) ? `-${text}` : text;
}

/** "+3.1", "−3.1", "0.0" */
export function signed(value: number, decimals = 0): string {
  const text = number(Math.abs(value), decimals);
  return /^[0.,]*$/.test(text) ? text : `${value < 0 ? '−' : '+'}${text}`;
}

/** A number in a box that somebody may change: no commas, no more digits than there are. */
export const plain = (value: number, decimals: number): string => String(Number(value.toFixed(decimals)));

/** "1,240", "3.6": a tenth where there is one. */
export const shortNumber = (value: number): string => number(value, Number.isInteger(Number(value.toFixed(1))) ? 0 : 1);

/** "12.5 %" of a fraction. */
export const percent = (fraction: number, decimals = 1): string => `${number(100 * fraction, decimals)} %`;
/** "50 %", "33.3 %": no more digits than there are. */
export const shortPercent = (fraction: number, decimals = 1): string => `${plain(100 * fraction, decimals)} %`;
/** "+12.5 %", "−0.3 %" */
export const signedPercent = (fraction: number, decimals = 1): string => `${signed(100 * fraction, decimals)} %`;

/** "820 kB", "1.4 MB" */
export const fileSize = (bytes: number): string =>
  bytes < 999_500 ? `${number(bytes / 1000)} kB` : `${number(bytes / 1e6, 1)} MB`;

const THOUSANDS = /^\d{1,3}(?:[, ’'\u00a0\u202f]\d{3})+(?:\.\d*)?$/;
const PLAIN = /^(?:\d+\.?\d*|\.\d+)$/;

/** The number that a text begins with, and what stands behind it. */
export interface NumberRead {
  /** Undefined where there is none. */
  readonly value?: number;
  readonly rest: string;
  /** What is wrong with it, in words. */
  readonly error?: string;
}

/** Reads "52,400", "52 400", "52.4", "18k", "−3", and leaves a unit behind it to the caller. */
export function readNumber(text: string): NumberRead {
  const found = /^\s*([+\-−]?)\s*([\d., ’'\u00a0\u202f]*[\d.,]|)\s*(k(?![a-z]))?\s*(.*?)\s*$/i.exec(text);
  const [, sign = '', digits = '', thousands, rest = ''] = found ?? [];
  if (digits === '')
    return {
      rest: text.trim(),
      error: sign === '' ? `“${text.trim()}” is not a number` : 'There is a sign but no number',
    };
  if (/^e[+\-−]?\d/i.test(rest)) return { rest, error: 'Write the number out, without an e' };
  if (!PLAIN.test(digits) && !THOUSANDS.test(digits)) {
    const comma = /^\d+,\d+$/.test(digits);
    return {
      rest,
      error: comma ? `Write the part after a point: ${digits.replace(',', '.')}` : `“${digits}” is not one number`,
    };
  }
  const value = Number(digits.replace(/[^\d.]/g, '')) * (thousands ? 1000 : 1);
  return { value: sign === '-' || sign === '−' ? -value : value, rest };
}

/** The number that was typed and nothing else; NaN when it is none. */
export function parseNumber(text: string): number {
  const { value, rest, error } = readNumber(text);
  return value === undefined || error !== undefined || rest !== '' ? NaN : value;
}
