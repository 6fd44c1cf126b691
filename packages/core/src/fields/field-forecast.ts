import { requireInRange, within } from '../kernel/index.js';
import { MOISTURE, RELATIVE_HUMIDITY, TEMPERATURE } from '../units/index.js';
import { type Crop } from '../crops/index.js';
import { beanDay, type WeatherHour } from './bean-day.js';
import { cornDrydown } from './drydown.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Readings of standing beans older than this say nothing of today; common practice, no source. */
const BEAN_READINGS_HOURS = 30;
const DRYDOWN_DAYS = 28;
/** Half-width of eight in ten of a normal spread, in standard deviations. */
const EIGHT_IN_TEN = 1.2816;

export interface ForecastPoint {
  readonly atMs: number;
  readonly likely: number;
  readonly low: number;
  readonly high: number;
}

/** A moment with its early and late end, ms since 1970; null: not within the forecast. */
export interface ForecastMoment {
  readonly likely: number | null;
  readonly early: number | null;
  readonly late: number | null;
}

export interface FieldForecast {
  /** What the forecast follows. */
  readonly by: 'the day’s weather' | 'the field’s own readings' | 'the calendar';
  /** From the first reading that it uses; the band holds eight of ten. */
  readonly points: readonly ForecastPoint[];
  /** Into the best window and out of it again, from now on. */
  readonly enters: ForecastMoment;
  readonly leaves: ForecastMoment & { readonly how: 'too dry' | 'too wet' | null };
  readonly readings: number;
  /** Points a day that it loses now, standing. */
  readonly pointsPerDay: number | null;
}

export interface FieldForecastInput {
  readonly crop: Crop;
  readonly readings: readonly { readonly atMs: number; readonly moisture: number }[];
  /** Hour by hour, measured and forecast; needed for beans only. */
  readonly weather: readonly (WeatherHour & { readonly atMs: number })[];
  /** The best window, wet-basis fractions. */
  readonly window: { readonly least: number; readonly most: number };
  readonly nowMs: number;
  /** 1 to 366, of now. */
  readonly dayOfYear: number;
}

export type NoForecast = {
  readonly missing: 'no reading' | 'no reading of the last day' | 'no weather for these hours';
};

/**
 * Where a field's moisture goes, in instants of the farm: beans by the hour with the weather (they dry by noon and take up water at
 * night), other crops by the day along their own readings, or the calendar where readings do not fall yet.
 * Range and source: {@link BEAN_DAY} and {@link CORN_DRYDOWN}.
 * @returns what is missing, where there is too little to go on @throws RangeRefusal for a figure that cannot be
 */
export function fieldForecast(input: FieldForecastInput): FieldForecast | NoForecast {
  const instant = (what: string, ms: number): number => requireInRange(what, ms, 0, 1e14, 'ms');
  instant('time', input.nowMs);
  requireInRange('day of the year', input.dayOfYear, 1, 366, '');
  within({ ...MOISTURE, name: 'lower edge of the window' }, input.window.least);
  requireInRange('upper edge of the window', input.window.most, input.window.least, MOISTURE.most, 'wb fraction');
  for (const { atMs, moisture } of input.readings) {
    instant('time of a reading', atMs);
    within(MOISTURE, moisture);
  }
  for (const hour of input.weather) {
    instant('hour of the weather', hour.atMs);
    within(TEMPERATURE, hour.temperature);
    within(RELATIVE_HUMIDITY, hour.humidity);
  }
  const past = input.readings.filter((reading) => reading.atMs <= input.nowMs).sort((a, b) => a.atMs - b.atMs);
  if (past.length === 0) return { missing: 'no reading' };
  return input.crop.like === 'soybean' ? byTheHour(input, past) : byTheDay(input, past);
}

