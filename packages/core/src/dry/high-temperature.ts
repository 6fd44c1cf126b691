import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { type Crop, safeMoisture } from '../crops/index.js';
import { J_PER_BTU, KG_PER_LB, MASS, MOISTURE, PRICE } from '../units/index.js';
import { type ShrinkRule, shrinkBy, USUAL_HANDLING_LOSS, waterShrink } from '../grain/index.js';

export type FuelId = 'propane' | 'naturalGas' | 'electric';

/** A fuel, the unit that it is bought in, and the heat in one of them. */
export interface Fuel {
  readonly id: FuelId;
  readonly unit: 'gal' | 'therm' | 'kWh';
  /** J in one unit, gross. */
  readonly joules: number;
}

/** Published, from memory: propane 91,500 BTU/gal (91,333 to 91,690 quoted), natural gas 100,000 BTU/therm, 3,412 BTU/kWh. */
export const FUELS: Readonly<Record<FuelId, Fuel>> = {
  propane: { id: 'propane', unit: 'gal', joules: 91_500 * J_PER_BTU },
  naturalGas: { id: 'naturalGas', unit: 'therm', joules: 100_000 * J_PER_BTU },
  electric: { id: 'electric', unit: 'kWh', joules: 3.6e6 },
};

/** BTU for each pound of water, usual ranges by kind of dryer. Published, from memory: extension drying bulletins. */
export const DRYER_KINDS = {
  crossflow: { name: 'Crossflow, no heat recovery', low: 2000, usual: 2400, high: 3000 },
  heatRecovery: { name: 'Mixed flow or heat recovery', low: 1700, usual: 1950, high: 2200 },
} as const;

/** Below this nothing evaporates water: about 1,100 BTU/lb, the thermodynamic floor. */
export const ENERGY_FLOOR_BTU_PER_LB = 1100;

const SPAN = quantity('points of moisture', 0, 40, 'points');
const ENERGY = quantity('energy for each kg of water', 2.5e6, 12e6, 'J/kg');

export const HIGH_TEMPERATURE_DRYING: Formula = {
  id: 'high-temperature-drying',
  title: 'Water, energy and cost of drying',
  standing: 'published, from memory',
  source:
    'Dry-matter balance; extension drying-cost bulletins (0.018 to 0.022 gal of propane and about 0.01 kWh a point and bushel)',
  equation:
    'water = wet (Mi - Mf)/(1 - Mf); fuel = water x energy / heat of fuel; cost/bu = points (gal/point x $/gal + kWh/point x $/kWh)',
  inputs: [MOISTURE, SPAN, ENERGY],
  note: 'The basis must be stated: 0.02 gal a point is 2,451 BTU/lb of water on dry bushels and 2,761 on wet bushels (25 to 15.5 %).',
};

/**
 * kg of water that leave `wetKg` on the way from one moisture to another; 0 when it is dry enough already.
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 */
export function waterToRemove(wetKg: number, from: number, to: number): number {
  return within(MASS, wetKg) * Math.max(0, waterShrink(from, to));
}

/**
 * J for each kg of water behind "so many units of fuel a point and bushel", on wet or dry bushels.
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 */
export function energyOfFuelPerPointBushel(input: {
  readonly fuel: FuelId;
  readonly unitsPerPointBushel: number;
  readonly from: number;
  readonly to: number;
  readonly legalPounds: number;
  readonly basis: 'wet bushel' | 'dry bushel';
}): number {
  requireInRange('fuel a point and bushel', input.unitsPerPointBushel, 1e-5, 2, FUELS[input.fuel].unit);
  const points = requireInRange('points of moisture', 100 * (input.from - input.to), 0.1, 40, 'points');
  const wetKg = input.legalPounds * KG_PER_LB * (input.basis === 'wet bushel' ? 1 : (1 - input.to) / (1 - input.from));
  return (points * input.unitsPerPointBushel * FUELS[input.fuel].joules) / waterToRemove(wetKg, input.from, input.to);
}

export interface DryingJob {
  readonly wetKg: number;
  /** wet-basis fractions */
  readonly from: number;
  readonly to: number;
  /** J for each kg of water, heat and all; {@link DRYER_KINDS} in BTU/lb times 2,326. */
  readonly joulesPerKgWater: number;
  readonly fuel: FuelId;
  readonly pricePerUnit: number;
  /** Electricity for fans and handling, kWh a point and wet bushel; 0.01 usual. */
  readonly kWhPerPointBushel?: number;
  readonly pricePerKWh?: number;
  readonly legalPounds: number;
}

