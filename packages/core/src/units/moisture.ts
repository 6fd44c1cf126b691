import { type Brand, requireInRange } from '../kernel/index.js';

/** Moisture, wet basis, as a fraction: kg of water in a kg of wet grain. People see per cent with one decimal. */
export type MoistureFraction = Brand<number, 'moisture wb'>;

/** Above this no grain is combined; a greater number is a typing error (e.g. 16.5 entered as a fraction). */
export const MAX_MOISTURE = 0.6;

/** @throws RangeRefusal outside 0 to 0.6 */
export function moistureFraction(value: number): MoistureFraction {
  return requireInRange('moisture', value, 0, MAX_MOISTURE, 'wb fraction') as MoistureFraction;
}

export function percentToFraction(percent: number): MoistureFraction {
  return moistureFraction(percent / 100);
}

export function fractionToPercent(fraction: number): number {
  return fraction * 100;
}
