import type { WeatherHourBody } from '@fanega/contract';
import { dailyWeather, seededRandom } from '@fanega/core';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

export interface Climate {
  /** Mean and half the daily swing, °C; mean relative humidity, fraction. */
  readonly mean: number;
  readonly swing: number;
  readonly humidity: number;
}

/** Late summer in a southern delta. */
export const DELTA: Climate = { mean: 26, swing: 7, humidity: 0.62 };

/**
 * Weather of a simulated station: measured up to now, and its forecast for the hours ahead. The same seed and hours give the same
 * weather whenever they are asked for, so that a station that starts again does not contradict itself; a forecast is a little off,
 * the more the further ahead.
 * @param now ms since 1970; @param offset ms that the farm's clock is behind UTC; @param hoursBack and
 * @param hoursAhead whole hours around now
 */
export function stationWeather(input: {
  readonly now: number;
  readonly offset: number;
  readonly seed: number;
  readonly hoursBack: number;
  readonly hoursAhead: number;
  readonly climate?: Climate;
  /** rain that is sure to come, and forecast so */
  readonly shower?: { readonly fromMs: number; readonly toMs: number; readonly chance: number };
}): WeatherHourBody[] {
  const { now, offset, seed, hoursBack, hoursAhead, climate = DELTA, shower } = input;
  const current = Math.floor(now / HOUR) * HOUR;
  const hours: WeatherHourBody[] = [];
  const days = new Map<number, ReturnType<typeof drawDay>>();
  for (let at = current - hoursBack * HOUR; at <= current + hoursAhead * HOUR; at += HOUR) {
    const dayNumber = Math.floor((at - offset) / DAY);
    const day = days.get(dayNumber) ?? drawDay(seed, dayNumber, climate);
    days.set(dayNumber, day);
    const clock = Math.floor((at - offset - dayNumber * DAY) / HOUR);
    const forecast = at > current;
    const ahead = forecast ? (at - current) / DAY : 0;
    const error = forecast ? (seededRandom(seed + Math.round(at / HOUR))() - 0.5) * 2 * ahead : 0;
    const humidity = Math.min(0.99, Math.max(0.15, day.humidity[clock]! - 0.04 * error));
    const drawn = clock >= day.rainFrom && clock < day.rainFrom + day.rainHours ? day.rainChance : 0.03;
    const rain = shower && at + HOUR > shower.fromMs && at < shower.toMs ? shower.chance : drawn;
    hours.push({
      at: new Date(at).toISOString(),
      temperature: Math.round((day.temperature[clock]! + 1.2 * error) * 10) / 10,
      humidity: Math.round(humidity * 1000) / 1000,
      wind: Math.round(day.wind[clock]! * 10) / 10,
      rainChance: Math.round(rain * 100) / 100,
      wet: (humidity > 0.92 && clock < 10) || (!forecast && rain > 0.6),
      forecast,
    });
  }
  return hours;
}

function drawDay(seed: number, day: number, climate: Climate) {
  const random = seededRandom(seed * 100_003 + day);
  const between = (a: number, b: number): number => a + (b - a) * random();
  const air = dailyWeather(
    climate.mean + between(-3, 3),
    climate.swing * between(0.7, 1.2),
    Math.min(0.8, Math.max(0.35, climate.humidity + between(-0.12, 0.12))),
    24,
    random,
  );
  const gust = between(0.7, 1.6);
  return {
    temperature: air.temperature,
    humidity: air.humidity,
    wind: Array.from(
      { length: 24 },
      (_, clock) => gust * (clock > 8 && clock < 19 ? between(2.5, 5) : between(0.4, 2)),
    ),
    rainFrom: Math.floor(between(11, 21)),
    rainHours: Math.floor(between(1, 5)),
    rainChance: random() < 0.3 ? between(0.4, 0.9) : between(0.05, 0.25),
  };
}
