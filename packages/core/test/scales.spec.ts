import { linearRegression } from 'simple-statistics';
import { describe, expect, it } from 'vitest';
import {
  axleByAxle,
  axleDoubts,
  curveLoads,
  compareScales,
  type ScaleReading,
  seededRandom,
  STILL_TRUCK_SCALE,
  stillWeight,
  emptyWeightCorrections,
  emptyWeightStanding,
} from '../src/index.js';

const DAY = 86_400_000;
const LB = 0.45359237;

/** A curve of a scale: stretches of [seconds, kg at their end], five figures a second, with noise. */
function curve(
  stretches: readonly (readonly [number, number])[],
  noiseKg: number,
  seed = 1,
  startKg = 0,
): ScaleReading[] {
  const random = seededRandom(seed);
  const readings: ScaleReading[] = [];
  let [atMs, kg] = [1_000_000, startKg];
  for (const [seconds, end] of stretches) {
    const n = Math.round(seconds * 5);
    for (let i = 1; i <= n; i++)
      readings.push({ atMs: (atMs += 200), kg: kg + ((end - kg) * i) / n + (random() - 0.5) * 2 * noiseKg });
    kg = end;
  }
  return readings;
}

describe('a still weight', () => {
  it('is the mean of the stretch, and none while grain runs or the truck rocks', () => {
    const quiet = curve([[6, 0], [4, 9000], [5, 9000]], 8); // prettier-ignore
    expect(stillWeight(quiet, STILL_TRUCK_SCALE)!.kg).toBeCloseTo(9000, -1);
    expect(stillWeight(curve([[20, 9000]], 8), STILL_TRUCK_SCALE)).toBeNull();
    expect(stillWeight(curve([[3, 9000], [5, 9000]], 60), STILL_TRUCK_SCALE)).toBeNull(); // prettier-ignore
    expect(stillWeight([], STILL_TRUCK_SCALE)).toBeNull();
  });
  it('is none where the figures stopped coming: two of them are no stretch', () => {
    expect(stillWeight([{ atMs: 0, kg: 9000 }, { atMs: 60_000, kg: 9000 }], STILL_TRUCK_SCALE)).toBeNull(); // prettier-ignore
  });
});

describe('axle by axle', () => {
  // A five-axle rig of 80,000 lb: 12,000 on the steer axle, 17,000 on each of the others.
  const axles = [12_000, 17_000, 17_000, 17_000, 17_000].map((lb) => lb * LB);
  const drive = axles.flatMap((kg): [number, number][] => [[1.5, kg], [5, kg], [1.5, 0], [2, 0]]); // prettier-ignore

  it.each([1, 2, 3, 4, 5])('counts every axle once, with noise of seed %i', (seed) => {
    const run = axleByAxle(curve([[3, 0], ...drive], 12, seed)); // prettier-ignore
    expect(run.axles.length).toBe(5);
    run.axles.forEach(({ kg }, i) => expect(Math.abs(kg - axles[i]!)).toBeLessThan(12));
    expect(Math.abs(run.sumKg / LB - 80_000)).toBeLessThan(100);
  });
  it('shows when to drive and when to hold', () => {
    const light = (stretches: [number, number][]) => axleByAxle(curve(stretches, 5)).light;
    expect(light([[3, 0]])).toBe('drive on');
    expect(light([[3, 0], [2, 5000]])).toBe('hold still'); // prettier-ignore
    expect(light([[3, 0], [2, 5000], [4, 5000]])).toBe('next axle'); // prettier-ignore
    expect(light([[3, 0], [2, 5000], [4, 5000], [2, 0]])).toBe('drive on'); // prettier-ignore
  });
  it('does not count a truck twice that rocks, creeps a little or is topped up on the platform', () => {
    const rocks = curve([[2, 0], [2, 7000], [5, 7000], [1, 5200], [1, 7300], [6, 7300], [2, 0], [3, 0]], 6); // prettier-ignore
    expect(axleByAxle(rocks).axles.length).toBe(1);
  });
  it('takes no axle that rolled over without stopping', () => {
    expect(axleByAxle(curve([[2, 0], [1, 7000], [1.5, 7000], [1, 0], [3, 0]], 6)).axles.length).toBe(0); // prettier-ignore
  });
});

