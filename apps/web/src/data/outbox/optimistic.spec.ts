import type { Entry, TapeLine } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { type Command, post } from '../api';
import { LOG_ROUTES } from '../api-routes';
import type { FarmData } from '../farm';
import { bookCommand } from './book-command';
import { logged, takenBack } from '../records';
import { pendingEntries, pendingFields, withPendingLogs } from './optimistic';
import { optimisticFarm } from './optimistic-farm';

const at = (minute: number): string => new Date(Date.UTC(2026, 8, 8, 19, minute)).toISOString();
const layer = { wetKg: 10_000, dryKg: 8300, moisture: 0.17, lots: { hs: 8300 }, wetLots: { hs: 10_000 } };
const place = (id: string, kind: string) => ({
  id,
  name: id,
  kind,
  withdrawal: 'mixed',
  capacityBu: 1000,
  diameterM: null,
  eaveM: null,
  hopperM: null,
});
const tapeLine = (entry: Entry): TapeLine => ({
  seq: 4,
  entry,
  voided: false,
  wetKg: 10_000,
  dryKg: 8300,
  wetLots: { hs: 10_000 },
  witnesses: [],
});
const known: Entry = { type: 'harvest', id: 'KNOWN', at: at(0), lot: 'hs', to: 'cart', wetKg: 10_000, moisture: 0.17 };
const data = {
  farm: {
    id: 'f',
    name: 'Test',
    timeZone: 'America/Chicago',
    demo: false,
    defaults: { moisture: 0.15, trust: ['ticket'] },
  },
  seq: 4,
  lots: [
    {
      id: 'hs',
      fieldId: 'F',
      fieldName: 'Heron Slough',
      acres: 60,
      crop: 'corn',
      season: 2026,
      variety: '',
      tag: 'HS',
      shares: [],
    },
  ],
  places: [place('cart', 'cart'), place('truck', 'truck'), place('mill', 'buyer')],
  positions: { cart: { ...layer, layers: 1 } },
  layers: { cart: [layer], truck: [] },
  tape: [tapeLine(known)],
  steps: [{ kind: 'cart_full', place: 'cart', load: { from: 'cart', to: 'truck', staysKg: 0 } }],
} as unknown as FarmData;
const move: Entry = { type: 'move', id: 'MOVE', at: at(5), from: 'cart', to: 'truck' };

describe('the farm ahead of what waits', () => {
  it('a load that waits has left the cart on the screen, stands on the tape, and is not offered again', () => {
    const ahead = optimisticFarm(data, [move]);
    expect([ahead.positions.cart?.wetKg ?? 0, ahead.positions.truck!.wetKg]).toEqual([0, 10_000]);
    expect(ahead.layers.truck![0]!.lots).toEqual({ hs: 8300 });
    expect(ahead.tape.map(({ entry }) => entry.id)).toEqual(['MOVE', 'KNOWN']);
    expect(ahead.tape[0]!.wetKg).toBe(10_000);
    expect(ahead.steps).toEqual([]);
    // What was told stays as it was told.
    expect(data.positions.cart!.wetKg).toBe(10_000);
  });
  it('what the book has already is not counted twice', () => {
    expect(optimisticFarm(data, [known])).toBe(data);
    expect(optimisticFarm(data, [])).toBe(data);
  });
  it('a void that waits strikes its line, also one of the book', () => {
    const undo = (voids: string): Entry => ({ type: 'void', id: `UNDO${voids}`, at: at(9), voids });
    expect(optimisticFarm(data, [undo('KNOWN')]).tape.find(({ entry }) => entry.id === 'KNOWN')!.voided).toBe(true);
    const both = optimisticFarm(data, [move, undo('MOVE')]);
    expect([both.positions.cart!.wetKg, both.tape.find(({ entry }) => entry.id === 'MOVE')!.voided]).toEqual([
      10_000,
      true,
    ]);
  });
  it('sent entries count until the farm has told of them; refused ones and other farms’ do not', () => {
    const waiting = (more: object) => ({
      id: 'X',
      farmId: 'f',
      command: bookCommand('f', [move]),
      what: '',
      since: 0,
      tries: 0,
      ...more,
    });
    const ids = (outbox: Parameters<typeof pendingEntries>[0]) => pendingEntries(outbox, 'f', 4).map(({ id }) => id);
    expect(ids({ waiting: [waiting({})], sent: [] })).toEqual(['MOVE']);
    expect(ids({ waiting: [waiting({ refused: 'no' }), waiting({ farmId: 'other' })], sent: [] })).toEqual([]);
    expect(ids({ waiting: [], sent: [{ command: bookCommand('f', [move]), farmId: 'f', seq: 5 }] })).toEqual(['MOVE']);
    expect(ids({ waiting: [], sent: [{ command: bookCommand('f', [move]), farmId: 'f', seq: 4 }] })).toEqual([]);
  });
});

