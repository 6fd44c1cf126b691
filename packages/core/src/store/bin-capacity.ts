import { type Crop, cropOf, CROPS } from '../crops/index.js';
import type { BinSetup } from '../records/index.js';
import { capacityOf, fillOf, heightOf, type RoundBin } from './bins.js';
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
  return heightOf(roundBinOf(setup), spaceOfMass(wetKg, crop, moisture, packOfHeld(setup, crop, moisture, wetKg)));
}

/** Packed over loose density of so much grain in a bin. */
function packOfHeld(setup: BinSetup, crop: Crop, moisture: number, wetKg: number): number {
  const loose = heightOf(roundBinOf(setup), spaceOfMass(wetKg, crop, moisture, 1));
  const { factor } = packFactor({
    crop,
    diameter: setup.diameter,
    depth: Math.max(0.3, loose),
    moisture,
    ...(setup.packFactor === undefined ? {} : { own: setup.packFactor }),
  });
  return factor;
}

/**
 * kg that can still leave a bin through the spout in its wall: what lies above it, were the surface level. The funnel that the grain flows
 * in leaves a slope behind: it is the most, not what surely comes. Null where nobody said how high the spout is.
 * Range and source: {@link BIN_VOLUME} and {@link PACKING}.
 * @param moisture wet-basis fraction
 * @param wetKg in the bin
 */
export function aboveSideDraw(setup: BinSetup, crop: Crop, moisture: number, wetKg: number): number | null {
  const { sideDrawAt } = setup;
  if (sideDrawAt === undefined || setup.sideDraw === false) return null;
  if (wetKg <= 0) return 0;
  const below = fillOf(roundBinOf(setup), { kind: 'level', height: sideDrawAt });
  return Math.max(0, wetKg - massOfFill(below, crop, moisture, packOfHeld(setup, crop, moisture, wetKg)).wetKg);
}
