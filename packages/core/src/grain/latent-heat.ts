import { type Formula, quantity, within } from '../kernel/index.js';
import { type Crop } from '../crops/index.js';
import { MAX_MOISTURE, wetToDryBasis } from '../units/index.js';
import { saturationPressureUnchecked } from './psychrometrics.js';
import { isotherm, type Isotherm } from './equilibrium.js';

const T = quantity('temperature', -20, 120, '°C');
const M = quantity('moisture', 0.05, MAX_MOISTURE, 'wb fraction');

export const LATENT_HEAT: Formula = {
  id: 'latent-heat',
  title: 'Heat to evaporate water from grain',
  standing: 'published, from memory',
  inputs: [T, M],
  source: 'Brooker, Bakker-Arkema & Hall; Othmer plot of the isotherms as the independent form',
  equation:
    'hv = 2501 - 2.386 T kJ/kg; hfg = hv [1 + a exp(-b Md)]: Thompson corn 4.35, 28.25; corn alternative 1.2925, 16.961; wheat 23, 40',
  note: 'At 12-15 % the Thompson form is 5-8 % below what both isotherms give, the alternative lies between. Engineering spread about 8 %. Crops without a form take the slope of their own isotherm.',
};

/**
 * Free water, J/kg.
 * Range and source: {@link LATENT_HEAT}.
 * @param celsius -20 to 120 °C
 */
export function latentHeatOfWater(celsius: number): number {
  return 1000 * (2501 - 2.386 * within(T, celsius));
}

/** hfg/hv - 1 = a exp(-b Md), Md decimal dry basis. */
export interface BindingHeat {
  readonly a: number;
  readonly b: number;
  readonly name: string;
}

export const BINDING_HEAT = {
  thompsonCorn: { a: 4.35, b: 28.25, name: 'Thompson corn' },
  corn: { a: 1.2925, b: 16.961, name: 'corn, alternative form' },
  wheat: { a: 23, b: 40, name: 'wheat' },
} as const satisfies Record<string, BindingHeat>;

/**
 * The form taken for a crop when nobody chooses: the one nearest to the crop's isotherms.
 * Range and source: {@link LATENT_HEAT}.
 */
export function bindingHeatOf(crop: Crop): BindingHeat {
  if (crop.like === 'corn') return BINDING_HEAT.corn;
  if (crop.like === 'wheat' || crop.like === 'softWheat') return BINDING_HEAT.wheat;
  return fitBindingHeat(isotherm(crop));
}

/**
 * Water in grain, J/kg.
 * Range and source: {@link LATENT_HEAT}.
 * @param moisture wet-basis fraction, 0.05 to 0.6
 */
export function latentHeatOfGrain(
  crop: Crop,
  celsius: number,
  moisture: number,
  form: BindingHeat = bindingHeatOf(crop),
): number {
  within(M, moisture);
  return latentHeatOfWater(celsius) * (1 + form.a * Math.exp(-form.b * wetToDryBasis(moisture)));
}

/**
 * hfg/hv from an isotherm by the slope of ln(vapor pressure over grain) on ln(saturation pressure) at constant moisture (Othmer).
 * Range and source: {@link LATENT_HEAT}.
 * @param celsius where the slope is taken, over +-5 K
 */
export function latentRatioOfIsotherm(curve: Isotherm, celsius: number, moisture: number): number {
  within(T, celsius);
  within(M, moisture);
  const vapor = (t: number): number => Math.log(curve.humidityAt(t, moisture) * saturationPressureUnchecked(t));
  const water = (t: number): number => Math.log(saturationPressureUnchecked(t));
  return (vapor(celsius + 5) - vapor(celsius - 5)) / (water(celsius + 5) - water(celsius - 5));
}

/** a and b of the exponential through the isotherm's ratio at 10 and 16 % (25 °C). */
function fitBindingHeat(curve: Isotherm): BindingHeat {
  const [low, high] = [wetToDryBasis(0.1), wetToDryBasis(0.16)];
  const at = (m: number): number => Math.max(1e-4, latentRatioOfIsotherm(curve, 25, m) - 1);
  const [first, second] = [at(0.1), at(0.16)];
  const b = Math.min(60, Math.max(1, Math.log(first / second) / (high - low)));
  return { a: first * Math.exp(b * low), b, name: `slope of ${curve.name}` };
}
