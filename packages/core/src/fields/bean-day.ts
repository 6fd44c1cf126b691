import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { type Crop, CROPS } from '../crops/index.js';
import { isotherm } from '../grain/index.js';
import { dryToWetBasis, MOISTURE, wetToDryBasis } from '../units/index.js';

/** One hour of weather, from a station or a forecast. */
export interface WeatherHour {
  /** °C */
  readonly temperature: number;
  /** fraction */
  readonly humidity: number;
  /** Rain or dew on the pods: they take up water as if the air were saturated. */
  readonly wet?: boolean;
}

/** A tester's reading in the field. */
export interface FieldReading {
  /** Hours from the start of the weather; parts of hours are allowed. */
  readonly hour: number;
  /** wet-basis fraction */
  readonly moisture: number;
}

const T = quantity('temperature', -10, 50, '°C');
const RH = quantity('relative humidity', 0.01, 1, 'fraction');

export const BEAN_DAY: Formula = {
  id: 'bean-day',
  title: 'The day of standing soybeans',
  equation: 'dM/dt = k [EMC(T, RH) + b - M]; k and b from the day’s own readings',
  standing: 'assumed',
  source:
    'First-order lag towards equilibrium; k about 0.1-0.2 an hour (low confidence), so it is fitted, with a prior of 0.15 an hour within a factor of two',
  inputs: [T, RH, MOISTURE],
  note: 'Readings are taken to scatter by half a point. With few readings the band is wide: it says so rather than guess.',
};

/** Cutting window of a field: wet-basis fractions. */
export interface MoistureBand {
  readonly least: number;
  readonly most: number;
}

export interface MomentRange {
  /** Hours from the start of the weather: the likely one, and the 10 and 90 percent ends (null: not within the forecast). */
  readonly likely: number | null;
  readonly early: number | null;
  readonly late: number | null;
}

export interface BeanDay {
  /** By hour of the weather from the first reading on: likely moisture and the band that holds 8 of 10, wet-basis fractions. */
  readonly hours: readonly {
    readonly hour: number;
    readonly likely: number;
    readonly low: number;
    readonly high: number;
    /** Probability that it is in the window. */ readonly inWindow: number;
  }[];
  /** When it comes down into the window, and when it leaves it again (too dry, or toughening), counted from `from`. */
  readonly enters: MomentRange;
  readonly leaves: MomentRange & { readonly how: 'too dry' | 'too wet' | null };
  /** 1/h, and points that this field lies above the book's equilibrium. */
  readonly rate: number;
  readonly offsetPoints: number;
  readonly readings: number;
}

/** One of the curves that could be true, and how much it counts. */
interface Member {
  weight: number;
  readonly k: number;
  readonly offset: number;
  readonly path: Float64Array;
}

const READING_SCATTER = 0.5; // points, standard deviation of a reading of one spot of a field
const PRIOR_RATE = 0.15;
const PRIOR_RATE_SPREAD = Math.log(2);
const PRIOR_OFFSET_SPREAD = 1; // points

/**
 * How beans dry by noon wind and take up water at night, fitted to the readings of the field, with a forecast of when they enter and
 * leave the window and how sure that is. All pairs of k (0.03-0.6 an hour) and offset (-3 to +3 points) on a grid are weighted by how
 * well they fit the readings and by what is usual; moments and bands are read from the weighted bundle of curves.
 * Range and source: {@link BEAN_DAY}.
 * @param weather by the hour, from before the first reading to the end of the forecast, 2 to 240 hours
 * @param readings at least one, in the weather's time @param from hour after which entering and leaving is asked (now); not before the first reading
 * @throws RangeRefusal without a reading, or for one outside the weather's time
 */
