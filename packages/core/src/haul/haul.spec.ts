import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { feetToMetres, KG_PER_LB } from '../units/index.js';
import { axleGroups, bridgePounds, FEDERAL_RULES, legalLoad } from './axle-limits.js';
import { simulateHauling } from './day.js';
import type { HaulingDay } from './hauling-day.js';
import { trucksWorthHaving, USUAL_HARVEST_COSTS } from './trucks-worth.js';
import { averageFlow } from './average-flow.js';
import { loadsLeft, netWeight, emptyWeightFits, weighed } from './weights.js';
import { waitingLine } from './queue.js';

const RUNS = { seed: 20261123, numRuns: 200 };
const ft = feetToMetres;

describe('weights', () => {
  it('gross less tare, axle by axle, with what speaks against the tare', () => {
    const tare = { weighing: { kind: 'axles', kg: [4500, 3000, 3000] } as const, ageDays: 3 };
    expect(netWeight({ kind: 'axles', kg: [4600, 15_000, 14_900] }, tare, 56)).toMatchObject({
      netKg: 24_000,
      axlesNet: [100, 12_000, 11_900],
      estimate: true,
      doubts: [],
    });
    expect(netWeight({ kind: 'axles', kg: [4300, 15_000, 14_900] }, tare, 56).doubts).toEqual([
      'axle lighter than empty',
    ]);
    expect(
      netWeight({ kind: 'whole', kg: 36_000 }, { weighing: { kind: 'whole', kg: 11_000 }, ageDays: 90 }, 56),
    ).toMatchObject({
      netKg: 25_000,
      axlesNet: null,
      estimate: false,
      doubts: ['tare is old'],
    });
    expect(netWeight({ kind: 'axles', kg: [4600, 15_000] }, tare, 56).doubts).toEqual(['axles do not match the tare']);
    expect(() =>
      netWeight({ kind: 'whole', kg: 9000 }, { weighing: { kind: 'whole', kg: 11_000 }, ageDays: 1 }, 56),
    ).toThrow(/gross weight is 9000 kg; it must lie between 11000/);
    expect(weighed({ kind: 'axles', kg: [1, 2, 3] })).toEqual({ kg: 6, estimate: true });
  });
  it('a tare is measured against its own history', () => {
    expect(emptyWeightFits(11_300, [11_000, 11_050, 10_980])).toMatchObject({ fits: false, usualKg: 11_000 });
    expect(emptyWeightFits(11_050, [11_000, 11_020]).fits).toBe(true);
    expect(emptyWeightFits(11_050, [11_000]).fits).toBeNull();
  });
  it('loads left sum to the grain left', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.double({ min: 1000, max: 16_000, noNaN: true }),
        fc.double({ min: 5000, max: 30_000, noNaN: true }),
        (areaLeft, yieldKgPerHa, loadKg) => {
          const left = loadsLeft({ areaLeft, yieldKgPerHa, loadKg });
          if (left.loads > 0) {
            expect((left.loads - 1) * loadKg + left.lastLoadKg).toBeCloseTo(areaLeft * yieldKgPerHa, 4);
            expect(left.lastLoadKg).toBeLessThanOrEqual(loadKg + 1e-3);
          } else expect(left.kg).toBeLessThan(1e-3);
        },
      ),
      RUNS,
    );
  });
});

