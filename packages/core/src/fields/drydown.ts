import { fitLine, type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { celsiusToFahrenheit, MOISTURE } from '../units/index.js';

const DAY_OF_YEAR = quantity('day of the year', 1, 366, '');

export const CORN_DRYDOWN: Formula = {
  id: 'corn-drydown',
  title: 'Corn drying in the field',
  equation:
    'by day: points by time of the season; by heat: 30 GDD a point above 25 %, 45 below; by samples: M = Me + (M0 - Me) exp(-k t)',
  standing: 'published, from memory',
  source:
    'Extension drydown bulletins (medium confidence); exponential form with k and Me fitted to the farm’s own samples',
  inputs: [MOISTURE, DAY_OF_YEAR, quantity('growing degree days', 0, 60, '°F day')],
  note: 'Below 20 % no heat figure was remembered: the 25-20 % one goes on. Rain and dew stop it.',
};

// Middle of each printed range, points a day; straight between the days of the year (northern corn belt).
const BY_DAY: readonly (readonly [day: number, points: number])[] = [
  [236, 0.9],
  [248, 1.0],
  [258, 0.88],
  [268, 0.63],
  [288, 0.4],
  [315, 0.1],
  [335, 0],
];

/**
 * Points a day that mature corn loses standing, by the calendar.
 * Range and source: {@link CORN_DRYDOWN}.
 * @param dayOfYear 1 to 366; before September the first figure holds
 */
export function cornPointsPerDay(dayOfYear: number): number {
  within(DAY_OF_YEAR, dayOfYear);
  const at = BY_DAY.findIndex(([day]) => day >= dayOfYear);
  if (at === 0) return BY_DAY[0]![1];
  if (at < 0) return 0;
  const [[d0, p0], [d1, p1]] = [BY_DAY[at - 1]!, BY_DAY[at]!];
  return p0 + ((p1 - p0) * (dayOfYear - d0)) / (d1 - d0);
}

/**
 * Growing degree days (°F, base 50, ceiling 86) of a day.
 * Range and source: {@link CORN_DRYDOWN}.
 */
export function growingDegreeDays(mostCelsius: number, leastCelsius: number): number {
  const t = quantity('temperature of the day', -40, 55, '°C');
  const clip = (c: number): number => Math.min(86, Math.max(50, celsiusToFahrenheit(within(t, c))));
  return (clip(mostCelsius) + clip(leastCelsius)) / 2 - 50;
}

/**
 * Moisture after so many growing degree days: 30 a point above 25 %, 45 below.
 * Range and source: {@link CORN_DRYDOWN}.
 */
export function cornAfterHeat(moisture: number, degreeDays: number): number {
  within(MOISTURE, moisture);
  requireInRange('growing degree days', degreeDays, 0, 5000, '°F day');
  const wet = Math.max(0, moisture - 0.25) * 100 * 30;
  if (degreeDays <= wet) return moisture - degreeDays / 3000;
  return Math.max(0.05, Math.min(moisture, 0.25) - (degreeDays - wet) / 4500);
}

export interface Drydown {
  /** wet-basis fraction after so many days from the first sample */
  moistureAt(day: number): number;
  /** Days from the first sample until this moisture; null when it is never reached. */
  daysTo(moisture: number): number | null;
  /** 1/day, and the moisture that it tends to. */
  readonly rate: number;
  readonly endsAt: number;
  readonly by: 'samples' | 'calendar';
  /** Standard deviation of the samples about the curve, points; null where the calendar is used. */
  readonly scatterPoints: number | null;
}

/**
 * M = Me + (M0 - Me) exp(-k t), fitted to samples of one field; with a single sample (or samples that do not fall) the calendar's
 * figures are followed from the last one.
 * Range and source: {@link CORN_DRYDOWN}.
 * @param samples day (any count, increasing) and wet-basis fraction; @param endsAt Me, 0.14 by default
 * @param dayOfYear of the last sample, for the calendar
 */
export function cornDrydown(
  samples: readonly { readonly day: number; readonly moisture: number }[],
  dayOfYear: number,
  endsAt = 0.14,
): Drydown {
  requireInRange('number of samples', samples.length, 1, 1000, '');
  within(MOISTURE, endsAt);
  for (const sample of samples) within(MOISTURE, sample.moisture);
  const first = samples[0]!.day;
  const usable = samples.filter((s) => s.moisture > endsAt + 0.002);
  const days = new Set(usable.map((s) => s.day));
  if (days.size >= 2) {
    const line = fitLine(usable.map((s) => ({ x: s.day - first, y: Math.log(s.moisture - endsAt) })));
    if (line.slope < -1e-4) {
      const k = -line.slope;
      const start = Math.exp(line.intercept);
      const moistureAt = (day: number): number => endsAt + start * Math.exp(-k * day);
      const squares = samples.reduce((sum, s) => sum + (100 * (s.moisture - moistureAt(s.day - first))) ** 2, 0);
      return {
        moistureAt,
        daysTo: (m) => (m <= endsAt || m > endsAt + start ? null : Math.log(start / (m - endsAt)) / k),
        rate: k,
        endsAt,
        by: 'samples',
        scatterPoints: samples.length > 2 ? Math.sqrt(squares / (samples.length - 2)) : null,
      };
    }
  }
  const last = samples.at(-1)!;
  const since = last.day - first;
  // The calendar day by day from the last sample.
  const moistureAt = (day: number): number => {
    let m = last.moisture;
    for (let d = 0; d < day - since; d++)
      m -= (Math.min(1, day - since - d) * cornPointsPerDay(Math.min(366, dayOfYear + d))) / 100;
    return Math.max(Math.min(endsAt, last.moisture), m);
  };
  return {
    moistureAt,
    daysTo: (m) => {
      for (let d = since; d < since + 120; d++) {
        const [a, b] = [moistureAt(d), moistureAt(d + 1)];
        if (m <= a && m >= b && a > b) return d + (a - m) / (a - b);
      }
      return null;
    },
    rate: cornPointsPerDay(dayOfYear) / 100 / Math.max(0.01, last.moisture - endsAt),
    endsAt,
    by: 'calendar',
    scatterPoints: null,
  };
}
