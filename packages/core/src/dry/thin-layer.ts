import { type Formula, quantity, within } from '../kernel/index.js';
import { celsiusToFahrenheit } from '../units/index.js';

const AIR_TEMPERATURE = quantity('air temperature', 60, 149, '°C');
const MOISTURE_RATIO = quantity('moisture ratio', 0.01, 1, '');

export const THIN_LAYER: Formula = {
  id: 'thin-layer',
  title: 'Thin-layer drying of shelled corn',
  equation: 't(h) = A ln MR + B (ln MR)²; A = -1.862 + 0.00488 T, B = 427.4 exp(-0.033 T), T in °F',
  standing: 'published, from memory',
  source: 'Thompson, Peart & Foster 1968. High confidence',
  inputs: [AIR_TEMPERATURE, MOISTURE_RATIO],
};

const coefficients = (celsius: number): { a: number; b: number } => {
  const f = celsiusToFahrenheit(within(AIR_TEMPERATURE, celsius));
  return { a: -1.862 + 0.00488 * f, b: 427.4 * Math.exp(-0.033 * f) };
};

/**
 * Hours until (M - Me)/(M0 - Me), dry basis, has fallen to `ratio`, for kernels fully exposed to air.
 * Range and source: {@link THIN_LAYER}.
 * @param celsius 60 to 149 °C
 */
export function thinLayerHours(celsius: number, ratio: number): number {
  const { a, b } = coefficients(celsius);
  const ln = Math.log(within(MOISTURE_RATIO, ratio));
  return a * ln + b * ln * ln;
}

/**
 * Moisture ratio after so many hours: the other direction.
 * Range and source: {@link THIN_LAYER}.
 */
export function thinLayerRatio(celsius: number, hours: number): number {
  const { a, b } = coefficients(celsius);
  within(quantity('hours', 0, 1000, 'h'), hours);
  // B l² + A l - t = 0 with l = ln MR <= 0 and A < 0: the negative root.
  return Math.exp((-a - Math.sqrt(a * a + 4 * b * hours)) / (2 * b));
}