describe('legal weight', () => {
  const semi = [0, 14, 18, 47, 51].map((feet, i) => ({
    at: ft(feet),
    emptyKg: i === 0 ? 4800 : 2000,
    share: i === 0 ? 0.04 : 0.24,
  }));

  it('more feet and more axles carry more', () => {
    fc.assert(
      fc.property(fc.integer({ min: 9, max: 60 }), fc.integer({ min: 2, max: 8 }), (feet, axles) => {
        expect(bridgePounds(feet + 1, axles)).toBeGreaterThanOrEqual(bridgePounds(feet, axles));
        expect(bridgePounds(feet, axles) % 500).toBe(0);
        // To the nearest 500: never more than 250 lb from the formula itself.
        expect(
          Math.abs(bridgePounds(feet, axles) - 500 * ((feet * axles) / (axles - 1) + 12 * axles + 36)),
        ).toBeLessThanOrEqual(250);
      }),
      RUNS,
    );
  });
  it('looks at every axle, every group and the whole', () => {
    const groups = axleGroups(semi.map(({ at, emptyKg }) => ({ at, kg: emptyKg })));
    expect(groups.length).toBe(5 + 10 + 1);
    expect(groups.filter((group) => group.rule === 'tandem').map(({ first, last }) => [first, last])).toEqual([
      [1, 2],
      [3, 4],
    ]);
    expect(
      groups.find((group) => group.first === 0 && group.last === 4 && group.rule === 'bridge formula')!.limitKg /
        KG_PER_LB,
    ).toBeCloseTo(80_000, 6);
    expect(groups.find((group) => group.rule === 'two tandems')).toMatchObject({ first: 1, last: 4 });
  });
  it('the most that may go on breaks no limit, and a hundredweight more breaks the one that decided', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 10, noNaN: true }),
        fc.double({ min: 0.02, max: 0.12, noNaN: true }),
        fc.constantFrom(0, 5, 10),
        (spread, steer, permit) => {
          const rest = (1 - steer) / 4;
          const axles = [0, 4, 5.25, 5.25 + spread, 6.5 + spread].map((at, i) => ({
            at,
            emptyKg: i === 0 ? 4800 : 2000,
            share: i === 0 ? steer : rest,
          }));
          const rules = { ...FEDERAL_RULES, permitPercent: { axles: permit, gross: permit } };
          const { mostKg, decidedBy } = legalLoad(axles, 0, rules);
          const over = (kg: number) =>
            axleGroups(
              axles.map((axle) => ({ at: axle.at, kg: axle.emptyKg + axle.share * kg })),
              rules,
            ).filter((group) => group.overKg > 1e-6);
          expect(over(mostKg)).toEqual([]);
          const broken = over(mostKg + 50);
          expect(
            broken.some(
              (group) =>
                group.first === decidedBy.first && group.last === decidedBy.last && group.rule === decidedBy.rule,
            ),
          ).toBe(true);
        },
      ),
      RUNS,
    );
  });
  it('a permit of the user’s adds its percent and nothing else', () => {
    const plain = legalLoad(semi, 5000).mostKg;
    const winter = legalLoad(semi, 5000, { ...FEDERAL_RULES, permitPercent: { axles: 10, gross: 10 } });
    expect(winter.mostKg).toBeGreaterThan(plain);
    expect(winter.roomKg).toBeCloseTo(winter.mostKg - 5000, 9);
  });
});

