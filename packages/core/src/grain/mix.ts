import { requireInRange } from '../kernel/index.js';
import { MAX_MOISTURE } from '../units/index.js';

/** Grain of one moisture. */
export interface Parcel {
  /** kg, wet */
  readonly wetKg: number;
  /** wet-basis fraction */
  readonly moisture: number;
}

/** What parcels make together, by weight (never by bushels): water and dry matter each add up. Empty input gives 0 kg. */
export function mixParcels(parcels: readonly Parcel[]): { wetKg: number; dryKg: number; moisture: number } {
  let wetKg = 0;
  let dryKg = 0;
  for (const parcel of parcels) {
    requireInRange('mass', parcel.wetKg, 0, Number.MAX_VALUE, 'kg');
    requireInRange('moisture', parcel.moisture, 0, MAX_MOISTURE, 'wb fraction');
    wetKg += parcel.wetKg;
    dryKg += parcel.wetKg * (1 - parcel.moisture);
  }
  return { wetKg, dryKg, moisture: wetKg > 0 ? 1 - dryKg / wetKg : 0 };
}
