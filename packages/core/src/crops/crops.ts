import { KG_PER_LB, MOISTURE, testWeightToKgPerM3 } from '../units/index.js';
import { type Formula, quantity, requireInRange, UnknownRefusal, within } from '../kernel/index.js';

/** The crops whose curves and tables are in the formulas. */
export const CROP_IDS = [
  'corn',
  'soybean',
  'wheat',
  'softWheat',
  'sorghum',
  'oats',
  'barley',
  'sunflower',
  'canola',
] as const;
export type CropId = (typeof CROP_IDS)[number];

/** A moisture that keeps for so many months; the last of a crop's list holds for anything longer. */
export interface SafeMoisture {
  readonly months: number;
  /** wet-basis fraction */
  readonly moisture: number;
}

/** What a crop is to the book and to the formulas. A farm's own crop is one of these too, see {@link defineCrop}. */
export interface Crop {
  readonly id: string;
  readonly name: string;
  /** What people say at the bin: "beans", "milo". */
  readonly short: string;
  /** Whose curves and tables (equilibrium, airflow, keeping, grades) apply; a built-in crop is like itself. */
  readonly like: CropId;
  /** Legal bushel weight, lb. */
  readonly legalPounds: number;
  /** Base moisture, wet-basis fraction. A buyer may set another. */
  readonly baseMoisture: number;
  /** Moisture to which crop insurance counts production, wet-basis fraction. */
  readonly insuredMoisture: number;
  /** Usual test weight, lb in a level bushel of space. */
  readonly testWeight: number;
  /** Angle of repose when filled (a pile, a cone in a bin), degrees. */
  readonly reposeDegrees: number;
  /** Steeper angle of the funnel when the core is drawn, degrees. */
  readonly emptyingDegrees: number;
  /** Most moisture by storage time, with air and cooling; sound grain. */
  readonly safeMoistures: readonly SafeMoisture[];
  /** Specific heat of wet grain, kJ/(kg K) = at0 + perPoint x moisture in percent. */
  readonly specificHeat: { readonly at0: number; readonly perPoint: number; readonly borrowedFrom?: CropId };
  /** Mass of one kernel as it comes from the field, g. A seed tag or a count of a thousand is better. */
  readonly kernelGrams: number;
  /** Rule of thumb: kernels on a square foot that make 1 bu/ac; null where the trade has none. */
  readonly kernelsPerFootOfBushel: number | null;
}

const safe = (...pairs: readonly (readonly [months: number, moisture: number])[]): SafeMoisture[] =>
  pairs.map(([months, moisture]) => ({ months, moisture }));

/**
 * Legal weights: published, from memory (USDA conversion tables). Market bases: common practice (corn at 15.0 as most buyers take it
 * now, 15.5 in older contracts). Insured bases: published, from memory (RMA crop provisions). Repose: published, from memory (MWPS;
 * canola low confidence). Safe moistures: published, from memory (extension storage bulletins; medium confidence). Specific heat:
 * published, from memory (Kazarian & Hall 1965 and handbook tables); where none was remembered a similar crop's is borrowed and named.
 * Kernel masses: common practice, from kernels a pound of 1,550 (corn), 2,900 (soybean), 15,000 (wheat), 14,500 (sorghum),
 * 13,500 (oats), 13,600 (barley), 122,000 (canola), 8,250 (oil sunflower).
 */
