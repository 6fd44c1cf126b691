import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { bulkDensity, type Crop, type CropId } from '../crops/index.js';
import { kilogramsPerBushel, testWeightToKgPerM3, type WetBushels } from '../units/index.js';
import { type Fill } from './bins.js';

const GRAVITY = 9.80665;
/** Wall friction by material. Published, from memory: ASAE EP433 (medium). */
export const WALL_FRICTION = { corrugated: 0.37, smoothSteel: 0.3, concrete: 0.4 } as const;
/** Lateral over vertical pressure (0.4 to 0.5 in the literature). */
export const LATERAL_RATIO = 0.5;

const DIAMETER = quantity('diameter', 0.5, 60, 'm');
const DEPTH = quantity('depth', 0, 60, 'm');

export const PACKING: Formula = {
  id: 'packing',
  title: 'Packing under its own weight',
  equation: 'dP/dz = rho(P) g - (4 k mu/D) P;  rho = rho0 [1 + gain (1 - exp(-P/P0))];  pack = mean rho / rho0',
  standing: 'assumed',
  source: 'Janssen 1895 with a density that grows with pressure; pressure part checked against the closed form',
  inputs: [DIAMETER, DEPTH, quantity('test weight', 5, 100, 'lb/bu')],
  note: 'The published compaction constants were not remembered. The gains here only land in the range of printed pack factors (corn 1.03-1.10, soybeans 1.02-1.06; more in deep, wide bins and for light or wet grain). Use a factor of your own, or calibrate one with packFromScale.',
};

/** Growth of density under great pressure, by crop: assumed, see {@link PACKING}. */
const GAIN: Readonly<Record<CropId, number>> = {
  corn: 0.1,
  soybean: 0.06,
  wheat: 0.07,
  softWheat: 0.07,
  sorghum: 0.08,
  oats: 0.16,
  barley: 0.12,
  sunflower: 0.16,
  canola: 0.06,
};
/** Pressure at which most of the packing is done, Pa (800 lb/ft2). Assumed. */
const PRESSURE_SCALE = 38_304;

/**
 * Vertical pressure at the floor and mean density of grain in a round bin, by second-order steps down the column.
 * Range and source: {@link PACKING}.
 * @param density of the loose grain, kg/m3; @param gain share by which density grows under great pressure; 0 gives Janssen's closed form
 */
export function columnOf(input: {
  readonly diameter: number;
  readonly depth: number;
  readonly density: number;
  readonly friction: number;
  readonly gain: number;
  readonly lateral?: number;
}): { floorPressure: number; meanDensity: number } {
  within(DIAMETER, input.diameter);
  within(DEPTH, input.depth);
  requireInRange('density', input.density, 100, 1500, 'kg/m³');
  requireInRange('wall friction', input.friction, 0, 1, '');
  requireInRange('packing gain', input.gain, 0, 1, '');
  if (input.depth === 0) return { floorPressure: 0, meanDensity: input.density };
  const drag =
    (4 * requireInRange('lateral ratio', input.lateral ?? LATERAL_RATIO, 0.1, 1, '') * input.friction) / input.diameter;
  const rho = (p: number): number => input.density * (1 + input.gain * (1 - Math.exp(-p / PRESSURE_SCALE)));
  const slope = (p: number): number => rho(p) * GRAVITY - drag * p;
  const steps = 400;
  const dz = input.depth / steps;
  let p = 0;
  let mass = 0;
  for (let i = 0; i < steps; i++) {
    const middle = p + (slope(p) * dz) / 2;
    mass += rho(middle) * dz;
    p += slope(middle) * dz;
  }
  return { floorPressure: p, meanDensity: mass / input.depth };
}

export interface Pack {
  /** Packed over loose density. */
  readonly factor: number;
  readonly by: 'own factor' | 'assumed compaction';
  /** To be shown beside the bushels while nobody has calibrated it. */
  readonly warning: string | null;
}

/**
 * Pack factor of a bin: the user's own where there is one, otherwise from test weight, moisture, depth and diameter.
 * Range and source: {@link PACKING}.
 * @param own 0.9 to 1.4
 */
export function packFactor(input: {
  readonly crop: Crop;
  readonly diameter: number;
  readonly depth: number;
  readonly moisture: number;
  readonly testWeight?: number;
  readonly wall?: keyof typeof WALL_FRICTION;
  readonly own?: number;
}): Pack {
  if (input.own !== undefined)
    return { factor: requireInRange('pack factor', input.own, 0.9, 1.4, ''), by: 'own factor', warning: null };
  const density = bulkDensity(input.crop, input.moisture, input.testWeight);
  // Lighter and wetter grain gives way more.
  const lightness = Math.min(1.5, Math.max(0.7, testWeightToKgPerM3(input.crop.testWeight) / density));
  const wetness = Math.min(1.5, Math.max(0.8, 1 + 2.5 * (input.moisture - input.crop.baseMoisture)));
  const gain = Math.min(0.4, GAIN[input.crop.like] * lightness * lightness * wetness);
  const { meanDensity } = columnOf({
    diameter: input.diameter,
    depth: input.depth,
    density,
    friction: WALL_FRICTION[input.wall ?? 'corrugated'],
    gain,
  });
  return {
    factor: meanDensity / density,
    by: 'assumed compaction',
    warning: 'pack factor is assumed; weigh a bin out once and enter its own',
  };
}

/**
 * The pack factor that a bin weighed over a scale shows it had.
 * Range and source: {@link PACKING}.
 * @throws RangeRefusal when it would be below 0.9 or above 1.4: then a level, a weight or the test weight is wrong
 */
export function packFromScale(wetKg: number, cubicMetres: number, testWeight: number): number {
  requireInRange('volume', cubicMetres, 0.01, 1e7, 'm³');
  const factor = requireInRange('mass', wetKg, 0.01, 1e10, 'kg') / (cubicMetres * testWeightToKgPerM3(testWeight));
  return requireInRange('pack factor', factor, 0.9, 1.4, '');
}

/** Weight of what fills a space. @param testWeight lb/bu; left out: the crop's density at this moisture */
export function massOfFill(
  fill: Pick<Fill, 'cubicMetres'>,
  crop: Crop,
  moisture: number,
  pack: number,
  testWeight?: number,
): { wetKg: number; wetBushels: WetBushels } {
  requireInRange('pack factor', pack, 0.9, 1.4, '');
  const wetKg =
    requireInRange('volume', fill.cubicMetres, 0, 1e7, 'm³') * bulkDensity(crop, moisture, testWeight) * pack;
  return { wetKg, wetBushels: (wetKg / kilogramsPerBushel(crop.legalPounds)) as WetBushels };
}

/** Space that so much grain fills: the way back. */
export function spaceOfMass(wetKg: number, crop: Crop, moisture: number, pack: number, testWeight?: number): number {
  requireInRange('pack factor', pack, 0.9, 1.4, '');
  return requireInRange('mass', wetKg, 0, 1e10, 'kg') / (bulkDensity(crop, moisture, testWeight) * pack);
}
