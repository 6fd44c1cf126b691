import type { FarmNow, FieldRow, HaulAnswer, HaulSheet, Notebook, TapeLine } from '@fanega/contract';
import { chainAhead, type Entry } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { farmOf } from '../data/farm';
import { chainNow, closesAt, delaysNow, elsewhere, lastDepartures, likelyTo, trucksNow } from './chain-facts';

const BU = 56 * 0.45359237;
const MINUTE = 60_000;
// 15:00 on the farm.
const NOW = Date.UTC(2026, 8, 9, 20);
const MIDNIGHT = Date.UTC(2026, 8, 9, 5);
const at = (minutesAgo: number): string => new Date(NOW - minutesAgo * MINUTE).toISOString();
const SHEET: HaulSheet = { roadMin: { mill: 24 }, loadMin: 6, tarpMin: 3, unloadMin: 11, othersPerHour: 2, lidsCloseBu: 300 };

const place = (id: string, kind: string, capacityBu: number | null = null) => ({
  id,
  name: id,
  kind,
  withdrawal: 'mixed',
  capacityBu,
  diameterM: null,
  eaveM: null,
  hopperM: null,
});
const held = (bushels: number) => ({ wetKg: bushels * BU, dryKg: 0, moisture: 0.18, layers: 1, lots: { be: 1 }, wetLots: { be: bushels * BU } });
const move = (from: string, to: string, minutesAgo: number): TapeLine => ({
  seq: 1,
  entry: { type: 'move', id: `${from}${minutesAgo}`, at: at(minutesAgo), from, to } as Entry,
  voided: false,
  wetKg: null,
  dryKg: null,
  wetLots: { be: 1 },
  witnesses: [],
});
const LOT = { id: 'be', fieldId: 'F', fieldName: 'Buttonbush East', acres: 70, crop: 'corn', season: 2026, variety: '', tag: 'BE', shares: [] };
const farm = (positions: Readonly<Record<string, number>>, tape: readonly TapeLine[] = []) =>
  farmOf(
    'f',
    {
      farm: { id: 'f', name: 'Kestrel', timeZone: 'America/Chicago', demo: false, defaults: { moisture: 0.15, trust: [] } },
      now: NOW,
      lots: [LOT],
      places: [
        place('c1', 'combine', 350),
        place('k1', 'cart', 1100),
        place('t1', 'truck', 940),
        place('t2', 'truck', 940),
        place('wet', 'wetBin', 4500),
        place('dryer', 'dryer'),
        place('bin', 'bin', 9000),
        place('mill', 'buyer'),
      ],
      positions: Object.fromEntries(Object.entries(positions).map(([id, bushels]) => [id, held(bushels)])),
      flow: { cut: { be: 1 }, haul: {}, dry: {}, store: {}, sell: {} },
      tape,
    } as unknown as FarmNow,
    NOW,
  );
const notebook = (notes: readonly object[] = []): Notebook =>
  ({
    notes,
    windows: { corn: { revision: 1, sheet: { opensAt: 9, closesAt: 19 } } },
    machines: {},
    nextField: { revision: 1, sheet: { combineBushelsPerHour: 2900, bushelPointsPerHour: 2600, dryTo: 0.15, facts: { F: { yieldKgPerHa: 200 * 62.7677 } } } },
  }) as unknown as Notebook;
const vehicle = (id: string, last: 'loaded' | 'unloaded', where: string, minutesAgo: number) => ({
  place: id,
  kind: 'truck',
  sinceMs: NOW - minutesAgo * MINUTE,
  last,
  where,
  entry: 'E',
  firstLoadMs: null,
  loads: [],
});
const haul = (...vehicles: readonly object[]): HaulAnswer => ({ vehicles, weighed: [], alone: [], unticketed: [], times: {}, tared: [], tickets: [] }) as unknown as HaulAnswer;
const ROWS: readonly FieldRow[] = [
  {
    lot: LOT,
    account: {},
    balance: {},
    cutWetKg: 1,
    cutDryKg: 1,
    lastMoisture: { moisture: 0.2, at: at(5), source: 'combine', tester: '' },
    firstCut: at(300),
    lastCut: at(5),
  } as unknown as FieldRow,
];
const delay = (link: string, minutes: number, minutesAgo: number, more: object = {}, voided = false) => ({
  kind: 'delay',
  by: 'Bea',
  voided,
  body: { id: `${link}${minutesAgo}`, at: at(minutesAgo), link, minutes, ...more },
});

