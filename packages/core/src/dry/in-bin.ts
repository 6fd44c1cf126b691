import { type Formula, quantity, type Random, requireInRange, within } from '../kernel/index.js';
import { bulkDensity, type Crop } from '../crops/index.js';
import { dryToWetBasis, MOISTURE, wetToDryBasis } from '../units/index.js';
import {
  type BindingHeat,
  bindingHeatOf,
  isotherm,
  saturationPressureUnchecked,
  STANDARD_PRESSURE,
  ageingRate,
  type StorageLifeOptions,
} from '../grain/index.js';
import { checkFanControl, type FanControl, fanRuns } from './fan-control.js';

/** Outside air hour by hour; both of one length. */
export interface Weather {
  /** °C */
  readonly temperature: ArrayLike<number>;
  /** fraction */
  readonly humidity: ArrayLike<number>;
}

/** The same air for so many hours: what the design tables are worked with. */
export function steadyWeather(celsius: number, humidity: number, hours: number): Weather {
  requireInRange('hours of weather', hours, 1, 20_000, 'h');
  within(quantity('temperature', -40, 50, '°C'), celsius);
  within(quantity('relative humidity', 0, 1, 'fraction'), humidity);
  return { temperature: new Float64Array(hours).fill(celsius), humidity: new Float64Array(hours).fill(humidity) };
}

/**
 * Made-up weather with days and nights: the air's water changes slowly, so that humidity falls by day and rises by night.
 * @param mean °C; @param swing half of the difference between afternoon and dawn, K; @param humidity at the mean temperature, fraction
 * @param random for spells of weather (warm and cold days of 3 K standard deviation, kept for about three days); left out: none
 */
export function dailyWeather(mean: number, swing: number, humidity: number, hours: number, random?: Random): Weather {
  requireInRange('hours of weather', hours, 1, 20_000, 'h');
  within(quantity('mean temperature', -40, 50, '°C'), mean);
  within(quantity('daily swing', 0, 20, 'K'), swing);
  within(quantity('relative humidity', 0.01, 1, 'fraction'), humidity);
  const temperature = new Float64Array(hours);
  const relative = new Float64Array(hours);
  let spell = 0;
  for (let h = 0; h < hours; h++) {
    if (random && h % 24 === 0) spell = 0.7 * spell + 0.71 * 3 * Math.sqrt(12) * (random() - 0.5);
    const t = mean + spell + swing * Math.sin(((h - 9) / 24) * 2 * Math.PI);
    temperature[h] = t;
    relative[h] = Math.min(
      0.99,
      (humidity * saturationPressureUnchecked(mean + spell)) / saturationPressureUnchecked(t),
    );
  }
  return { temperature, humidity: relative };
}

export interface InBinSetup {
  readonly crop: Crop;
  /** Isotherm ids, see `ISOTHERMS`; left out: the crop's default. */
  readonly isotherm?: readonly string[];
  readonly binding?: BindingHeat;
  /** m of grain, level. */
  readonly depth: number;
  /** m2; 1 by default, for figures on a square meter. */
  readonly floorArea?: number;
  /** 30 by default. */
  readonly layers?: number;
  /** Moisture (wet-basis fraction) and °C at the start: one for all, or each layer's from the floor up. */
  readonly moisture: number | readonly number[];
  readonly temperature: number | readonly number[];
  /** kg/m3 wet, as filled; left out: the crop's density at the mean moisture. */
  readonly density?: number;
  /** m3/s of outside air through each m2 while the fan runs. */
  readonly airflow: number;
  /** K that the fan adds, and that a burner or heater adds beside it. */
  readonly fanHeat: number;
  readonly supplementalHeat?: number;
  /** Shaft watts of the fan, for the electricity; 0 left out. */
  readonly fanWatts?: number;
  readonly weather: Weather;
  readonly control: FanControl;
  /** A stirrer that every so many hours brings each layer this share of the way to the mean of all. */
  readonly stirring?: { readonly everyHours: number; readonly share: number };
  /** Done when the wettest layer is at or below this, wet-basis fraction. */
  readonly target: number;
  /** Goes on to the end of the weather instead of stopping when done. */
  readonly goOn?: boolean;
  readonly keeping?: StorageLifeOptions & { readonly soybeanShift?: number };
  /** Keeps every layer's moisture and temperature each hour; each day otherwise. */
  readonly every?: 'hour' | 'day';
}

