import { describe, expect, it } from 'vitest';
import { timeAxis } from './chart-frame';

const HOUR = 3_600_000;
const hours = (from: number, to: number): number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => (from + i) * HOUR);
const dayOf = (at: number): string => `day ${Math.floor(at / (24 * HOUR))}`;

describe('an axis of time', () => {
  it('has its first and its last moment at the ends, and few between them', () => {
    const { ticks } = timeAxis(hours(0, 240), dayOf);
    expect(ticks[0]).toBe(0);
    expect(ticks.at(-1)).toBe(240 * HOUR);
    expect(ticks).toHaveLength(4);
  });

  it('names nothing twice', () => {
    const { ticks, tickFormatter } = timeAxis(hours(1, 30), dayOf);
    expect(ticks.map(tickFormatter)).toEqual(['day 0', 'day 1']);
    expect(timeAxis([5 * HOUR], dayOf).ticks).toEqual([5 * HOUR]);
  });

  it('does not mind in which order the moments come', () => {
    expect(timeAxis(hours(3, 9).reverse(), String).ticks).toEqual(timeAxis(hours(3, 9), String).ticks);
  });
});