describe('trucks as they are', () => {
  const toMill = [move('t1', 'mill', 200)];
  const state = (bushels: number, seen: object | null, tape = toMill) => trucksNow(farm({ t1: bushels }, tape), notebook(), haul(...(seen ? [seen] : [])), SHEET, 'corn')[0]!;
  it('are where the book and the usual times have them', () => {
    expect(state(0, null).state).toBe('stands empty');
    expect(state(0, vehicle('t1', 'unloaded', 'mill', 10))).toMatchObject({ state: 'on the way back', likelyMs: NOW + 14 * MINUTE });
    expect(state(0, vehicle('t1', 'unloaded', 'mill', 40)).state).toBe('stands empty');
    expect(state(400, vehicle('t1', 'loaded', 'k1', 5)).state).toBe('is being loaded');
    expect(state(900, vehicle('t1', 'loaded', 'k1', 2)).state).toBe('waits loaded');
    expect(state(900, vehicle('t1', 'loaded', 'k1', 10))).toMatchObject({ state: 'on the way out', likelyMs: NOW + 17 * MINUTE });
    expect(state(900, vehicle('t1', 'loaded', 'k1', 40)).state).toBe('in line or unloading');
    // Loaded yesterday it stands where it stood, and is on no road.
    expect(state(900, vehicle('t1', 'loaded', 'k1', 20 * 60)).state).toBe('waits loaded');
  });
  it('must leave by closing less the road, where anybody knows the hours', () => {
    // 19:00 less 24 minutes.
    expect(state(900, vehicle('t1', 'loaded', 'k1', 2)).leaveByMs).toBe(MIDNIGHT + (19 * 60 - 24) * MINUTE);
    expect(closesAt(farm({}), notebook(), 'corn', 'mill')).toEqual({ opens: 540, closes: 1140 });
    expect(closesAt(farm({}), notebook(), 'oats', 'mill')).toBeNull();
    // A truck that went home last has no closing hour.
    expect(state(900, vehicle('t1', 'loaded', 'k1', 2), [move('t1', 'wet', 200)]).leaveByMs).toBeNull();
  });
  it('count down to the last departure, by the buyer’s own hours first', () => {
    const of = (windows: object, crop = 'corn') => lastDepartures(farm({}), { ...notebook(), windows } as unknown as Notebook, SHEET, crop);
    const corn = { corn: { revision: 1, sheet: { opensAt: 9, closesAt: 19 } } };
    // Closes at 19:00, 24 minutes of road.
    expect(of(corn)).toEqual([{ id: 'mill', name: 'mill', crop: null, opensMs: MIDNIGHT + 540 * MINUTE, closesMs: MIDNIGHT + 1140 * MINUTE, leaveByMs: MIDNIGHT + 1116 * MINUTE }]);
    expect(of({ ...corn, 'corn@mill': { revision: 1, sheet: { closesAt: 21 } } })[0]).toMatchObject({ leaveByMs: MIDNIGHT + 1236 * MINUTE, crop: null });
    expect(of({ ...corn, 'soybean@mill': { revision: 1, sheet: { closesAt: 18 } } })[0]).toMatchObject({ leaveByMs: MIDNIGHT + 1056 * MINUTE, crop: 'soybean' });
    expect(of({}, 'oats')).toEqual([]);
  });
  it('go likely where one went last; with nothing on the tape home, or to the first buyer', () => {
    expect(likelyTo(farm({}, toMill))).toEqual({ kind: 'elevator', buyerId: 'mill' });
    expect(likelyTo(farm({}))).toEqual({ kind: 'home', buyerId: '' });
  });
});

