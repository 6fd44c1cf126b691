import type { Crop } from '../crops/index.js';
import {
  AIR_HEAT,
  type FanCurve,
  fanAtSpeed,
  fanFromModel,
  fanFromTable,
  operatingPoint,
  type OperatingPoint,
  type StorageLifeOptions,
} from '../grain/index.js';
import { type Formula, quantity, type Random, requireInRange, seededRandom, within } from '../kernel/index.js';
import type { BinFan, FallAir } from '../records/index.js';
import { M_PER_FT, MOISTURE } from '../units/index.js';
import type { FanControl } from './fan-control.js';
import { dailyWeather, dryInBin, type InBinResult, NON_UNIFORMITY, type Weather } from './in-bin.js';

const DEPTH = quantity('depth', 0.1, 20, 'm');
const YEARS = quantity('years', 1, 50, '');

export const BIN_PLAN: Formula = {
  id: 'bin-plan',
  title: 'Days until a bin is dry, in a usual fall and in nine of ten',
  standing: 'assumed',
  source: 'this program; the simulation of in-bin drying over made-up falls about the farm’s own climate',
  equation:
    'for each of ten falls: forecast while there is one, then days and nights about mean - falls·week with spells of weather; days = 1.2 × ideal days; usual: the middle one; nine of ten: the second slowest',
  inputs: [DEPTH, MOISTURE, YEARS],
  note: 'Ten falls from a fixed seed: the same question has the same answer. A real bin is 15 to 25 % slower than the ideal; 20 % is taken for the days and for the storage life.',
};

/** Below this a fan cools grain and does not dry it in time, cfm for each bushel; common practice, no source. */
export const DRIES_FROM_CFM = 0.1;
/** Falls that a plan is tried in, and days that each lasts. */
const FALLS = 10;
const DAYS = 120;
const LAYERS = 20;
const WEEK_H = 168;
/** Share of the way to the mean that one round of a stirrer brings its layers; common practice, no source. */
const STIRRED = 0.5;
/** A fan of a quarter more speed: what the next bigger one brings. */
const BIGGER = 1.25;

/**
 * The curve of a fan through two rows of its maker's table: P = P0 - k Q², see `fanFromModel`; straight between its rows where there are
 * more of them, see `fanFromTable`.
 * @throws RangeRefusal where flow does not fall with pressure
 */
export function fanOfRows({
  lowPressure,
  lowFlow,
  highPressure,
  highFlow,
  between = [],
}: Pick<BinFan, 'lowPressure' | 'lowFlow' | 'highPressure' | 'highFlow' | 'between'>): FanCurve {
  const above = requireInRange('the lower pressure', lowPressure, 0, 5000, 'Pa');
  const under = requireInRange('flow at the lower pressure', lowFlow, 0.01, 200, 'm³/s');
  requireInRange('the higher pressure', highPressure, above + 1, 6000, 'Pa');
  requireInRange('flow at the higher pressure', highFlow, 0, 0.999 * under, 'm³/s');
  if (between.length > 0)
    return fanFromTable('the fan', [
      { flow: lowFlow, pressure: lowPressure },
      ...between,
      { flow: highFlow, pressure: highPressure },
    ]);
  const k = (highPressure - lowPressure) / (lowFlow ** 2 - highFlow ** 2);
  const shutOff = lowPressure + k * lowFlow ** 2;
  return fanFromModel('the fan', shutOff, Math.sqrt(shutOff / k));
}

/** When it runs, about the wanted moisture. */
export function controlOf(
  { control, mostHumidity }: Pick<BinFan, 'control' | 'mostHumidity'>,
  target: number,
): FanControl {
  within(MOISTURE, target);
  if (control === 'humidity')
    return { kind: 'humidity', least: 0, most: requireInRange('most humidity', mostHumidity, 0, 1, 'fraction') };
  if (control === 'equilibrium') return { kind: 'equilibrium', wanted: target, below: 0.03, above: 0.005 };
  return { kind: 'always' };
}

/**
 * Weather of one fall: the hours that are forecast, then days and nights about the farm's climate, cooler by the week.
 * @param known hours from now on, as forecast; may be empty
 * @param random of this fall's spells
 */
