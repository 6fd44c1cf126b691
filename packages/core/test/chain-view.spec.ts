import {
  chainAhead,
  chainNow,
  closesAt,
  combineRate,
  countedRatesOf,
  cuttingHours,
  delaysNow,
  elsewhere,
  type Entry,
  type FieldRecords,
  type FieldRow,
  type HaulTimes,
  lastDepartures,
  type FarmState,
  farmView,
  type HaulView,
  likelyTo,
  loadsGoTo,
  machineRate,
  movesView,
  type TapeLine,
  trucksNow,
  whoIsWhere,
} from '../src/index.js';
import { describe, expect, it } from 'vitest';
import { kept, recordsOf } from './farm-records.js';

const BU = 56 * 0.45359237;
const MINUTE = 60_000;
// 15:00 on the farm.
const NOW = Date.UTC(2026, 8, 9, 20);
const MIDNIGHT = Date.UTC(2026, 8, 9, 5);
const at = (minutesAgo: number): string => new Date(NOW - minutesAgo * MINUTE).toISOString();
const SHEET: HaulTimes = {
  roadMin: { mill: 24 },
  loadMin: 6,
  tarpMin: 3,
  unloadMin: 11,
  othersPerHour: 2,
  lidsCloseBu: 300,
};

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
const held = (bushels: number) => ({
  wetKg: bushels * BU,
  dryKg: 0,
  moisture: 0.18,
  layers: 1,
  lots: { be: 1 },
  wetLots: { be: bushels * BU },
});
const move = (from: string, to: string, minutesAgo: number): TapeLine => ({
  seq: 1,
  entry: { type: 'move', id: `${from}${minutesAgo}`, at: at(minutesAgo), from, to } as Entry,
  voided: false,
  wetKg: null,
  dryKg: null,
  wetLots: { be: 1 },
  witnesses: [],
});
const LOT = {
  id: 'be',
  fieldId: 'F',
  fieldName: 'Buttonbush East',
  acres: 70,
  crop: 'corn',
  season: 2026,
  variety: '',
  tag: 'BE',
  shares: [],
};
const farm = (positions: Readonly<Record<string, number>>, tape: readonly TapeLine[] = []) =>
  farmView({
    farm: {
      id: 'f',
      name: 'Kestrel',
      timeZone: 'America/Chicago',
      demo: false,
      defaults: { moisture: 0.15, trust: [] },
    },
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
  } as unknown as FarmState);
const PLAN = {
  combineBushelsPerHour: 2900,
  bushelPointsPerHour: 2600,
  dryTo: 0.15,
  facts: { F: { yieldKgPerHa: 200 * 62.7677 } },
};
const CORN = { corn: { opensAt: 9, closesAt: 19 } };
const notebook = (
  delays: readonly object[] = [],
  windows: object = CORN,
  plan: object = { farm: PLAN },
): FieldRecords => recordsOf({ delay: delays }, { cuttingWindow: windows as never, nextFieldPlan: plan as never });
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
const haul = (...vehicles: readonly object[]): HaulView =>
  ({ vehicles, agreed: [], unticketed: [], times: {}, tared: [] }) as unknown as HaulView;
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
const delay = (link: string, minutes: number, minutesAgo: number, more: object = {}, voided = false) =>
  kept({ id: `${link}${minutesAgo}`, at: at(minutesAgo), link, minutes, ...more }, voided);

