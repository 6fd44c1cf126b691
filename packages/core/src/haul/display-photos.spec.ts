import { describe, expect, it } from 'vitest';
import type { LogEntry } from '../records/index.js';
import { displaysWaiting } from './index.js';

const photo = (id: string, at: string, voided = false): LogEntry<'displayPhoto'> => ({ body: { id, at, photo: id, placeId: 'cart', shows: 'scale' }, by: 'Ames', voided }); // prettier-ignore
const typed = (displayId: string, voided = false): LogEntry<'displayTyped'> => ({ body: { id: `t-${displayId}`, at: '2026-10-02T12:00:00Z', displayId, as: 'x' }, by: 'Oona', voided }); // prettier-ignore

describe('photographed displays', () => {
  it('wait, the oldest first, until they are typed or left out; typed by a slip and taken back they wait again', () => {
    const photos = [photo('c', '2026-10-01T15:00:00Z'), photo('a', '2026-10-01T13:00:00Z'), photo('b', '2026-10-01T14:00:00Z', true)]; // prettier-ignore
    expect(displaysWaiting(photos, []).map(({ id }) => id)).toEqual(['a', 'c']);
    expect(displaysWaiting(photos, [typed('a')]).map(({ id }) => id)).toEqual(['c']);
    expect(displaysWaiting(photos, [typed('a', true)]).map(({ id }) => id)).toEqual(['a', 'c']);
  });
});
