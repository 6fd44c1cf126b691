import {
  cfmPerBushelToPerCubicMetre,
  cfmToCubicMetresPerSecond,
  cropOf,
  CUBIC_METRES_PER_BUSHEL,
  type FarmView,
  feetToMetres,
  hectaresToAcres,
  inchesOfWaterToPascals,
  inchesToMetres,
  KG_PER_LB,
  kgPerBushelOf,
  milesToMetres,
  mphToMetresPerSecond,
  testWeightToKgPerM3,
} from '@fanega/core';
import { kind, type Kind, type Said, type Unit } from './kind';
import { number, plain, readNumber } from './number';
import { system } from './system';

/**
 * The quantities of a farm, each shown and typed in pairs. What is recorded is in the unit named first below, whatever is read; bushels
 * are of a crop, so that they need the kg of one to be tonnes.
 */

const TONNE = 1000;
const perTonne = (kgPerBu: number): number => TONNE / kgPerBu;
/** Loads to ten kilos, a season's grain to the tonne. */
const TONNES = (figure: number): number => (figure < 100 ? 2 : figure < 10_000 ? 1 : 0);
const ACRES_OF_HA = hectaresToAcres(1);
/** Bushels an acre that are so many kg on a hectare. */
const perHectare =
  (kg: number) =>
  (kgPerBu: number): number =>
    kg / kgPerBu / ACRES_OF_HA;
/** A quantity of one unit, whatever system is read. */
const everywhere = (unit: Unit): Kind => kind({ us: unit, metric: unit });

/** kg. A weight as a scale gives it. */
export const mass = kind({
  us: { name: 'lb', of: KG_PER_LB, decimals: 0, typed: 1 },
  metric: { name: 't', of: TONNE, decimals: 2, typed: 3 },
  also: { lbs: KG_PER_LB, pounds: KG_PER_LB, kg: 1, tonnes: TONNE },
});

/** Weight bushels of a crop. */
export const bushels = kind({
  us: { name: 'bu', of: 1, decimals: 0 },
  metric: { name: 't', of: perTonne, decimals: TONNES, typed: 3 },
  also: {
    bushels: 1,
    lb: (kgPerBu) => KG_PER_LB / kgPerBu,
    lbs: (kgPerBu) => KG_PER_LB / kgPerBu,
    kg: (kgPerBu) => 1 / kgPerBu,
  },
});

/** Weight bushels of a crop, to a tenth: a ticket's. */
export const bushelsFine = kind({
  us: { name: 'bu', of: 1, decimals: 1 },
  metric: { name: 't', of: perTonne, decimals: TONNES, typed: 3 },
});

/** Bushels of a crop an hour. */
export const grainRate = kind({
  us: { name: 'bu/h', of: 1, decimals: 0 },
  metric: { name: 't/h', of: perTonne, decimals: 1, typed: 2 },
});

/** Bushels of a crop and points of moisture an hour: what a dryer takes out. */
export const dryingRate = kind({
  us: { name: 'bu·pt/h', of: 1, decimals: 0 },
  metric: { name: 't·pt/h', of: perTonne, decimals: 1, typed: 2 },
});

/** Bushels of a crop an acre, whole as people say a yield. */
export const cropYield = kind({
  us: { name: 'bu/ac', of: 1, decimals: 0, typed: 1 },
  metric: { name: 't/ha', of: perHectare(TONNE), decimals: 2, typed: 3 },
  also: { 'kg/ha': perHectare(1) },
});

/** Bushels of a crop an acre, to a tenth. */
export const cropYieldFine = kind({
  us: { name: 'bu/ac', of: 1, decimals: 1 },
  metric: { name: 't/ha', of: perHectare(TONNE), decimals: 2 },
});

/** Bushels of a crop an acre that lie on the ground. */
export const loss = kind({
  us: { name: 'bu/ac', of: 1, decimals: 2 },
  metric: { name: 'kg/ha', of: perHectare(1), decimals: 0, typed: 1 },
});

