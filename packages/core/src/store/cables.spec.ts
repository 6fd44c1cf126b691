import { describe, expect, it } from 'vitest';
import { type Cable, type CableReading, cablesNow, modelCables } from './index.js';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const NOW = Date.UTC(2026, 10, 20, 15);
const cable = (fromCenter: number): Cable => ({
  name: `at ${fromCenter} m`,
  fromCenter,
  lowest: 0.6,
  spacing: 1.2,
  sensors: 6,
});
const CABLES = { cables: [cable(0), cable(2.5), cable(4)] };
const hours = (days: number): number[] => Array.from({ length: 24 * days }, (_, i) => NOW - (24 * days - 1 - i) * HOUR);
/** A fall: 15 °C to 5 °C in two months, 6 K between mean and afternoon. */
const airAt = (ms: number): number =>
  10 + 5 * Math.cos(((ms - NOW) / DAY + 60) / 40) + 6 * Math.cos((((ms / HOUR) % 24) - 21) * (Math.PI / 12));
const made = (more: Partial<Parameters<typeof modelCables>[0]> = {}): CableReading[] =>
  modelCables({
    cables: CABLES.cables,
    diameter: 9,
    levelM: 5,
    celsius: 20,
    putInMs: NOW - 60 * DAY,
    airAt,
    hours: hours(20),
    seed: 7,
    ...more,
  });
const lastAir = hours(1).map(airAt);
const now = (readings: readonly CableReading[], level: number | null = 5) => cablesNow(CABLES, readings, NOW, level, lastAir); // prettier-ignore

describe('cables in a bin', () => {
  it('sound grain has no spots; its warmest is in its middle, and the air above it does not count', () => {
    const seen = now(made());
    expect(seen.spots).toEqual([]);
    expect(seen.leftOut).toEqual([]);
    expect(seen.warmest).toMatchObject({ cable: 0, inGrain: true });
    expect(seen.warmest!.height).toBeGreaterThan(1);
    expect(seen.warmest!.height).toBeLessThan(4);
    // The two uppermost of each hang at 5.4 and 6.6 m, over 5 m of grain.
    expect(seen.sensors.filter(({ inGrain }) => !inGrain)).toHaveLength(3 * 2);
  });

  it('a spot that heats is named by its rise and its neighbors: to watch first, hot later', () => {
    const spot = (perDay: number) => now(made({ spot: { cable: 1, height: 3, fromMs: NOW - 10 * DAY, perDay } })).spots;
    const [first, ...others] = spot(1.5);
    expect(first).toMatchObject({ cable: 1, sensor: 2, verdict: 'hot' });
    expect(first!.weekRise!).toBeGreaterThan(8);
    expect(first!.aboveNeighbors!).toBeGreaterThan(5);
    expect(others.every(({ cable: c }) => c === 1)).toBe(true);
    expect(spot(0.55)[0]).toMatchObject({ cable: 1, sensor: 2, verdict: 'watch' });
    expect(spot(0.1)).toEqual([]);
  });

  it('a sensor that jumps and one that is silent are left out of every figure, each with its word', () => {
    const readings = made().map((one) => ({
      ...one,
      celsius: one.celsius.map((value, s) =>
        one.cable === 2 && s === 1 && one.atMs === NOW - 2 * HOUR
          ? value! + 40
          : one.cable === 0 && s === 3 && one.atMs > NOW - 30 * HOUR
            ? null
            : value,
      ),
    }));
    const seen = now(readings);
    expect(seen.leftOut.map(({ cable: c, sensor, state }) => [c, sensor, state])).toEqual([
      [0, 3, 'silent'],
      [2, 1, 'jumps'],
    ]);
    expect(seen.leftOut[0]!.atMs).toBe(NOW - 30 * HOUR);
    expect(seen.spots).toEqual([]);
    expect(Math.abs(seen.mean! - now(made()).mean!)).toBeLessThan(1);
    // Figures that no grain has are no figures.
    const broken = now(made().map((one) => ({ ...one, celsius: one.celsius.map(() => 120) })));
    expect(new Set(broken.sensors.map(({ state }) => state))).toEqual(new Set(['never read']));
    expect(broken.mean).toBeNull();
    expect(now([]).newestMs).toBeNull();
  });

  it('a sensor that swings with the day hangs in air, whatever the book says', () => {
    const seen = now(made({ levelM: 4 }), 5.5);
    expect(seen.sensors.filter(({ inGrain }) => !inGrain).map(({ sensor }) => sensor)).toEqual([3, 4, 5, 3, 4, 5, 3, 4, 5]); // prettier-ignore
    expect(seen.spots).toEqual([]);
  });

  it('grain ends where the day’s swing begins', () => {
    expect(now(made()).level).toEqual({ above: expect.closeTo(4.2, 9) as number, below: expect.closeTo(5.4, 9) as number }); // prettier-ignore
    // The surface lies between these two sensors whatever the book says.
    expect(now(made({ levelM: 2.9 }), 5).level).toMatchObject({ above: expect.closeTo(1.8, 9) as number, below: expect.closeTo(3, 9) as number }); // prettier-ignore
    // Full over the uppermost sensor, or a day without a swing: it does not tell.
    expect(now(made({ levelM: 9 }), 9).level).toBeNull();
    expect(
      cablesNow(
        CABLES,
        made(),
        NOW,
        5,
        lastAir.map(() => 9),
      ).level,
    ).toBeNull();
  });

  it('the picture has the means by height and time, and nothing where nothing was read', () => {
    const { picture } = now(made());
    expect(picture.celsius).toHaveLength(60);
    expect(picture.heights).toHaveLength(6);
    // Twenty of the thirty days were read.
    expect(picture.celsius[10]!.every((value) => value === null)).toBe(true);
    expect(picture.celsius.at(-1)!.every((value) => value !== null)).toBe(true);
  });
});
