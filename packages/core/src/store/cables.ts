import {
  fitLine,
  type Formula,
  mean,
  median,
  quantity,
  requireFinite,
  requireInRange,
  within,
} from '../kernel/index.js';
import type { BinCables } from '../records/index.js';

const CELSIUS = quantity('temperature of grain', -40, 90, '°C');
const HOUR = 3_600_000;
const DAY = 24 * HOUR;

export const CABLES: Formula = {
  id: 'cables',
  title: 'Hot spots by temperature cables',
  standing: 'common practice',
  source: 'no printed source',
  equation:
    'hot: 5.6 K (10 °F) warmer in a week and 2.8 K above its neighbors, or 8.3 K (15 °F) above them; to watch: 2.8 K (5 °F) warmer in a week, or 4 K above its neighbors',
  inputs: [CELSIUS],
  note: 'A cable feels a spot only within a few feet. A sensor that is silent for 12 hours, or that jumps by 12 K between two readings, is left out and said.',
};

/** What one cable read at one moment, from its lowest sensor up; null: that sensor said nothing. */
export interface CableReading {
  /** which of the bin's cables, from 0 */
  readonly cable: number;
  readonly atMs: number;
  /** °C */
  readonly celsius: readonly (number | null)[];
}

export type Cable = BinCables['cables'][number];

export type SensorState = 'reads' | 'silent' | 'jumps' | 'never read';

/** One sensor as it stands. */
export interface SensorNow {
  readonly cable: number;
  readonly sensor: number;
  /** m above the floor */
  readonly height: number;
  readonly state: SensorState;
  /** Its last good figure, °C; null where there is none. */
  readonly celsius: number | null;
  readonly atMs: number | null;
  /** Under the surface by the book, and not swinging with the day as the air does; true where nobody knows. */
  readonly inGrain: boolean;
  /** K in a week, over the last seven days; null with less than three days of them. */
  readonly weekRise: number | null;
  /** K above the middle of the sensors about as high; null without any. */
  readonly aboveNeighbors: number | null;
  readonly verdict: 'hot' | 'watch' | null;
}

export interface CablesNow {
  readonly sensors: readonly SensorNow[];
  /** The sensors in grain that read: their mean and the warmest; null where none does. */
  readonly mean: number | null;
  readonly warmest: SensorNow | null;
  /** Hot ones and those to watch, the warmest first. */
  readonly spots: readonly SensorNow[];
  /** Silent or jumping: left out of every figure above. */
  readonly leftOut: readonly SensorNow[];
  readonly newestMs: number | null;
  /** Mean of the cables by height and time: rows from the floor up. */
  readonly picture: {
    readonly fromMs: number;
    readonly stepMs: number;
    readonly heights: readonly number[];
    /** by time, then by height; null where nothing was read */
    readonly celsius: readonly (readonly (number | null)[])[];
  };
  /** Where grain ends by the daily swing of the air above it: between two sensors of the middle cable, m; null where it does not tell. */
  readonly level: { readonly above: number; readonly below: number } | null;
}

const SILENT_MS = 12 * HOUR;
/** Between two readings that follow each other within three hours. */
const JUMP_K = 12;
const JUMP_GAP_MS = 3 * HOUR;
const HOT = { week: 5.6, withNeighbors: 2.8, neighbors: 8.3 };
const WATCH = { week: 2.8, neighbors: 4 };
/** Of the air's own swing: more is air, less is grain. */
const IN_AIR_SWING = 0.4;
/** A day with less than this between afternoon and dawn tells nothing. */
const LEAST_SWING_K = 5;
const COLUMNS = 60;

/** Heights of a cable's sensors above the floor, m, from the lowest up. */
export const sensorHeights = ({ lowest, spacing, sensors }: Cable): number[] =>
  Array.from({ length: sensors }, (_, i) => lowest + i * spacing);