/** Dollars a bushel of a crop. */
export const price = kind({
  us: { name: '$/bu', of: 1, decimals: 2, typed: 4 },
  metric: { name: '$/t', of: (kgPerBu) => kgPerBu / TONNE, decimals: 2, typed: 3 },
  also: { '/bu': 1, abushel: 1, bu: 1, '/t': (kgPerBu) => kgPerBu / TONNE, t: (kgPerBu) => kgPerBu / TONNE },
});

/** "$4.62 a bushel", in a sentence. */
export const priceText = (perBushel: number, kgPerBu: number): string =>
  `${money(price.shown(perBushel, kgPerBu))} ${aBushel()}`;

/** Dollars a bushel of a crop: a discount for a point of moisture. */
export const discount = kind({
  us: { name: '$/bu', of: 1, decimals: 3, typed: 4 },
  metric: { name: '$/t', of: (kgPerBu) => kgPerBu / TONNE, decimals: 2, typed: 4 },
});

const inDollars = (value: number, decimals: number): string =>
  `${value < 0 && Math.abs(value) >= 0.005 ? '−' : ''}$${number(Math.abs(value), decimals)}`;
/** "$1,234" or "$12.50": cents below a hundred dollars, whole dollars from there on. */
export const dollars = (value: number): string => inDollars(value, Math.abs(value) < 99.995 ? 2 : 0);
/** "$1,234.56": money that is counted. */
export const money = (value: number): string => inDollars(value, 2);

/** $/km. What a truck costs on the road, beside its hour. */
export const runningCost = kind({
  us: { name: '$/mi', of: 1000 / milesToMetres(1), decimals: 2 },
  metric: { name: '$/km', of: 1, decimals: 2 },
});

/** $/gal. What fuel in a tank cost. */
export const fuelPrice = kind({
  us: { name: '$/gal', of: 1, decimals: 2 },
  metric: { name: '$/L', of: 3.785411784, decimals: 2 },
});

/** "a bushel", "a tonne" */
export const aBushel = (): string => (system() === 'us' ? 'a bushel' : 'a tonne');

/** Dollars an acre, as a figure for a column. */
export const moneyOfArea = kind({
  us: { name: '$/ac', of: 1, decimals: 2 },
  metric: { name: '$/ha', of: 1 / ACRES_OF_HA, decimals: 2 },
});

/** What an area is of, in a sentence. */
export const anArea = (): string => (system() === 'us' ? 'an acre' : 'a hectare');

/** "$7.21 an acre", in a sentence. */
export const moneyPerArea = (perAcre: number): string => `${dollars(moneyOfArea.shown(perAcre))} ${anArea()}`;

const AREAS = { acres: 1, acre: 1, hectares: ACRES_OF_HA };

/** Acres. */
export const area = kind({
  us: { name: 'ac', of: 1, decimals: 1, typed: 2 },
  metric: { name: 'ha', of: ACRES_OF_HA, decimals: 1, typed: 3 },
  also: AREAS,
});

/** Acres, whole: what a machine has done in its life. */
export const areaWhole = kind({
  us: { name: 'ac', of: 1, decimals: 0, typed: 1 },
  metric: { name: 'ha', of: ACRES_OF_HA, decimals: 0, typed: 2 },
  also: AREAS,
});

/** Acres an hour. */
export const areaRate = kind({
  us: { name: 'ac/h', of: 1, decimals: 1 },
  metric: { name: 'ha/h', of: ACRES_OF_HA, decimals: 1, typed: 2 },
});

const FOOT = feetToMetres(1);
const INCH = inchesToMetres(1);

/** m. A head, a bin, an axle. */
export const length = kind({
  us: { name: 'ft', of: FOOT, decimals: 1, typed: 2 },
  metric: { name: 'm', of: 1, decimals: 2, typed: 2 },
  also: { "'": FOOT, '’': FOOT, feet: FOOT, in: INCH, cm: 0.01 },
});

