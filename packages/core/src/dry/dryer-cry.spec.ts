import { describe, expect, it } from 'vitest';
import type { LogEntry } from '../records/index.js';
import { dryerCry } from './index.js';

const NOW = Date.UTC(2026, 9, 10, 15);
const said = (minutesAgo: number, alarm?: 'flame'): LogEntry<'dryerSample'> => ({
  body: {
    id: 'x',
    at: new Date(NOW - minutesAgo * 60_000).toISOString(),
    placeId: 'dryer',
    ...(alarm ? { alarm } : {}),
  },
  by: 'control',
  voided: false,
});

describe('what a dryer’s control cries out', () => {
  it('stands until it says something else, or for two hours', () => {
    expect(dryerCry([said(5, 'flame'), said(15)], NOW)).toEqual({ alarm: 'flame', at: said(5).body.at });
    expect(dryerCry([said(1), said(5, 'flame')], NOW)).toBeNull();
    expect(dryerCry([said(119, 'flame')], NOW)).not.toBeNull();
    expect(dryerCry([said(120, 'flame')], NOW)).toBeNull();
    expect(dryerCry([], NOW)).toBeNull();
  });
});
