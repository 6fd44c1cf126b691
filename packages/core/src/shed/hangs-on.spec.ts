import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { commonCause, hangOn, hangsOn } from './hangs-on.js';

const TREE = {
  hangs: [
    { part: 'Fan control', on: 'Fan belt' },
    { part: 'Fan belt', on: 'Beater shaft' },
    { part: 'Chopper', on: 'Chopper belt' },
    { part: 'Chopper belt', on: 'Beater shaft' },
    { part: 'Beater shaft', on: 'Beater bearing, left' },
    { part: 'Unloading auger', on: 'Main gearbox' },
  ],
};

describe('what hangs on what', () => {
  it('a squeak at the chopper and a dead fan control are one shaft, and its bearing behind it', () => {
    expect(hangsOn(TREE, 'fan  CONTROL')).toEqual(['Fan belt', 'Beater shaft', 'Beater bearing, left']);
    expect(commonCause(TREE, ['Chopper', 'Fan control'])).toEqual({ part: 'Beater shaft', explains: ['Chopper', 'Fan control'] }); // prettier-ignore
    // With the bearing itself hot, it is the bearing.
    expect(commonCause(TREE, ['Chopper', 'Beater bearing, left'])).toMatchObject({ part: 'Beater bearing, left' });
    expect(hangOn(TREE, 'Beater shaft')).toEqual(['Fan control', 'Fan belt', 'Chopper', 'Chopper belt']);
  });

  it('what has nothing in common has no cause, nor has one part alone', () => {
    expect(commonCause(TREE, ['Unloading auger', 'Fan control'])).toBeNull();
    expect(commonCause(TREE, ['Chopper', 'chopper '])).toBeNull();
    expect(commonCause({ hangs: [] }, ['a', 'b'])).toBeNull();
  });

  it('a list in a circle ends', () => {
    const names = fc.constantFrom('a', 'b', 'c', 'd');
    fc.assert(
      fc.property(fc.array(fc.record({ part: names, on: names }), { maxLength: 12 }), names, (hangs, part) => {
        const chain = hangsOn({ hangs }, part);
        expect(new Set([part, ...chain]).size).toBe(chain.length + 1);
      }),
      { seed: 4 },
    );
  });
});