/** m. On the ground: a row, a way to a spot. */
export const ground = kind({
  us: { name: 'ft', of: FOOT, decimals: 0, typed: 1 },
  metric: { name: 'm', of: 1, decimals: 0, typed: 1 },
  also: { "'": FOOT, '’': FOOT, feet: FOOT },
});
/** Round lengths for a scale beside a map, in m, the shortest first. */
export const groundScales = (): readonly number[] =>
  [50, 100, 200, 500, 1000, 2000, 5000].map((one) => (system() === 'us' ? one * FOOT : one / 5));

/** m. Between two rows. */
export const spacing = kind({
  us: { name: 'in', of: INCH, decimals: 0, typed: 1 },
  metric: { name: 'cm', of: 0.01, decimals: 0, typed: 1 },
  also: { '"': INCH, '”': INCH, inches: INCH },
});

/** m. A road. */
export const distance = kind({
  us: { name: 'mi', of: milesToMetres(1), decimals: 1, typed: 1 },
  metric: { name: 'km', of: 1000, decimals: 1, typed: 1 },
  also: { mile: milesToMetres(1), miles: milesToMetres(1), m: 1 },
});

/** m². A frame that kernels are counted in. */
export const frameArea = kind({
  us: { name: 'ft²', of: FOOT ** 2, decimals: 2, typed: 2 },
  metric: { name: 'm²', of: 1, decimals: 2, typed: 4 },
});

/** m². Ground under a pile, or its tarp. */
export const surface = kind({
  us: { name: 'ft²', of: FOOT ** 2, decimals: 0 },
  metric: { name: 'm²', of: 1, decimals: 0 },
});

/** m/s. A machine's. */
export const speed = kind({
  us: { name: 'mph', of: mphToMetresPerSecond(1), decimals: 1 },
  metric: { name: 'km/h', of: 1 / 3.6, decimals: 1 },
  also: { kmh: 1 / 3.6, 'm/s': 1 },
});

/** m/s. The wind's. */
export const wind = kind({
  us: { name: 'mph', of: mphToMetresPerSecond(1), decimals: 0 },
  metric: { name: 'km/h', of: 1 / 3.6, decimals: 0 },
});

/** °C. */
export const temperature = kind({
  us: { name: '°F', of: 5 / 9, zero: 32, decimals: 0 },
  metric: { name: '°C', of: 1, decimals: 0 },
});

/** kg/s. Grain past a sensor. */
export const flow = kind({
  us: { name: 'lb/s', of: KG_PER_LB, decimals: 0 },
  metric: { name: 'kg/s', of: 1, decimals: 1 },
});

/** Pa. What a fan pushes against. */
export const pressure = kind({
  us: { name: 'in. of water', of: inchesOfWaterToPascals(1), decimals: 1, typed: 2 },
  metric: { name: 'Pa', of: 1, decimals: 0 },
});

/** m³/s. What a fan moves. */
export const airflow = kind({
  us: { name: 'cfm', of: cfmToCubicMetresPerSecond(1), decimals: 0 },
  metric: { name: 'm³/s', of: 1, decimals: 2 },
});

/** cfm a bushel: what a bushel gets of it. */
export const airOfBushel = kind({
  us: { name: 'cfm/bu', of: 1, decimals: 2 },
  metric: { name: 'm³/min per m³', of: 1 / (60 * cfmPerBushelToPerCubicMetre(1)), decimals: 2 },
});

/** K, a difference of two temperatures. */
export const warmer = kind({
  us: { name: '°F', of: 5 / 9, decimals: 1 },
  metric: { name: 'K', of: 1, decimals: 1 },
});

/** lb in a level bushel of space. In metric as its mass by volume: not the certificate of another country. */
export const testWeight = kind({
  us: { name: 'lb/bu', of: 1, decimals: 1 },
  metric: { name: 'kg/hl', of: 10 / testWeightToKgPerM3(1), decimals: 1 },
});

/** Bushels of space: what a bin holds of anything. */
export const space = kind({
  us: { name: 'bu', of: 1, decimals: 0 },
  metric: { name: 'm³', of: 1 / CUBIC_METRES_PER_BUSHEL, decimals: (figure) => (figure < 100 ? 1 : 0), typed: 2 },
});