export interface DryingCost {
  readonly waterKg: number;
  readonly fuelUnits: number;
  readonly fuelMoney: number;
  readonly kWh: number;
  readonly powerMoney: number;
  readonly money: number;
  /** On wet bushels going in, and on dry bushels coming out: never mix them. */
  readonly perWetBushel: number;
  readonly perDryBushel: number;
  readonly perPointWetBushel: number;
  readonly fuelUnitsPerPointWetBushel: number;
}

/**
 * What a drying job takes and costs. Grain that is dry enough costs nothing.
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 */
export function dryingCost(job: DryingJob): DryingCost {
  const water = waterToRemove(job.wetKg, job.from, job.to);
  within(ENERGY, job.joulesPerKgWater);
  within(PRICE, job.pricePerUnit);
  const bushels = job.wetKg / (requireInRange('legal bushel weight', job.legalPounds, 1, 200, 'lb/bu') * KG_PER_LB);
  const points = Math.max(0, 100 * (job.from - job.to));
  const fuelUnits = (water * job.joulesPerKgWater) / FUELS[job.fuel].joules;
  const kWh =
    points * bushels * requireInRange('electricity a point and bushel', job.kWhPerPointBushel ?? 0, 0, 1, 'kWh');
  const fuelMoney = fuelUnits * job.pricePerUnit;
  const powerMoney = kWh * within(PRICE, job.pricePerKWh ?? 0);
  const money = fuelMoney + powerMoney;
  const over = (amount: number, by: number): number => (by > 0 ? amount / by : 0);
  const dryBushels = water > 0 ? bushels * (1 - waterShrink(job.from, job.to)) : bushels;
  return {
    waterKg: water,
    fuelUnits,
    fuelMoney,
    kWh,
    powerMoney,
    money,
    perWetBushel: over(money, bushels),
    perDryBushel: over(money, dryBushels),
    perPointWetBushel: over(money, points * bushels),
    fuelUnitsPerPointWetBushel: over(fuelUnits, points * bushels),
  };
}

/**
 * The quick form of the trade: points x (fuel a point x price + electricity a point x price), $ per bushel of the basis that the rates are on.
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 * @example 10 points, 0.02 gal at $1.80, 0.01 kWh at $0.12: $0.372
 */
export function quickDryingCost(
  points: number,
  fuelPerPoint: number,
  fuelPrice: number,
  kWhPerPoint: number,
  kWhPrice: number,
): number {
  requireInRange('fuel a point and bushel', fuelPerPoint, 0, 2, 'units');
  requireInRange('electricity a point and bushel', kWhPerPoint, 0, 2, 'kWh');
  return within(SPAN, points) * (fuelPerPoint * within(PRICE, fuelPrice) + kWhPerPoint * within(PRICE, kWhPrice));
}

/**
 * Rate of a dryer at another span of moisture, bu/h wet: its rated points times bushels stay the same, down to what its unload or
 * throughput allows.
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 * @param bushelPointsPerHour wet bushels an hour times points, at its rating; @param points the span now; @param mostPerHour throughput limit, bu/h
 * @example 2,600 bushel-points/h take 1,444 bu/h from 16.8 to 15.0
 */
export function dryerRate(
  bushelPointsPerHour: number,
  points: number,
  mostPerHour = Infinity,
): { bushelsPerHour: number; limitedBy: 'drying' | 'throughput' } {
  requireInRange('bushel-points an hour', bushelPointsPerHour, 0, 1e7, 'bu·points/h');
  within(SPAN, points);
  requireInRange('throughput limit', mostPerHour, 0, Infinity, 'bu/h');
  const byDrying = points > 0 ? bushelPointsPerHour / points : Infinity;
  if (byDrying >= mostPerHour) return { bushelsPerHour: mostPerHour, limitedBy: 'throughput' };
  requireInRange('points of moisture, where no throughput limit is given', points, 1e-6, SPAN.most, 'points');
  return { bushelsPerHour: byDrying, limitedBy: 'drying' };
}

