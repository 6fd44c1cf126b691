import { type Brand, requireFinite, requireInRange } from '../kernel/index.js';
import { KG_PER_LB } from './mass.js';

/** Weight bushels of grain as it is: wet kg over the legal bushel weight. */
export type WetBushels = Brand<number, 'wet bu'>;
/** Bushels of the same dry matter at a named base moisture. The base belongs on the screen beside the figure. */
export type DryBushels = Brand<number, 'dry bu'>;
/** Space: what a bin holds. Never add these to weight bushels. */
export type VolumeBushels = Brand<number, 'volume bu'>;

/** US (Winchester) bushel, 2150.42 cubic inches. Published: NIST Handbook 44, Appendix C. */
export const CUBIC_METRES_PER_BUSHEL = 2150.42 * 0.0254 ** 3;

/** Legal bushel weight in kg from pounds (corn 56 lb -> 25.40117272 kg). */
export function kilogramsPerBushel(legalPounds: number): number {
  return requireInRange('legal bushel weight', legalPounds, 1, 200, 'lb/bu') * KG_PER_LB;
}

/** @param wetKg grain as it is, kg; @param legalPounds legal bushel weight, lb */
export function wetBushels(wetKg: number, legalPounds: number): WetBushels {
  return (requireFinite('mass', wetKg, 'kg') / kilogramsPerBushel(legalPounds)) as WetBushels;
}

/**
 * The same dry matter at the base moisture.
 * @param dryKg dry matter, kg; @param base wet-basis fraction of the base (0.15 for corn at most buyers)
 */
export function dryBushels(dryKg: number, legalPounds: number, base: number): DryBushels {
  requireInRange('base moisture', base, 0, 0.5, 'wb fraction');
  return (requireFinite('dry matter', dryKg, 'kg') / (1 - base) / kilogramsPerBushel(legalPounds)) as DryBushels;
}

/** @param cubicMetres space, m3 */
export function volumeBushels(cubicMetres: number): VolumeBushels {
  return (requireFinite('space', cubicMetres, 'm³') / CUBIC_METRES_PER_BUSHEL) as VolumeBushels;
}