/** US gallons of fuel. */
export const volume = kind({
  us: { name: 'gal', of: 1, decimals: 1 },
  metric: { name: 'L', of: 1 / 3.785411784, decimals: 0, typed: 1 },
  also: { gallons: 1, liters: 1 / 3.785411784 },
});

/** Fuel by the unit that it is bought in; gallons are liters for who reads metric. */
export const fuelText = (amount: number, unit: string, decimals = 0): string =>
  unit === 'gal' && system() === 'metric'
    ? `${number(amount * 3.785411784, decimals)} L`
    : `${number(amount, decimals)} ${unit}`;
/** Fuel in a machine's tank, as a gauge says it: whole gallons or liters. */
export const gaugeText = (amount: number, decimals = 0): string => fuelText(amount, 'gal', decimals);

/** h. */
export const hours = everywhere({ name: 'h', of: 1, decimals: 1 });

/** kW. */
export const power = everywhere({ name: 'kW', of: 1, decimals: 1 });

/** min. */
export const minutes = everywhere({ name: 'min', of: 1, decimals: 0 });

/** ° of longitude or latitude: a hundred-thousandth is a long step. */
export const degrees = everywhere({ name: '°', of: 1, decimals: 5 });

/** Dollars, as they are typed. */
export const dollarsTyped = everywhere({ name: '$', of: 1, decimals: 2 });

/** A plain number. */
export const count = everywhere({ name: '', of: 1, decimals: 0, typed: 4 });

/** Kernels on an area that make a loss: rule of the trade in US units, on a square foot for 1 bu/ac. */
export const kernelsOfLoss = kind({
  us: { name: '', of: 1, decimals: 2, typed: 4 },
  metric: { name: '', of: (kgPerBu) => FOOT ** 2 / perHectare(100)(kgPerBu), decimals: 1, typed: 3 },
});
export const kernelsOfLossWords = (): string =>
  system() === 'us' ? 'Kernels on 1 ft² that make 1 bu/ac' : 'Kernels on 1 m² that make 100 kg/ha';

/** Wet-basis fraction. */
export const moisture = everywhere({ name: '%', of: 0.01, decimals: 1, typed: 2 });

/** A part of something, as a fraction. */
export const share = everywhere({ name: '%', of: 0.01, decimals: 1, typed: 4 });

/** Grain of several fields as it is: bushels at each crop's weight, or its mass. */
export function grainOf(farm: Pick<FarmView, 'bushels'>, wetLots: Readonly<Record<string, number>>): Said {
  const kg = Object.values(wetLots).reduce((a, b) => a + b, 0);
  return system() === 'us' ? bushels(farm.bushels(wetLots)) : bushels(kg / TONNE, TONNE);
}

/** Less of another crop is what a sweep leaves. */
const SWEPT_BU = 1;

/** What one place holds: bushels of several crops are said by crop, never as one sum. */
export function heldOf(
  farm: Pick<FarmView, 'bushels' | 'byCrop'>,
  wetLots: Readonly<Record<string, number>>,
): readonly { readonly crop: string; readonly of: Said }[] {
  const crops = farm.byCrop(wetLots).filter(({ bushels: bu }) => bu >= SWEPT_BU);
  if (crops.length < 2) return [{ crop: '', of: grainOf(farm, wetLots) }];
  return crops.map(({ crop, wetKg }) => ({
    crop: cropOf(crop ?? '')?.short ?? '',
    of: grain(wetKg, kgPerBushelOf(crop)),
  }));
}

/** "1,200 bu corn + 499 bu beans" */
export const heldText = (
  farm: Pick<FarmView, 'bushels' | 'byCrop'>,
  wetLots: Readonly<Record<string, number>>,
): string =>
  heldOf(farm, wetLots)
    .map(({ crop, of }) => `${of} ${crop}`.trim())
    .join(' + ');

/** The same with its units set smaller. */
export function Held({
  farm,
  wetLots,
}: {
  farm: Pick<FarmView, 'bushels' | 'byCrop'>;
  wetLots: Readonly<Record<string, number>>;
}) {
  return heldOf(farm, wetLots).map(({ crop, of }, i) => (
    <span key={crop}>
      {i > 0 && ' + '}
      <Shown of={of} /> {crop}
    </span>
  ));
}

