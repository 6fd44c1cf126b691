import {
  byDisplay,
  deviceAt,
  type DeviceView,
  type Entry,
  type FarmState,
  farmView,
  type FieldRecords,
  holdersOf,
  lastDumpMs,
  lately,
  type MoveEntry,
  sleptThrough,
  type TapeLine,
  undoable,
  usualEmptyWeight,
} from '../src/index.js';
import { describe, expect, it } from 'vitest';
import { kept, recordsOf } from './farm-records.js';

const BU = 56 * 0.45359237;
const NOW = Date.UTC(2026, 8, 9, 19, 30);
const at = (minutesAgo: number): string => new Date(NOW - minutesAgo * 60_000).toISOString();
let made = 0;
const line = (entry: Partial<Entry> & { type: Entry['type'] }, more: Partial<TapeLine> = {}): TapeLine => ({
  seq: 1,
  entry: { id: `E${(made += 1)}`, at: at(5), ...entry } as Entry,
  voided: false,
  wetKg: null,
  dryKg: null,
  wetLots: {},
  witnesses: [],
  ...more,
});
const place = (id: string, name: string, kind: string, capacityBu: number | null = null) => ({
  id,
  name,
  kind,
  withdrawal: 'mixed',
  capacityBu,
  diameterM: null,
  eaveM: null,
  hopperM: null,
});
const data = (tape: readonly TapeLine[], more: object = {}): FarmState =>
  ({
    farm: {
      id: 'f',
      name: 'Kestrel Levee Farms',
      timeZone: 'America/Chicago',
      demo: false,
      defaults: { moisture: 0.15, trust: [] },
    },
    now: NOW,
    lots: [
      {
        id: 'be',
        fieldId: 'F',
        fieldName: 'Buttonbush East',
        acres: 72,
        crop: 'corn',
        season: 2026,
        variety: '',
        tag: 'BE',
        shares: [],
      },
    ],
    places: [
      place('c1', 'Combine 1', 'combine', 350),
      place('k1', 'Cart 1', 'cart', 1100),
      place('t1', 'Truck 1', 'truck', 940),
      place('bin', 'Bin A', 'bin', 9000),
      place('mill', 'Mill', 'buyer'),
    ],
    positions: {
      k1: { wetKg: 700 * BU, dryKg: 0, moisture: 0.2, layers: 1, lots: { be: 1 }, wetLots: { be: 700 * BU } },
    },
    layers: {},
    tape,
    ...more,
  }) as unknown as FarmState;
const farm = (tape: readonly TapeLine[] = []) => farmView(data(tape));

describe('what the cab is worked out from', () => {
  it('vessels with what is in them and whose crop it is; buyers hold nothing', () => {
    const holders = holdersOf(farm());
    expect(holders.map(({ id }) => id)).toEqual(['c1', 'k1', 't1', 'bin']);
    expect(holders[1]).toMatchObject({ kind: 'cart', crop: 'corn', moisture: 0.2, capacityBu: 1100 });
    expect(holders[1]!.bushels).toBeCloseTo(700, 9);
    expect(holders[0]).not.toHaveProperty('crop');
  });
  it('where trucks went last by crop, and the newest load off the field that still stands', () => {
    const tape = [
      line({ type: 'harvest', lot: 'be', to: 'k1', wetKg: 9, moisture: 0.1 } as never, { voided: true }),
      line({ type: 'move', from: 't1', to: 'mill' } as never, { wetLots: { be: 1 } }),
      line({ type: 'harvest', lot: 'be', to: 'k1', wetKg: 6000, moisture: 0.21 } as never),
      line({ type: 'move', from: 't1', to: 'bin' } as never, { wetLots: { be: 1 } }),
      line({ type: 'move', from: 't1', to: 'mill' } as never, { wetLots: { be: 1 } }),
    ];
    expect(lately(farm(tape))).toEqual({
      lastTargets: { corn: ['mill', 'bin'] },
      lastLoad: { lot: 'be', wetKg: 6000, moisture: 0.21 },
    });
    expect(lately(farm())).toEqual({ lastTargets: {}, lastLoad: null });
  });
});

