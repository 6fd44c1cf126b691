import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { kilogramsPerBushel } from '../units/index.js';
import { levelWatch, tapeCheck } from './index.js';

const KG = kilogramsPerBushel(56);
const HOUR = 3_600_000;
const NOW = Date.UTC(2026, 9, 3, 18);
const setup = { diameter: 9.144, eave: 6, hopper: 0, packFactor: 1.05 };
const grainAt = (belowEave: number): number =>
  tapeCheck({ setup, crop: CROPS.corn, moisture: 0.15, seen: 'level', belowEave, bookKg: 0 }).kg;
const watch = (levels: readonly (readonly [hoursAgo: number, below: number])[], booked: number) =>
  levelWatch({
    setup,
    crop: CROPS.corn,
    moisture: 0.15,
    readings: levels.map(([hours, belowEave]) => ({ atMs: NOW - hours * HOUR, belowEave })),
    bookedBetween: () => booked,
  });

describe('a level that rises against the loads since', () => {
  const rise = grainAt(3) - grainAt(3.4);
  it('agrees where the loads are as heavy as the rise, within what sensors are off', () => {
    expect(rise / KG).toBeGreaterThan(700);
    expect(watch([[2, 3.4], [0, 3]], rise)).toMatchObject({ answer: 'agrees', riseKg: rise, sinceMs: NOW - 2 * HOUR }); // prettier-ignore
    expect(watch([[2, 3.4], [0, 3]], rise + 0.05 * grainAt(3) * 0.02)?.answer).toBe('agrees'); // prettier-ignore
  });
  it('a rise that nothing in the book explains is more, loads without a rise are less', () => {
    expect(watch([[2, 3.4], [0, 3]], 0)).toMatchObject({ answer: 'more', differenceKg: rise }); // prettier-ignore
    expect(watch([[2, 3.4], [0, 3.4]], 900 * KG)).toMatchObject({ answer: 'less', riseKg: 0 }); // prettier-ignore
  });
  it('leaves out what cannot be, and asks for two levels of one half day', () => {
    expect(watch([[2, 3.4], [1, 40], [0.5, -2], [0, 3]], rise)?.answer).toBe('agrees'); // prettier-ignore
    expect(watch([[0, 3]], 0)).toBeNull();
    expect(watch([[20, 5], [0, 3]], 0)).toBeNull(); // prettier-ignore
    expect(() => watch([[0, NaN]], 0)).toThrow();
  });
});
