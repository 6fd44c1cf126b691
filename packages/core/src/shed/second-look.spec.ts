import { describe, expect, it } from 'vitest';
import type { ShedRecords } from '../records/index.js';
import { secondLooks } from './second-look.js';

const ZONE = 'America/Chicago';
const at = (utc: string): number => Date.parse(utc);
const broken = (id: string, time: string, more: object = {}) => ({ body: { id, at: time, assetId: 'm1', what: 'Feeder chain', cause: 'wear', cost: 0, hoursLost: 0, acresLost: 0, missingSpare: '', mended: true, ...more }, by: 'Bea', voided: false }); // prettier-ignore
const shed = (breakdowns: object[], machine: object = {}): ShedRecords => ({ logs: { breakdown: breakdowns }, settings: { machine: { m1: { revision: 1, value: { name: 'Combine 1', placeId: 'combine-1', retired: false, ...machine } } } } }) as unknown as ShedRecords; // prettier-ignore

describe('a second look after a repair of the night', () => {
  it('what was mended at twenty to midnight is looked at again from six in the morning on', () => {
    // 11:40 pm on 8 September is 04:40 UTC of the 9th.
    const [look] = secondLooks(shed([broken('b1', '2026-09-09T04:40:00Z')]), at('2026-09-09T10:00:00Z'), ZONE);
    expect(look).toMatchObject({ placeId: 'combine-1', machine: 'Combine 1', by: 'Bea' });
    expect(new Date(look!.fromMs).toISOString()).toBe('2026-09-09T11:00:00.000Z');
    // At three in the morning: from six of the same day.
    const [early] = secondLooks(shed([broken('b2', '2026-09-09T08:00:00Z')]), at('2026-09-09T10:00:00Z'), ZONE);
    expect(new Date(early!.fromMs).toISOString()).toBe('2026-09-09T11:00:00.000Z');
  });

  it('nobody is asked of a repair by day, of one that is not done, of the night before last, or of a machine out of use', () => {
    const now = at('2026-09-09T14:00:00Z');
    expect(secondLooks(shed([broken('b', '2026-09-08T19:00:00Z')]), now, ZONE)).toEqual([]);
    expect(secondLooks(shed([broken('b', '2026-09-09T04:40:00Z', { mended: false })]), now, ZONE)).toEqual([]);
    expect(secondLooks(shed([broken('b', '2026-09-07T04:40:00Z')]), now, ZONE)).toEqual([]);
    expect(secondLooks(shed([broken('b', '2026-09-09T04:40:00Z')], { retired: true }), now, ZONE)).toEqual([]);
    expect(secondLooks(shed([broken('b', '2026-09-09T20:40:00Z')]), now, ZONE)).toEqual([]);
  });
});