export const CROPS: Readonly<Record<CropId, Crop>> = {
  corn: {
    id: 'corn',
    like: 'corn',
    name: 'Corn',
    short: 'corn',
    legalPounds: 56,
    baseMoisture: 0.15,
    insuredMoisture: 0.15,
    testWeight: 56,
    reposeDegrees: 23,
    emptyingDegrees: 27,
    safeMoistures: safe([6, 0.155], [12, 0.14], [Infinity, 0.13]),
    specificHeat: { at0: 1.465, perPoint: 0.0356 },
    kernelGrams: 0.2926,
    kernelsPerFootOfBushel: 2,
  },
  soybean: {
    id: 'soybean',
    like: 'soybean',
    name: 'Soybeans',
    short: 'beans',
    legalPounds: 60,
    baseMoisture: 0.13,
    insuredMoisture: 0.13,
    testWeight: 57,
    reposeDegrees: 25,
    emptyingDegrees: 29,
    safeMoistures: safe([6, 0.13], [12, 0.12], [Infinity, 0.11]),
    specificHeat: { at0: 1.637, perPoint: 0.0193 },
    kernelGrams: 0.1564,
    kernelsPerFootOfBushel: 4,
  },
  wheat: {
    id: 'wheat',
    like: 'wheat',
    name: 'Hard wheat',
    short: 'wheat',
    legalPounds: 60,
    baseMoisture: 0.135,
    insuredMoisture: 0.135,
    testWeight: 60,
    reposeDegrees: 25,
    emptyingDegrees: 27,
    safeMoistures: safe([6, 0.14], [Infinity, 0.13]),
    specificHeat: { at0: 1.097, perPoint: 0.0405 },
    kernelGrams: 0.03024,
    kernelsPerFootOfBushel: 20,
  },
  softWheat: {
    id: 'softWheat',
    like: 'softWheat',
    name: 'Soft wheat',
    short: 'soft wheat',
    legalPounds: 60,
    baseMoisture: 0.135,
    insuredMoisture: 0.135,
    testWeight: 59,
    reposeDegrees: 25,
    emptyingDegrees: 27,
    safeMoistures: safe([6, 0.14], [Infinity, 0.13]),
    specificHeat: { at0: 1.398, perPoint: 0.0409 },
    kernelGrams: 0.03024,
    kernelsPerFootOfBushel: 20,
  },
  sorghum: {
    id: 'sorghum',
    like: 'sorghum',
    name: 'Grain sorghum',
    short: 'milo',
    legalPounds: 56,
    baseMoisture: 0.14,
    insuredMoisture: 0.14,
    testWeight: 57,
    reposeDegrees: 29,
    emptyingDegrees: 33,
    safeMoistures: safe([6, 0.14], [Infinity, 0.13]),
    specificHeat: { at0: 1.397, perPoint: 0.0322 },
    kernelGrams: 0.03128,
    kernelsPerFootOfBushel: 19,
  },
  oats: {
    id: 'oats',
    like: 'oats',
    name: 'Oats',
    short: 'oats',
    legalPounds: 32,
    baseMoisture: 0.14,
    insuredMoisture: 0.14,
    testWeight: 34,
    reposeDegrees: 28,
    emptyingDegrees: 32,
    safeMoistures: safe([6, 0.14], [Infinity, 0.12]),
    specificHeat: { at0: 1.277, perPoint: 0.0327 },
    kernelGrams: 0.0336,
    kernelsPerFootOfBushel: 10,
  },
  barley: {
    id: 'barley',
    like: 'barley',
    name: 'Barley',
    short: 'barley',
    legalPounds: 48,
    baseMoisture: 0.145,
    insuredMoisture: 0.145,
    testWeight: 48,
    reposeDegrees: 28,
    emptyingDegrees: 28,
    safeMoistures: safe([6, 0.14], [Infinity, 0.125]),
    specificHeat: { at0: 1.277, perPoint: 0.0327, borrowedFrom: 'oats' },
    kernelGrams: 0.03335,
    kernelsPerFootOfBushel: 14.5,
  },
  sunflower: {
    id: 'sunflower',
    like: 'sunflower',
    name: 'Oil sunflower',
    short: 'flowers',
    legalPounds: 30,
    baseMoisture: 0.1,
    insuredMoisture: 0.1,
    testWeight: 30,
    reposeDegrees: 27,
    emptyingDegrees: 32,
    safeMoistures: safe([6, 0.1], [Infinity, 0.08]),
    specificHeat: { at0: 1.637, perPoint: 0.0193, borrowedFrom: 'soybean' },
    kernelGrams: 0.055,
    kernelsPerFootOfBushel: null,
  },
  canola: {
    id: 'canola',
    like: 'canola',
    name: 'Canola',
    short: 'canola',
    legalPounds: 50,
    baseMoisture: 0.085,
    insuredMoisture: 0.085,
    testWeight: 50,
    reposeDegrees: 22,
    emptyingDegrees: 26,
    safeMoistures: safe([6, 0.09], [Infinity, 0.08]),
    specificHeat: { at0: 1.637, perPoint: 0.0193, borrowedFrom: 'soybean' },
    kernelGrams: 0.00372,
    kernelsPerFootOfBushel: 140,
  },
};

/** The crop by its id, or undefined for one that the farm made up. */
export function cropOf(id: string): Crop | undefined {
  return Object.hasOwn(CROPS, id) ? CROPS[id as CropId] : undefined;
}

/** The crop by its id. @throws UnknownRefusal naming those that are known */
export function requireCrop(id: string): Crop {
  const crop = cropOf(id);
  if (!crop) throw new UnknownRefusal('crop', id, CROP_IDS);
  return crop;
}

const LEGAL = quantity('legal bushel weight', 1, 200, 'lb/bu');
const TEST_WEIGHT = quantity('test weight', 5, 100, 'lb/bu');
const ANGLE = quantity('angle of repose', 5, 60, 'degrees');
const KERNEL = quantity('kernel mass', 0.0001, 10, 'g');

/**
 * A crop of the farm's own: popcorn like corn, malting barley like barley. What is not given is taken from the crop it is like, so that
 * every formula works on it.
 * @throws RangeRefusal for a number that no grain has; UnknownRefusal for an unknown model crop
 */
