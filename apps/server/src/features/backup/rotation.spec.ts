import { describe, expect, it } from 'vitest';
import { keptBackups } from './rotation.js';

const DAY = 86_400_000;
const start = Date.UTC(2026, 0, 1, 3);

describe('which backups are kept', () => {
  it('of two years of daily ones: 14 days, 8 weeks, 24 months, and the newest', () => {
    let kept: number[] = [];
    for (let day = 0; day < 730; day++) kept = [...keptBackups([...kept, start + day * DAY])];
    const ages = kept.map((ms) => (start + 729 * DAY - ms) / DAY).sort((a, b) => a - b);
    expect(ages.slice(0, 14)).toEqual(Array.from({ length: 14 }, (_, i) => i));
    // Nothing between is older than it must be: at most a week apart for two months, a month apart afterwards.
    const gaps = ages.slice(1).map((age, i) => [ages[i]!, age - ages[i]!] as const);
    expect(Math.max(...gaps.filter(([age]) => age < 40).map(([, gap]) => gap))).toBeLessThanOrEqual(7);
    expect(Math.max(...gaps.map(([, gap]) => gap))).toBeLessThanOrEqual(31);
    expect(ages.at(-1)!).toBeGreaterThan(680);
    expect(kept.length).toBeLessThan(14 + 8 + 24);
  });

  it('keeps the only one, and two of one hour are one', () => {
    expect([...keptBackups([start])]).toEqual([start]);
    expect([...keptBackups([start, start + 1])]).toEqual([start + 1]);
    expect(keptBackups([]).size).toBe(0);
  });
});