describe('a day of hauling', () => {
  const day: HaulingDay = {
    startHour: 9,
    stopHour: 20,
    combines: [
      { bushelsPerHour: 3000, rateCv: 0.15, tank: 350, unloadPerHour: 15_000, onTheGo: true },
      { bushelsPerHour: 2500, rateCv: 0.15, tank: 300, unloadPerHour: 12_000, onTheGo: false },
    ],
    carts: [
      { capacity: 1000, unloadPerHour: 24_000, drive: { mean: 3, cv: 0.3 } },
      { capacity: 900, unloadPerHour: 20_000, drive: { mean: 3, cv: 0.3 } },
    ],
    trucks: Array.from({ length: 5 }, () => ({ capacity: 950, tarpMin: 3 })),
    road: { out: { mean: 20, cv: 0.2 }, back: { mean: 18, cv: 0.2 } },
    destination: { kind: 'elevator', opens: 7, closes: 19, pits: 2, unload: { mean: 6, cv: 0.5 }, othersPerHour: 6 },
  };
  const home = (more: Partial<Extract<HaulingDay['destination'], { kind: 'home' }>>): HaulingDay => ({
    ...day,
    destination: {
      kind: 'home',
      dump: { mean: 2, cv: 0.2 },
      legPerHour: 8000,
      wetBin: 8000,
      wetBinHolds: 1000,
      dryerPerHour: 2000,
      ...more,
    },
  });

  it('loses no bushel: what was cut was delivered or stands on wheels', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.integer({ min: 0, max: 2 }),
        fc.integer({ min: 0, max: 1e6 }),
        fc.boolean(),
        fc.double({ min: 9.2, max: 23, noNaN: true }),
        (trucks, carts, seed, atHome, closes) => {
          const given: HaulingDay = {
            ...(atHome
              ? home({})
              : { ...day, destination: { ...day.destination, closes } as HaulingDay['destination'] }),
            carts: day.carts.slice(0, carts),
            trucks: day.trucks.slice(0, 1).concat(Array.from({ length: trucks - 1 }, () => day.trucks[0]!)),
          };
          const result = simulateHauling(given, 3, seed);
          expect(result.deliveredBushels + result.onWheels).toBeCloseTo(result.bushels, 5);
          expect(result.bushels).toBeLessThanOrEqual(1.4 * 5500 * 11);
          for (const wait of Object.values(result.waits)) expect(wait).toBeGreaterThanOrEqual(-1e-9);
          const { overnight, atClose } = result;
          expect(overnight.tanks + overnight.carts + overnight.trucks).toBeCloseTo(result.onWheels, 9);
          // Nothing holds more than it can, at no moment.
          for (const standing of [overnight, atClose]) {
            expect(standing.tanks).toBeLessThanOrEqual(day.combines.reduce((sum, { tank }) => sum + tank, 0) * 1.2);
            expect(standing.carts).toBeLessThanOrEqual(1900 + 1e-6);
            expect(standing.trucks).toBeLessThanOrEqual(trucks * 950 + 1e-6);
            expect(standing.wetBin).toBeLessThanOrEqual(atHome ? 8000 + 1e-6 : 0);
          }
        },
      ),
      RUNS,
    );
  });
  it('is the same twice for one seed, and another for another', () => {
    expect(simulateHauling(day, 20, 5)).toEqual(simulateHauling(day, 20, 5));
    expect(simulateHauling(day, 20, 6).bushels).not.toBe(simulateHauling(day, 20, 5).bushels);
  });
  it('the fleet is the one whose bushels cost least: dearer trucks, fewer; dearer combines, more', () => {
    const near: HaulingDay = { ...day, combines: day.combines.slice(1), stopHour: 18 };
    const told: number[] = [];
    const { fleets, worth } = trucksWorthHaving(near, 8, 60, 5, undefined, (fleet) => told.push(fleet));
    expect(told).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    const rates = fleets.map((fleet) => fleet.result.bushelsPerHour.mean);
    // Up to what is worth having each brings more, and less more than the one before; after that nothing moves but chance.
    const gains = rates.slice(1, worth).map((rate, i) => rate - rates[i]!);
    for (const gain of gains) expect(gain).toBeGreaterThan(50);
    expect(gains).toEqual([...gains].sort((a, b) => b - a));
    expect(worth).toBeGreaterThan(1);
    expect(worth).toBeLessThan(8);
    const { truckPerHour, combinePerHour } = USUAL_HARVEST_COSTS;
    for (const [i, fleet] of fleets.entries())
      expect(fleet.costPerBushel).toBeCloseTo((combinePerHour + truckPerHour * (i + 1)) / rates[i]!, 12);
    expect(Math.min(...fleets.map(({ costPerBushel }) => costPerBushel))).toBeCloseTo(
      fleets[worth - 1]!.costPerBushel,
      3,
    );
    const of = (costs: Partial<typeof USUAL_HARVEST_COSTS>): number =>
      trucksWorthHaving(near, 8, 60, 5, { ...USUAL_HARVEST_COSTS, ...costs }).worth;
    expect(of({ truckPerHour: 1000 })).toBeLessThanOrEqual(worth);
    expect(of({ truckPerHour: 0 })).toBeGreaterThanOrEqual(worth);
    expect(of({ combinePerHour: 3000 })).toBeGreaterThanOrEqual(worth);
    expect(() => of({ truckPerHour: -1 })).toThrow(/cost of a truck/);
  });
  it('says nothing holds it back only where no combine stands on any day', () => {
    for (const trucks of [1, 2, 3, 4, 6])
      for (const seed of [1, 2, 3]) {
        const { heldBackBy, firstStop } = simulateHauling(
          { ...day, trucks: Array.from({ length: trucks }, () => day.trucks[0]!) },
          30,
          seed,
        );
        expect(heldBackBy === 'nothing: the combine sets the pace').toBe(firstStop.share === 0);
        expect(firstStop.hour === null).toBe(firstStop.share === 0);
      }
  });
  it('trucks that only wait at a full wet bin do not pay', () => {
    const slow = home({ dryerPerHour: 400, wetBin: 4500, wetBinHolds: 3000 });
    expect(trucksWorthHaving(slow, 6, 20, 5).worth).toBeLessThan(4);
    // A single cart that stands at the trucks for hours is not what holds the combine back.
    expect(
      simulateHauling({ ...slow, carts: day.carts.slice(0, 1), trucks: day.trucks.slice(0, 1) }, 20, 5).heldBackBy,
    ).toBe('wet bin and dryer');
  });
  it('with everything fast the combines never wait', () => {
    const fast: HaulingDay = {
      ...day,
      combines: [{ bushelsPerHour: 2000, tank: 400, unloadPerHour: 20_000, onTheGo: true }],
      carts: [{ capacity: 2000, unloadPerHour: 60_000, drive: { mean: 0.5, cv: 0 } }],
      road: { out: { mean: 2, cv: 0 }, back: { mean: 2, cv: 0 } },
      stopHour: 18,
    };
    const result = simulateHauling(fast, 5, 1);
    expect(result.heldBackBy).toBe('nothing: the combine sets the pace');
    expect(result.bushelsPerHour.mean).toBeCloseTo(2000, 6);
    expect(result.firstStop).toEqual({ hour: null, share: 0 });
  });
  it('a slow dryer fills the wet bin and holds the chain; without a dryer it stops when the bin is full', () => {
    const slow = simulateHauling(home({ dryerPerHour: 500 }), 20, 3);
    expect(slow.heldBackBy).toBe('wet bin and dryer');
    // Never more into the wet bin than its room and what was dried, all night long.
    const none = simulateHauling(home({ dryerPerHour: 0 }), 5, 3);
    expect(none.deliveredBushels).toBeLessThanOrEqual(7000);
    expect(none.onWheels).toBeGreaterThan(0);
  });
  it('an elevator that closes early leaves grain on wheels', () => {
    const early = simulateHauling(
      { ...day, destination: { ...day.destination, closes: 12 } as HaulingDay['destination'] },
      10,
      3,
    );
    const late = simulateHauling(
      { ...day, destination: { ...day.destination, closes: 30 } as HaulingDay['destination'] },
      10,
      3,
    );
    expect(early.onWheels).toBeGreaterThan(5000);
    expect(early.heldBackBy).toBe('closing hour');
    expect(late.onWheels).toBeLessThan(1e-6);
    // At noon trucks are on the road and carts are loaded; what nobody takes after that stands there at night.
    expect(early.atClose.trucks + early.atClose.carts).toBeGreaterThan(1000);
    expect(early.overnight.trucks).toBeGreaterThan(4000);
    // Taken as long as anything comes: at closing everything is gone.
    expect(Object.values(late.atClose).reduce((a, b) => a + b, 0)).toBeLessThan(1e-6);
  });
  it('what stands about at closing and what was delivered by then is what was cut, without chance and after the last event', () => {
    const worked: HaulingDay = {
      startHour: 8,
      stopHour: 9.25,
      combines: [{ bushelsPerHour: 1000, rateCv: 0, tank: 250, unloadPerHour: 1e6, onTheGo: false }],
      carts: [{ capacity: 1000, unloadPerHour: 1e6, drive: { mean: 0, cv: 0 } }],
      trucks: [{ capacity: 500, tarpMin: 0 }],
      road: { out: { mean: 20, cv: 0 }, back: { mean: 30, cv: 0 } },
      destination: { kind: 'elevator', opens: 7, closes: 12, pits: 1, unload: { mean: 10, cv: 0 }, othersPerHour: 0 },
    };
    const { atClose, overnight, bushels, deliveredBushels } = simulateHauling(worked, 1, 1);
    expect(atClose.tanks + atClose.carts + atClose.trucks + deliveredBushels).toBeCloseTo(bushels, 6);
    expect(overnight).toEqual(atClose);
    expect(deliveredBushels).toBeGreaterThan(0);
  });
  it('refuses a machine that cannot be, by name', () => {
    expect(() => simulateHauling({ ...day, trucks: [] }, 1, 1)).toThrow(/trucks is 0/);
    expect(() => simulateHauling(home({ wetBin: 500, wetBinHolds: 0 }), 1, 1)).toThrow(
      /wet bin, at least one load is 500 bu/,
    );
    expect(() => simulateHauling({ ...day, combines: [{ ...day.combines[0]!, unloadPerHour: 2000 }] }, 1, 1)).toThrow(
      /unloading rate, faster than cutting/,
    );
  });
});