/** kg of a crop as bushels or tonnes. */
export const grain = (kg: number, kgPerBu: number): Said => bushels(kg / kgPerBu, kgPerBu);

/** A figure with its unit set smaller, and the basis it is counted at. */
export function Shown({ of, basis }: { of: Said; basis?: string }) {
  return (
    <span className="whitespace-nowrap">
      {of.figure}
      <span className="text-[0.72em] font-normal text-muted">
        {' '}
        {of.unit}
        {basis ? ` ${basis}` : ''}
      </span>
    </span>
  );
}

/** Wet basis, percent with one decimal. */
export function Moisture({ value }: { value: number | null }) {
  return value === null ? <span className="text-muted">–</span> : <Shown of={moisture(value)} />;
}

/** Percent typed by a person to a fraction, with what is wrong in words. */
export function readMoisture(text: string): { value?: number; error?: string } {
  const read = moisture.read(text, { least: 0, most: 0.6 });
  if (read.error !== undefined && read.error.startsWith('From')) return { error: 'Moisture is from 0 to 60 %' };
  if (read.error !== undefined) return { error: `Moisture is a number like 16.5. ${read.error}` };
  // 0.165 is a fraction that somebody meant as one.
  if (read.value !== undefined && read.value > 0 && read.value < 0.01)
    return { error: `Type it in percent: ${moisture.figure(read.value * 100)}` };
  return read;
}

/** Units that a weight of grain may be typed in, the reader's own first. */
export const WEIGHT_UNITS = ['lb', 'bu', 't', 'kg'] as const;
export type WeightUnit = (typeof WEIGHT_UNITS)[number];
export const weightUnits = (): readonly WeightUnit[] => (system() === 'us' ? ['lb', 'bu'] : ['t', 'kg']);
/** The unit of a scale, and the one that a combine's display counts in. */
export const scaleUnit = (): WeightUnit => weightUnits()[0]!;
export const displayUnit = (): WeightUnit => (system() === 'us' ? 'bu' : 't');
/** A weight as a guess that stands in a pad's box: whole bushels or pounds, else to the kilo. */
export const guessText = (kg: number, unit: WeightUnit, kgPerBu = 1): string =>
  unit === 'lb' || unit === 'bu' ? plain(kg / kgOfUnit(unit, kgPerBu), 0) : weightText(kg, unit, kgPerBu);
const kgOfUnit = (unit: WeightUnit, kgPerBu: number): number =>
  unit === 'lb' ? KG_PER_LB : unit === 'bu' ? kgPerBu : unit === 't' ? TONNE : 1;
/** A weight for a box of that unit. */
export const weightText = (kg: number | undefined, unit: WeightUnit, kgPerBu = 1): string =>
  kg === undefined ? '' : plain(kg / kgOfUnit(unit, kgPerBu), unit === 't' ? 3 : 1);

const MOST_KG = 5_000_000;

/** A weight typed in one of its units, or with another's name behind it, to kg. */
export function readWeight(text: string, unit: WeightUnit, kgPerBushel: number): { kg?: number; error?: string } {
  if (text.trim() === '') return {};
  const { value: typed, rest, error } = readNumber(text);
  const named = rest === '' ? unit : WEIGHT_UNITS.find((one) => one === rest.toLowerCase().replace(/^lbs$/, 'lb'));
  if (typed === undefined || error !== undefined || named === undefined)
    return {
      error: `A weight is a number like ${system() === 'us' ? '52,400' : '23.77'}. ${error ?? `“${rest}” is not a unit for it`}`,
    };
  if (typed < 0) return { error: 'A weight cannot be less than zero' };
  const kg = Number((typed * kgOfUnit(named, kgPerBushel)).toPrecision(15));
  return kg > MOST_KG ? { error: 'That is more than any bin holds; check the digits' } : { kg };
}

export { type Kind, type Limits, type Read, Said } from './kind';
export { number, parseNumber, percent, plain, shortNumber, shortPercent, signed, signedPercent } from './number';
export { system } from './system';
