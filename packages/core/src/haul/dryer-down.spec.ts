import { describe, expect, it } from 'vitest';
import { dryerDown, type DryerDownInput, type WetBuyer } from './dryer-down.js';

const NOW = Date.UTC(2026, 8, 8, 18);
const HOUR = 3_600_000;
const BU = 56 * 0.45359237;
const mill: WetBuyer = {
  id: 'mill',
  name: 'Feed Mill',
  terms: { legalPounds: 56, base: 0.15, shrinkPerPoint: 1.4, dockPerPoint: 0.03, refuseAbove: 0.28 },
  price: 4.31,
  opensMs: NOW - 9 * HOUR,
  closesMs: NOW + 6 * HOUR,
  roadMin: 30,
  lineMin: 15,
};
const input = (more: Partial<DryerDownInput> = {}): DryerDownInput => ({
  now: NOW,
  repairedMs: NOW + 24 * HOUR,
  parcels: [{ wetKg: 8000 * BU, moisture: 0.22, dueMs: NOW + 48 * HOUR }],
  legalPounds: 56,
  buyers: [mill],
  trucks: 3,
  truckBu: 900,
  loadMin: 6,
  tarpMin: 3,
  unloadMin: 11,
  dryTo: 0.15,
  dryingPerPointBushel: 0.04,
  dryPrice: 4.42,
  dryerBushelsPerHour: 400,
  combineCostPerHour: 600,
  cuttingHoursLeft: 5,
  ...more,
});
const way = (ways: ReturnType<typeof dryerDown>, name: string) => ways.find((one) => one.way === name)!;

describe('when the dryer dies', () => {
  it('hauling wet: loads, rounds, start by and the last dump, worked by hand', () => {
    // 8,000 bu are nine loads, three rounds of three trucks. A round is 6 + 2 x 30 + 11 + 3 + 15 = 95 minutes; in line after 39.
    const haul = way(dryerDown(input()), 'haul wet');
    expect(haul).toMatchObject({ to: 'mill', loads: 9, leftBushels: 0 });
    expect((mill.closesMs - haul.startByMs!) / 60_000).toBe(39 + 2 * 95);
    expect((haul.lastMs! - NOW) / 60_000).toBe(39 + 2 * 95 + 15 + 11);
    // Sold: 7 points at 1.4 %, and 3 cents a point of each bushel paid.
    expect(haul.money / (8000 * 0.902 * (4.31 - 0.21))).toBeCloseTo(1, 2);
  });
  it('what no longer gets in before closing stays, and waits for the repair', () => {
    const late = way(dryerDown(input({ buyers: [{ ...mill, closesMs: NOW + 2.5 * HOUR }] })), 'haul wet');
    // In line after 39 and 134 minutes: two rounds of three.
    expect(late.bushels).toBeCloseTo(5400, 6);
    expect(late.leftBushels).toBeCloseTo(2600, 6);
    expect(late.startByMs!).toBeLessThan(NOW);
    expect(way(dryerDown(input({ trucks: 0 })), 'haul wet')).toMatchObject({ bushels: 0, startByMs: null });
    expect(way(dryerDown(input({ buyers: [{ ...mill, terms: { ...mill.terms, refuseAbove: 0.2 } }] })), 'haul wet').bushels).toBe(0); // prettier-ignore
  });
  it('waiting saves what lasts until it is dried, the nearest deadline first', () => {
    const short = { wetKg: 2000 * BU, moisture: 0.24, dueMs: NOW + 20 * HOUR };
    const long = { wetKg: 4000 * BU, moisture: 0.2, dueMs: NOW + 60 * HOUR };
    const found = way(dryerDown(input({ parcels: [long, short] })), 'wait');
    expect(found.leftBushels).toBeCloseTo(2000, 6);
    expect((found.lastMs! - NOW) / HOUR).toBeCloseTo(24 + 6000 / 400, 6);
    // Sooner repaired, all of it lasts, and that brings more.
    const soon = way(dryerDown(input({ parcels: [long, short], repairedMs: NOW + 2 * HOUR })), 'wait');
    expect(soon.leftBushels).toBe(0);
    expect(soon.money).toBeGreaterThan(found.money);
  });
  it('the best way comes first, and the choice turns with the estimate of the repair', () => {
    const soon = dryerDown(input({ repairedMs: NOW + HOUR }));
    expect(soon[0]!.way).toBe('wait');
    const late = dryerDown(input({ repairedMs: NOW + 72 * HOUR }));
    expect(late[0]).toMatchObject({ way: 'haul wet', behind: 0 });
    expect(late[1]!.behind).toBeCloseTo(late[0]!.money - late[1]!.money, 6);
    // Stopping the combines saves no grain: it stands beside the ways.
    expect(late.at(-1)).toMatchObject({ way: 'stop cutting', hours: 5, money: -3000 });
    const other = dryerDown(
      input({ repairedMs: NOW + 72 * HOUR, other: { bushelsPerHour: 1500, perPointBushel: 0.045, roadMin: 15 } }),
    );
    expect(other[0]!.way).toBe('other dryer');
  });
});