export interface InBinResult {
  /** Hours until the wettest layer reached the target; null when the weather ended first. */
  readonly finishHour: number | null;
  /** Hours simulated, and of these with the fan on. */
  readonly hours: number;
  readonly fanHours: number;
  /** Final state from the floor up: wet-basis fractions and °C. */
  readonly moisture: Float64Array;
  readonly temperature: Float64Array;
  readonly meanMoisture: number;
  /** Snapshots, one row of `layers` each, the first at hour 0; what is left of a day at the end is in `moisture` only. */
  readonly snapshotHours: readonly number[];
  readonly moistureHistory: Float64Array;
  readonly temperatureHistory: Float64Array;
  /** Height of the drying front, fraction of the depth, at each snapshot: layers that have gone half of the way to the floor's moisture. */
  readonly front: readonly number[];
  /** kg of water that were dried out below the target, over the whole floor; and points at the floor. */
  readonly overdriedKg: number;
  readonly overdriedPointsAtFloor: number;
  /** Of the layer that aged most (the top as a rule); null for a crop without a keeping table. */
  readonly worstLife: number | null;
  readonly worstLoss: number | null;
  readonly agedBy: string | null;
  readonly fanKWh: number;
  /** kWh of heat that the heater put in. */
  readonly heatKWh: number;
  /** Closure: (in the air - out of the grain) over what moved; both within 0.1 % or the simulation is a bug. */
  readonly waterGap: number;
  readonly energyGap: number;
  readonly isotherm: string;
}

const AIRFLOW = quantity('airflow', 0.0005, 0.3, 'm³/(s m²)');
const DEPTH = quantity('depth', 0.1, 20, 'm');
const LAYERS = quantity('layers', 2, 200, '');

export const IN_BIN: Formula = {
  id: 'in-bin-drying',
  title: 'Natural-air and low-temperature drying, layer by layer',
  standing: 'published, from memory',
  source: 'Thompson 1972 near-equilibrium layers',
  equation:
    'w1 = w0 + R (M0 - M1); h(T0,w0) + R H(Tg,M0) = h(T1,w1) + R H(T1,M1); M1 = EMC(T1, RH(T1,w1)); R = kg dry matter of a layer / kg dry air of a step',
  inputs: [AIRFLOW, DEPTH, MOISTURE, LAYERS],
  note: 'For about 0.1 to 2 cfm/bu, where air leaves a layer in equilibrium with it; faster air does not, and finishes later than this says. Real bins take 15-25 % longer than the ideal (fines, cones, uneven air): see NON_UNIFORMITY. Heat of respiration is left out: with the fan off wet grain warms by itself.',
};

/** Real bins against the ideal one; published, from memory (extension tables against layer models), low confidence. */
export const NON_UNIFORMITY = { low: 1.15, usual: 1.2, high: 1.25 } as const;

const PSAT_LOW = -70;
const PSAT_STEP = 0.05;
let psatTable: Float64Array | undefined;

/** Saturation pressure by table, straight between points 0.05 K apart: within 2e-6 of the formula, and several times faster. */
function psatFast(t: number): number {
  if (!psatTable) {
    const made = new Float64Array(Math.round((110 - PSAT_LOW) / PSAT_STEP) + 2);
    for (let i = 0; i < made.length; i++) made[i] = saturationPressureUnchecked(PSAT_LOW + i * PSAT_STEP);
    psatTable = made;
  }
  const at = Math.min(psatTable.length - 2.001, Math.max(0, (t - PSAT_LOW) / PSAT_STEP));
  const i = at | 0;
  return psatTable[i]! + (at - i) * (psatTable[i + 1]! - psatTable[i]!);
}