describe('waiting line', () => {
  it('grows with arrivals, shrinks with pits, and is refused where it would never end', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), fc.integer({ min: 1, max: 12 }), (busy, pits) => {
        const here = waitingLine(busy * pits, 1, pits);
        expect(here.busy).toBeCloseTo(busy, 9);
        expect(waitingLine(busy * pits, 1, pits + 1).hours).toBeLessThan(here.hours);
        expect(waitingLine(busy * pits * 1.02, 1, pits).hours).toBeGreaterThan(here.hours);
        expect(here.trucks).toBeCloseTo(here.hours * busy * pits, 9);
      }),
      RUNS,
    );
    expect(() => waitingLine(12, 6, 2)).toThrow(/arrivals, below what the pits can do is 12/);
  });
});

describe('plain average figures', () => {
  it('a round worked by hand, what it brings, how many it takes, and how long the room lasts', () => {
    // 1,000 bu: 3 min of loading at 20,000 bu/h, 3 of tarp, 20 out, 10 at the pit, 20 back: 56 minutes, 1,071 bu/h.
    const flow = averageFlow({
      startHour: 8,
      stopHour: 18,
      combines: [{ bushelsPerHour: 3000, tank: 300, unloadPerHour: 9000, onTheGo: true }],
      carts: [{ capacity: 900, unloadPerHour: 20_000, drive: { mean: 3, cv: 0 } }],
      trucks: [
        { capacity: 1000, tarpMin: 3 },
        { capacity: 1000, tarpMin: 3 },
      ],
      road: { out: { mean: 20, cv: 0 }, back: { mean: 20, cv: 0 } },
      destination: { kind: 'elevator', opens: 7, closes: 20, pits: 1, unload: { mean: 10, cv: 0 }, othersPerHour: 2 },
    });
    expect(flow.roundMin).toBeCloseTo(56, 9);
    expect(flow.perTruck).toBeCloseTo(60_000 / 56, 6);
    expect(flow.trucksNeeded).toBe(3);
    expect(flow.shortBy).toBeCloseTo(3000 - 120_000 / 56, 6);
    // Tank and cart are 1,200 bu: 84 minutes at 857 bu/h short.
    expect(flow.roomLastsMin).toBeCloseTo(84, 6);
    // Six trucks an hour through the pit, two of them other farms'.
    expect(flow.pit).toBeCloseTo(4000, 6);
    expect(flow.wetBin).toBeNull();
  });
  it('at home the wet bin gains what the dryer does not take', () => {
    const flow = averageFlow({
      startHour: 8,
      stopHour: 18,
      combines: [{ bushelsPerHour: 1000, tank: 300, unloadPerHour: 9000, onTheGo: true }],
      carts: [],
      trucks: [{ capacity: 900, tarpMin: 2 }],
      road: { out: { mean: 5, cv: 0 }, back: { mean: 5, cv: 0 } },
      destination: {
        kind: 'home',
        dump: { mean: 4, cv: 0 },
        legPerHour: 5400,
        wetBin: 3000,
        wetBinHolds: 1000,
        dryerPerHour: 600,
      },
    });
    expect(flow.shortBy).toBe(0);
    expect(flow.roomLastsMin).toBeNull();
    expect(flow.wetBin).toEqual({ gains: 400, lastsMin: 300 });
  });
});
