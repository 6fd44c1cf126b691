import { requireInRange, seededRandom } from '../kernel/index.js';
import { type Cable, type CableReading, sensorHeights } from './cables.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/** A spot that heats, as a stand-in has it. */
export interface HeatingSpot {
  readonly cable: number;
  /** m above the floor */
  readonly height: number;
  /** ms since 1970 at which it begins */
  readonly fromMs: number;
  /** K a day */
  readonly perDay: number;
}

/**
 * What the cables of a made-up bin would read, for stand-ins and the demo: grain that follows the season slowly and later the further in,
 * air above it that follows the day, and where somebody wants one a spot that heats. The same seed and hours give the same figures.
 * @param levelM m of grain @param airAt °C outside at a moment
 */
export function modelCables(input: {
  readonly cables: readonly Cable[];
  readonly diameter: number;
  readonly levelM: number;
  /** °C of the grain when it was put in */
  readonly celsius: number;
  readonly putInMs: number;
  readonly airAt: (ms: number) => number;
  readonly hours: readonly number[];
  readonly seed: number;
  readonly spot?: HeatingSpot | undefined;
}): CableReading[] {
  const { cables, diameter, levelM, celsius, putInMs, airAt, hours, seed, spot } = input;
  requireInRange('diameter', diameter, 1, 60, 'm');
  requireInRange('level', levelM, 0, 60, 'm');
  // The air of a month, which grain follows; reckoned once a day.
  const months = new Map<number, number>();
  const month = (ms: number): number => {
    const at = Math.floor(ms / DAY);
    let mean = months.get(at);
    if (mean === undefined) {
      mean = 0;
      for (let day = 0; day < 30; day++) mean += (airAt((at - day) * DAY) + airAt((at - day) * DAY + 12 * HOUR)) / 60;
      months.set(at, mean);
    }
    return mean;
  };
  return hours.flatMap((atMs) =>
    cables.map((cable, c): CableReading => {
      const random = seededRandom(seed + 31 * c + Math.round(atMs / HOUR));
      const days = Math.max(0, (atMs - putInMs) / DAY);
      return {
        cable: c,
        atMs,
        celsius: sensorHeights(cable).map((height) => {
          const noise = 0.3 * (random() - 0.5);
          if (height > levelM) return round(airAt(atMs) + 2 + noise);
          // m to the nearest wall, floor or surface: a fall's cold comes about a meter a month into it.
          const inside = Math.max(0.05, Math.min(diameter / 2 - cable.fromCenter, height, levelM - height));
          const share = 1 - Math.exp(-days / (30 * (0.4 + inside)));
          const grain = celsius + (month(atMs) - celsius) * share;
          const heat =
            spot?.cable === c && atMs > spot.fromMs
              ? ((spot.perDay * (atMs - spot.fromMs)) / DAY) * Math.exp(-(((height - spot.height) / 0.8) ** 2))
              : 0;
          return round(grain + heat + noise);
        }),
      };
    }),
  );
}

const round = (value: number): number => Math.round(10 * Math.min(85, Math.max(-40, value))) / 10;
