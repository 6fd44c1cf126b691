import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { fahrenheitToCelsius } from '../units/index.js';
import { DRYER_SETUP } from '../records/index.js';
import { bushelPointsAt, deadlines, dryerNow, type DryerNowInput, dryerOf, type WetPlace } from './index.js';

const NOW = Date.UTC(2026, 8, 8, 20);
const HOUR = 3_600_000;
const input = (more: Partial<DryerNowInput> = {}): DryerNowInput => ({
  now: NOW,
  bushelPointsPerHour: 2600,
  dryTo: 0.15,
  band: 0.005,
  moistureIn: 0.168,
  moistureOut: [],
  readPerHour: null,
  wetBushels: 2000,
  roomBushels: 9000,
  wheelsBushels: 0,
  comingPerHour: 2900,
  ...more,
});

describe('the dryer now', () => {
  it('falls behind by what comes over what it takes, and says when the wet bin is full', () => {
    // Moment M5: 2,600 bushel-points an hour are 1,444 bu/h of 1.8 points; 9,000 bu of room last 6.2 hours at 2,900.
    const found = dryerNow(input());
    expect(found).toMatchObject({ answer: 'falls behind', limitedBy: 'drying' });
    expect(found.perHour).toBeCloseTo(1444.4, 1);
    expect((found.fullMs! - NOW) / HOUR).toBeCloseTo(6.18, 2);
  });
  it('is done when nothing wet comes any more, what is on wheels with it', () => {
    const found = dryerNow(input({ comingPerHour: 0, wetBushels: 2000, wheelsBushels: 889 }));
    expect(found.answer).toBe('done at');
    expect((found.doneMs! - NOW) / HOUR).toBeCloseTo(2889 / 1444.4, 2);
    expect(dryerNow(input({ comingPerHour: 0, wetBushels: 0 })).answer).toBe('nothing wet');
  });
  it('keeps up, or runs dry where the wet bin empties and it would shut off', () => {
    const slow = input({ comingPerHour: 1000 });
    expect(dryerNow(slow)).toMatchObject({ answer: 'keeps up', shutsOffMs: null });
    const dry = dryerNow({ ...slow, refillMin: 35 });
    expect(dry.answer).toBe('runs dry');
    expect((dry.emptyMs! - NOW) / HOUR).toBeCloseTo(2000 / 444.4, 2);
    expect(dry.shutsOffMs! - dry.emptyMs!).toBe(35 * 60_000);
  });
  it('goes by the rate that was read, by its unload’s limit, and says nothing where it does not know', () => {
    expect(dryerNow(input({ readPerHour: 1100 }))).toMatchObject({ perHour: 1100, limitedBy: 'read' });
    expect(dryerNow(input({ moistureIn: 0.155, mostBushelsPerHour: 1400 }))).toMatchObject({
      perHour: 1400,
      limitedBy: 'throughput',
    });
    expect(dryerNow(input({ moistureIn: null })).answer).toBe('not known');
  });
  it('sets the discharge in proportion to what it takes off, by the mean of three samples, and only out of its band', () => {
    // It takes off 1.1 of the 1.8 points that it should: so much slower.
    const wet = dryerNow(input({ readPerHour: 1444, moistureOut: [0.15, 0.156, 0.157, 0.158] }));
    expect(wet.driftPoints).toBeCloseTo(0.7, 9);
    expect(wet.setPerHour).toBeCloseTo((1444 * 1.1) / 1.8, 6);
    const dry = dryerNow(input({ readPerHour: 1000, moistureOut: [0.14, 0.141, 0.142] }));
    expect(dry.setPerHour).toBeCloseTo((1000 * 2.7) / 1.8, 6);
    expect(dryerNow(input({ moistureOut: [0.152, 0.154] })).setPerHour).toBeNull();
  });
  it('takes by its own table between its rows, and as its end’s points say beyond them', () => {
    const byPoints = [
      { points: 5, bushelsPerHour: 700 },
      { points: 10, bushelsPerHour: 400 },
    ];
    const dryer = { bushelPointsPerHour: 2600, byPoints };
    expect(bushelPointsAt(dryer, 5)).toBe(3500);
    // Half way between the rows it takes 550 bu/h.
    expect(bushelPointsAt(dryer, 7.5) / 7.5).toBeCloseTo(550, 9);
    expect(bushelPointsAt(dryer, 20) / 20).toBeCloseTo(200, 9);
    expect(bushelPointsAt(dryer, 2.5) / 2.5).toBeCloseTo(1400, 9);
    expect(bushelPointsAt({ bushelPointsPerHour: 2600 }, 7)).toBe(2600);
    const broken = (rows: readonly object[]) =>
      DRYER_SETUP.rules.map((rule) => rule.broken({ byPoints: rows } as never)).filter((field) => field !== null);
    expect(broken(byPoints)).toEqual([]);
    expect(broken([...byPoints].reverse())).toContain('byPoints.1.points');
    expect(broken([byPoints[0]!, { points: 10, bushelsPerHour: 800 }])).toEqual(['byPoints.1.bushelsPerHour']);
  });
  it('takes what it can from its own sheet, else from what Which field next? was told', () => {
    const plan = { bushelPointsPerHour: 2600, dryTo: 0.15, mostStep: 2 };
    const records = (setups: object, plans: object) =>
      ({ logs: {}, settings: { dryerSetup: setups, nextFieldPlan: plans } }) as never;
    const of = (value: object) => ({ revision: 1, value });
    expect(dryerOf(records({}, {}))).toBeNull();
    expect(dryerOf(records({}, { farm: of(plan) }))).toMatchObject({ bushelPointsPerHour: 2600, setup: null });
    const sheet = { ...plan, bushelPointsPerHour: 3000, mostBushelsPerHour: 1200 };
    expect(dryerOf(records({ d: of(sheet) }, { farm: of(plan) }))).toMatchObject({
      bushelPointsPerHour: 3000,
      mostBushelsPerHour: 1200,
    });
    expect(dryerOf(records({ d: of(sheet) }, { farm: of(plan) }), 'other')).toMatchObject({
      bushelPointsPerHour: 2600,
    });
  });
});