const perLayer = (value: number | readonly number[], n: number, check: (v: number) => number): Float64Array => {
  if (typeof value === 'number') return new Float64Array(n).fill(check(value));
  requireInRange('values by layer', value.length, n, n, '');
  return Float64Array.from(value, check);
};

/**
 * Natural-air or low-temperature drying of a level bin, hour by hour, thin layer by thin layer: in each hour the air passes the layers
 * from the floor up and comes to rest with each of them (near-equilibrium). Water and energy balance in every step by construction, and
 * the sums over the whole run are reported.
 *
 * Works in kg and kJ on one m2. Grain enthalpy is a state function: C(Md) T + hv0 a/b exp(-b Md), so that bound water costs more to
 * evaluate at low moisture and the balance closes whatever the path.
 * Range and source: {@link IN_BIN}.
 * @throws RangeRefusal for inputs that no bin has
 * @example 21 % corn, 47 °F and 65 % outside, 3 °F of fan heat, 1 cfm/bu: about 35 ideal days until the top is at 16.5 %
 */
export function dryInBin(setup: InBinSetup): InBinResult {
  const { crop, weather } = setup;
  const n = within(LAYERS, setup.layers ?? 30);
  within(AIRFLOW, setup.airflow);
  within(DEPTH, setup.depth);
  within(MOISTURE, setup.target);
  const floorArea = requireInRange('floor area', setup.floorArea ?? 1, 0.1, 10_000, 'm²');
  const fanHeat = requireInRange('fan heat', setup.fanHeat, 0, 15, 'K');
  const heater = requireInRange('supplemental heat', setup.supplementalHeat ?? 0, 0, 40, 'K');
  requireInRange('fan power', setup.fanWatts ?? 0, 0, 1e6, 'W');
  const hours = requireInRange('hours of weather', weather.temperature.length, 1, 20_000, 'h');
  requireInRange('hours of humidity', weather.humidity.length, hours, hours, 'h');
  const control = checkFanControl(setup.control);
  const stirring = setup.stirring;
  if (stirring) {
    requireInRange('hours between stirrings', stirring.everyHours, 1, 10_000, 'h');
    requireInRange('share stirred', stirring.share, 0, 1, 'fraction');
  }
  const curve = isotherm(crop, setup.isotherm);
  const { a: ba, b: bb } = setup.binding ?? bindingHeatOf(crop);
  const ageing = ageingRate(crop, setup.keeping);

  const wet = perLayer(setup.moisture, n, (v) =>
    requireInRange('moisture of the grain', v, 0.01, MOISTURE.most, 'wb fraction'),
  );
  const x = wet.map(wetToDryBasis); // kg/kg dry matter
  const t = perLayer(setup.temperature, n, (v) => requireInRange('temperature of the grain', v, -40, 60, '°C'));
  const mean = wet.reduce((sum, v) => sum + v, 0) / n;
  const density = requireInRange('density', setup.density ?? bulkDensity(crop, mean), 100, 1500, 'kg/m³');
  const dm = (density * (1 - mean) * setup.depth) / n; // kg dry matter of a layer on a m2
  const start = Float64Array.from(x);
  const life = new Float64Array(n);

  // c wet = c0 + c1 M% on a kg of wet grain is C0 + C1 Md on a kg of dry matter.
  const C0 = crop.specificHeat.at0;
  const C1 = crop.specificHeat.at0 + 100 * crop.specificHeat.perPoint;
  const bound = ((2501 - 2.386 * 15) * ba) / bb;
  const grainHeat = (md: number, celsius: number): number => (C0 + C1 * md) * celsius + bound * Math.exp(-bb * md);
  const totalHeat = (): number => x.reduce((sum, md, i) => sum + dm * grainHeat(md, t[i]!), 0);
  const totalWater = (): number => x.reduce((sum, md) => sum + dm * md, 0);
  const [heat0, water0] = [totalHeat(), totalWater()];

  const stride = setup.every === 'hour' ? 1 : 24;
  const snapshots = Math.floor(hours / stride) + 1;
  const moistureHistory = new Float64Array(snapshots * n);
  const temperatureHistory = new Float64Array(snapshots * n);
  const snapshotHours: number[] = [];
  const front: number[] = [];
  const snap = (hour: number): void => {
    const row = snapshotHours.length * n;
    let passed = 0;
    const floor = x[0]!;
    for (let i = 0; i < n; i++) {
      moistureHistory[row + i] = dryToWetBasis(x[i]!);
      temperatureHistory[row + i] = t[i]!;
      if (Math.abs(start[i]! - floor) > 1e-4 && (start[i]! - x[i]!) / (start[i]! - floor) > 0.5) passed++;
    }
    snapshotHours.push(hour);
    front.push(passed / n);
  };
  snap(0);

  const slopes = new Float64Array(n).fill(-1.5); // of the equilibrium's excess on M1: each layer remembers its own
  const steps = new Float64Array(n); // and how far it moved an hour ago
  const P = STANDARD_PRESSURE;
  let [fanHours, airHeatIn, airHeatOut, airWaterIn, airWaterOut, heatKJ] = [0, 0, 0, 0, 0, 0];
  let finishHour: number | null = null;
  let hour = 0;
  const targetMd = wetToDryBasis(setup.target);
  const isDone = (): boolean => {
    for (let i = 0; i < n; i++) if (x[i]! > targetMd + 1e-12) return false;
    return true;
  };

  for (; hour < hours; hour++) {
    if (isDone() && finishHour === null) finishHour = hour;
    if (finishHour !== null && !setup.goOn) break;
    const outside = requireInRange('outside temperature', weather.temperature[hour]!, -40, 50, '°C');
    const humidity = requireInRange('outside humidity', weather.humidity[hour]!, 0, 1, 'fraction');
    const vapor = humidity * psatFast(outside);
    const w = (0.621945 * vapor) / (P - vapor);
    const inlet = outside + fanHeat + heater;
    const on = fanRuns(control, {
      temperature: outside,
      relativeHumidity: humidity,
      get equilibrium() {
        return curve.moistureAt(inlet, Math.min(0.999, Math.max(0.001, vapor / psatFast(inlet))));
      },
    });
    if (on) {
      fanHours++;
      // kg of dry air in the hour on a m2, at the fan's inlet.
      const air = (setup.airflow * 3600) / ((287.042 * (outside + 273.15) * (1 + 1.607858 * w)) / P);
      heatKJ += air * (1.006 + 1.86 * w) * heater;
      const R = dm / air;
      let wi = w;
      let hi = 1.006 * inlet + w * (2501 + 1.86 * inlet);
      airHeatIn += air * hi;
      airWaterIn += air * wi;
      for (let i = 0; i < n; i++) {
        const md0 = x[i]!;
        const sum = hi + R * grainHeat(md0, t[i]!);
        let w1 = wi;
        let t1 = t[i]!;
        // EMC of the air that leaves - M1, for a trial M1; falls with M1.
        const excess = (md: number): number => {
          w1 = wi + R * (md0 - md);
          t1 = (sum - 2501 * w1 - R * bound * Math.exp(-bb * md)) / (1.006 + 1.86 * w1 + R * (C0 + C1 * md));
          const pv = (P * w1) / (0.621945 + w1);
          const rh = pv / psatFast(t1);
          // A trial far from the root may be colder than any form allows (Chung-Pfost has its pole at T = -C).
          const em = curve.moistureAt(t1 < -25 ? -25 : t1, rh < 1e-5 ? 1e-5 : rh > 0.9999 ? 0.9999 : rh);
          return em / (1 - em) - md;
        };
        let low = 0;
        let high = md0 + wi / R;
        // The layer's change an hour ago is the best guess for this hour's.
        let md = Math.min(high * 0.999, Math.max(1e-4, md0 + steps[i]!));
        let f = excess(md);
        let slope = slopes[i]!;
        for (let k = 0; !(Math.abs(f) <= 1e-7); k++) {
          if (f > 0) low = md;
          else high = md;
          let next = md - f / slope;
          // Past the bracket, or slow: halve it.
          if (!(next > low && next < high) || k > 12) next = (low + high) / 2;
          const g = excess(next);
          const s = (g - f) / (next - md);
          if (s < -1e-3 && Number.isFinite(s)) slope = s;
          md = next;
          f = g;
          if (k > 80 || high - low < 1e-13) break;
        }
        slopes[i] = slope;
        steps[i] = md - md0;
        x[i] = md;
        t[i] = t1;
        wi = w1;
        hi = 1.006 * t1 + w1 * (2501 + 1.86 * t1);
      }
      airHeatOut += air * hi;
      airWaterOut += air * wi;
    }
    if (ageing) for (let i = 0; i < n; i++) life[i]! += ageing.perHour(x[i]! / (1 + x[i]!), t[i]!);
    if (stirring && (hour + 1) % stirring.everyHours === 0)
      stir(x, t, life, stirring.share, grainHeat, C0, C1, bound, bb);
    if ((hour + 1) % stride === 0) snap(hour + 1);
  }
  if (finishHour === null && isDone()) finishHour = hour;
  const waterMoved = airWaterOut - airWaterIn;
  const heatMoved = airHeatOut - airHeatIn;
  const scaleHeat = Math.max(Math.abs(heatMoved), Math.abs(waterMoved) * 2501, 1);
  let below = 0;
  for (let i = 0; i < n; i++) below += dm * Math.max(0, Math.min(targetMd, start[i]!) - x[i]!);
  const worst = life.reduce((most, v) => Math.max(most, v), 0);
  const moisture = x.map(dryToWetBasis);
  return {
    finishHour,
    hours: hour,
    fanHours,
    moisture,
    temperature: t,
    meanMoisture: dryToWetBasis(totalWater() / (dm * n)),
    snapshotHours,
    moistureHistory: moistureHistory.subarray(0, snapshotHours.length * n),
    temperatureHistory: temperatureHistory.subarray(0, snapshotHours.length * n),
    front,
    overdriedKg: below * floorArea,
    overdriedPointsAtFloor: Math.max(0, 100 * (setup.target - moisture[0]!)),
    worstLife: ageing ? worst : null,
    worstLoss: ageing?.lossAt ? ageing.lossAt(worst) : null,
    agedBy: ageing?.basis ?? null,
    fanKWh: (fanHours * (setup.fanWatts ?? 0)) / 1000,
    heatKWh: (heatKJ * floorArea) / 3600,
    waterGap: (waterMoved - (water0 - totalWater())) / Math.max(Math.abs(waterMoved), 1e-6 * water0),
    energyGap: (heatMoved - (heat0 - totalHeat())) / scaleHeat,
    isotherm: curve.name,
  };
}

