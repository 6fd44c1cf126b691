import { type Brand, requireFinite, requireInRange } from '../kernel/index.js';

/** Mass in kilograms: the only mass that the core computes with. */
export type Kilograms = Brand<number, 'kg'>;

/** International avoirdupois pound, exact. Published: NIST Handbook 44, Appendix C. */
export const KG_PER_LB = 0.45359237;

/** @throws RangeRefusal when negative or not finite */
export function kilograms(value: number): Kilograms {
  return requireInRange('mass', value, 0, Number.MAX_VALUE, 'kg') as Kilograms;
}

export function poundsToKilograms(pounds: number): Kilograms {
  return (requireFinite('mass', pounds, 'lb') * KG_PER_LB) as Kilograms;
}

export function kilogramsToPounds(kg: number): number {
  return requireFinite('mass', kg, 'kg') / KG_PER_LB;
}

export function tonnesToKilograms(tonnes: number): Kilograms {
  return (requireFinite('mass', tonnes, 't') * 1000) as Kilograms;
}
