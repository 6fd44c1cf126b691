import { type Formula, quantity, requireInRange, rootBetween, UnknownRefusal, within } from '../kernel/index.js';
import { type Crop, type CropId } from '../crops/index.js';
import { dryToWetBasis, MAX_MOISTURE, MOISTURE, wetToDryBasis } from '../units/index.js';

export type IsothermForm = 'chungPfost' | 'henderson' | 'oswin' | 'halsey';

/** One published set of constants of one form for one grain. */
export interface IsothermSet {
  readonly id: string;
  readonly crop: CropId | 'durum' | 'rice' | 'edibleBean';
  readonly form: IsothermForm;
  readonly a: number;
  readonly b: number;
  readonly c: number;
  /** Of the constants as remembered. */
  readonly confidence: 'high' | 'medium' | 'low';
  readonly source: string;
}

const D4 = 'ASAE D245.4';
const D6 = 'ASAE D245.5/.6';
type Row = readonly [
  crop: IsothermSet['crop'],
  form: IsothermForm,
  a: number,
  b: number,
  c: number,
  confidence: IsothermSet['confidence'],
  source: string,
];
const SHORT: Readonly<Record<IsothermForm, string>> = { chungPfost: 'CP', henderson: 'HE', oswin: 'OS', halsey: 'HA' };

// Chung-Pfost of D245.4 takes decimal dry basis, that of D245.5/.6 percent; all are stored here for decimal (B x 100).
const ROWS: readonly Row[] = [
  ['corn', 'chungPfost', 312.3, 16.958, 30.205, 'high', D4],
  ['corn', 'henderson', 8.6541e-5, 1.8634, 49.81, 'high', D4],
  ['soybean', 'chungPfost', 328.3, 13.917, 100.288, 'high', D4],
  ['soybean', 'henderson', 30.5327e-5, 1.2164, 134.136, 'high', D4],
  ['wheat', 'chungPfost', 529.43, 17.609, 50.998, 'high', D4],
  ['wheat', 'henderson', 2.3007e-5, 2.2857, 55.815, 'high', D4],
  ['softWheat', 'chungPfost', 726.49, 23.607, 35.662, 'high', D4],
  ['softWheat', 'henderson', 1.2299e-5, 2.5558, 64.346, 'high', D4],
  ['durum', 'chungPfost', 921.65, 18.077, 112.35, 'medium', D4],
  ['durum', 'henderson', 2.5738e-5, 2.211, 70.318, 'medium', D4],
  ['sorghum', 'chungPfost', 1099.68, 19.644, 102.849, 'medium', D4],
  ['sorghum', 'henderson', 0.8532e-5, 2.4757, 113.725, 'medium', D4],
  ['barley', 'chungPfost', 761.66, 19.889, 91.323, 'medium', D4],
  ['barley', 'henderson', 2.2919e-5, 2.0123, 195.267, 'medium', D4],
  ['rice', 'chungPfost', 594.61, 21.732, 35.703, 'medium', D4],
  ['rice', 'henderson', 1.9187e-5, 2.4451, 51.161, 'medium', D4],
  ['edibleBean', 'chungPfost', 962.58, 15.975, 160.629, 'medium', D4],
  ['edibleBean', 'henderson', 2.0899e-5, 1.8812, 254.23, 'medium', D4],
  ['corn', 'chungPfost', 374.34, 18.662, 31.696, 'low', D6],
  ['corn', 'henderson', 6.6612e-5, 1.9677, 42.143, 'low', D6],
  ['corn', 'oswin', 15.303, -0.10164, 3.0358, 'medium', D6],
  ['soybean', 'halsey', 2.87, -0.0054, 1.38, 'medium', D6],
  ['wheat', 'chungPfost', 610.34, 15.526, 93.213, 'low', D6],
  ['wheat', 'henderson', 4.3295e-5, 2.1119, 41.565, 'low', D6],
  ['wheat', 'oswin', 15.868, -0.10378, 3.0842, 'low', D6],
  ['durum', 'oswin', 13.101, -0.052626, 2.9987, 'low', D6],
  ['softWheat', 'chungPfost', 545.11, 19.587, 64.047, 'low', D6],
  ['oats', 'chungPfost', 442.85, 21.228, 35.803, 'low', D6],
  ['oats', 'oswin', 12.412, -0.060707, 2.9397, 'medium', D6],
  ['sorghum', 'chungPfost', 797.33, 18.159, 52.238, 'low', D6],
  ['barley', 'chungPfost', 475.12, 14.843, 71.996, 'low', D6],
  ['rice', 'chungPfost', 412.02, 17.528, 39.016, 'low', D6],
  ['canola', 'halsey', 3.4894, -0.010553, 1.86, 'medium', D6],
  ['sunflower', 'henderson', 31e-5, 1.7459, 66.603, 'medium', D6],
];

