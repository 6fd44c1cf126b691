import { describe, expect, it } from 'vitest';
import { Buckets } from './buckets.js';

const taken = (buckets: Buckets, key: string, atMs: number, tries = 1000): number => {
  let n = 0;
  while (n < tries && buckets.take(key, atMs)) n++;
  return n;
};

describe('how often each may come', () => {
  it('so many at once, and so many more each second; one does not take from another', () => {
    const buckets = new Buckets(10, 2);
    expect(taken(buckets, 'a', 0)).toBe(10);
    expect(taken(buckets, 'b', 0)).toBe(10);
    expect(taken(buckets, 'a', 3000)).toBe(6);
    expect(taken(buckets, 'a', 1e9)).toBe(10);
  });
  it('of two processes each allows half, so that both together allow no more', () => {
    const each = [0, 1].map(() => new Buckets(10, 2, () => 2));
    const all = (atMs: number): number => each.reduce((sum, one) => sum + taken(one, 'a', atMs), 0);
    expect([all(0), all(3000)]).toEqual([10, 6]);
  });
  it('follows when one process goes', () => {
    let alive = 2;
    const buckets = new Buckets(10, 2, () => alive);
    expect(taken(buckets, 'a', 0)).toBe(5);
    alive = 1;
    expect(taken(buckets, 'a', 5000)).toBe(10);
  });
});
