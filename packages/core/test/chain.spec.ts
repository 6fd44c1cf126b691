import { describe, expect, it } from 'vitest';
import {
  chainAhead,
  type ChainNow,
  chainStops,
  cuttingHours,
  dayOfChain,
  seededRandom,
  simulateHauling,
} from '../src/index.js';

/** One combine of 1,200 bu/h (20 a minute), one cart of 600, a road of 30 minutes. */
const CHAIN: ChainNow = {
  now: 600,
  until: 900,
  fieldLeft: 100_000,
  combines: [{ bushelsPerHour: 1200, tank: 300, holds: 0 }],
  carts: [{ capacity: 600, holds: 0 }],
  trucks: [],
  loadMin: 6,
  tarpMin: 3,
  roadMin: 30,
  backMin: 30,
  unloadMin: 10,
  destination: { kind: 'elevator', opens: 420, closes: 1140, lineMin: 0 },
};
const truck = (id: string, more: Partial<ChainNow['trucks'][number]> = {}) => ({
  id,
  capacity: 900,
  holds: 0,
  where: 'field' as const,
  ...more,
});

describe('what stops first', () => {
  it('fills cart and tank and stands, when there is no truck at all', () => {
    // 600 + 300 bu at 20 a minute: 45 minutes.
    const { combineStands, stops, cut, onWheels } = chainAhead(CHAIN);
    expect(combineStands!.at).toBe(600 + 45);
    expect(combineStands!.because).toBe('trucks');
    expect(stops.map(({ link }) => link)).toEqual(['cart', 'combine']);
    expect(cut).toBeCloseTo(900, 6);
    expect(onWheels).toBeCloseTo(900, 6);
  });
  it('hours of cutting stop where the combine stands, whatever is left in the field', () => {
    const hours = cuttingHours({ ...CHAIN, fieldLeft: 0 });
    expect(hours).toHaveLength(301);
    expect(hours[30]).toBeCloseTo(0.5, 9);
    // 900 bu are three quarters of an hour; then it stands for good.
    expect(hours.at(-1)).toBeCloseTo(0.75, 9);
    // With enough trucks they are the clock's.
    const free = cuttingHours({ ...CHAIN, trucks: ['a', 'b', 'c', 'd'].map((id) => truck(id)) });
    expect(free.at(-1)).toBeCloseTo(5, 6);
    expect(cuttingHours({ ...CHAIN, trucks: [truck('T1')] }).at(-1)).toBeCloseTo(
      chainAhead({ ...CHAIN, trucks: [truck('T1')] }).cut / 1200,
      9,
    );
  });
  it('waits for the one truck on its round', () => {
    // The truck takes 900 bu in 45 minutes and is away for 3 + 30 + 10 + 30 = 73; cart and tank take 900 bu in 45 minutes of it.
    const { combineStands, levers } = chainAhead({ ...CHAIN, trucks: [truck('T1')] });
    expect(combineStands!.because).toBe('trucks');
    expect(combineStands!.at).toBeGreaterThanOrEqual(600 + 88);
    expect(combineStands!.at).toBeLessThanOrEqual(600 + 92);
    expect(levers[0]!.what).toBe('truckMore');
    expect(levers[0]!.stopsAt).toBeNull();
  });
  it('blames the line where the line is it', () => {
    const slow = chainAhead({
      ...CHAIN,
      until: 1000,
      trucks: [truck('T1'), truck('T2')],
      destination: { kind: 'elevator', opens: 420, closes: 1140, lineMin: 90 },
    });
    expect(slow.combineStands!.because).toBe('line');
    expect(slow.longestLine).toBeGreaterThanOrEqual(90);
    expect(slow.levers.map(({ what }) => what)).toContain('shorterLine');
  });
  it('keeps the truck that cannot be in line by closing', () => {
    const late = chainAhead({
      ...CHAIN,
      until: 800,
      trucks: [truck('T1')],
      destination: { kind: 'elevator', opens: 420, closes: 660, lineMin: 0 },
    });
    // Full (97 %) at 643 or 644, there at 677: after 660.
    expect(late.stops.find(({ link }) => link === 'hours')!.at).toBeGreaterThanOrEqual(642);
    expect(late.combineStands!.because).toBe('hours');
    expect(late.onWheels).toBeCloseTo(late.cut, 6);
    expect(late.levers[0]!.what).toBe('openLonger');
  });
  it('sees the wet bin fill behind a slow dryer, the dryer stand, and the bins', () => {
    const home = { kind: 'home', wetBin: 2000, wetBinHolds: 1900, dryerPerHour: 300, binRoom: 20_000 } as const;
    const chain = {
      ...CHAIN,
      until: 1140,
      roadMin: 5,
      backMin: 5,
      trucks: [truck('T1'), truck('T2')],
      destination: home,
    };
    const slow = chainAhead(chain);
    expect(slow.combineStands!.because).toBe('wet bin');
    expect(slow.stops.findIndex(({ link }) => link === 'wet bin')).toBeLessThan(
      slow.stops.findIndex(({ link }) => link === 'combine'),
    );
    expect(slow.levers.map(({ what }) => what)).toContain('fasterDryer');
    expect(chainAhead({ ...chain, destination: { ...home, dryerPerHour: 1500 } }).combineStands).toBeNull();
    const broken = chainAhead({ ...chain, destination: { ...home, dryerPerHour: 1500, dryerStoppedUntil: 1000 } });
    expect(broken.combineStands!.because).toBe('dryer');
    expect(broken.levers.find(({ what }) => what === 'dryerRuns')!.stopsAt).toBeNull();
    expect(
      chainAhead({ ...chain, destination: { ...home, dryerPerHour: 1500, binRoom: 500 } }).combineStands!.because,
    ).toBe('bin room');
  });
  it('finishes the field and sends the last truck with what there is', () => {
    const done = chainAhead({ ...CHAIN, fieldLeft: 700, trucks: [truck('T1')] });
    expect(done.combineStands).toBeNull();
    expect(done.cut).toBeCloseTo(700, 6);
    expect(done.onWheels).toBeCloseTo(0, 6);
    expect(done.delivered).toBeCloseTo(700, 6);
    expect(done.stops.find(({ link }) => link === 'field')!.at).toBe(600 + 35);
  });
  it('where the field is cut either way, a lever says by how much sooner; another place is a lever too', () => {
    // 1,900 bu: 95 minutes of cutting. One truck: full at 645, away 73 minutes; cart and tank are full at about 690, the truck is back at 719.
    const chain = { ...CHAIN, until: 1140, fieldLeft: 1900, trucks: [truck('T1')] };
    const far = chainAhead(chain, [
      { name: 'next door', destination: chain.destination, roadMin: 5, backMin: 5, unloadMin: 10 },
      { name: 'the moon', destination: chain.destination, roadMin: 300, backMin: 300, unloadMin: 10 },
    ]);
    expect(far.cut).toBeCloseTo(1900, 6);
    const near = far.levers.find(({ to }) => to === 'next door')!;
    expect(near).toMatchObject({
      what: 'elsewhere',
      stopsAt: null,
      gain: expect.closeTo(0, 6) as number,
      doneAt: 600 + 95,
    });
    expect(far.doneAt!).toBeGreaterThan(near.doneAt!);
    expect(near.lessStanding).toBeCloseTo(far.combineStands!.minutes, 6);
    const moon = far.levers.find(({ to }) => to === 'the moon')!;
    expect(moon.gain < 0 || moon.lessStanding < 0).toBe(true);
    expect(far.levers.indexOf(near)).toBeLessThan(far.levers.indexOf(moon));
    expect(() =>
      chainAhead(chain, [{ name: 'nowhere', destination: chain.destination, roadMin: -1, backMin: 5, unloadMin: 10 }]),
    ).toThrow(/road/);
  });
  it('takes a reported delay as it is: a combine that stands cuts nothing', () => {
    const late = chainAhead({ ...CHAIN, combines: [{ ...CHAIN.combines[0]!, stoppedUntil: 660 }] });
    expect(late.combineStands!.at).toBe(660 + 45);
  });
  it('loses no bushel and gains nothing by taking a truck away: properties over seeds', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed);
      const between = (a: number, b: number) => a + random() * (b - a);
      const trucks = Array.from({ length: 1 + Math.floor(random() * 4) }, (_, i) =>
        truck(`T${i}`, {
          capacity: between(500, 1000),
          where: (['field', 'out', 'back'] as const)[Math.floor(random() * 3)]!,
          at: between(600, 680),
        }),
      );
      const chain: ChainNow = {
        ...CHAIN,
        combines: [{ bushelsPerHour: between(500, 3500), tank: 300, holds: between(0, 300) }],
        trucks,
        roadMin: between(5, 60),
        destination:
          random() < 0.5
            ? { kind: 'elevator', opens: 420, closes: between(700, 1100), lineMin: between(0, 60) }
            : {
                kind: 'home',
                wetBin: 4000,
                wetBinHolds: between(0, 4000),
                dryerPerHour: between(100, 2000),
                binRoom: between(0, 9000),
              },
      };
      const held = chain.combines[0]!.holds;
      const all = chainAhead(chain);
      const { levers: _, ...stops } = all;
      expect(chainStops(chain)).toEqual(stops);
      expect(all.onWheels + all.delivered).toBeCloseTo(all.cut + held, 6);
      expect(all.cut).toBeLessThanOrEqual((chain.combines[0]!.bushelsPerHour * 300) / 60 + 1e-6);
      expect(all.stops.every(({ at }) => at >= 600 && at < 900)).toBe(true);
      const fewer = chainAhead({ ...chain, trucks: trucks.slice(1) });
      expect(fewer.onWheels + fewer.delivered).toBeCloseTo(fewer.cut + held, 6);
      expect(fewer.cut).toBeLessThanOrEqual(all.cut + trucks[0]!.capacity + 1e-6);
    }
  });
  it('a combine alone with its cart stands while the cart is away, and what that costs is said', () => {
    // The cart (1,000) leaves with 850 or more, drives 3 minutes, unloads into the truck and is back: no other cart comes meanwhile.
    const chain: ChainNow = {
      ...CHAIN,
      until: 1200,
      combines: [{ bushelsPerHour: 3000, tank: 300, holds: 0 }],
      carts: [{ capacity: 1000, holds: 0 }],
      trucks: Array.from({ length: 8 }, (_, i) => truck(`T${i}`)),
      roadMin: 10,
      backMin: 10,
      unloadMin: 4,
    };
    const beside = chainAhead(chain);
    const driving = chainAhead({ ...chain, cartDriveMin: 3 });
    expect(beside.combineStands).toBeNull();
    expect(driving.combineStands!.because).toBe('cart');
    // What the combine would have cut in those minutes is what is lost, and what all the levers together can bring.
    expect(driving.combineStands!.lostBushels).toBeCloseTo(30_000 - driving.cut, 6);
    expect(driving.combineStands!.lostBushels).toBeCloseTo(50 * driving.combineStands!.minutes, 6);
    for (const { gain, what } of driving.levers)
      if (what !== 'cutSlower') expect(gain).toBeLessThanOrEqual(driving.combineStands!.lostBushels + 1e-6);
    const second = driving.levers.find(({ what }) => what === 'cartMore')!;
    expect(second.gain).toBeGreaterThan(0.8 * driving.combineStands!.lostBushels);
  });
  it('and the simulated days without chance give the same answer', () => {
    const differences: number[] = [];
    const firstStops: number[] = [];
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed);
      const between = (a: number, b: number) => a + random() * (b - a);
      const whole = (a: number, b: number) => Math.floor(between(a, b + 1));
      const trucks = Array.from({ length: whole(1, 6) }, (_, i) => truck(`T${i}`, { capacity: between(850, 1000) }));
      const chain: ChainNow = {
        ...CHAIN,
        until: 1200,
        fieldLeft: 1e6,
        combines: Array.from({ length: whole(1, 3) }, () => ({
          bushelsPerHour: between(1000, 3500),
          tank: between(250, 400),
          holds: 0,
        })),
        carts: Array.from({ length: whole(1, 3) }, () => ({ capacity: between(700, 1300), holds: 0 })),
        trucks,
        cartDriveMin: 3,
        loadMin: between(3, 8),
        roadMin: between(5, 45),
        backMin: between(5, 45),
        unloadMin: 15,
        destination:
          random() < 0.5
            ? { kind: 'elevator', opens: 420, closes: between(1000, 1300), lineMin: between(0, 30) }
            : {
                kind: 'home',
                wetBin: between(3000, 8000),
                wetBinHolds: between(0, 2500),
                dryerPerHour: between(400, 2500),
                binRoom: 1e6,
              },
      };
      const ahead = chainAhead(chain);
      const simulated = simulateHauling(dayOfChain(chain), 1, 1);
      // One says that the combines stand where the other does, but for a hair's breadth about the two percent that both go by.
      const share = Math.max((ahead.combineStands?.minutes ?? 0) / 600, simulated.waits.combine / 10);
      if (share > 0.05)
        expect(`${seed} ${ahead.combineStands === null}`).toBe(`${seed} ${simulated.firstStop.hour === null}`);
      differences.push(Math.abs(ahead.cut / simulated.bushels - 1));
      if (ahead.combineStands && simulated.firstStop.hour !== null)
        firstStops.push(Math.abs(ahead.combineStands.at - 60 * simulated.firstStop.hour));
    }
    const sorted = (values: number[]): number[] => values.sort((a, b) => a - b);
    // A truck that just still gets in, or just not, is a load of several thousand bushels in all: the mean is what agrees.
    expect(differences.reduce((a, b) => a + b, 0) / differences.length).toBeLessThan(0.05);
    expect(sorted(differences).at(-1)!).toBeLessThan(0.2);
    expect(sorted(firstStops)[firstStops.length >> 1]!).toBeLessThan(10);
  });
});