describe('deadlines of wet grain', () => {
  const wet = (placeId: string, kind: string, moisture: number, hoursAgo: number | null, crop = 'corn'): WetPlace => ({
    placeId,
    kind,
    layers: [
      {
        crop,
        wetKg: 20_000,
        moisture,
        wetLots: {},
        cutFirstMs: hoursAgo === null ? null : NOW - (hoursAgo + 2) * HOUR,
        cutMeanMs: hoursAgo === null ? null : NOW - hoursAgo * HOUR,
      },
    ],
  });
  const warm = (fahrenheit: number) => () => ({ celsius: fahrenheitToCelsius(fahrenheit), measuredMs: null });
  it('count from when it was cut, the nearest first; still grain by its own heat', () => {
    const found = deadlines(
      [wet('bin', 'bin', 0.2, 24), wet('truck', 'truck', 0.24, 0), wet('wet', 'wetBin', 0.2, 24)],
      NOW,
      warm(80),
    );
    expect(found.map(({ placeId }) => placeId)).toEqual(['truck', 'wet', 'bin']);
    const bin = found.find(({ placeId }) => placeId === 'bin')!;
    // Seven days by the cautious table at 80 °F, one of them gone.
    expect((bin.dueMs! - NOW) / (24 * HOUR)).toBeCloseTo(6, 6);
    expect(bin.lifeUsed).toBeCloseTo(1 / 7, 6);
    const truck = found[0]!;
    expect(truck.standsStill).toBe(true);
    expect((truck.dueMs! - NOW) / (24 * HOUR)).toBeCloseTo(Math.min(truck.still!.days, truck.aired!.days), 9);
    expect(truck.still!.days).toBeLessThan(3);
  });
  it('what no table knows is due at once, before all else', () => {
    const [first, second] = deadlines([wet('a', 'bin', 0.2, 0), wet('b', 'bin', 0.37, 0)], NOW, warm(60));
    expect(first).toMatchObject({ placeId: 'b', aired: null, dueMs: null });
    expect(second!.dueMs).not.toBeNull();
  });
  it('wheat goes by its germination, sunflower by nothing that we remember', () => {
    const [wheat] = deadlines([wet('a', 'bin', 0.16, 0, 'wheat')], NOW, warm(68));
    expect(wheat!.aired!.measure).toMatch(/germination/);
    expect(wheat!.still).toBeNull();
    expect(deadlines([wet('a', 'bin', 0.14, 0, 'sunflower')], NOW, warm(68))[0]!.dueMs).toBeNull();
    expect(CROPS.sunflower.like).toBe('sunflower');
  });
});
