import { describe, expect, it } from 'vitest';
import { extendCurve } from './curve.js';

const at = (...seconds: number[]) => seconds.map((second) => ({ atMs: second * 1000 }));
const seconds = (samples: readonly { atMs: number }[]) => samples.map(({ atMs }) => atMs / 1000);

describe('a curve that is kept', () => {
  it('takes what is new, in order, once', () => {
    const { curve, fresh } = extendCurve(at(1, 2, 3), at(5, 3, 4, 5, 2), 60_000);
    expect([seconds(curve), seconds(fresh)]).toEqual([
      [1, 2, 3, 4, 5],
      [4, 5],
    ]);
    expect(extendCurve(curve, at(5), 60_000)).toEqual({ curve, fresh: [] });
    expect(extendCurve(curve, [], 60_000)).toEqual({ curve, fresh: [] });
  });
  it('forgets what is old', () => {
    expect(seconds(extendCurve(at(1, 30, 50), at(70), 30_000).curve)).toEqual([50, 70]);
  });
  it('begins again when a clock was set back, and not for a figure that is merely late', () => {
    expect(seconds(extendCurve(at(1000, 1001), at(400, 401), 60_000).curve)).toEqual([400, 401]);
    expect(seconds(extendCurve(at(1000, 1001), at(990), 60_000).curve)).toEqual([1000, 1001]);
  });
});
