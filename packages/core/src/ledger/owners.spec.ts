import { describe, expect, it } from 'vitest';
import { neighborRows, splitByOwner } from './owners.js';

describe('somebody else’s rows', () => {
  it('are named after their owner, and never twice the same', () => {
    const used = { fieldNames: ['Old Dorsey’s rows', 'Old Dorsey’s rows 2'], tags: ['OD', 'HS'] };
    expect(neighborRows('  Old Dorsey ', used)).toEqual({ fieldName: 'Old Dorsey’s rows 3', tag: 'OD2' });
    expect(neighborRows('Vance', { fieldNames: [], tags: [] })).toEqual({ fieldName: 'Vance’s rows', tag: 'VA' });
    expect(neighborRows('Vance heirs', { fieldNames: [], tags: [] })).toEqual({
      fieldName: 'Vance heirs’ rows',
      tag: 'VH',
    });
    expect(neighborRows('J', { fieldNames: [], tags: [] }).tag).toBe('J');
    const long = neighborRows('A'.repeat(60), { fieldNames: [], tags: [] });
    expect([long.fieldName.length <= 60, long.tag.length <= 4]).toEqual([true, true]);
  });
  it('are his in every load they are part of, and the farm’s own stays its own', () => {
    const shares = (lot: string) => (lot === 'od' ? [{ owner: 'Old Dorsey', part: 1 }] : lot === 'hs' ? [{ owner: 'Kestrel', part: 2 / 3 }, { owner: 'Vance heirs', part: 1 / 3 }] : undefined); // prettier-ignore
    const split = splitByOwner({ od: 3000, hs: 9000, pt: 100 }, shares, 'Kestrel');
    expect(split.map(({ owner, own, kg }) => [owner, own, Math.round(kg)])).toEqual([
      ['Kestrel', true, 6100],
      ['Old Dorsey', false, 3000],
      ['Vance heirs', false, 3000],
    ]);
  });
});