describe('the chain as it stands', () => {
  const choice = { to: { kind: 'elevator', buyerId: 'mill' }, lineMin: 10 } as const;
  const build = (notes: readonly object[] = [], more: Partial<typeof choice> | object = {}) =>
    chainNow(farm({ t1: 0, k1: 500 }), notebook(notes), haul(), ROWS, SHEET, { ...choice, ...more })!.chain;
  it('takes field, machines and hours from the book and the sheets', () => {
    const chain = build();
    expect([chain.now, chain.until, chain.roadMin, chain.unloadMin]).toEqual([900, 1200, 24, 11]);
    expect(chain.combines).toEqual([{ bushelsPerHour: 2900, tank: 350, holds: 0 }]);
    expect(chain.carts).toEqual([{ capacity: 1100, holds: 500 }]);
    expect(chain.destination).toEqual({ kind: 'elevator', opens: 540, closes: 1140, lineMin: 10 });
    expect(chain.trucks.map(({ where }) => where)).toEqual(['field', 'field']);
    // 70 acres of 200 bu at 15 %, as it is at 20 %: 14,875 bu, of which a kilogram is cut.
    expect(chain.fieldLeft).toBeCloseTo((70 * 200 * 0.85) / 0.8, -1);
    expect(() => chainAhead(chain)).not.toThrow();
  });
  it('looks two hours ahead where somebody still cuts at night', () => {
    const late = farm({ t1: 0 });
    const night = { ...late, data: { ...late.data, now: late.data.now + 6.5 * 3_600_000 } };
    const chain = chainNow(night, notebook(), haul(), ROWS, SHEET, choice)!.chain;
    expect([chain.now, chain.until]).toEqual([1290, 1410]);
  });
  it('the loads could go elsewhere: home, and to buyers that take this crop as wet as it is', () => {
    const of = (windows: object) => elsewhere(farm({}), { ...notebook(), windows } as unknown as Notebook, haul(), ROWS, SHEET, { kind: 'home', buyerId: '' });
    expect(elsewhere(farm({}), notebook(), haul(), ROWS, SHEET, choice.to).map(({ name }) => name)).toEqual(['home']);
    expect(of({}).map(({ name, roadMin }) => [name, roadMin])).toEqual([['mill', 24]]);
    expect(of({ 'soybean@mill': { revision: 1, sheet: {} } })).toEqual([]);
    expect(of({ 'corn@mill': { revision: 1, sheet: { refuseAbove: 0.19 } } })).toEqual([]);
    expect(of({ 'corn@mill': { revision: 1, sheet: { refuseAbove: 0.21 } } })).toHaveLength(1);
  });
  it('goes home through wet bin and dryer at their rates', () => {
    expect(build([], { to: { kind: 'home', buyerId: '' } }).destination).toMatchObject({
      kind: 'home',
      wetBin: 4500,
      wetBinHolds: 0,
      dryerPerHour: expect.closeTo(520, 6) as number,
      binRoom: 9000,
    });
  });
  it('is planned anew by what was reported, until it is over or taken back', () => {
    expect(delaysNow(farm({}), notebook([delay('dryer', 60, 10), delay('trucks', 5, 10), delay('line', 60, 10, {}, true)])).map(({ link }) => link)).toEqual(['dryer']);
    expect(build([delay('combine', 60, 10, { machineId: 'c1' })]).combines[0]!.stoppedUntil).toBe(950);
    expect(build([delay('combine', 60, 10, { machineId: 'other' })]).combines[0]).not.toHaveProperty('stoppedUntil');
    expect(build([delay('line', 30, 10)]).destination).toMatchObject({ lineMin: 40 });
    expect(build([delay('trucks', 90, 10, { machineId: 't1' })]).trucks.map(({ where, at: minute }) => [where, minute])).toEqual([
      ['back', 980],
      ['field', undefined],
    ]);
    expect(build([delay('dryer', 90, 10)], { to: { kind: 'home', buyerId: '' } }).destination).toMatchObject({ dryerStoppedUntil: 980 });
  });
  it('a field that nobody measured lasts the day, and without a rate there is no answer', () => {
    const rows = [{ ...ROWS[0]!, lot: { ...LOT, acres: 0 } }];
    expect(chainNow(farm({}), notebook(), haul(), rows, SHEET, choice)!.chain.fieldLeft).toBe(1e6);
    const none = { ...notebook(), nextField: null } as unknown as Notebook;
    expect(chainNow(farm({}), none, haul(), ROWS, SHEET, choice)).toBeNull();
  });
});
