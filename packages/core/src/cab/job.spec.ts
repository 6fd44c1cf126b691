import { describe, expect, it } from 'vitest';
import type { Entry } from '../ledger/index.js';
import { isByJob, type Job, mayLog, mayRecord } from './job.js';

const KINDS: Record<string, string> = { c1: 'combine', k1: 'cart', t1: 'truck', t2: 'truck', p1: 'pit', b1: 'bin', d1: 'dryer', buyer: 'buyer' }; // prettier-ignore
const kindOf = (place: string): string | undefined => KINDS[place];
const TRUCK: Job = { kind: 'machine', placeId: 't1', label: 'Truck 1’s phone' };
const BINS: Job = { kind: 'bins', placeId: null, label: 'bin site' };
const GATE: Job = { kind: 'gate', placeId: null, label: 'scale house' };
const entry = (body: object): Entry => ({ id: 'E', at: '2026-10-01T12:00:00Z', ...body }) as Entry;
const move = (from: string, to: string): Entry => entry({ type: 'move', from, to });
const BOOK: Record<string, Entry> = {
  mine: { ...move('k1', 't1'), by: 'Ana (on Truck 1’s phone)' },
  others: { ...move('k1', 't2'), by: 'Bo' },
  // A name that only sounds like the phone's.
  feigned: { ...move('k1', 't2'), by: 'on Truck 1’s phone (Bo)' },
};
const may = (job: Job, one: Entry): boolean => mayRecord(job, one, kindOf, (id) => BOOK[id]);

describe('a paired phone records what its job records', () => {
  it('a truck: what comes into it, leaves it or is spilled from it, and no other truck', () => {
    expect([move('k1', 't1'), move('t1', 'buyer'), move('t1', 'p1')].map((one) => may(TRUCK, one))).toEqual([true, true, true]); // prettier-ignore
    expect(may(TRUCK, entry({ type: 'loss', place: 't1', wetKg: 10, reason: 'spill' }))).toBe(true);
    expect([move('k1', 't2'), move('p1', 'b1'), entry({ type: 'measure', place: 'b1', wetKg: 1 })].map((one) => may(TRUCK, one))).toEqual([false, false, false]); // prettier-ignore
    expect(may({ ...TRUCK, placeId: null }, move('k1', 't1'))).toBe(false);
  });
  it('takes back and measures again what was made there, and nothing else', () => {
    for (const [id, allowed] of [
      ['mine', true],
      ['others', false],
      ['feigned', false],
      ['unknown', false],
    ] as const)
      // prettier-ignore
      expect(may(TRUCK, entry({ type: 'void', voids: id })), id).toBe(allowed);
    expect(may(TRUCK, entry({ type: 'witness', of: 'mine', wetKg: 9000 }))).toBe(true);
    expect(may(TRUCK, entry({ type: 'witness', of: 'others', wetKg: 9000 }))).toBe(false);
    expect(may(TRUCK, entry({ type: 'witness', of: 'unknown', wetKg: 9000 }))).toBe(false);
  });
  it('the bins: what happens there, and no delivery to a buyer', () => {
    expect([move('t1', 'p1'), move('p1', 'b1'), move('b1', 't1'), entry({ type: 'measure', place: 'b1', wetKg: 1 })].map((one) => may(BINS, one))).toEqual([true, true, true, true]); // prettier-ignore
    expect([move('b1', 'buyer'), move('c1', 't1'), entry({ type: 'harvest', lot: 'l', to: 't1', wetKg: 1, moisture: 0.2 })].map((one) => may(BINS, one))).toEqual([false, false, false]); // prettier-ignore
  });
  it('the gate: tickets of the scale, and no entry by hand', () => {
    expect(may(GATE, move('t1', 'p1'))).toBe(false);
    expect(mayLog(GATE, 'emptyWeight', { machineId: 't2' }, kindOf)).toBe(true);
  });
  it('writes down beside the grain what is of its own machine', () => {
    expect(mayLog(TRUCK, 'delay', { machineId: 't1' }, kindOf)).toBe(true);
    expect(mayLog(TRUCK, 'delay', { machineId: 't2' }, kindOf)).toBe(false);
    expect(mayLog(TRUCK, 'ticketPhoto', { placeId: 't2' }, kindOf)).toBe(false);
    expect(mayLog(TRUCK, 'bid', {}, kindOf)).toBe(false);
    expect(mayLog({ ...TRUCK, placeId: 'gone' }, 'delay', {}, kindOf)).toBe(false);
    expect(mayLog({ ...TRUCK, placeId: 'd1' }, 'dryerSample', { placeId: 'd1' }, kindOf)).toBe(true);
  });
  it('knows what was made on it by its name behind the driver’s', () => {
    expect(isByJob('Ana (on Truck 1’s phone)', TRUCK.label)).toBe(true);
    expect(isByJob('on Truck 1’s phone', TRUCK.label)).toBe(true);
    expect([undefined, 'Ana', 'Ana (on Truck 11’s phone)', 'Ana on Truck 1’s phone'].map((by) => isByJob(by, TRUCK.label))).toEqual([false, false, false, false]); // prettier-ignore
  });
});
