import {
  axleByAxle,
  curveLoads,
  KG_PER_LB,
  seededRandom,
  STILL_TRUCK_SCALE,
  stillWeight,
  yieldFromFlow,
} from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { CartScale, cartCurve } from './cart-scale.js';
import { Wander, scatter } from './chance.js';
import { ElevatorDesk } from './elevator.js';
import { Display } from './monitor.js';
import { HandTester } from './tester.js';
import { crossing } from './truck-scale.js';

const lb = (pounds: number): number => pounds * KG_PER_LB;
const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;

describe('the cart’s scale', () => {
  it('shows divisions of ten pounds, quiet while it stands and rough while it is driven', () => {
    const scale = new CartScale(seededRandom(3));
    const read = (motion: 'stands' | 'drives') =>
      Array.from({ length: 400 }, () => scale.read(lb(30_000), motion) / KG_PER_LB);
    const [stands, drives] = [read('stands'), read('drives')];
    for (const pounds of stands) expect(pounds / 10).toBeCloseTo(Math.round(pounds / 10), 6);
    expect(Math.abs(mean(stands) - 30_000)).toBeLessThan(2);
    expect(Math.max(...stands) - Math.min(...stands)).toBeLessThan(40);
    expect(Math.max(...drives) - Math.min(...drives)).toBeGreaterThan(300);
    expect(new CartScale(seededRandom(3), 0.01, lb(320)).read(0, 'stands') / KG_PER_LB).toBeCloseTo(320, -1.4);
  });
  it('plays dumps and unloadings that the core finds again in its curve', () => {
    const changes = [lb(14_000), lb(13_800), lb(-27_000)];
    const curve = cartCurve(new CartScale(seededRandom(7)), changes).map(({ ms, kg }) => ({ atMs: 1e12 + ms, kg }));
    const loads = curveLoads(curve);
    expect(loads.map(({ kind }) => kind)).toEqual(['loaded', 'loaded', 'unloaded']);
    loads.forEach(({ kg }, i) => expect(Math.abs(kg - Math.abs(changes[i]!))).toBeLessThan(25));
    curve.forEach(({ atMs }, i) => expect(atMs).toBe(1e12 + 1000 * i));
  });
});

describe('the truck scale', () => {
  it('is never still while an axle rolls or rocks, and still when it stands', () => {
    const figures = crossing([lb(12_000)], seededRandom(5)).map(({ ms, kg }) => ({ atMs: 1e12 + ms, kg }));
    const still = figures
      .map((_, i) => stillWeight(figures.slice(0, i + 1), STILL_TRUCK_SCALE))
      .filter((found) => found !== null && found.kg > 1000);
    expect(still.length).toBeGreaterThan(0);
    for (const found of still) expect(Math.abs(found!.kg - lb(12_000))).toBeLessThan(lb(60));
    expect([figures[0]!.kg, figures.at(-1)!.kg].every((kg) => Math.abs(kg) < lb(30))).toBe(true);
  });
  it('gives each axle of whatever truck once: a property over seeds', () => {
    for (let seed = 1; seed <= 25; seed++) {
      const random = seededRandom(seed);
      const axles = Array.from({ length: 2 + Math.floor(random() * 6) }, () => lb(3000 + random() * 17_000));
      const run = axleByAxle(
        crossing(axles, random).map(({ ms, kg }) => ({ atMs: 1e12 + ms, kg })),
        STILL_TRUCK_SCALE,
      );
      expect(run.axles.length, `seed ${seed}`).toBe(axles.length);
      run.axles.forEach(({ kg }, i) => expect(Math.abs(kg - axles[i]!)).toBeLessThan(lb(60)));
      expect(run.light).toBe('drive on');
    }
  });
  it('takes no axle of a driver who does not stop', () => {
    const run = axleByAxle(
      crossing([lb(12_000), lb(17_000)], seededRandom(2), 0.5).map(({ ms, kg }) => ({ atMs: 1e12 + ms, kg })),
      STILL_TRUCK_SCALE,
    );
    expect(run.axles.length).toBeLessThan(2);
  });
});

describe('the combine’s display', () => {
  const cutting = { flow: 12, moisture: 0.2, speed: 2, width: 9.14 };
  it('is off by its faults: more when it is full, wetter or drier than it is', () => {
    const shown = (flow: number) => {
      const display = new Display(seededRandom(1), { bias: 0.03, biasByFlow: 0.004, moisture: -0.004 });
      for (let i = 0; i < 300; i++) display.read(i, { ...cutting, flow }, 2);
      return display.load();
    };
    expect(shown(7).kg / (7 * 600) - 1).toBeCloseTo(0.03, 2);
    expect(shown(12).kg / (12 * 600) - 1).toBeCloseTo(0.05, 2);
    expect(shown(12).moisture).toBeCloseTo(0.196, 3);
  });
  it('works its yield out as the core does, counts a load once, and shows nothing while nothing comes', () => {
    const display = new Display(seededRandom(1));
    const moment = display.read(5, cutting, 2);
    expect(
      moment.yieldKgPerHa! / yieldFromFlow({ flow: moment.flow, speed: 2, width: 9.14, moisture: 0.2, base: 0.2 }),
    ).toBeCloseTo(1, 3);
    expect(display.load().kg).toBeGreaterThan(20);
    expect(display.load()).toEqual({ kg: 0, moisture: null });
    expect(display.read(6, { ...cutting, flow: 0 }, 2)).not.toHaveProperty('yieldKgPerHa');
  });
});

describe('tester and desk', () => {
  it('the hand tester reads a little under the truth, to a tenth of a point', () => {
    const tester = new HandTester(seededRandom(4));
    const readings = Array.from({ length: 300 }, () => tester.read(0.18));
    for (const reading of readings) expect(reading * 1000).toBeCloseTo(Math.round(reading * 1000), 9);
    expect(mean(readings)).toBeCloseTo(0.175, 3);
  });
  it('the buyer’s ticket is the truth in divisions of twenty pounds, with a number that goes up', () => {
    const desk = new ElevatorDesk(seededRandom(4), 4001, 4.42);
    const tickets = Array.from({ length: 60 }, () => desk.weigh(lb(50_120), lb(26_800), 0.165));
    expect(tickets.map(({ ticket }) => ticket).slice(0, 3)).toEqual(['4001', '4002', '4003']);
    for (const { grossKg, tareKg, wetKg, pricePerBu } of tickets) {
      expect(grossKg / lb(20)).toBeCloseTo(Math.round(grossKg / lb(20)), 6);
      expect(wetKg).toBeCloseTo(grossKg - tareKg, 9);
      expect(Math.abs(wetKg - lb(50_120))).toBeLessThan(lb(60));
      expect(pricePerBu).toBe(4.42);
    }
  });
});

describe('chance', () => {
  it('scatters as wide as it is told, and wanders back', () => {
    const random = seededRandom(9);
    const draws = Array.from({ length: 4000 }, () => scatter(random, 2));
    expect(Math.sqrt(mean(draws.map((d) => d * d)))).toBeCloseTo(2, 1);
    const wander = new Wander(random, 0.1, 0.97);
    const walk = Array.from({ length: 6000 }, () => wander.next());
    expect(Math.abs(mean(walk))).toBeLessThan(0.03);
    expect(Math.sqrt(mean(walk.map((d) => d * d)))).toBeCloseTo(0.1, 2);
    // Its next step is near: no jump of more than a few tenths of its width.
    expect(Math.max(...walk.slice(1).map((d, i) => Math.abs(d - walk[i]!)))).toBeLessThan(0.15);
  });
});