export function defineCrop(
  own: Partial<Omit<Crop, 'id' | 'name' | 'like'>> & Pick<Crop, 'id' | 'name' | 'like'>,
): Crop {
  const crop: Crop = { ...requireCrop(own.like), short: own.name.toLowerCase(), ...own };
  within(LEGAL, crop.legalPounds);
  within(TEST_WEIGHT, crop.testWeight);
  within(ANGLE, crop.reposeDegrees);
  within(ANGLE, crop.emptyingDegrees);
  within(KERNEL, crop.kernelGrams);
  within(MOISTURE, crop.baseMoisture);
  within(MOISTURE, crop.insuredMoisture);
  requireInRange('number of safe moistures', crop.safeMoistures.length, 1, 20, '');
  for (const { moisture } of crop.safeMoistures) within(MOISTURE, moisture);
  return crop;
}

const MONTHS = quantity('months', 0, 120, 'months');

export const SAFE_MOISTURE: Formula = {
  id: 'safe-moisture',
  title: 'Storage moisture by storage time',
  equation: 'table by crop; the first row whose months are enough',
  standing: 'published, from memory',
  source: 'Extension storage bulletins; medium confidence',
  inputs: [MONTHS],
  note: 'For sound grain that is cooled and watched. Cracked or frost-damaged grain wants a point less.',
};

/**
 * Most moisture (wet-basis fraction) for so many months in a bin with air.
 * Range and source: {@link SAFE_MOISTURE}.
 */
export function safeMoisture(crop: Crop, months: number): number {
  within(MONTHS, months);
  return (crop.safeMoistures.find((row) => months <= row.months) ?? crop.safeMoistures.at(-1)!).moisture;
}

export const SPECIFIC_HEAT: Formula = {
  id: 'specific-heat',
  title: 'Specific heat of grain',
  equation: 'c = c0 + c1 M   (kJ/kg K, M in % wb)',
  standing: 'published, from memory',
  source: 'Kazarian & Hall 1965 (corn, soft wheat); handbook tables',
  inputs: [MOISTURE],
  note: 'Barley borrows oats, sunflower and canola borrow soybean: no formula was remembered.',
};

/**
 * Specific heat of wet grain, J/(kg K).
 * Range and source: {@link SPECIFIC_HEAT}.
 * @param moisture wet-basis fraction
 */
export function specificHeat(crop: Crop, moisture: number): number {
  return 1000 * (crop.specificHeat.at0 + crop.specificHeat.perPoint * 100 * within(MOISTURE, moisture));
}

export const BULK_DENSITY: Formula = {
  id: 'bulk-density',
  title: 'Loose bulk density by moisture',
  equation:
    'corn .6829+.01422M-.0009843M²+.00001548M³; hard wheat .7744-.00703M+.001851M²-.00014896M³+.000003116M⁴ g/cm³ (M in % wb)',
  standing: 'published, from memory',
  source: 'Nelson 1980',
  inputs: [quantity('moisture', 0.1, 0.35, 'wb fraction')],
  note: 'Other crops: the test weight, whatever the moisture. A test weight of the load is better than either.',
};

/**
 * Loose bulk density as grain comes off the spout, kg/m3.
 * Range and source: {@link BULK_DENSITY}.
 * @param testWeight lb/bu; where it is known it decides, otherwise the crop's curve by moisture, otherwise its usual test weight
 */
export function bulkDensity(crop: Crop, moisture: number, testWeight?: number): number {
  within(MOISTURE, moisture);
  if (testWeight !== undefined) return testWeightToKgPerM3(within(TEST_WEIGHT, testWeight));
  const curve = crop.like === 'corn' || crop.like === 'wheat';
  if (!curve) return testWeightToKgPerM3(crop.testWeight);
  // Outside the measured moistures the curve's end holds: cubics run away.
  const m = 100 * Math.min(crop.like === 'corn' ? 0.35 : 0.2, Math.max(0.1, moisture));
  const gramsPerCm3 =
    crop.like === 'corn'
      ? 0.6829 + m * (0.01422 + m * (-0.0009843 + m * 0.00001548))
      : 0.7744 + m * (-0.00703 + m * (0.001851 + m * (-0.00014896 + m * 0.000003116)));
  return 1000 * gramsPerCm3;
}

/** Kernel mass in grams behind a rule "so many kernels on a square foot are 1 bu/ac". */
export function kernelGramsOfRule(kernelsPerSquareFoot: number, legalPounds: number): number {
  requireInRange('kernels per square foot', kernelsPerSquareFoot, 0.01, 10_000, '');
  return (within(LEGAL, legalPounds) * KG_PER_LB * 1000) / 43_560 / kernelsPerSquareFoot;
}

/** Kernels on a square meter that make 1 kg/ha: 0.1 / kernel mass in g. */
export function kernelsPerSquareMetreOfKgPerHa(kernelGrams: number): number {
  return 0.1 / within(KERNEL, kernelGrams);
}

/** Share of the space in a bed that is air, from loose density and usual kernel densities. Common practice: about 0.4. */
export const VOID_FRACTION = 0.4;