function byTheHour(input: FieldForecastInput, past: FieldForecastInput['readings']): FieldForecast | NoForecast {
  const { nowMs } = input;
  const fresh = past.filter((reading) => reading.atMs >= nowMs - BEAN_READINGS_HOURS * HOUR).slice(-200);
  if (fresh.length === 0) return { missing: 'no reading of the last day' };
  const start = Math.floor(fresh[0]!.atMs / HOUR) * HOUR;
  const byHour = new Map(input.weather.map((hour) => [Math.floor(hour.atMs / HOUR) * HOUR, hour]));
  const hours: WeatherHour[] = [];
  // A gap of an hour or two is bridged with the hour before it; a longer one ends what is known.
  for (let at = start, gap = 0; hours.length < 240 && gap <= 2; at += HOUR) {
    const known = byHour.get(at);
    gap = known ? 0 : gap + 1;
    const hour = known ?? hours.at(-1);
    if (!hour) break;
    hours.push(hour);
  }
  while (hours.length > 0 && !byHour.has(start + (hours.length - 1) * HOUR)) hours.pop();
  const end = hours.length - 1;
  if (end < 1 || start + end * HOUR < nowMs) return { missing: 'no weather for these hours' };
  const toHour = (ms: number): number => (ms - start) / HOUR;
  const day = beanDay({
    crop: input.crop,
    weather: hours,
    readings: fresh.map(({ atMs, moisture }) => ({ hour: toHour(atMs), moisture })),
    window: input.window,
    from: Math.min(end, toHour(nowMs)),
  });
  const toMs = (hour: number | null): number | null => (hour === null ? null : start + hour * HOUR);
  const moment = ({
    likely,
    early,
    late,
  }: {
    likely: number | null;
    early: number | null;
    late: number | null;
  }): ForecastMoment => ({
    likely: toMs(likely),
    early: toMs(early),
    late: toMs(late),
  });
  return {
    by: 'the day’s weather',
    points: day.hours.map(({ hour, likely, low, high }) => ({ atMs: start + hour * HOUR, likely, low, high })),
    enters: moment(day.enters),
    leaves: { ...moment(day.leaves), how: day.leaves.how },
    readings: day.readings,
    pointsPerDay: null,
  };
}

function byTheDay(input: FieldForecastInput, past: FieldForecastInput['readings']): FieldForecast {
  const { nowMs, window } = input;
  // Older than this is another year's crop.
  const season = past.filter((reading) => reading.atMs >= nowMs - 120 * DAY);
  const samples = (season.length > 0 ? season : past.slice(-1))
    .slice(-1000)
    .map(({ atMs, moisture }) => ({ day: atMs / DAY, moisture }));
  const first = samples[0]!.day;
  const curve = cornDrydown(samples, input.dayOfYear);
  // One reading of one spot is good for half a point; a curve through few of them is no better.
  const half = (EIGHT_IN_TEN * Math.max(0.5, curve.scatterPoints ?? 0.7)) / 100;
  const points = Array.from(
    { length: Math.min(400, Math.ceil(nowMs / DAY - first)) + DRYDOWN_DAYS + 1 },
    (_, i): ForecastPoint => {
      const likely = curve.moistureAt(i);
      // Days ahead are less sure than days between readings.
      const ahead = Math.max(0, first + i - nowMs / DAY);
      const width = half * Math.sqrt(1 + ahead / 7);
      return { atMs: (first + i) * DAY, likely, low: Math.max(0, likely - width), high: Math.min(0.6, likely + width) };
    },
  );
  const today = nowMs / DAY - first;
  const when = (limit: number): number | null => {
    if (curve.moistureAt(today) <= limit) return nowMs;
    const days = curve.daysTo(limit);
    return days === null ? null : (first + Math.max(days, today)) * DAY;
  };
  const moment = (limit: number): ForecastMoment => ({
    likely: when(limit),
    early: when(limit + half),
    late: when(limit - half),
  });
  const leaves = moment(window.least);
  return {
    by: curve.by === 'samples' ? 'the field’s own readings' : 'the calendar',
    points,
    enters: moment(window.most),
    leaves: { ...leaves, how: leaves.likely === null ? null : 'too dry' },
    readings: samples.length,
    pointsPerDay: 100 * Math.max(0, curve.moistureAt(today) - curve.moistureAt(today + 1)),
  };
}
