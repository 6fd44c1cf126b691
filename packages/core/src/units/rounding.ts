import { requireInRange } from '../kernel/index.js';

/**
 * How a figure is brought to fewer decimals. `halfUp` is the grade standards' rule (7 CFR 810.104: 0.35 -> 0.4, 2.45 -> 2.5);
 * `down` is what some buyers do.
 */
export type Rounding = 'halfUp' | 'halfEven' | 'down' | 'up';

/** A decimal as it is written, its point moved: no binary fraction comes in between. */
function moved(written: string, places: number): number {
  const [digits, exponent] = written.split('e');
  return Number(`${digits}e${Number(exponent) + places}`);
}

const TENS = Array.from({ length: 10 }, (_, decimals) => 10 ** decimals);

/** Rounded to the nearest where the figure is so far from the middle between two that neither its binary form nor the twelfth digit can matter; else null. */
function clearlyRounded(size: number, decimals: number, rule: Rounding): number | null {
  const ten = TENS[decimals];
  if ((rule !== 'halfUp' && rule !== 'halfEven') || ten === undefined) return null;
  const scaled = size * ten;
  const floor = Math.floor(scaled);
  const rest = scaled - floor;
  // Both together move it by less than 6e-12 of its size.
  const doubt = scaled * 1e-11 + 1e-12;
  if (doubt > 0.1 || Math.abs(rest - 0.5) <= doubt) return null;
  // A whole number by a power of ten is the nearest binary number to that decimal, as the parser's would be.
  return (rest > 0.5 ? floor + 1 : floor) / ten;
}

/**
 * Rounds the decimal that is printed, not the binary number behind it: 2.45 is stored a hair below 2.45 and must still give 2.5.
 * @param decimals 0 to 9; negative values round the size and keep the sign
 */
export function roundDecimal(value: number, decimals: number, rule: Rounding = 'halfUp'): number {
  requireInRange('value to round', value, -1e15, 1e15, '');
  requireInRange('decimals', decimals, 0, 9, '');
  const sign = value < 0 ? -1 : 1;
  const plain = clearlyRounded(Math.abs(value), decimals, rule);
  if (plain !== null) return plain === 0 ? 0 : sign * plain;
  // Twelve significant digits: what arithmetic leaves behind the twelfth is noise, not a figure.
  const scaled = moved(Math.abs(value).toExponential(11), decimals);
  const floor = Math.floor(scaled);
  const rest = scaled - floor;
  const up =
    rule === 'up'
      ? rest > 0
      : rule === 'down'
        ? false
        : rest > 0.5 || (rest === 0.5 && (rule === 'halfUp' || floor % 2 === 1));
  const rounded = moved((floor + (up ? 1 : 0)).toExponential(), -decimals);
  return rounded === 0 ? 0 : sign * rounded;
}

/** Whole multiples of a step (half a point, ten pounds). */
export function roundToStep(value: number, step: number, rule: Rounding = 'halfUp'): number {
  requireInRange('step', step, 1e-9, 1e9, '');
  return Number((roundDecimal(value / step, 0, rule) * step).toPrecision(12));
}

/** Money to the cent, half up. */
export function cents(amount: number): number {
  return roundDecimal(amount, 2);
}

/** Sum of amounts that are of whole cents each, $: without the crumbs that binary fractions leave. */
export const sumOfMoney = (amounts: readonly number[]): number =>
  amounts.reduce((sum, amount) => sum + Math.round(100 * amount), 0) / 100;
