import type { CableReadingBody } from '@fanega/contract';
import { type Cable, type CableReading, modelCables } from '@fanega/core';
import { DELTA } from './weather.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** As a farm would hang them in a 30-ft bin: in the middle, half way out and near the wall. */
export const STAND_IN_CABLES: readonly Cable[] = [0, 2.3, 3.8].map((fromCenter, i) => ({
  name: `cable ${i + 1}`,
  fromCenter,
  lowest: 0.6,
  spacing: 1.2,
  sensors: 6,
}));

/** A reading as its device tells it. */
export const toldOf =
  (placeId: string) =>
  ({ atMs, celsius, cable }: CableReading): CableReadingBody => ({
    placeId,
    cable,
    at: new Date(atMs).toISOString(),
    celsius: [...celsius],
  });

/** Hourly temperatures of a made-up bin up to now, with a spot that heats where somebody wants one. */
export function binReadings(input: {
  readonly placeId: string;
  readonly now: number;
  readonly days: number;
  readonly levelM: number;
  readonly hot: boolean;
  readonly seed: number;
}): CableReadingBody[] {
  const { placeId, now, days, levelM, hot, seed } = input;
  const last = Math.floor(now / HOUR) * HOUR;
  return modelCables({
    cables: STAND_IN_CABLES,
    diameter: 9.14,
    levelM,
    celsius: DELTA.mean,
    putInMs: now - (days + 20) * DAY,
    airAt: (ms) => DELTA.mean - 4 + DELTA.swing * Math.cos(((ms / HOUR - 21) * Math.PI) / 12),
    hours: Array.from({ length: 24 * days }, (_, i) => last - (24 * days - 1 - i) * HOUR),
    seed,
    spot: hot ? { cable: 1, height: 0.5 * levelM, fromMs: now - 10 * DAY, perDay: 1.4 } : undefined,
  }).map(toldOf(placeId));
}
