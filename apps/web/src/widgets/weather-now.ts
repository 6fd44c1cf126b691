import type { WeatherHourInfo } from '@fanega/contract';
import { fireDanger } from '@fanega/core';
import { HOUR_MS } from '../quantity/time';

/** The hour of the weather that a moment lies in. */
export const hourAt = (weather: readonly WeatherHourInfo[] | undefined, ms: number): WeatherHourInfo | undefined =>
  weather?.find(({ at }) => Date.parse(at) <= ms && ms < Date.parse(at) + HOUR_MS);

/** Fire danger in an hour, as far as the rule for it goes. */
export const dangerOf = (hour: WeatherHourInfo, stopAt: number) =>
  fireDanger(
    Math.min(55, Math.max(-10, hour.temperature)),
    Math.max(0.01, Math.min(1, hour.humidity)),
    Math.min(40, hour.wind),
    1,
    stopAt,
  );
