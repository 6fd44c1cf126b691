import { type Formula, quantity, within } from '../kernel/index.js';
import { type Crop, type CropId, VOID_FRACTION } from '../crops/index.js';

/** Constants of dP/L = a Q² / ln(1 + b Q), Pa/m and m3/(s m2), and the flows that they were fitted over. */
export interface ResistanceSet {
  readonly a: number;
  readonly b: number;
  readonly least: number;
  readonly most: number;
  readonly confidence: 'high' | 'medium';
}

const set = (
  a: number,
  b: number,
  least: number,
  most: number,
  confidence: ResistanceSet['confidence'] = 'high',
): ResistanceSet => ({ a, b, least, most, confidence });

/** Clean, loose grain. Published, from memory: ASAE D272 table 1 (Shedd 1953, Hukill & Ives 1955). */
export const RESISTANCE: Readonly<
  Record<
    CropId | 'rice' | 'confectionSunflower' | 'flax',
    { readonly standard: ResistanceSet; readonly low?: ResistanceSet }
  >
> = {
  corn: { standard: set(2.07e4, 30.4, 0.0056, 0.304), low: set(9.77e3, 8.55, 0.00025, 0.0203) },
  soybean: { standard: set(1.02e4, 16, 0.0056, 0.304) },
  wheat: { standard: set(2.7e4, 8.77, 0.0056, 0.203), low: set(8.41e3, 2.72, 0.00025, 0.0203) },
  softWheat: { standard: set(2.7e4, 8.77, 0.0056, 0.203), low: set(8.41e3, 2.72, 0.00025, 0.0203) },
  sorghum: { standard: set(2.12e4, 8.06, 0.0056, 0.203) },
  oats: { standard: set(2.41e4, 13.9, 0.0056, 0.203) },
  barley: { standard: set(2.14e4, 13.2, 0.0056, 0.203) },
  rice: { standard: set(2.57e4, 13.2, 0.0056, 0.152) },
  sunflower: { standard: set(2.49e4, 23.7, 0.025, 0.57, 'medium') },
  confectionSunflower: { standard: set(1.1e4, 18.1, 0.055, 0.178, 'medium') },
  canola: { standard: set(5.22e4, 7.27, 0.024, 0.263, 'medium') },
  flax: { standard: set(8.63e4, 8.29, 0.0056, 0.152, 'medium') },
};

const FLOW = quantity('airflow', 0, 1, 'm³/(s m²)');
const PACKING = quantity('packed-fill multiplier', 0.5, 4, '');
const FINES = quantity('fines', 0, 0.2, 'fraction');

export const AIRFLOW_RESISTANCE: Formula = {
  id: 'airflow-resistance',
  title: 'Resistance of grain to airflow',
  equation: 'dP/L = a Q² / ln(1 + b Q)',
  standing: 'published, from memory',
  source: 'ASAE D272 table 1 (Shedd 1953; Hukill & Ives 1955); fines: Haque 1978 (medium to low confidence)',
  inputs: [FLOW, PACKING, FINES],
  note: 'The two corn sets disagree where they overlap (+59 % at 1 cfm/ft²); below 0.0056 m/s only the low-flow set holds, above 0.0203 only the standard one, between them the answer goes over evenly in log flow. Fines follow dP (1 + (14.5566 - 26.418 Q) f).',
};

/** Usual multiplier for a bin filled by a spout and settled: extension fan tables take 1.5 for corn and most grain, 1.3 for wheat. */
export function usualPacking(crop: Crop): number {
  return crop.like === 'wheat' || crop.like === 'softWheat' ? 1.3 : 1.5;
}

const hukillIves = ({ a, b }: ResistanceSet, q: number): number => (q <= 0 ? 0 : (a * q * q) / Math.log1p(b * q));

export interface Resistance {
  readonly pascalsPerMetre: number;
  /** Which constants decided. */
  readonly set: 'standard' | 'low flow' | 'between';
  /** True outside the flows that the constants were fitted over. */
  readonly extrapolated: boolean;
}

/**
 * Pressure to push air through a meter of grain.
 * Range and source: {@link AIRFLOW_RESISTANCE}.
 * @param flow m3/s through each m2, 0 to 1
 * @param options packing: multiplier for packed fill (1 = clean and loose); fines: fraction; set: one set only, to compare with a table
 */
export function airflowResistance(
  crop: Crop,
  flow: number,
  options: { readonly packing?: number; readonly fines?: number; readonly set?: 'standard' | 'low flow' } = {},
): Resistance {
  within(FLOW, flow);
  const multiplier =
    within(PACKING, options.packing ?? 1) *
    (1 + Math.max(0, 14.5566 - 26.418 * flow) * within(FINES, options.fines ?? 0));
  const { standard, low } = RESISTANCE[crop.like];
  const only = options.set ?? (low ? undefined : 'standard');
  if (only === 'standard' || !low || (!only && flow >= low.most)) {
    return {
      pascalsPerMetre: multiplier * hukillIves(standard, flow),
      set: 'standard',
      extrapolated: flow > 0 && (flow < standard.least || flow > standard.most),
    };
  }
  if (only === 'low flow' || flow <= standard.least) {
    return {
      pascalsPerMetre: multiplier * hukillIves(low, flow),
      set: 'low flow',
      extrapolated: flow > 0 && (flow < low.least || flow > low.most),
    };
  }
  const part = Math.log(flow / standard.least) / Math.log(low.most / standard.least);
  const pascals = Math.exp((1 - part) * Math.log(hukillIves(low, flow)) + part * Math.log(hukillIves(standard, flow)));
  return { pascalsPerMetre: multiplier * pascals, set: 'between', extrapolated: false };
}

const OPEN_AREA = quantity('open area of the floor', 0.01, 1, 'fraction');

export const FLOOR_LOSS: Formula = {
  id: 'floor-loss',
  title: 'Perforated floor and duct',
  equation: 'floor dP = 1.071 [Q/(open x voids)]²; duct dP = K rho v²/2',
  standing: 'published, from memory',
  source: 'ASAE D272 note on perforated floors (low confidence); velocity-pressure form for ducts',
  inputs: [FLOW, OPEN_AREA],
};

/**
 * Pressure over a perforated floor, Pa.
 * Range and source: {@link FLOOR_LOSS}.
 * @param open open area, fraction of the floor
 */
export function floorLoss(flow: number, open: number): number {
  return 1.071 * (within(FLOW, flow) / (within(OPEN_AREA, open) * VOID_FRACTION)) ** 2;
}

/**
 * Pressure in a duct or transition, Pa.
 * Range and source: {@link FLOOR_LOSS}.
 * @param velocity m/s
 * @param coefficient number of velocity pressures lost; 1.5 for an elbow and a transition (common practice)
 */
export function ductLoss(velocity: number, coefficient = 1.5, airDensity = 1.2): number {
  within(quantity('air velocity', 0, 60, 'm/s'), velocity);
  within(quantity('loss coefficient', 0, 20, ''), coefficient);
  return (coefficient * within(quantity('air density', 0.5, 2, 'kg/m³'), airDensity) * velocity * velocity) / 2;
}
