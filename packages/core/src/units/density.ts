import { requireFinite } from '../kernel/index.js';
import { CUBIC_METRES_PER_BUSHEL } from './bushels.js';
import { KG_PER_LB } from './mass.js';

/** kg/m3 from a test weight in pounds a (volume) bushel: 12.87186 kg/m3 each. Not the certificate's kg/hL, see {@link wheatCertificateKgPerHl}. */
export function testWeightToKgPerM3(pounds: number): number {
  return (requireFinite('test weight', pounds, 'lb/bu') * KG_PER_LB) / CUBIC_METRES_PER_BUSHEL;
}

export function kgPerM3ToTestWeight(kgPerM3: number): number {
  return (requireFinite('density', kgPerM3, 'kg/m³') * CUBIC_METRES_PER_BUSHEL) / KG_PER_LB;
}

/** kg/hL on a US wheat certificate: 1.292 TW + 1.419 (durum 1.292 TW + 0.630). Published, from memory: USDA FGIS; not a pure conversion of units. */
export function wheatCertificateKgPerHl(pounds: number, durum = false): number {
  return 1.292 * requireFinite('test weight', pounds, 'lb/bu') + (durum ? 0.63 : 1.419);
}