export function beanDay(input: {
  readonly crop?: Crop;
  readonly weather: readonly WeatherHour[];
  readonly readings: readonly FieldReading[];
  readonly window: MoistureBand;
  readonly from: number;
}): BeanDay {
  const { weather, readings, window, from } = input;
  const n = requireInRange('hours of weather', weather.length, 2, 240, 'h');
  requireInRange('number of readings', readings.length, 1, 1000, '');
  within(MOISTURE, window.least);
  requireInRange('upper edge of the window', window.most, window.least, MOISTURE.most, 'wb fraction');
  for (const reading of readings) {
    within(MOISTURE, reading.moisture);
    requireInRange('hour of a reading', reading.hour, 0, n - 1, 'h');
  }
  const curve = isotherm(input.crop ?? CROPS.soybean);
  const rest = weather.map(({ temperature, humidity, wet }) =>
    wetToDryBasis(curve.moistureAt(within(T, temperature), wet ? 0.97 : Math.min(0.97, within(RH, humidity)))),
  );
  const sorted = [...readings].sort((a, b) => a.hour - b.hour);
  const start = sorted[0]!.hour;
  const known = Math.floor(start);
  requireInRange('hour asked from', from, known, n - 1, 'h');

  const members: Member[] = [];
  let best = Infinity;
  const rates = Array.from({ length: 25 }, (_, i) => 0.03 * 20 ** (i / 24));
  const offsets = Array.from({ length: 25 }, (_, i) => (i - 12) / 4);
  for (const k of rates) {
    const keep = Math.exp(-k);
    for (const offset of offsets) {
      const b = offset / 100 / (1 - 0.13) ** 2; // wet points to dry basis near the base
      // The curve is linear in its first value: M(t) = free(t) + M(0) decay(t); the best first value comes in closed form.
      const free = new Float64Array(n);
      for (let h = 1; h < n; h++) free[h] = rest[h - 1]! + b + (free[h - 1]! - rest[h - 1]! - b) * keep;
      const at = (hour: number): number => {
        const i = Math.min(n - 2, Math.floor(hour));
        return free[i]! + (free[i + 1]! - free[i]!) * (hour - i);
      };
      // Counted from the first reading, so that a start long before it does not blow up.
      let [num, den] = [0, 0];
      for (const { hour, moisture } of sorted) {
        const decay = Math.exp(-k * (hour - start));
        num += decay * (wetToDryBasis(moisture) - at(hour));
        den += decay * decay;
      }
      const first = num / den;
      const path = new Float64Array(n);
      for (let h = 0; h < n; h++)
        path[h] =
          h < known ? 0 : dryToWetBasis(Math.min(1.2, Math.max(0.01, free[h]! + first * Math.exp(-k * (h - start)))));
      let misfit = (Math.log(k / PRIOR_RATE) / PRIOR_RATE_SPREAD) ** 2 + (offset / PRIOR_OFFSET_SPREAD) ** 2;
      for (const { hour, moisture } of sorted)
        misfit +=
          ((100 * (moisture - dryToWetBasis(Math.max(0.01, at(hour) + first * Math.exp(-k * (hour - start)))))) /
            READING_SCATTER) **
          2;
      best = Math.min(best, misfit);
      // The start itself is not known better than its readings allow: three starts stand for its spread.
      const spread = (READING_SCATTER / 100) * Math.sqrt(1 / den);
      for (const [shift, share] of [
        [-1.22, 1 / 4],
        [0, 1 / 2],
        [1.22, 1 / 4],
      ] as const) {
        const moved =
          shift === 0 ? path : path.map((m, h) => (h < start ? m : m + shift * spread * Math.exp(-k * (h - start))));
        members.push({ weight: misfit - 2 * Math.log(share), k, offset, path: moved });
      }
    }
  }
  let total = 0;
  for (const member of members) total += member.weight = Math.exp(-(member.weight - best) / 2);
  const share = (test: (member: Member) => boolean): number =>
    members.reduce((sum, member) => sum + (test(member) ? member.weight : 0), 0) / total;

  /** Value below which a share of the weight lies. */
  const quantiles = (value: (member: Member) => number, shares: readonly number[]): number[] => {
    const pairs = members
      .filter((m) => m.weight > 1e-9)
      .map((m) => [value(m), m.weight] as const)
      .sort((a, b) => a[0] - b[0]);
    const all = pairs.reduce((sum, [, w]) => sum + w, 0);
    return shares.map((wanted) => {
      let sum = 0;
      for (const [v, w] of pairs) if ((sum += w) >= wanted * all) return v;
      return pairs.at(-1)![0];
    });
  };
  const inside = (m: number): boolean => m >= window.least && m <= window.most;
  /** First time at or after an hour when the test turns true, straight between hours; Infinity when never. */
  const crossing = (
    path: Float64Array,
    since: number,
    test: (m: number) => boolean,
    edge: (a: number, b: number) => number,
  ): number => {
    const begin = Math.ceil(since);
    if (test(path[Math.min(n - 1, begin)]!)) return since;
    for (let h = begin + 1; h < n; h++) {
      const [a, b] = [path[h - 1]!, path[h]!];
      if (test(b)) {
        const limit = edge(a, b);
        return h - 1 + (b === a ? 0 : Math.min(1, Math.max(0, (limit - a) / (b - a))));
      }
    }
    return Infinity;
  };
  const enter = (m: Member): number =>
    crossing(m.path, from, inside, (a) => (a > window.most ? window.most : window.least));
  const leave = (m: Member): number => {
    const since = enter(m);
    return since === Infinity
      ? Infinity
      : crossing(
          m.path,
          since,
          (v) => !inside(v),
          (_, b) => (b > window.most ? window.most : window.least),
        );
  };
  const moments = (value: (m: Member) => number): MomentRange => {
    const [early, likely, late] = quantiles(value, [0.1, 0.5, 0.9]).map((v) => (v === Infinity ? null : v)) as [
      number | null,
      number | null,
      number | null,
    ];
    return { early, likely, late };
  };
  const leaves = moments(leave);
  const dry = share((m) => {
    const at = leave(m);
    return at !== Infinity && m.path[Math.min(n - 1, Math.ceil(at + 1e-9))]! < window.least;
  });
  const wetter = share((m) => {
    const at = leave(m);
    return at !== Infinity && m.path[Math.min(n - 1, Math.ceil(at + 1e-9))]! > window.most;
  });
  const weighted = (value: (m: Member) => number): number =>
    members.reduce((sum, m) => sum + m.weight * value(m), 0) / total;
  return {
    hours: weather.slice(known).map((_, i) => {
      const hour = known + i;
      const [low, likely, high] = quantiles((m) => m.path[hour]!, [0.1, 0.5, 0.9]) as [number, number, number];
      return { hour, likely, low, high, inWindow: share((m) => inside(m.path[hour]!)) };
    }),
    enters: moments(enter),
    leaves: { ...leaves, how: leaves.likely === null ? null : dry >= wetter ? 'too dry' : 'too wet' },
    rate: weighted((m) => m.k),
    offsetPoints: weighted((m) => m.offset),
    readings: readings.length,
  };
}
