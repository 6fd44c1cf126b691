import { requireFinite } from '../kernel/index.js';
/** International acre, m2 (exact: 43,560 ft2). */
export const M2_PER_ACRE = 43560 * 0.3048 ** 2;

export function acresToHectares(acres: number): number {
  return (requireFinite('area', acres, 'ac') * M2_PER_ACRE) / 10000;
}

export function hectaresToAcres(hectares: number): number {
  return (requireFinite('area', hectares, 'ha') * 10000) / M2_PER_ACRE;
}