/** Figures of one sensor that can be: times and °C; the moment of the last jump. */
function goodOf(
  rows: readonly CableReading[],
  sensor: number,
): { at: number[]; celsius: number[]; jumpedMs: number | null } {
  const at: number[] = [];
  const celsius: number[] = [];
  let jumpedMs: number | null = null;
  let before: { atMs: number; value: number } | null = null;
  for (const { atMs, celsius: row } of rows) {
    const value = row[sensor];
    if (value === null || value === undefined || !(value >= CELSIUS.least && value <= CELSIUS.most)) continue;
    if (before !== null && atMs - before.atMs <= JUMP_GAP_MS && Math.abs(value - before.value) > JUMP_K)
      jumpedMs = atMs;
    else {
      at.push(atMs);
      celsius.push(value);
    }
    before = { atMs, value };
  }
  return { at, celsius, jumpedMs };
}

/** K a week by least squares over the last seven days; null with less than three days. */
function riseOf(at: readonly number[], celsius: readonly number[], nowMs: number): number | null {
  const first = at.findIndex((ms) => ms >= nowMs - 7 * DAY);
  if (first < 0 || at.at(-1)! - at[first]! < 3 * DAY) return null;
  return 7 * fitLine(at.slice(first).map((ms, i) => ({ x: (ms - nowMs) / DAY, y: celsius[first + i]! }))).slope;
}

/** K between the warmest and the coldest of the last day. */
function swingOf(at: readonly number[], celsius: readonly number[], nowMs: number): number | null {
  const last = celsius.filter((_, i) => at[i]! > nowMs - DAY);
  return last.length < 8 ? null : Math.max(...last) - Math.min(...last);
}

/**
 * A bin's cables as they stand: the warmest of the grain, hot spots by their rise and against their neighbors, what is left out, and where
 * grain ends.
 * Range and source: {@link CABLES}.
 * @param readings of the time that is looked at, in order of time
 * @param levelM m of grain by the book; null where nobody knows
 * @param air °C outside in the last day, hourly, for where grain ends
 * @param days that the picture goes back
 */
