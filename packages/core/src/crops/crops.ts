/** What a crop is to the book: its name, its legal bushel and the base that dry bushels are counted at. */
export interface Crop {
  readonly id: string;
  readonly name: string;
  /** What people say at the bin: "beans", "milo". */
  readonly short: string;
  /** Legal bushel weight, lb. */
  readonly legalPounds: number;
  /** Base moisture, wet-basis fraction. A buyer may set another. */
  readonly baseMoisture: number;
  /** Loose bulk density as a wet weight per level bushel of space, lb; used to draw levels to scale. */
  readonly testWeight: number;
  /** Filling angle of repose, degrees (usual extension values; from memory). */
  readonly reposeDegrees: number;
}

/**
 * Legal weights: published (from memory), USDA conversion tables. Bases: usual market bases
 * (corn at 15.0 as most buyers take it now, 15.5 in older contracts); common practice.
 */
export const CROPS = {
  corn: { id: 'corn', name: 'Corn', short: 'corn', legalPounds: 56, baseMoisture: 0.15, testWeight: 56, reposeDegrees: 23 },
  soybean: { id: 'soybean', name: 'Soybeans', short: 'beans', legalPounds: 60, baseMoisture: 0.13, testWeight: 57, reposeDegrees: 25 },
  sorghum: { id: 'sorghum', name: 'Grain sorghum', short: 'milo', legalPounds: 56, baseMoisture: 0.14, testWeight: 57, reposeDegrees: 29 },
  wheat: { id: 'wheat', name: 'Wheat', short: 'wheat', legalPounds: 60, baseMoisture: 0.135, testWeight: 60, reposeDegrees: 25 },
  oats: { id: 'oats', name: 'Oats', short: 'oats', legalPounds: 32, baseMoisture: 0.14, testWeight: 34, reposeDegrees: 28 },
  barley: { id: 'barley', name: 'Barley', short: 'barley', legalPounds: 48, baseMoisture: 0.145, testWeight: 48, reposeDegrees: 28 },
} as const satisfies Record<string, Crop>;

export type CropId = keyof typeof CROPS;

/** The crop by its id, or undefined for one that the farm made up. */
export function cropOf(id: string): Crop | undefined {
  return Object.hasOwn(CROPS, id) ? CROPS[id as CropId] : undefined;
}
