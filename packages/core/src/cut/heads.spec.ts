import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { borrowedHead, dewOrDry } from './index.js';

const counts = (damp: readonly number[], dry: readonly number[]) => [...damp.map((loss) => ({ loss, humidity: 0.9 })), ...dry.map((loss) => ({ loss, humidity: 0.4 }))]; // prettier-ignore

describe('a head in dew and in the dry', () => {
  it('is Welch’s interval: 1.4, 1.6, 1.5 against 0.5, 0.7, 0.6', () => {
    // Both sides have s = 0.1: standard error sqrt(2 x 0.01 / 3) = 0.0816, 4 degrees of freedom, t = 2.776 by any table.
    const found = dewOrDry(counts([1.4, 1.6, 1.5], [0.5, 0.7, 0.6]), 0.8);
    expect(found.difference).toBeCloseTo(0.9, 9);
    expect(found.uncertainty).toBeCloseTo(2.776 * Math.sqrt(0.02 / 3), 3);
    expect(found.verdict).toBe('dew costs');
  });
  it('takes fewer degrees of freedom where one side scatters more', () => {
    // s² 0.25 and 0.0025 of three each: (a + b)² / (a²/2 + b²/2) = 2.04, so t is that of two: 4.303.
    const found = dewOrDry(counts([1, 1.5, 2], [0.95, 1, 1.05]), 0.8);
    expect(found.uncertainty).toBeCloseTo(4.303 * Math.sqrt(0.25 / 3 + 0.0025 / 3), 2);
    expect(found.verdict).toBe('not shown to differ');
  });
  it('says when the dry costs, and asks for more where one side has a single count', () => {
    expect(dewOrDry(counts([0.3, 0.35, 0.32], [1.1, 1.2, 1.15]), 0.8).verdict).toBe('dry costs');
    expect(dewOrDry(counts([0.3], [1, 1.2]), 0.8)).toMatchObject({ verdict: 'count more', difference: null, dew: { counts: 1, loss: 0.3 } }); // prettier-ignore
    expect(dewOrDry([], 0.8)).toMatchObject({ dew: { counts: 0, loss: null } });
  });
  it('refuses what is no humidity', () => {
    expect(() => dewOrDry([{ loss: 1, humidity: 1.2 }], 0.8)).toThrow(/humidity/);
    expect(() => dewOrDry([], 0.1)).toThrow(/dew line/);
  });
});

describe('a borrowed head', () => {
  const input = { acres: 300, own: { acresPerHour: 8, loss: 1.2 }, other: { acresPerHour: 11, loss: 0.8 }, price: 10.2, hourly: 250, rent: 0, rentPerAcre: 5, fetchHours: 3 }; // prettier-ignore
  it('saves hours and grain, and costs its rent and its fetching', () => {
    const found = borrowedHead(input);
    expect(found.hoursOwn - found.hoursOther).toBeCloseTo(37.5 - 27.27, 2);
    expect(found.time).toBeCloseTo(2556.8, 1);
    expect(found.grain).toBeCloseTo(1224, 6);
    expect(found.cost).toBe(2250);
    expect(found.saved).toBeCloseTo(1530.8, 1);
    expect(found.verdict).toBe('borrow');
    // At the break-even it saves nothing.
    expect(borrowedHead({ ...input, acres: found.breakEvenAcres! }).saved).toBeCloseTo(0, 6);
  });
  it('pays on no acre where each costs more than it saves', () => {
    const found = borrowedHead({ ...input, rentPerAcre: 40 });
    expect(found).toMatchObject({ breakEvenAcres: null, verdict: 'keep the own' });
  });
  it('more rent never makes it better, and saved is what its parts come to', () => {
    const dollars = fc.double({ min: 0, max: 500, noNaN: true });
    fc.assert(
      fc.property(dollars, dollars, fc.double({ min: 0, max: 5000, noNaN: true }), (rent, more, acres) => {
        const one = borrowedHead({ ...input, rent, acres });
        expect(borrowedHead({ ...input, rent: rent + more, acres }).saved).toBeLessThanOrEqual(one.saved + 1e-9);
        expect(one.time + one.grain - one.cost).toBeCloseTo(one.saved, 6);
      }),
      { seed: 7 },
    );
  });
});