export function fallWeather(known: Weather, air: FallAir, hours: number, random: Random): Weather {
  requireInRange('hours of weather', hours, 1, 20_000, 'h');
  requireInRange('cooler by the week', air.fallsPerWeek, -5, 5, 'K');
  const temperature = new Float64Array(hours);
  const humidity = new Float64Array(hours);
  const sure = Math.min(hours, known.temperature.length);
  for (let h = 0; h < sure; h++) {
    temperature[h] = known.temperature[h]!;
    humidity[h] = known.humidity[h]!;
  }
  for (let from = sure, week = 0; from < hours; from += WEEK_H, week++) {
    const part = dailyWeather(
      Math.max(-35, air.mean - air.fallsPerWeek * week),
      air.swing,
      air.humidity,
      Math.min(WEEK_H, hours - from),
      random,
    );
    temperature.set(part.temperature as Float64Array, from);
    humidity.set(part.humidity as Float64Array, from);
  }
  return { temperature, humidity };
}

export interface BinPlanInput {
  readonly crop: Crop;
  /** m */
  readonly diameter: number;
  /** m of grain, level */
  readonly depth: number;
  /** m that the wall has, for how deep it may be; the depth where left out */
  readonly eave?: number;
  /** wet-basis fraction by layer from the floor up, each with its share of the depth */
  readonly layers: readonly { readonly share: number; readonly moisture: number }[];
  /** °C of the grain */
  readonly celsius: number;
  readonly target: number;
  readonly fan: BinFan;
  readonly known: Weather;
  readonly air: FallAir;
  readonly falls?: number;
  readonly keeping?: StorageLifeOptions & { readonly soybeanShift?: number };
}

/** How one way of doing it comes out. */
export interface BinWay {
  /** hours until the wettest layer is dry, as a real bin takes; null: not in the days tried */
  readonly hours: number | null;
  readonly fanHours: number;
  /** share of the storage life that the worst layer has used by then; null without a table */
  readonly life: number | null;
  /** of fan and heater */
  readonly kWh: number;
  readonly heatKWh: number;
  readonly money: number;
}

export interface BinPlan {
  readonly point: OperatingPoint;
  /** The fan only cools: nothing further is worked out. */
  readonly tooWeak: boolean;
  readonly usual: BinWay | null;
  readonly nineOfTen: BinWay | null;
  /** It gets dry, and nothing spoils on the way, in nine years in ten. */
  readonly safe: boolean;
  /** Dry points given away at the floor by then. */
  readonly overdriedPoints: number;
  /** Moisture by layer from the floor up on some days of the usual fall. */
  readonly picture: readonly { readonly day: number; readonly moisture: readonly number[] }[];
  readonly footLess: BinWay | null;
  readonly biggerFan: BinWay | null;
  readonly stirrerStopped: BinWay | null;
  /** m: the deepest that stays safe at this moisture; null where not even a foot does, or the fan is too weak for all. */
  readonly deepest: number | null;
}

/** Moisture of each of the thin layers, from layers of the book. */
function spread(layers: BinPlanInput['layers'], n: number): number[] {
  const whole = layers.reduce((sum, { share }) => sum + share, 0);
  requireInRange('shares of the depth', whole, 1e-6, 1e12, '');
  return Array.from({ length: n }, (_, i) => {
    const at = ((i + 0.5) / n) * whole;
    let sum = 0;
    for (const { share, moisture } of layers) {
      sum += share;
      if (at <= sum) return moisture;
    }
    return layers.at(-1)!.moisture;
  });
}

/**
 * Whether a bin gets dry with its fan before its top spoils: the simulation over ten falls, and what would change it.
 * Range and source: {@link BIN_PLAN} and {@link IN_BIN}.
 * @throws RangeRefusal for a bin, a fan or grain that is none
 */