/** All sets, as e.g. `corn CP D245.4`. */
export const ISOTHERMS: readonly IsothermSet[] = ROWS.map(([crop, form, a, b, c, confidence, source]) => ({
  id: `${crop} ${SHORT[form]} ${source.slice(5)}`,
  crop,
  form,
  a,
  b,
  c,
  confidence,
  source,
}));

/** The form that reproduces the extension tables of the crop, or the best remembered one; two ids are averaged in percent wet basis. */
export const DEFAULT_ISOTHERM: Readonly<Record<CropId, readonly string[]>> = {
  corn: ['corn CP D245.4', 'corn HE D245.4'],
  soybean: ['soybean CP D245.4'],
  wheat: ['wheat CP D245.4'],
  softWheat: ['softWheat CP D245.4'],
  sorghum: ['sorghum CP D245.4'],
  oats: ['oats OS D245.5/.6'],
  barley: ['barley CP D245.4'],
  sunflower: ['sunflower HE D245.5/.6'],
  canola: ['canola HA D245.5/.6'],
};

const T = quantity('temperature', -20, 60, '°C');
const RH = quantity('relative humidity', 0.001, 0.999, 'fraction');

export const EQUILIBRIUM: Formula = {
  id: 'equilibrium-moisture',
  title: 'Equilibrium moisture',
  standing: 'published, from memory',
  source: 'ASAE D245.4 (Chung-Pfost, Henderson) and D245.5/.6 (Oswin, Halsey)',
  equation:
    'CP: RH = exp[-A/(T+C) exp(-B Md)]; HE: RH = 1 - exp[-K (T+C) Md%^N]; Oswin: Md% = (A+BT)[RH/(1-RH)]^(1/C); Halsey: Md% = [exp(A+BT)/(-ln RH)]^(1/C)',
  inputs: [T, RH, MOISTURE],
  note: 'Valid about 0-50 °C and 10-90 % RH; beyond that the answer is flagged. Corn: the extension tables are the average of CP and HE in percent wet basis, so that is the default. D245.5/.6 sets of low confidence can be chosen, none is a default. Soybean Halsey runs away above 75 % RH.',
};

/** Dry-basis moisture (decimal) by one set, with what does not change worked out once: simulations ask millions of times. Unchecked. */
function dryBasisBy({ form, a, b, c }: IsothermSet): (t: number, rh: number) => number {
  const [inverseB, inverseC, logA] = [1 / b, 1 / c, Math.log(a)];
  switch (form) {
    case 'chungPfost':
      return (t, rh) => (logA - Math.log(-(t + c) * Math.log(rh))) * inverseB;
    case 'henderson':
      return (t, rh) => Math.pow(-Math.log(1 - rh) / (a * (t + c)), inverseB) / 100;
    case 'oswin':
      return (t, rh) => ((a + b * t) * Math.pow(rh / (1 - rh), inverseC)) / 100;
    case 'halsey':
      return (t, rh) => Math.pow(Math.exp(a + b * t) / -Math.log(rh), inverseC) / 100;
  }
}

/** Relative humidity over grain of dry-basis moisture (decimal) by one set. Unchecked. */
function humidityOf(set: IsothermSet, t: number, md: number): number {
  switch (set.form) {
    case 'chungPfost':
      return Math.exp((-set.a / (t + set.c)) * Math.exp(-set.b * md));
    case 'henderson':
      return 1 - Math.exp(-set.a * (t + set.c) * Math.pow(100 * md, set.b));
    case 'oswin':
      return 1 / (1 + Math.pow((set.a + set.b * t) / (100 * md), set.c));
    case 'halsey':
      return Math.exp(-Math.exp(set.a + set.b * t) * Math.pow(100 * md, -set.c));
  }
}

/** How a grain and the air about it come to rest, by one set of constants or the average of two. */
export interface Isotherm {
  /** What the answer was computed by: shown beside it. */
  readonly name: string;
  readonly confidence: IsothermSet['confidence'];
  /** Wet-basis fraction at which the grain neither gains nor loses. @param t °C @param rh fraction. Unchecked: for inner loops. */
  moistureAt(t: number, rh: number): number;
  /** Relative humidity of the air in the grain. @param moisture wet-basis fraction. Unchecked. */
  humidityAt(t: number, moisture: number): number;
}