/** Brings every layer a share of the way to the mean of all; water and enthalpy stay. */
function stir(
  x: Float64Array,
  t: Float64Array,
  life: Float64Array,
  share: number,
  heat: (md: number, celsius: number) => number,
  C0: number,
  C1: number,
  bound: number,
  bb: number,
): void {
  const n = x.length;
  const heats = x.map((md, i) => heat(md, t[i]!));
  const meanX = x.reduce((a, b) => a + b, 0) / n;
  const meanHeat = heats.reduce((a, b) => a + b, 0) / n;
  const meanLife = life.reduce((a, b) => a + b, 0) / n;
  for (let i = 0; i < n; i++) {
    const md = x[i]! + share * (meanX - x[i]!);
    const h = heats[i]! + share * (meanHeat - heats[i]!);
    x[i] = md;
    t[i] = (h - bound * Math.exp(-bb * md)) / (C0 + C1 * md);
    life[i] = life[i]! + share * (meanLife - life[i]!);
  }
}

/** Hours for a cooling or warming front to pass a bin: about 15 / (cfm/bu) in fall, 20 in winter, 12 in spring. Published, from memory: extension aeration bulletins. */
export function aerationFrontHours(cfmPerBushel: number, season: 'fall' | 'winter' | 'spring' = 'fall'): number {
  requireInRange('airflow', cfmPerBushel, 0.01, 5, 'cfm/bu');
  return { fall: 15, winter: 20, spring: 12 }[season] / cfmPerBushel;
}