describe('trucks as they are', () => {
  const toMill = [move('t1', 'mill', 200)];
  const state = (bushels: number, seen: object | null, tape = toMill) =>
    trucksNow(farm({ t1: bushels }, tape), notebook(), haul(...(seen ? [seen] : [])), SHEET, 'corn')[0]!;
  it('are where the book and the usual times have them', () => {
    expect(state(0, null).state).toBe('empty');
    expect(state(0, vehicle('t1', 'unloaded', 'mill', 10))).toMatchObject({
      state: 'back',
      likelyMs: NOW + 14 * MINUTE,
    });
    expect(state(0, vehicle('t1', 'unloaded', 'mill', 40)).state).toBe('empty');
    expect(state(400, vehicle('t1', 'loaded', 'k1', 5)).state).toBe('loading');
    expect(state(900, vehicle('t1', 'loaded', 'k1', 2)).state).toBe('loaded');
    expect(state(900, vehicle('t1', 'loaded', 'k1', 10))).toMatchObject({ state: 'out', likelyMs: NOW + 17 * MINUTE });
    expect(state(900, vehicle('t1', 'loaded', 'k1', 40)).state).toBe('unloading');
    // Loaded yesterday it stands where it stood, and is on no road.
    expect(state(900, vehicle('t1', 'loaded', 'k1', 20 * 60)).state).toBe('loaded');
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
    const of = (windows: object, crop = 'corn') => lastDepartures(farm({}), notebook([], windows), SHEET, crop);
    // Closes at 19:00, 24 minutes of road.
    expect(of(CORN)).toEqual([
      {
        id: 'mill',
        name: 'mill',
        crop: null,
        opensMs: MIDNIGHT + 540 * MINUTE,
        closesMs: MIDNIGHT + 1140 * MINUTE,
        leaveByMs: MIDNIGHT + 1116 * MINUTE,
      },
    ]);
    expect(of({ ...CORN, 'corn@mill': { closesAt: 21 } })[0]).toMatchObject({
      leaveByMs: MIDNIGHT + 1236 * MINUTE,
      crop: null,
    });
    expect(of({ ...CORN, 'soybean@mill': { closesAt: 18 } })[0]).toMatchObject({
      leaveByMs: MIDNIGHT + 1056 * MINUTE,
      crop: 'soybean',
    });
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
    // A tank of 350 bu on a combine of 2,900 bu/h, with carts and trucks that go: it does not stand within its first tankful.
    expect(chainAhead(chain).combineStands?.at ?? Infinity).toBeGreaterThan(chain.now + (60 * 350) / 2900 - 1);
  });
  it('takes the road of the field that is cut, where it has its own; a truck out of a bin drives the usual one', () => {
    const roads = (from: string) => ({ ...notebook(), settings: { ...notebook().settings, buyerRoads: { mill: { revision: 1, value: { legs: [{ from, minutes: 41 }] } } } } }); // prettier-ignore
    const road = (from: string) => chainNow(farm({ t1: 0, k1: 500 }), roads(from), haul(), ROWS, SHEET, choice)!.chain.roadMin; // prettier-ignore
    expect([road('F'), road('elsewhere')]).toEqual([41, 24]);
    const leave = (from: string, where: string) =>
      trucksNow(
        farm({ t1: 900 }, [move('t1', 'mill', 200)]),
        roads(from),
        haul(vehicle('t1', 'loaded', where, 2)),
        SHEET,
        'corn',
      )[0]!.leaveByMs;
    expect(leave('F', 'be')).toBe(MIDNIGHT + (19 * 60 - 41) * MINUTE);
    expect(leave('F', 'k1')).toBe(MIDNIGHT + (19 * 60 - 41) * MINUTE);
    expect(leave('F', 'wet')).toBe(MIDNIGHT + (19 * 60 - 24) * MINUTE);
    expect(leave('elsewhere', 'be')).toBe(MIDNIGHT + (19 * 60 - 24) * MINUTE);
  });
  it('looks two hours ahead where somebody still cuts at night', () => {
    const late = farm({ t1: 0 });
    const night = { ...late, data: { ...late.data, now: late.data.now + 6.5 * 3_600_000 } };
    const chain = chainNow(night, notebook(), haul(), ROWS, SHEET, choice)!.chain;
    expect([chain.now, chain.until]).toEqual([1290, 1410]);
  });
  it('the loads could go elsewhere: home, and to buyers that take this crop as wet as it is', () => {
    const of = (windows: object) =>
      elsewhere(farm({}), notebook([], windows), haul(), ROWS, SHEET, { kind: 'home', buyerId: '' });
    expect(elsewhere(farm({}), notebook(), haul(), ROWS, SHEET, choice.to).map(({ name }) => name)).toEqual(['home']);
    expect(of({}).map(({ name, roadMin }) => [name, roadMin])).toEqual([['mill', 24]]);
    expect(of({ 'soybean@mill': {} })).toEqual([]);
    expect(of({ 'corn@mill': { refuseAbove: 0.19 } })).toEqual([]);
    expect(of({ 'corn@mill': { refuseAbove: 0.21 } })).toHaveLength(1);
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
  it('and the moves from field to field say the same of when the field is cut', () => {
    const harvest: TapeLine = { ...move('k1', 't1', 5), entry: { type: 'harvest', id: 'H', at: at(5), lot: 'be', to: 'c1', by: 'Bea' } as Entry }; // prettier-ignore
    const stands = farm({ k1: 500 }, [harvest]);
    const next = { ...ROWS[0]!, lot: { ...LOT, id: 'ws', fieldId: 'G', fieldName: 'Willow' }, firstCut: null, lastCut: null } as FieldRow; // prettier-ignore
    const left = (acres: number): readonly FieldRow[] => [{ ...ROWS[0]!, lot: { ...LOT, acres } } as FieldRow, next];
    const both = (acres: number, trucks: number, lineMin: number) => {
      const fewer = { ...stands, data: { ...stands.data, places: stands.data.places.filter(({ id }) => trucks === 2 || id !== 't2') } }; // prettier-ignore
      const notes = notebook([], CORN, { farm: { ...PLAN, facts: { ...PLAN.facts, G: PLAN.facts.F } } });
      const rows = left(acres);
      const { chain } = chainNow(fewer, notes, haul(), rows, SHEET, { ...choice, lineMin })!;
      const { moves } = movesView(fewer, notes, rows, undefined, { today: '2026-09-09', nowMs: NOW, order: ['ws'], spotOf: () => null, cutting: cuttingHours(chain) }); // prettier-ignore
      return { ahead: chainAhead(chain), move: moves[0]! };
    };
    // Nine acres are cut in less than an hour, whatever waits in the line by then.
    const soon = both(9, 2, 10);
    expect(soon.move.doneMs).toBeCloseTo(MIDNIGHT + soon.ahead.doneAt! * MINUTE, -5);
    // One truck and a long line: the combine stands, the field is done later, and not at all where the day ends first.
    for (const acres of [9, 12, 14, 16]) {
      const { ahead, move: later } = both(acres, 1, 40);
      expect(ahead.combineStands).not.toBeNull();
      expect(Math.abs(later.doneMs! - (MIDNIGHT + ahead.doneAt! * MINUTE))).toBeLessThan(2 * MINUTE);
      expect(later.doneMs!).toBeGreaterThan(NOW + ((acres * 200 * 0.85) / 0.8 / 2900) * 3_600_000 + 10 * MINUTE);
    }
    const never = both(70, 1, 40);
    expect([never.ahead.doneAt, never.move.doneMs, never.move.notToday]).toEqual([null, null, true]);
  });
  it('is planned again by what was reported, until it is over or taken back', () => {
    expect(
      delaysNow(
        farm({}),
        notebook([delay('dryer', 60, 10), delay('trucks', 5, 10), delay('line', 60, 10, {}, true)]),
      ).map(({ link }) => link),
    ).toEqual(['dryer']);
    expect(build([delay('combine', 60, 10, { machineId: 'c1' })]).combines[0]!.stoppedUntil).toBe(950);
    expect(build([delay('combine', 60, 10, { machineId: 'other' })]).combines[0]).not.toHaveProperty('stoppedUntil');
    expect(build([delay('line', 30, 10)]).destination).toMatchObject({ lineMin: 40 });
    expect(
      build([delay('trucks', 90, 10, { machineId: 't1' })]).trucks.map(({ where, at: minute }) => [where, minute]),
    ).toEqual([
      ['back', 980],
      ['field', undefined],
    ]);
    expect(build([delay('dryer', 90, 10)], { to: { kind: 'home', buyerId: '' } }).destination).toMatchObject({
      dryerStoppedUntil: 980,
    });
  });
  it('a field that nobody measured lasts the day, and without a rate there is no answer', () => {
    const rows = [{ ...ROWS[0]!, lot: { ...LOT, acres: 0 } }];
    expect(chainNow(farm({}), notebook(), haul(), rows, SHEET, choice)!.chain.fieldLeft).toBe(1e6);
    expect(chainNow(farm({}), notebook([], CORN, {}), haul(), ROWS, SHEET, choice)).toBeNull();
  });
  it('what is down hauls nothing until it is mended, and the truck says why it stands', () => {
    const down = new Map([['t1', 'Air line leaks']]);
    const chain = chainNow(farm({ t1: 900 }), notebook(), haul(), ROWS, SHEET, choice, down)!.chain;
    expect(chain.trucks.map(({ id }) => id)).toEqual(['t2']);
    expect(trucksNow(farm({ t1: 900 }), notebook(), haul(), SHEET, 'corn', down)[0]).toMatchObject({
      id: 't1',
      state: 'down',
      where: 'Air line leaks',
    });
    expect(chainNow(farm({}), notebook(), haul(), ROWS, SHEET, choice, new Map([['c1', 'hot bearing']]))).toBeNull();
  });
  it('the loads go where somebody said, until it is said otherwise; else as the last one went', () => {
    const toMill = farm({}, [move('t1', 'mill', 200)]);
    const said = (plan: object) => recordsOf({}, { haulPlan: { farm: plan } });
    expect(loadsGoTo(toMill, notebook())).toMatchObject({ to: { buyerId: 'mill' }, said: false });
    expect(loadsGoTo(toMill, said({ lineMin: 0 }))).toEqual({
      to: { kind: 'home', buyerId: '' },
      lineMin: 0,
      said: true,
    });
    expect(loadsGoTo(farm({}), said({ buyerId: 'mill', lineMin: 40 }))).toEqual({
      to: { kind: 'elevator', buyerId: 'mill' },
      lineMin: 40,
      said: true,
    });
  });
});

describe('the rate of a machine', () => {
  const PROFILE = {
    kind: 'rotary',
    headWidth: 9.144,
    headConfirmed: '',
    goodRate: 3000 * BU,
    speedLimit: 3,
    tankBu: 350,
    fieldEfficiency: 0.7,
    ranges: {},
    acceptedLoss: { corn: 62.8 },
  };
  /** A count behind the machine at a speed: kernels on a square foot, 2 of which are a bushel an acre. */
  const counted = (n: number, speed: number, perFoot: number, more: object = {}) => [
    kept({ id: `S${n}`, at: at(60), machineId: 'c1', lotId: 'be', values: { speed }, why: '' }),
    kept({
      id: `L${n}`,
      at: at(50),
      machineId: 'c1',
      lotId: 'be',
      settingsId: `S${n}`,
      behind: [1, 2, 3].map(() => ({ kernels: Math.round(100 * perFoot), area: 9.29 })),
      before: [],
      atHeader: [],
      kernelGrams: 0.2917,
      pricePerBu: 4,
      ...more,
    }),
  ];
  const records = (...counts: readonly ReturnType<typeof counted>[]) =>
    recordsOf(
      { settingsEntry: counts.map(([sheet]) => sheet!), lossCheck: counts.map(([, check]) => check!) },
      { combineProfile: { c1: PROFILE }, nextFieldPlan: { farm: PLAN } },
    );
  const bu = (kgPerHour: number): number => kgPerHour / BU;
  it('is the good rate of its profile over the day, and what somebody typed only where no machine has one', () => {
    const rate = machineRate(farm({}), records(), ROWS, 'c1', 'corn')!;
    expect([bu(rate.cutting), bu(rate.inField), rate.limitedByLoss]).toEqual([
      expect.closeTo(3000, 6),
      expect.closeTo(2100, 6),
      false,
    ]);
    expect(combineRate(farm({}), records(), ROWS, 'corn')).toBeCloseTo(2100, 6);
    expect(combineRate(farm({}), notebook(), ROWS, 'corn')).toBe(2900);
    expect(machineRate(farm({}), notebook(), ROWS, 'c1', 'corn')).toBeNull();
    // And the look ahead of the chain cuts at just that.
    const chain = chainNow(farm({}), records(), haul(), ROWS, SHEET, {
      to: { kind: 'home', buyerId: '' },
      lineMin: 0,
    })!.chain;
    expect(chain.combines[0]!.bushelsPerHour).toBeCloseTo(2100, 6);
  });
  it('is less where the counted loss passes what is accepted: that rate, and no other page says otherwise', () => {
    // 200 bu/ac on 30 ft: 1.5 m/s is 2,440 bu/h, 2 m/s is 3,254. Half a bushel lost at the one, two at the other: one between them.
    const found = records(counted(1, 1.5, 1), counted(2, 2, 4));
    const rate = machineRate(farm({}), found, ROWS, 'c1', 'corn')!;
    expect(rate.limitedByLoss).toBe(true);
    expect(rate.counts).toBe(2);
    const [slow, fast] = rate.byLoss!.course;
    expect(bu(rate.cutting)).toBeCloseTo(bu(slow!.rate) + (bu(fast!.rate) - bu(slow!.rate)) / 3, -1);
    expect(combineRate(farm({}), found, ROWS, 'corn')).toBeCloseTo(0.7 * bu(rate.cutting), 6);
    // Counts in another crop, by another machine, or that mean nothing are none.
    expect(machineRate(farm({}), found, ROWS, 'c1', 'soybean')!.byLoss).toBeNull();
    expect(countedRatesOf(farm({}), found, ROWS, 'c2', 'corn')).toEqual([]);
    const oneFrame = records(counted(1, 1.5, 1, { behind: [{ kernels: 30, area: 9.29 }] }));
    expect(machineRate(farm({}), oneFrame, ROWS, 'c1', 'corn')!.byLoss).toBeNull();
  });
});

describe('who is where', () => {
  it('people and vehicles as the book last saw them', () => {
    const line = (entry: object, minutesAgo: number, voided = false): TapeLine => ({
      ...move('t1', 'mill', minutesAgo),
      entry: { id: `${minutesAgo}`, at: at(minutesAgo), ...entry } as Entry,
      voided,
    });
    const tape = [
      line({ type: 'harvest', lot: 'be', to: 'k1', by: 'Oona', device: 'c1-tablet' }, 5),
      line({ type: 'move', from: 't2', to: 'mill', by: 'Ruiz' }, 12),
      line({ type: 'move', from: 'k1', to: 't1', by: 'Oona' }, 20),
      line({ type: 'move', from: 'k1', to: 't2', by: 'Dell' }, 25, true),
      line({ type: 'move', from: 'k1', to: 't1', by: 'Tilda' }, 60 * 30),
    ];
    const { people, vehicles } = whoIsWhere(farm({ t1: 500 }, tape));
    expect(people).toEqual([
      { name: 'Oona', atMs: NOW - 5 * MINUTE, did: 'cut', where: 'Buttonbush East', vehicle: 'c1' },
      { name: 'Ruiz', atMs: NOW - 12 * MINUTE, did: 'delivered', where: 'mill', vehicle: 't2' },
    ]);
    expect(vehicles.map(({ place, where, by, bushels }) => [place, where, by, Math.round(bushels)])).toEqual([
      ['c1', 'Buttonbush East', 'Oona', 0],
      ['k1', 'Buttonbush East', 'Oona', 0],
      ['t1', 'k1', 'Oona', 500],
      ['t2', 'mill', 'Ruiz', 0],
    ]);
  });
});
