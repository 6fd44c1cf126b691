import { describe, expect, it } from 'vitest';
import { placesInUse } from './farm.js';

const places = [
  { id: 'bin1', kind: 'bin' },
  { id: 'bin2', kind: 'bin', putAway: true },
  { id: 'bin3', kind: 'bin', putAway: true },
  { id: 'mill', kind: 'buyer', putAway: true },
];
const held: Record<string, number> = { bin2: 900, bin3: 12, mill: 500_000 };
const used = (of: typeof places) => placesInUse(of, (id) => held[id] ?? 0).map(({ id }) => id);

describe('places in use', () => {
  it('are those that were not put away, and those that hold grain all the same', () => {
    expect(used(places)).toEqual(['bin1', 'bin2']);
  });

  it('are the same array where none was put away: nothing is drawn again for it', () => {
    const all = places.slice(0, 1);
    expect(placesInUse(all, () => 0)).toBe(all);
  });

  it('count a buyer by whether he was put away, not by what was ever sold to him', () => {
    expect(used([{ id: 'mill', kind: 'buyer' }, ...places.slice(3)])).toEqual(['mill']);
  });
});