export function cablesNow(
  { cables }: BinCables,
  readings: readonly CableReading[],
  nowMs: number,
  levelM: number | null,
  air: readonly number[],
  days = 30,
): CablesNow {
  requireFinite('time', nowMs, 'ms');
  requireInRange('days of the picture', days, 1, 400, 'days');
  if (levelM !== null) requireInRange('level', levelM, -1, 60, 'm');
  for (const value of air) within({ ...CELSIUS, name: 'air' }, value);
  const byCable = cables.map((_, i) => readings.filter(({ cable }) => cable === i));
  const newestMs = readings.reduce<number | null>(
    (last, { atMs }) => (last === null || atMs > last ? atMs : last),
    null,
  );
  const good = cables.map((cable, i) => sensorHeights(cable).map((_, s) => goodOf(byCable[i]!, s)));

  // K of the air's own day; nothing is told by less than half a day of it.
  const outside = air.length < 12 ? 0 : Math.max(...air) - Math.min(...air);
  /** As much as the air outside from dawn to afternoon: it hangs in air, whatever the book says. */
  const swings = ({ at, celsius }: { at: readonly number[]; celsius: readonly number[] }): boolean =>
    outside >= LEAST_SWING_K && (swingOf(at, celsius, nowMs) ?? 0) >= IN_AIR_SWING * outside;

  type Draft = Omit<SensorNow, 'aboveNeighbors' | 'verdict'> & { readonly spacing: number };
  const drafts = cables.flatMap((cable, c) =>
    sensorHeights(cable).map((height, s): Draft => {
      const { at, celsius, jumpedMs } = good[c]![s]!;
      const atMs = at.at(-1) ?? null;
      const state: SensorState =
        jumpedMs !== null && jumpedMs > nowMs - DAY
          ? 'jumps'
          : atMs === null
            ? 'never read'
            : nowMs - atMs > SILENT_MS
              ? 'silent'
              : 'reads';
      return {
        cable: c,
        sensor: s,
        height,
        spacing: cable.spacing,
        state,
        celsius: celsius.at(-1) ?? null,
        atMs,
        inGrain: (levelM === null || height <= levelM) && !swings({ at, celsius }),
        weekRise: state === 'reads' ? riseOf(at, celsius, nowMs) : null,
      };
    }),
  );
  const counts = (one: Pick<SensorNow, 'state' | 'inGrain'>): boolean => one.state === 'reads' && one.inGrain;
  const sensors = drafts.map(({ spacing, ...one }): SensorNow => {
    const near = drafts.filter(
      (other) =>
        counts(other) &&
        !(other.cable === one.cable && other.sensor === one.sensor) &&
        Math.abs(other.height - one.height) <= 1.6 * spacing,
    );
    const judged = counts(one);
    const aboveNeighbors =
      judged && near.length >= 2 ? one.celsius! - median(near.map(({ celsius }) => celsius!)) : null;
    const [rise, above] = [one.weekRise ?? 0, aboveNeighbors ?? 0];
    const verdict = !judged
      ? null
      : (rise >= HOT.week && (aboveNeighbors === null || above >= HOT.withNeighbors)) || above >= HOT.neighbors
        ? 'hot'
        : rise >= WATCH.week || above >= WATCH.neighbors
          ? 'watch'
          : null;
    return { ...one, aboveNeighbors, verdict };
  });
  const inGrain = sensors.filter(counts);
  const warmest = inGrain.reduce<SensorNow | null>(
    (most, one) => (most === null || one.celsius! > most.celsius! ? one : most),
    null,
  );

  // The picture: mean of the cables in each step, by the heights of the longest cable.
  const longest = cables.reduce((most, cable) => (cable.sensors > most.sensors ? cable : most), cables[0]!);
  const heights = sensorHeights(longest);
  const fromMs = nowMs - days * DAY;
  const stepMs = (days * DAY) / COLUMNS;
  const sums = Array.from({ length: COLUMNS }, () => heights.map(() => ({ sum: 0, n: 0 })));
  cables.forEach((cable, c) =>
    sensorHeights(cable).forEach((height, s) => {
      const row = Math.min(heights.length - 1, Math.max(0, Math.round((height - heights[0]!) / longest.spacing)));
      const { at, celsius } = good[c]![s]!;
      at.forEach((ms, i) => {
        const column = Math.min(COLUMNS - 1, Math.floor((ms - fromMs) / stepMs));
        if (column < 0) return;
        const cell = sums[column]![row]!;
        cell.sum += celsius[i]!;
        cell.n += 1;
      });
    }),
  );

  return {
    sensors,
    mean: inGrain.length === 0 ? null : mean(inGrain.map(({ celsius }) => celsius!)),
    warmest,
    spots: sensors
      .filter(({ verdict }) => verdict !== null)
      .sort((a, b) => Number(b.verdict === 'hot') - Number(a.verdict === 'hot') || b.celsius! - a.celsius!),
    leftOut: sensors.filter(({ state }) => state !== 'reads'),
    newestMs,
    picture: {
      fromMs,
      stepMs,
      heights,
      celsius: sums.map((column) => column.map(({ sum, n }) => (n === 0 ? null : sum / n))),
    },
    level: levelOf(cables, good, outside, nowMs),
  };
}

/** Where the daily swing of a sensor turns from the grain's to the air's (`outside`, K), on the cable nearest to the middle. */
function levelOf(
  cables: readonly Cable[],
  good: readonly (readonly { at: readonly number[]; celsius: readonly number[] }[])[],
  outside: number,
  nowMs: number,
): CablesNow['level'] {
  if (outside < LEAST_SWING_K || cables.length === 0) return null;
  const middle = cables.reduce((best, cable, i) => (cable.fromCenter < cables[best]!.fromCenter ? i : best), 0);
  const heights = sensorHeights(cables[middle]!);
  const swings = good[middle]!.map(({ at, celsius }) => swingOf(at, celsius, nowMs));
  const top = swings.findLastIndex((swing) => swing !== null && swing < IN_AIR_SWING * outside);
  const above = heights[top];
  const below = heights[top + 1];
  // All in grain, or all in air: the sensors do not reach the surface.
  if (above === undefined || below === undefined || swings[top + 1] === null) return null;
  return { above, below };
}
