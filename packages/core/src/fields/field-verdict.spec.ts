import { describe, expect, it } from 'vitest';
import { CROPS } from '../crops/index.js';
import { chanceToPass } from '../grain/index.js';
import { type FieldVerdictInput, fieldVerdict } from './field-verdict.js';
import { fieldNow, type FieldNow } from './field-now.js';
import { buyerOffset, testersFor } from './standing.js';
import type { FieldForecast } from './field-forecast.js';
import type { StartCost } from './waiting.js';

const HOUR = 3_600_000;
const NOON = Date.UTC(2026, 8, 8, 17);
const read = (moisture: number, hoursAgo = 0.5): FieldNow => ({
  ...{ moisture, read: moisture, low: moisture, high: moisture, count: 1, source: 'hand', tester: '' },
  atMs: NOON - hoursAgo * HOUR,
});
const window = { tooDryBelow: 0.1, bestFrom: 0.115, bestTo: 0.135, refuseAbove: 0.15 };
const forecast = (enters: number | null, leaves: number | null): FieldForecast => ({
  by: 'the day’s weather',
  points: [],
  enters: { likely: enters, early: enters, late: enters },
  leaves: { likely: leaves, early: leaves, late: leaves, how: 'too dry' },
  readings: 1,
  pointsPerDay: null,
});
const start = (hour: number, behind: number, more: Partial<StartCost> = {}): StartCost => ({
  ...{ start: hour, money: 20_000 - behind, behind, cutDryKg: 1000, leftDryKg: 0, moisture: 0.13, belowBaseDryKg: 0 },
  ...{ until: hour + 4, endedBy: 'field done' as const },
  ...more,
});
const given: FieldVerdictInput = {
  facts: { acresLeft: 40, cuttingToday: false, crop: CROPS.soybean },
  window,
  now: read(0.13),
  wetStraw: false,
  oldAfterHours: 3,
  forecast: forecast(NOON, NOON + 5 * HOUR),
  waiting: null,
  refused: null,
  nowMs: NOON,
};
const answer = (more: Partial<FieldVerdictInput>) => fieldVerdict({ ...given, ...more });

describe('the one answer of a field', () => {
  it('is none while something that could turn it is being worked out', () => {
    expect(answer({ forecast: 'pending' })).toBe('pending');
    expect(answer({ waiting: 'pending' })).toBe('pending');
    // What needs neither is said at once.
    expect(answer({ forecast: 'pending', now: null })).toMatchObject({ answer: 'read it' });
    expect(answer({ waiting: 'pending', facts: { ...given.facts, acresLeft: 0 } })).toMatchObject({ answer: 'done' });
    expect(answer({ forecast: 'pending', window: undefined })).toMatchObject({ answer: 'no window' });
  });

  it('asks for a reading where the last one is old, whatever money says', () => {
    const waiting = { starts: [start(0, 0)], best: 0, baseMs: NOON };
    expect(answer({ now: read(0.13, 6), waiting })).toMatchObject({ answer: 'read it', because: 'reading too old' });
  });

  it('goes by the money where it is known: now, until it stops, or later and what that brings', () => {
    const now = { starts: [start(0, 0, { until: 4.5, endedBy: 'closing' }), start(21, 900)], best: 0, baseMs: NOON };
    expect(answer({ waiting: now })).toEqual({ answer: 'cut now', because: 'the best start by money', untilMs: NOON + 4.5 * HOUR, ends: 'closing', gain: 900, bestMs: NOON }); // prettier-ignore
    const later = { starts: [start(0, 917), start(21, 0)], best: 21, baseMs: NOON };
    expect(answer({ waiting: later })).toMatchObject({ answer: 'wait', because: 'waiting brings more', untilMs: NOON + 21 * HOUR, gain: 917 }); // prettier-ignore
    // Less than a reading's own doubt is not worth waiting for.
    const same = { starts: [start(0, 40), start(21, 0)], best: 21, baseMs: NOON };
    expect(answer({ waiting: same })).toMatchObject({ answer: 'cut now', because: 'too little to wait for', gain: 40, bestMs: NOON + 21 * HOUR }); // prettier-ignore
  });

  it('never cuts what the buyer refuses, and stops where no start is taken at all', () => {
    const later = { starts: [start(0, 0), start(5, 10)], best: 0, baseMs: NOON };
    expect(answer({ now: read(0.16), waiting: later })).toMatchObject({ answer: 'wait', because: 'refused above' });
    const never = { starts: [start(0, 0, { cutDryKg: 0 })], best: 0, baseMs: NOON };
    expect(answer({ now: read(0.16), waiting: never })).toMatchObject({ answer: 'stop', because: 'refused above' });
    expect(answer({ now: read(0.16), forecast: forecast(null, null) })).toMatchObject({ answer: 'stop' });
  });

  it('without prices goes by the window, and until it leaves it', () => {
    expect(answer({})).toMatchObject({ answer: 'cut now', untilMs: NOON + 5 * HOUR, ends: 'leaves the window' });
    expect(answer({ wetStraw: true })).toMatchObject({ answer: 'stop', because: 'dew or rain on it' });
    expect(answer({ now: read(0.09) })).toMatchObject({ answer: 'stop', because: 'too dry' });
  });
});

