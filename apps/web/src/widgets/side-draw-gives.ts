import { aboveSideDraw, type BinSetup, cropOf, CROPS } from '@fanega/core';
import type { Farm } from '../data/farm';

/** What a bin's side draw can still give, wet kg: what lies above its spout; null where its height is not known or nothing lies there. */
export function sideDrawGives(farm: Farm, placeId: string, setup: BinSetup | undefined): number | null {
  const { moisture, wetKg, lots } = farm.held(placeId);
  if (setup === undefined || moisture === null) return null;
  return aboveSideDraw(setup, cropOf(farm.cropOf(lots) ?? '') ?? CROPS.corn, moisture, wetKg);
}
