import { M_PER_FT } from './length.js';

const M_PER_S_OF_MPH = (5280 * M_PER_FT) / 3600;

export function mphToMetresPerSecond(mph: number): number {
  return mph * M_PER_S_OF_MPH;
}

export function metresPerSecondToMph(metresPerSecond: number): number {
  return metresPerSecond / M_PER_S_OF_MPH;
}

export function metresPerSecondToKmh(metresPerSecond: number): number {
  return metresPerSecond * 3.6;
}
