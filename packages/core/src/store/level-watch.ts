import type { Crop } from '../crops/index.js';
import { type Formula, quantity, requireFinite, requireInRange } from '../kernel/index.js';
import type { BinSetup } from '../records/index.js';
import { tapeCheck } from './tape-check.js';

const LEVEL = quantity('level below the eave', 0, 60, 'm');

export const LEVEL_WATCH: Formula = {
  id: 'level-watch',
  title: 'A level that rises against the loads since',
  standing: 'common practice',
  source: 'no printed source',
  equation:
    'rise = grain by the newest level - grain by the level at the begin; it disagrees where it differs from the loads booked by more than the error: 0.05 m of each level, 4 % of the rise',
  inputs: [LEVEL],
  note: 'The shape of the surface counts in both levels and falls out of their difference, while grain is filled through one spout.',
};

/** What a level sensor said. */
export interface LevelReading {
  readonly atMs: number;
  /** m below the eave */
  readonly belowEave: number;
}

/** m that a sensor is off. */
const SENSOR_ERROR = 0.05;
const RISE_ERROR = 0.04;
/** Levels are held against each other over so long. */
const WINDOW_MS = 12 * 3_600_000;
/** Less than this is dust on the sensor, kg. */
const LEAST_KG = 2500;

export interface LevelWatch {
  readonly atMs: number;
  readonly sinceMs: number;
  readonly belowEave: number;
  /** By the levels; negative where it fell. */
  readonly riseKg: number;
  /** By the loads in the book between the two moments. */
  readonly bookedKg: number;
  readonly differenceKg: number;
  readonly errorKg: number;
  readonly answer: 'agrees' | 'more' | 'less';
}

/**
 * What a bin gained by its level sensor against what the book has brought there meanwhile.
 * Range and source: {@link LEVEL_WATCH}.
 * @param readings in any order @param bookedBetween net kg that the book brought between two moments: in less out and lost
 * @returns null with fewer than two levels that can be
 */
export function levelWatch(input: {
  readonly setup: BinSetup;
  readonly crop: Crop;
  /** wet-basis fraction */
  readonly moisture: number;
  readonly readings: readonly LevelReading[];
  readonly bookedBetween: (fromMs: number, untilMs: number) => number;
}): LevelWatch | null {
  const { setup, crop, moisture, bookedBetween } = input;
  const top = setup.eave + setup.hopper;
  for (const { atMs, belowEave } of input.readings) {
    requireFinite('time', atMs, 'ms');
    requireFinite('level', belowEave, 'm');
  }
  // Above the roof or under the floor is a sensor that is wrong, not grain.
  const readings = input.readings
    .filter(({ belowEave }) => belowEave >= 0 && belowEave <= top)
    .sort((a, b) => a.atMs - b.atMs);
  const last = readings.at(-1);
  if (last === undefined) return null;
  const first = readings.find(({ atMs }) => atMs >= last.atMs - WINDOW_MS)!;
  if (first === last) return null;
  const at = (belowEave: number): number =>
    tapeCheck({ setup, crop, moisture, seen: 'level', belowEave, bookKg: 0 }).kg;
  const riseKg = at(last.belowEave) - at(first.belowEave);
  const bookedKg = requireInRange('booked', bookedBetween(first.atMs, last.atMs), -1e9, 1e9, 'kg');
  const slice = Math.abs(at(Math.max(0, last.belowEave - SENSOR_ERROR)) - at(Math.min(top, last.belowEave + SENSOR_ERROR))) / 2; // prettier-ignore
  const errorKg = Math.hypot(Math.SQRT2 * slice, RISE_ERROR * riseKg);
  const differenceKg = riseKg - bookedKg;
  return {
    atMs: last.atMs,
    sinceMs: first.atMs,
    belowEave: last.belowEave,
    riseKg,
    bookedKg,
    differenceKg,
    errorKg,
    answer: Math.abs(differenceKg) <= Math.max(errorKg, LEAST_KG) ? 'agrees' : differenceKg > 0 ? 'more' : 'less',
  };
}
