import { requireFinite } from '../kernel/index.js';
/** International foot, exact. */
export const M_PER_FT = 0.3048;

export function feetToMetres(feet: number): number {
  return requireFinite('length', feet, 'ft') * M_PER_FT;
}

export function metresToFeet(meters: number): number {
  return requireFinite('length', meters, 'm') / M_PER_FT;
}

export function inchesToMetres(inches: number): number {
  return requireFinite('length', inches, 'in') * 0.0254;
}

export function milesToMetres(miles: number): number {
  return requireFinite('length', miles, 'mi') * 5280 * M_PER_FT;
}
