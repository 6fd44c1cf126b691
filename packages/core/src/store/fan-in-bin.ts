import type { Crop } from '../crops/index.js';
import { fanOfRows } from '../dry/index.js';
import { operatingPoint, type OperatingPoint } from '../grain/index.js';
import { RangeRefusal } from '../kernel/index.js';
import type { BinFan, BinSetup } from '../records/index.js';
import { bookLevel } from './bin-capacity.js';

/** Share of the power that an electric motor of this size turns into work; common practice, no source. */
const MOTOR = 0.85;
/** m of grain below which a fan blows through nothing. */
const LEAST_DEPTH = 0.3;

/** Where a bin's own fan meets the grain that the book has in it; null where there is too little of it, or the figures meet nowhere. */
export function fanInBin(
  fan: BinFan,
  setup: BinSetup,
  { crop, moisture, wetKg }: { readonly crop: Crop; readonly moisture: number; readonly wetKg: number },
): OperatingPoint | null {
  const depth = wetKg > 1 ? bookLevel(setup, crop, moisture, wetKg) : null;
  if (depth === null || depth < LEAST_DEPTH) return null;
  try {
    return operatingPoint(
      fanOfRows(fan),
      { crop, floorArea: (Math.PI / 4) * setup.diameter ** 2, depth },
      fan.efficiency,
    );
  } catch (error) {
    if (error instanceof RangeRefusal) return null;
    throw error;
  }
}

/** kW that its motor draws from the wire. */
export const wireKilowatts = ({ shaftWatts }: Pick<OperatingPoint, 'shaftWatts'>): number => shaftWatts / 1000 / MOTOR;