export interface DryToAdvice {
  /** wet-basis fraction */
  readonly target: number;
  /** Which limit decided. */
  readonly because:
    | 'sold now: the buyer’s base'
    | 'sold later: the buyer’s base keeps that long'
    | 'storage time'
    | 'already dry enough';
  readonly wasBase: number;
  readonly safe: number;
}

/**
 * What moisture to dry to. Sold at once: the buyer's base, no drier. Stored: what keeps for so many months, but never wetter than the
 * base it will be sold at.
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 * @param months 0 = sold now; 4 about till March, 10 till summer
 */
export function dryTo(
  crop: Crop,
  input: {
    readonly moisture: number;
    readonly months: number;
    readonly buyerBase: number;
    readonly damagedPoints?: number;
  },
): DryToAdvice {
  within(MOISTURE, input.moisture);
  within(MOISTURE, input.buyerBase);
  // Grain with cracks or frost damage is kept a point or so drier; the user says how many.
  const safe =
    safeMoisture(crop, input.months) -
    requireInRange('points drier for damage', input.damagedPoints ?? 0, 0, 3, 'points') / 100;
  const target = input.months === 0 ? input.buyerBase : Math.min(safe, input.buyerBase);
  const because =
    input.moisture <= target
      ? 'already dry enough'
      : input.months === 0
        ? 'sold now: the buyer’s base'
        : target === input.buyerBase
          ? 'sold later: the buyer’s base keeps that long'
          : 'storage time';
  return { target: Math.min(target, input.moisture), because, wasBase: input.buyerBase, safe };
}

export interface DockComparison {
  /** $ for the whole parcel, after drying costs or dock. */
  readonly dryAtHome: number;
  readonly sellWet: number;
  /** Positive: dry at home. */
  readonly difference: number;
  readonly differencePerWetBushel: number;
  readonly better: 'dry at home' | 'sell wet' | 'even';
  readonly homePaidBushels: number;
  readonly wetPaidBushels: number;
}

/**
 * Drying at home against delivering wet and taking the elevator's dock (shrink and a charge a point).
 * Range and source: {@link HIGH_TEMPERATURE_DRYING}.
 * @param job the drying at home; `to` is the moisture delivered after it
 */
export function dryOrDock(input: {
  readonly job: DryingJob;
  readonly handlingLoss?: number;
  readonly pricePerBu: number;
  readonly buyer: ShrinkRule;
  /** $ a point and wet bushel that the elevator charges for drying, above its base. */
  readonly dockPerPoint: number;
  /** Points that the elevator rounds up to (0.5, 1); 0 = none. */
  readonly dockStep?: number;
}): DockComparison {
  const { job, buyer } = input;
  within(PRICE, input.pricePerBu);
  requireInRange('drying charge', input.dockPerPoint, 0, 10, '$/point/bu');
  const kgPerBu = job.legalPounds * KG_PER_LB;
  const cost = dryingCost(job);
  const dried = waterToRemove(job.wetKg, job.from, job.to);
  const handling =
    dried > 0
      ? requireInRange('handling loss', input.handlingLoss ?? USUAL_HANDLING_LOSS, 0, 0.05, 'fraction of wet weight') *
        job.wetKg
      : 0;
  const homeKg = job.wetKg - dried - handling;
  const homePaidBushels = (homeKg * (1 - shrinkBy(buyer, Math.min(job.to, job.from)))) / kgPerBu;
  const wetBushels = job.wetKg / kgPerBu;
  const wetPaidBushels = wetBushels * (1 - shrinkBy(buyer, job.from));
  const over = Math.max(0, 100 * (job.from - buyer.base));
  const step = requireInRange('step of the dock', input.dockStep ?? 0, 0, 5, 'points');
  const points = step > 0 ? Math.ceil(over / step - 1e-9) * step : over;
  const dryAtHome = homePaidBushels * input.pricePerBu - cost.money;
  const sellWet = wetPaidBushels * input.pricePerBu - points * input.dockPerPoint * wetBushels;
  const difference = dryAtHome - sellWet;
  return {
    dryAtHome,
    sellWet,
    difference,
    differencePerWetBushel: wetBushels > 0 ? difference / wetBushels : 0,
    homePaidBushels,
    wetPaidBushels,
    better: Math.abs(difference) < 0.005 ? 'even' : difference > 0 ? 'dry at home' : 'sell wet',
  };
}