describe('loads in the curve of a cart', () => {
  it('finds three dumps and the unloading, with their weights', () => {
    const kg = (bu: number) => bu * 56 * LB;
    const readings = curve(
      [[30, 0], [90, kg(260)], [120, kg(260)], [100, kg(560)], [90, kg(560)], [110, kg(850)], [60, kg(850)], [170, 0], [30, 0]], // prettier-ignore
      25,
    );
    const loads = curveLoads(readings);
    expect(loads.map((load) => load.kind)).toEqual(['loaded', 'loaded', 'loaded', 'unloaded']);
    [260, 300, 290, 850].forEach((bu, i) => expect(loads[i]!.kg / kg(1)).toBeCloseTo(bu, -0.5));
    for (const load of loads) expect(load.toMs).toBeGreaterThan(load.fromMs);
    // What came on, less what went, is what is on it.
    expect(Math.abs(loads.reduce((sum, load) => sum + (load.kind === 'loaded' ? load.kg : -load.kg), 0))).toBeLessThan(
      40,
    );
  });
  it('makes one load of one that paused, and none of a bump or slow mud', () => {
    expect(curveLoads(curve([[20, 0], [60, 3000], [8, 3000], [60, 7000], [20, 7000]], 15)).map(({ kg }) => Math.round(kg / 100))).toEqual([70]); // prettier-ignore
    expect(curveLoads(curve([[20, 5000], [1, 5200], [1, 5000], [20, 5000], [300, 5180], [20, 5180]], 15, 1, 5000))).toEqual([]); // prettier-ignore
  });
  it('two dumps with a drive between them are two, however short the cart stood', () => {
    // Found by the simulated day: nine seconds of standing, then a minute of shaking on the way to the other combine.
    const random = seededRandom(4);
    const shaken = (from: number, seconds: number, kg: number) =>
      Array.from({ length: seconds }, (_, i) => ({ atMs: (from + i) * 1000, kg: kg + 180 * (random() - 0.5) }));
    const pours = (from: number, kg: number, to: number) =>
      Array.from({ length: 60 }, (_, i) => ({ atMs: (from + i) * 1000, kg: kg + ((to - kg) * i) / 60 }));
    const stands = (from: number, kg: number) => Array.from({ length: 9 }, (_, i) => ({ atMs: (from + i) * 1000, kg }));
    const readings = [
      ...[...stands(0, 0), ...shaken(9, 60, 0), ...pours(69, 0, 6000), ...stands(129, 6000)],
      ...[...shaken(138, 60, 6000), ...pours(198, 6000, 11_000), ...stands(258, 11_000)],
    ];
    const loads = curveLoads(readings);
    expect(loads.map(({ kg }) => Math.round(kg / 100))).toEqual([60, 50]);
    // A load begins with its grain, not with the drive to it.
    expect(loads.map(({ fromMs }) => Math.round(fromMs / 10_000))).toEqual([7, 20]);
  });
  it('is whole whatever was loaded: a property over seeds', () => {
    for (let seed = 1; seed <= 30; seed++) {
      const random = seededRandom(seed);
      const dumps = Array.from({ length: 1 + Math.floor(random() * 4) }, () => 2000 + random() * 5000);
      let sum = 0;
      const loads = curveLoads(
        curve([[10, 0], ...dumps.flatMap((dump): [number, number][] => [[30 + random() * 60, (sum += dump)], [40 + random() * 60, sum]])], 20, seed), // prettier-ignore
      );
      expect(loads.length).toBe(dumps.length);
      loads.forEach((load, i) => expect(Math.abs(load.kg - dumps[i]!)).toBeLessThan(40));
    }
  });
});