describe('fields that were made here', () => {
  const rows = (id: string, owner: string) =>
    post(
      '/api/farms/{farmId}/neighbor-rows',
      { path: { farmId: 'f' } },
      { id, owner, crop: 'corn', season: 2026 },
    ) as Command;
  const waiting = (command: object, more: object = {}) =>
    ({ id: 'X', farmId: 'f', command, what: '', since: 0, tries: 0, ...more }) as never;
  it('stand behind those of the farm, whose they are with them, until the farm tells of them', () => {
    const ahead = pendingFields(
      data.lots,
      {
        waiting: [waiting(rows('n2', 'Vance heirs'))],
        sent: [{ command: rows('n1', 'Old Dorsey'), farmId: 'f', seq: 0 }],
      },
      'f',
    );
    expect(ahead.map(({ id, fieldName, tag, shares }) => [id, fieldName, tag, shares])).toEqual([
      ['hs', 'Heron Slough', 'HS', []],
      ['n1', 'Old Dorsey’s rows', 'OD', [{ owner: 'Old Dorsey', part: 1 }]],
      ['n2', 'Vance heirs’ rows', 'VH', [{ owner: 'Vance heirs', part: 1 }]],
    ]);
    expect(pendingFields(ahead, { waiting: [waiting(rows('n2', 'Vance heirs'))], sent: [] }, 'f')).toBe(ahead);
  });
  it('count on the screen at once: the load that names one is replayed, not left out', () => {
    const outbox = { waiting: [waiting(rows('n1', 'Old Dorsey'))], sent: [] };
    const load: Entry = { type: 'harvest', id: 'N', at: at(6), lot: 'n1', to: 'cart', wetKg: 3000, moisture: 0.2 };
    const ahead = optimisticFarm({ ...data, lots: pendingFields(data.lots, outbox, 'f') }, [load]);
    expect(ahead.positions.cart!.wetLots).toEqual({ hs: 10_000, n1: 3000 });
  });
  it('of another farm, refused, or something else beside the book are none', () => {
    const none = [
      waiting(rows('a', 'A'), { farmId: 'other' }),
      waiting(rows('b', 'B'), { refused: 'no' }),
      waiting({ path: LOG_ROUTES.reading, body: { id: 'c' } }),
    ];
    expect(pendingFields(data.lots, { waiting: none, sent: [] }, 'f')).toBe(data.lots);
  });
});

describe('logs with what waits on this device', () => {
  const body = (id: string, minute: number, on: boolean) => ({ id, at: at(minute), placeId: 'bin', on });
  const kept = { body: body('A', 0, true), by: 'Bea', voided: false };
  const waits = (...commands: Command[]) => ({
    sent: [],
    waiting: commands.map((command, i) => ({ id: i, farmId: 'f', command, what: '' })),
  });
  const seen = (logs: object, outbox: object) =>
    (
      withPendingLogs(logs, outbox as never, 'f') as { fanSwitch: { body: { id: string }; voided: boolean }[] }
    ).fanSwitch.map(({ body: { id }, voided }) => `${id}${voided ? ' back' : ''}`);
  it('has a fan that was switched without a signal, at its time, once, and not what was taken back', () => {
    const logs = { fanSwitch: [kept] };
    expect(seen(logs, waits(logged('f', 'fanSwitch', body('B', 5, false))))).toEqual(['B', 'A']);
    expect(seen(logs, waits(logged('f', 'fanSwitch', body('A', 0, true))))).toEqual(['A']);
    expect(seen(logs, waits(takenBack('f', 'fanSwitch', 'A')))).toEqual(['A back']);
    expect(seen(logs, waits(logged('f', 'fanSwitch', body('B', 5, false)), takenBack('f', 'fanSwitch', 'B')))).toEqual([
      'B back',
      'A',
    ]);
    // Of another farm or another log: nothing.
    expect(withPendingLogs(logs, waits(logged('g', 'climb', { ...body('C', 1, true), who: 'B', second: 'O', down: false } as never)) as never, 'f')).toBe(logs); // prettier-ignore
  });
});
