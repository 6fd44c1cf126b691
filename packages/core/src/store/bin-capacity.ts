import { type Crop, cropOf, CROPS } from '../crops/index.js';
import type { BinSetup } from '../records/index.js';
import { capacityOf, heightOf, type RoundBin } from './bins.js';
import { massOfFill, packFactor, spaceOfMass } from './pack.js';

/** A bin's geometry as the formulas want it: a hopper's depth is its steepness. */
export const roundBinOf = ({ diameter, eave, hopper, roofDegrees }: BinSetup): RoundBin => ({
  kind: 'round',
  diameter,
  eave,
  ...(hopper > 0 ? { hopperDegrees: (Math.atan(hopper / (diameter / 2)) * 180) / Math.PI } : {}),
  ...(roofDegrees === undefined ? {} : { roofDegrees }),
});

/**
 * Bushels by weight that a bin holds level with its eave, out of its geometry, with packing: of the crop that it is kept for, or of corn.
 * A capacity typed by hand stands above it; null for a pile. Range and source: {@link BIN_VOLUME} and {@link PACKING}.
 */
export function binCapacity(setup: BinSetup): number | null {
  // A pile has no wall to be level with.
  if (setup.eave < 1) return null;
  const crop = cropOf(setup.crop ?? '') ?? CROPS.corn;
  const bin = roundBinOf(setup);
  const { level } = capacityOf(bin, crop.reposeDegrees);
  const pack = packFactor({
    crop,
    diameter: setup.diameter,
    depth: setup.eave + setup.hopper / 3,
    moisture: crop.baseMoisture,
    ...(setup.packFactor === undefined ? {} : { own: setup.packFactor }),
  });
  return Math.round(massOfFill(level, crop, crop.baseMoisture, pack.factor).wetBushels);
}

/**
 * m of grain above the floor, leveled, that the book has in a bin; null for a pile. Range and source: {@link BIN_VOLUME} and {@link PACKING}.
 * @param moisture wet-basis fraction
 */
export function bookLevel(setup: BinSetup, crop: Crop, moisture: number, wetKg: number): number | null {
  if (setup.eave < 1) return null;
  const bin = roundBinOf(setup);
  const loose = heightOf(bin, spaceOfMass(wetKg, crop, moisture, 1));
  const pack = packFactor({
    crop,
    diameter: setup.diameter,
    depth: Math.max(0.3, loose),
    moisture,
    ...(setup.packFactor === undefined ? {} : { own: setup.packFactor }),
  });
  return heightOf(bin, spaceOfMass(wetKg, crop, moisture, pack.factor));
}