describe('tares', () => {
  const tare = (id: string, day: number, kg: number, combination = 'Truck 1') => ({
    id,
    atMs: day * DAY,
    combination,
    weighing: { kind: 'whole', kg } as const,
  });
  it('counts the newest of its own combination, and says when it is old or has drifted', () => {
    const taken = [
      tare('a', 1000, 12_200),
      tare('b', 1010, 12_260),
      tare('c', 1020, 12_240),
      tare('x', 1021, 14_000, 'Truck 1, other tractor'),
    ];
    const now = emptyWeightStanding(taken, 'Truck 1', 1030 * DAY)!;
    expect([now.newest.id, now.kg, now.old, now.drifted, now.weighEmpty]).toEqual(['c', 12_240, false, false, false]);
    expect(emptyWeightStanding(taken, 'Truck 1', 1051 * DAY)!.weighEmpty).toBe(true);
    const muddy = emptyWeightStanding([...taken, tare('d', 1031, 12_600)], 'Truck 1', 1031 * DAY)!;
    expect(muddy.drifted).toBe(true);
    expect(muddy.drift).toBeCloseTo(12_600 / 12_240 - 1, 10);
    expect(emptyWeightStanding(taken, 'Truck 9', 1030 * DAY)).toBeNull();
    // A tare of tomorrow tells nothing of today.
    expect(emptyWeightStanding(taken, 'Truck 1', 1005 * DAY)!.newest.id).toBe('a');
  });
  it('knows another tractor by its steer axle, and a wheel off the platform', () => {
    const history = [[5400, 7600, 7700], [5450, 7100, 7000], [5380, 7900, 7800]]; // prettier-ignore
    expect(axleDoubts([5410, 6000, 6100], history, [4900, 2600, 2500])).toEqual([]);
    expect(axleDoubts([6300, 7600, 7700], history, [4900, 2600, 2500])).toEqual([{ axle: 0, kg: 6300, usualKg: 5400 }]);
    expect(axleDoubts([5410, 1900, 7600], history, [4900, 2600, 2500]).map((doubt) => doubt.axle)).toEqual([1]);
    // Two weighings make a history, one does not.
    expect(axleDoubts([6300, 7600, 7700], history.slice(0, 1), null)).toEqual([]);
  });
  it('lists what a wrong tare cost, load by load', () => {
    // 26,000 lb on the ticket, 27,400 lb weighed empty: 1,400 lb = 25 bu of corn that were never there, $110 at 4.40.
    const load = {
      id: 'l1',
      atMs: 1015 * DAY,
      combination: 'Truck 1',
      grossKg: 78_000 * LB,
      tareKg: 26_000 * LB,
      legalPounds: 56,
      pricePerBu: 4.4,
    };
    const [correction, ...others] = emptyWeightCorrections(
      [
        load,
        { ...load, id: 'l0', atMs: 1009 * DAY },
        { ...load, id: 'other', combination: 'Truck 2' },
        { ...load, id: 'right', tareKg: 27_350 * LB },
      ],
      'Truck 1',
      27_400 * LB,
      1010 * DAY,
      1020 * DAY,
    );
    expect(others).toEqual([]);
    expect(correction!.load.id).toBe('l1');
    expect(correction!.bushels).toBeCloseTo(-25, 6);
    expect(correction!.money).toBeCloseTo(-110, 6);
  });
});

describe('the truth of the weights', () => {
  const load = (i: number, ticket: number, cart: number) => ({
    id: `l${i}`,
    atMs: 1e12 + i * DAY,
    weights: [
      { method: 'cartScale', scale: 'cart-1', kg: cart },
      { method: 'ticket', scale: 'redbud', kg: ticket },
    ],
  });
  it('sets the trusted scale against each other one', () => {
    const loads = Array.from({ length: 6 }, (_, i) => load(i, 24_000, 24_000 * 1.01));
    const [cart, ...others] = compareScales(loads, ['ticket', 'bridge', 'cartScale']);
    expect(others).toEqual([]);
    expect(cart!.difference).toBeCloseTo(0.01, 12);
    expect(cart!.factor).toBeCloseTo(1 / 1.01, 12);
    expect([cart!.outOfTolerance, cart!.driftShown]).toEqual([true, false]);
    expect(compareScales(loads, ['ticket'], 0.011)[0]!.outOfTolerance).toBe(false);
    // A farm that trusts its cart finds the buyer wanting instead.
    expect(compareScales(loads, ['cartScale', 'ticket'])[0]).toMatchObject({
      scale: 'redbud',
      method: 'ticket',
      outOfTolerance: true,
    });
  });
  it('shows a drift as a reference library fits it, and does not call scatter a drift', () => {
    const random = seededRandom(7);
    const drifting = Array.from({ length: 20 }, (_, i) =>
      load(i, 24_000, 24_000 * (1 + 0.0008 * i + (random() - 0.5) * 0.002)),
    );
    const [cart] = compareScales(drifting, ['ticket']);
    const reference = linearRegression(drifting.map(({ weights }, i) => [i, weights[0]!.kg / weights[1]!.kg - 1]));
    expect(cart!.driftIn10Days).toBeCloseTo(10 * reference.m, 10);
    expect(cart!.driftShown).toBe(true);
    const steady = Array.from({ length: 20 }, (_, i) => load(i, 24_000, 24_000 * (1 + (random() - 0.5) * 0.01)));
    expect(compareScales(steady, ['ticket'])[0]!.driftShown).toBe(false);
  });
  it('holds two loads back from a verdict', () => {
    expect(compareScales([load(0, 24_000, 25_000), load(1, 24_000, 25_000)], ['ticket'])[0]!.outOfTolerance).toBe(
      false,
    );
    expect(compareScales([], ['ticket'])).toEqual([]);
  });
});
