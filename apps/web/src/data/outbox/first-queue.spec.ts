import type { Entry } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { fromFirstQueue, type OldWaiting } from './first-queue';
import { entriesOf } from './store';

const kept = { seq: 3, id: 'X', farmId: 'f', what: 'Cart 1 → Truck 2', since: 7, tries: 2 };
const move: Entry = { type: 'move', id: 'X', at: '2026-09-08T12:00:00Z', from: 'cart', to: 'truck' };

describe('what a device queued under the first program', () => {
  it('goes out by the doors of today, with its place, its tries and its words', () => {
    const load = fromFirstQueue({ ...kept, entries: [move] });
    expect(load).toMatchObject({
      ...kept,
      command: { path: '/api/farms/{farmId}/entries', body: { entries: [move] } },
    });
    expect(entriesOf(load.command)).toEqual([move]);
    const undone: Entry = { type: 'void', id: 'V', at: move.at, voids: 'OLD', note: 'made again' };
    expect(fromFirstQueue({ ...kept, entries: [undone, move] }).command).toMatchObject({
      path: '/api/farms/{farmId}/corrections',
      params: { path: { farmId: 'f' } },
      body: { void: undone, entry: move },
    });
  });
  it('a reading, a delay, emptied machines and a neighbor’s rows find their new places', () => {
    const of = (path: string) => fromFirstQueue({ ...kept, entries: [], beside: { path, body: { id: 'B' } } }).command;
    expect(['readings', 'notes/delay', 'notes/emptied', 'neighbor-rows'].map((path) => of(path).path)).toEqual([
      '/api/farms/{farmId}/fields/reading',
      '/api/farms/{farmId}/haul/delay',
      '/api/farms/{farmId}/haul/field-change',
      '/api/farms/{farmId}/neighbor-rows',
    ]);
    expect(of('readings')).toMatchObject({ method: 'POST', params: { path: { farmId: 'f' } }, body: { id: 'B' } });
  });
  it('what nobody knows waits for a person, and what is of today stays as it is', () => {
    expect(fromFirstQueue({ ...kept, entries: [], beside: { path: 'odd', body: { id: 'B' } } }).refused).toMatch(/odd/);
    const now = fromFirstQueue({ ...kept, entries: [move] } satisfies OldWaiting);
    expect(fromFirstQueue(now)).toBe(now);
  });
});