/** An isotherm from sets of one's own. Two are averaged in wet basis. */
export function isothermOf(sets: readonly IsothermSet[]): Isotherm {
  requireInRange('number of isotherm sets', sets.length, 1, 2, '');
  const name = sets.length === 2 ? `average of ${sets[0]!.id} and ${sets[1]!.id}` : sets[0]!.id;
  const confidence = sets.some((s) => s.confidence === 'low')
    ? 'low'
    : sets.some((s) => s.confidence === 'medium')
      ? 'medium'
      : 'high';
  const wet = (set: IsothermSet): ((t: number, rh: number) => number) => {
    const dry = dryBasisBy(set);
    return (t, rh) => dryToWetBasis(Math.max(0, dry(t, rh)));
  };
  const [first, second] = [sets[0]!, sets[1]];
  const byFirst = wet(first);
  if (!second)
    return { name, confidence, moistureAt: byFirst, humidityAt: (t, m) => humidityOf(first, t, wetToDryBasis(m)) };
  const bySecond = wet(second);
  const moistureAt = (t: number, rh: number): number => (byFirst(t, rh) + bySecond(t, rh)) / 2;
  const humidityAt = (t: number, m: number): number => {
    const [low, high] = [1e-9, 1 - 1e-12];
    if (m <= moistureAt(t, low)) return low;
    if (m >= moistureAt(t, high)) return high;
    return rootBetween((rh) => moistureAt(t, rh) - m, low, high, 1e-13);
  };
  return { name, confidence, moistureAt, humidityAt };
}

/**
 * The isotherm of a crop.
 * @param choice ids of {@link ISOTHERMS}; left out: the crop's default
 * @throws UnknownRefusal for an id that is not known
 */
export function isotherm(crop: Crop, choice: readonly string[] = DEFAULT_ISOTHERM[crop.like]): Isotherm {
  return isothermOf(
    choice.map((id) => {
      const set = ISOTHERMS.find((row) => row.id === id);
      if (!set)
        throw new UnknownRefusal(
          'isotherm',
          id,
          ISOTHERMS.map((row) => row.id),
        );
      return set;
    }),
  );
}

export interface Equilibrium {
  /** wet-basis fraction */
  readonly moisture: number;
  /** fraction */
  readonly relativeHumidity: number;
  /** Which form and edition. */
  readonly form: string;
  readonly confidence: IsothermSet['confidence'];
  /** True outside 0-50 °C or 10-90 % RH, where the forms were never fitted. */
  readonly extrapolated: boolean;
}

const beyond = (t: number, rh: number): boolean => t < 0 || t > 50 || rh < 0.1 || rh > 0.9;

/**
 * Moisture that grain comes to in air of this temperature and humidity.
 * Range and source: {@link EQUILIBRIUM}.
 * @param celsius -20 to 60 °C @param humidity relative humidity, 0.001 to 0.999
 * @example corn at 10 °C and 65 %: 14.6 % by the default, the average that the extension tables print
 */
export function equilibriumMoisture(
  crop: Crop,
  celsius: number,
  humidity: number,
  choice?: readonly string[],
): Equilibrium {
  within(T, celsius);
  within(RH, humidity);
  const curve = isotherm(crop, choice);
  const moisture = Math.min(MAX_MOISTURE, curve.moistureAt(celsius, humidity));
  return {
    moisture,
    relativeHumidity: humidity,
    form: curve.name,
    confidence: curve.confidence,
    extrapolated: beyond(celsius, humidity),
  };
}

/**
 * Relative humidity of the air between kernels of this moisture: the other direction.
 * Range and source: {@link EQUILIBRIUM}.
 */
export function equilibriumHumidity(
  crop: Crop,
  celsius: number,
  moisture: number,
  choice?: readonly string[],
): Equilibrium {
  within(T, celsius);
  requireInRange('moisture', moisture, 0.001, MAX_MOISTURE, 'wb fraction');
  const curve = isotherm(crop, choice);
  const humidity = Math.min(1, Math.max(0, curve.humidityAt(celsius, moisture)));
  return {
    moisture,
    relativeHumidity: humidity,
    form: curve.name,
    confidence: curve.confidence,
    extrapolated: beyond(celsius, humidity),
  };
}
