import { type Brand, requireFinite, requireInRange } from '../kernel/index.js';

/** Moisture, wet basis, as a fraction: kg of water in a kg of wet grain. People see percent with one decimal. */
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
  return requireFinite('moisture', fraction, 'wb fraction') * 100;
}

/** kg of water for each kg of dry matter, from a wet-basis fraction: 0.155 -> 0.183432. Unchecked: for inner loops. */
export function wetToDryBasis(moisture: number): number {
  return moisture / (1 - moisture);
}

/** Wet-basis fraction from kg of water for each kg of dry matter: 0.25 -> 0.2. Unchecked: for inner loops. */
export function dryToWetBasis(moistureDb: number): number {
  return moistureDb / (1 + moistureDb);
}