describe('what a field reads now', () => {
  const row = (lastMoisture: object | null) => ({ lot: { crop: 'corn' }, lastMoisture }) as never;
  it('is the newest reading, or the mean of those of its hour with their spread, each by its own tester', () => {
    expect(fieldNow(row(null), new Map())).toBeNull();
    const pairs = [1, 2, 3].map((n) => ({ tester: 0.15, buyer: 0.156, at: '', id: String(n) }));
    const testers = new Map([['shop', { name: 'shop', pairs, newest: '' }]]);
    const at = '2026-09-08T16:00:00Z';
    const hour = [{ moisture: 0.15, tester: 'shop' }, { moisture: 0.16, tester: '' }]; // prettier-ignore
    expect(fieldNow(row({ moisture: 0.16, at, source: 'hand', tester: '', hour }), testers)).toMatchObject({
      read: expect.closeTo(0.155, 9),
      moisture: expect.closeTo(0.158, 9),
      low: expect.closeTo(0.156, 9),
      high: expect.closeTo(0.16, 9),
      count: 2,
    });
  });
  it('a tester counts by its pairs of this crop, and of this buyer where he has enough', () => {
    const pair = (offset: number, crop?: string, buyerId?: string) => ({
      tester: 0.15,
      buyer: 0.15 + offset,
      at: `2026-09-0${offset > 0 ? 2 : 1}`,
      id: '',
      ...(crop === undefined ? {} : { crop }),
      ...(buyerId === undefined ? {} : { buyerId }),
    });
    const pairs = [
      ...[1, 2, 3].map(() => pair(0.01, 'corn', 'mill')),
      ...[1, 2, 3].map(() => pair(0.002, 'corn', 'terminal')),
      ...[1, 2, 3].map(() => pair(-0.02, 'soybean', 'mill')),
    ];
    const all = new Map([['shop', { name: 'shop', pairs, newest: '2026-09-02' }]]);
    const offset = (crop: string, buyer: string | null) => buyerOffset(testersFor(all, crop, buyer).get('shop'));
    expect(offset('corn', 'mill')).toBeCloseTo(0.01, 9);
    expect(offset('corn', 'terminal')).toBeCloseTo(0.002, 9);
    // Nobody said which, or he has no pairs: all of the crop.
    expect(offset('corn', null)).toBeCloseTo(0.006, 9);
    expect(offset('corn', 'other')).toBeCloseTo(0.006, 9);
    expect(offset('soybean', 'mill')).toBeCloseTo(-0.02, 9);
    expect(testersFor(all, 'sorghum', null).get('shop')!.pairs).toEqual([]);
    const reading = row({ moisture: 0.15, at: '2026-09-08T16:00:00Z', source: 'hand', tester: 'shop' });
    expect(fieldNow(reading, all, 'mill')!.moisture).toBeCloseTo(0.16, 9);
    // Pairs of before crops were written down count for every crop.
    const old = new Map([['shop', { name: 'shop', pairs: [1, 2, 3].map(() => pair(0.005)), newest: '' }]]);
    expect(buyerOffset(testersFor(old, 'sorghum', null).get('shop'))).toBeCloseTo(0.005, 9);
  });
});

describe('the chance to pass the buyer’s limit', () => {
  const pairs = (differences: readonly number[]) => differences.map((d) => ({ tester: 0.15, buyer: 0.15 + d / 100 }));
  it('is even at the limit less the offset, and 95 in 100 at t times the spread below it', () => {
    // Differences 0.2, 0.4, 0.6: offset 0.4, s 0.2; t(0.95, one-sided) with 2 degrees of freedom 2.920 (t table of any handbook, from memory).
    const found = chanceToPass(0.15, 0.155, pairs([0.2, 0.4, 0.6]))!;
    expect(found.even).toBeCloseTo(0.151, 9);
    const spread = 0.2 * Math.sqrt(1 + 1 / 3);
    expect(100 * (found.even - found.safe)).toBeCloseTo(2.92 * spread, 3);
    expect(chanceToPass(found.even, 0.155, pairs([0.2, 0.4, 0.6]))!.chance).toBeCloseTo(0.5, 6);
    expect(chanceToPass(found.safe, 0.155, pairs([0.2, 0.4, 0.6]))!.chance).toBeCloseTo(0.95, 4);
    // Ten pairs: 9 degrees, 1.833.
    const ten = pairs([0.1, 0.2, 0.3, 0.4, 0.5, 0.1, 0.2, 0.3, 0.4, 0.5]);
    const s = Math.sqrt(0.2 / 9);
    const many = chanceToPass(0.15, 0.155, ten)!;
    expect(100 * (many.even - many.safe)).toBeCloseTo(1.833 * s * Math.sqrt(1.1), 3);
  });
  it('falls with the reading, and says nothing of two pairs', () => {
    expect(chanceToPass(0.15, 0.155, pairs([0.2, 0.4]))).toBeNull();
    const chances = [0.145, 0.15, 0.151, 0.153, 0.16].map(
      (m) => chanceToPass(m, 0.155, pairs([0.2, 0.4, 0.6]))!.chance,
    );
    for (const [i, chance] of chances.entries()) if (i > 0) expect(chance).toBeLessThan(chances[i - 1]!);
    expect(chances[0]).toBeGreaterThan(0.93);
  });
});