export function binPlan(input: BinPlanInput, tell: (done: number) => void = () => {}): BinPlan {
  const { crop, fan, air } = input;
  const falls = within(YEARS, input.falls ?? FALLS);
  within(DEPTH, input.depth);
  const floorArea = (Math.PI / 4) * requireInRange('diameter', input.diameter, 1.5, 50, 'm') ** 2;
  const wall = requireInRange('wall', input.eave ?? input.depth, 0.1, 60, 'm');
  const curve = fanOfRows(fan);
  requireInRange('price of a kWh', fan.powerPrice, 0, 10, '$');
  requireInRange('price of a kWh of heat', fan.heatPrice, 0, 10, '$');
  requireInRange('most humidity', fan.mostHumidity, 0, 1, 'fraction');
  requireInRange('heater', fan.heater, 0, 3000, 'kW');
  const layers = spread(input.layers, LAYERS);
  const weathers = Array.from({ length: falls }, (_, i) =>
    fallWeather(input.known, air, DAYS * 24, seededRandom(1000 + i)),
  );
  const pointAt = (depth: number, speed = 1): OperatingPoint =>
    operatingPoint(speed === 1 ? curve : fanAtSpeed(curve, speed), { crop, floorArea, depth }, fan.efficiency);
  const point = pointAt(input.depth);
  const run = (
    weather: Weather,
    given: { readonly depth?: number; readonly at?: OperatingPoint; readonly stirs?: boolean } = {},
  ): { way: BinWay; result: InBinResult } => {
    const depth = given.depth ?? input.depth;
    const at = given.at ?? (depth === input.depth ? point : pointAt(depth));
    const result = dryInBin({
      crop,
      depth,
      floorArea,
      layers: LAYERS,
      moisture: layers,
      temperature: input.celsius,
      airflow: at.velocity,
      fanHeat: at.heatKelvin,
      // What a burner of so many kW adds to this much air.
      supplementalHeat: Math.min(40, (1000 * fan.heater) / (at.flow * AIR_HEAT)),
      fanWatts: at.shaftWatts,
      weather,
      control: controlOf(fan, input.target),
      ...(fan.stirHours === undefined || given.stirs === false
        ? {}
        : { stirring: { everyHours: fan.stirHours, share: STIRRED } }),
      target: input.target,
      ...(input.keeping === undefined ? {} : { keeping: input.keeping }),
    });
    const slower = NON_UNIFORMITY.usual;
    const kWh = result.fanKWh * slower;
    const heatKWh = result.heatKWh * slower;
    return {
      result,
      way: {
        hours: result.finishHour === null ? null : result.finishHour * slower,
        fanHours: result.fanHours * slower,
        life: result.worstLife === null ? null : result.worstLife * slower,
        kWh,
        heatKWh,
        money: kWh * fan.powerPrice + heatKWh * fan.heatPrice,
      },
    };
  };
  if (point.cfmPerBushel < DRIES_FROM_CFM)
    return {
      point,
      tooWeak: true,
      usual: null,
      nineOfTen: null,
      safe: false,
      overdriedPoints: 0,
      picture: [],
      footLess: null,
      biggerFan: null,
      stirrerStopped: null,
      deepest: null,
    };

  const most = falls + 8;
  let done = 0;
  const step = (): void => tell(Math.min(1, ++done / most));
  const tried = weathers
    .map((weather) => {
      const one = { weather, ...run(weather) };
      step();
      return one;
    })
    .sort((a, b) => (a.way.hours ?? Infinity) - (b.way.hours ?? Infinity) || (a.way.life ?? 0) - (b.way.life ?? 0));
  const usual = tried[Math.floor(falls / 2)]!;
  const slow = tried[Math.max(0, Math.ceil(0.9 * falls) - 1)]!;
  const good = ({ hours, life }: BinWay): boolean => hours !== null && (life === null || life <= 1);
  const way = (options: Parameters<typeof run>[1]): BinWay => {
    step();
    return run(usual.weather, options).way;
  };

  // Deeper is never better: halve between a foot and the wall, by whole feet.
  const fits = (feet: number): boolean => {
    const depth = feet * M_PER_FT;
    const at = pointAt(depth);
    if (at.cfmPerBushel < DRIES_FROM_CFM || at.velocity > 0.3) return at.velocity > 0.3;
    step();
    return good(run(slow.weather, { depth, at }).way);
  };
  let [low, high] = [0, Math.max(1, Math.floor(wall / M_PER_FT)) + 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (fits(middle)) low = middle;
    else high = middle;
  }

  const { result } = usual;
  const rows = result.snapshotHours.length;
  const every = Math.max(1, Math.ceil((rows - 1) / 4));
  const days = [...new Set([...Array.from({ length: rows }, (_, i) => i).filter((i) => i % every === 0), rows - 1])];
  return {
    point,
    tooWeak: false,
    usual: usual.way,
    nineOfTen: slow.way,
    safe: good(slow.way),
    overdriedPoints: result.overdriedPointsAtFloor,
    picture: days.map((i) => ({
      day: (result.snapshotHours[i]! * NON_UNIFORMITY.usual) / 24,
      moisture: [...result.moistureHistory.subarray(i * LAYERS, (i + 1) * LAYERS)],
    })),
    footLess: input.depth > 2 * M_PER_FT ? way({ depth: input.depth - M_PER_FT }) : null,
    biggerFan: way({ at: pointAt(input.depth, BIGGER) }),
    stirrerStopped: fan.stirHours === undefined ? null : way({ stirs: false }),
    deepest: low > 0 ? low * M_PER_FT : null,
  };
}
