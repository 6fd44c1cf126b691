import type { DryerSaysBody } from '@fanega/contract';
import { seededRandom } from '@fanega/core';
import { ulid } from 'ulid';

const MINUTE = 60_000;

/**
 * A night of a continuous dryer's control, a sample every ten minutes: it comes out near its target and drifts when wetter grain arrives,
 * burns by the points that it takes out, and cries when it is out of grain.
 */
export function dryerNight(input: {
  readonly placeId: string;
  readonly fromMs: number;
  readonly hours: number;
  /** wet-basis fractions of what comes in, from the begin and after the half */
  readonly moistureIn: readonly [number, number];
  readonly dryTo: number;
  readonly bushelsPerHour: number;
  readonly seed: number;
  /** It runs dry of grain at the end. */
  readonly starves?: boolean;
}): DryerSaysBody[] {
  const { placeId, fromMs, hours, moistureIn, dryTo, bushelsPerHour, seed, starves = false } = input;
  const random = seededRandom(seed);
  const steps = Math.max(1, Math.round(hours * 6));
  let meter = 4000;
  return Array.from({ length: steps + 1 }, (_, i): DryerSaysBody => {
    const at = new Date(fromMs + i * 10 * MINUTE).toISOString();
    // ULIDs of the moment, from the same seed: told twice it is the same sample.
    const id = ulid(fromMs + i * 10 * MINUTE, random);
    if (i === steps) return { id, placeId, at, running: false, ...(starves ? { alarm: 'out of grain' as const } : {}) };
    const comes = moistureIn[i < steps / 2 ? 0 : 1] + 0.004 * (random() - 0.5);
    // What was wetter comes out wetter for a while, until somebody slows it.
    const drift = i >= steps / 2 ? 0.35 * (moistureIn[1] - moistureIn[0]) : 0;
    const goes = dryTo + drift + 0.003 * (random() - 0.5);
    meter += (0.02 * bushelsPerHour * 100 * Math.max(0, comes - goes)) / 6;
    const digits = (value: number, n: number): number => Math.round(value * 10 ** n) / 10 ** n;
    return {
      id,
      placeId,
      at,
      running: true,
      moistureIn: digits(comes, 4),
      moistureOut: digits(goes, 4),
      plenum: digits(93 + 4 * random(), 1),
      bushelsPerHour: Math.round(bushelsPerHour * (0.97 + 0.06 * random())),
      fuelMeter: digits(meter, 1),
    };
  });
}
