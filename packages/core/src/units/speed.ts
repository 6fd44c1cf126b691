import { requireFinite } from '../kernel/index.js';
import { M_PER_FT } from './length.js';

const M_PER_S_OF_MPH = (5280 * M_PER_FT) / 3600;

export function mphToMetresPerSecond(mph: number): number {
  return requireFinite('speed', mph, 'mph') * M_PER_S_OF_MPH;
}

export function metresPerSecondToMph(metresPerSecond: number): number {
  return requireFinite('speed', metresPerSecond, 'm/s') / M_PER_S_OF_MPH;
}

export function metresPerSecondToKmh(metresPerSecond: number): number {
  return requireFinite('speed', metresPerSecond, 'm/s') * 3.6;
}