describe('the display of a combine', () => {
  const device = (id: string, kind: string, revoked = false) =>
    ({ id, name: `${id} display`, kind, addedAt: '', lastSeen: null, revoked }) as DeviceView;
  it('is the one that somebody said is this machine’s, and no revoked one', () => {
    const notebook = recordsOf({}, { scaleSetup: { d1: { placeId: 'c1' }, d2: { placeId: 'c1' } } });
    expect(deviceAt([device('d2', 'monitor', true), device('d1', 'monitor')], notebook, 'monitor', 'c1')).toMatchObject(
      { id: 'd1' },
    );
    expect(deviceAt([device('d1', 'monitor')], notebook, 'cartScale', 'c1')).toBeUndefined();
    expect(deviceAt([device('d3', 'monitor')], undefined, 'monitor', 'c1')).toBeUndefined();
  });
  it('begins a load after the last dump: from the tank, by its own word, or recorded on this phone', () => {
    const dump = (minutes: number, more: object, extra: Partial<TapeLine> = {}) =>
      line({ type: 'harvest', lot: 'be', to: 'k1', at: at(minutes), ...more } as never, extra);
    const ms = (tape: readonly TapeLine[]) => lastDumpMs(tape, 'c1', 'd1 display', 'phone-1');
    expect(ms([dump(2, { device: 'phone-2' }), dump(9, { device: 'phone-1' })])).toBe(Date.parse(at(9)));
    expect(ms([dump(3, { device: 'scale' }, { witnesses: [{ type: 'witness', by: 'd1 display' } as Entry] })])).toBe(
      Date.parse(at(3)),
    );
    expect(ms([line({ type: 'move', from: 'c1', to: 'k1', at: at(4) } as never)])).toBe(Date.parse(at(4)));
    // Grain into its own tank is no dump, and what was voided never happened.
    expect(ms([dump(1, { to: 'c1', device: 'phone-1' }), dump(1, { device: 'phone-1' }, { voided: true })])).toBe(0);
  });
  it('tells nothing of dust, nor of figures before the dump', () => {
    const flows = Array.from({ length: 31 }, (_, i) => ({
      atMs: NOW - 60_000 + 2000 * i,
      flow: 10,
      moisture: 0.2,
      speed: 2,
    }));
    expect(byDisplay(flows, NOW - 60_000, BU)!.kg).toBeCloseTo(600, 9);
    expect(byDisplay(flows, NOW - 6000, BU)).toBeNull();
    expect(byDisplay([], 0, BU)).toBeNull();
  });
});

describe('taking a slip back', () => {
  it('is offered for ten minutes, to the one who made it, for what still stands', () => {
    const own = (minutes: number, more: object = {}, extra: Partial<TapeLine> = {}) =>
      line(
        {
          type: 'move',
          from: 'k1',
          to: 't1',
          by: 'Dell',
          device: 'phone-1',
          at: at(minutes),
          recordedAt: at(minutes),
          ...more,
        } as never,
        extra,
      );
    const names = (tape: readonly TapeLine[]) =>
      undoable(tape, { by: 'Dell', device: 'phone-1', place: 'cart' }, NOW, NOW).length;
    expect(names([own(1), own(9), own(11)])).toBe(2);
    expect(names([own(1, { by: 'Ruiz' }), own(1, {}, { voided: true }), own(1, { type: 'void' })])).toBe(0);
    // A phone whose clock is three hours off: ten minutes by its own clock, which stamped it.
    expect(names([own(180, { recordedAt: at(2) })])).toBe(1);
    // Recorded by him on another device: by the farm's time.
    expect(names([own(4, { device: 'phone-2', recordedAt: at(300) })])).toBe(1);
  });
});

describe('grain that slept on wheels', () => {
  it('was not touched since another day; cutting past midnight is no night', () => {
    const zone = 'America/Chicago';
    const of = (touched: string, now: string) => sleptThrough(Date.parse(touched), Date.parse(now), zone);
    expect(of('2026-09-08T23:50-05:00', '2026-09-09T00:10-05:00')).toBe(false);
    expect(of('2026-09-08T21:40-05:00', '2026-09-09T07:10-05:00')).toBe(true);
    expect(of('2026-09-09T06:00-05:00', '2026-09-09T23:00-05:00')).toBe(false);
  });
});

describe('what a truck weighed empty', () => {
  const empty = (minutesAgo: number, axlesKg: readonly number[], voided = false) =>
    kept({ id: `N${minutesAgo}`, machineId: 't1', combination: 'white hopper', at: at(minutesAgo), axlesKg }, voided);
  const book = (...emptyWeight: readonly object[]) => recordsOf({ emptyWeight });
  const ticket = (minutesAgo: number, tareKg: number, more: Partial<TapeLine> = {}) =>
    line(
      { type: 'move', from: 't1', to: 'mill', at: at(minutesAgo), tareKg } as Partial<MoveEntry> & { type: 'move' },
      more,
    );
  it('is what the newest of tickets and own weighings says', () => {
    const of = (tape: readonly TapeLine[], notes: FieldRecords | undefined) => usualEmptyWeight(tape, notes, 't1');
    expect(of([], undefined)).toBeNull();
    expect(of([ticket(5, 12_000), ticket(90, 12_300)], book())).toBe(12_000);
    expect(of([ticket(5, 12_000, { voided: true }), ticket(90, 12_300)], book())).toBe(12_300);
    expect(of([ticket(90, 12_300)], book(empty(10, [4000, 4100, 4050])))).toBe(12_150);
    expect(of([ticket(90, 12_300)], book(empty(10, [1], true), empty(200, [9])))).toBe(12_300);
    expect(usualEmptyWeight([ticket(5, 12_000)], book(), 't2')).toBeNull();
  });
});
