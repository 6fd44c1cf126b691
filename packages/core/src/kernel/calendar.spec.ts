import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromWallTime, happensTwice, knowZone, toWallTime, zoneTable } from './index.js';

/** Half hours, a change of half an hour, a day that never was (Apia, 30 December 2011), and the farm's own. */
const ZONES = ['America/Chicago', 'Asia/Kolkata', 'Australia/Lord_Howe', 'Pacific/Apia', 'Africa/Casablanca', 'UTC'];

/** The platform's own word for it, asked each time. */
function asked(ms: number, timeZone: string): string {
  const parts = new Intl.DateTimeFormat('en-US', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit', hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }).formatToParts(ms); // prettier-ignore
  const part = (type: string): string => parts.find((one) => one.type === type)!.value;
  return `${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}`;
}

describe('the farm’s clock', () => {
  it('says what the platform says, at any moment and on both sides of each change', () => {
    const moment = fc.integer({ min: 0, max: Date.UTC(2060, 0, 1) / 60_000 }).map((minute) => minute * 60_000);
    fc.assert(
      fc.property(moment, fc.constantFrom(...ZONES), (ms, zone) => {
        expect(toWallTime(ms, zone)).toBe(asked(ms, zone));
      }),
      { seed: 11, numRuns: 400 },
    );
    // Every quarter of an hour about the changes of Chicago 2026 and of Apia 2011.
    for (const [zone, about] of [
      ['America/Chicago', Date.UTC(2026, 2, 8)],
      ['America/Chicago', Date.UTC(2026, 10, 1)],
      ['Pacific/Apia', Date.UTC(2011, 11, 30)],
      ['Australia/Lord_Howe', Date.UTC(2026, 3, 4)],
      // Summer time for one week.
      ['America/Recife', Date.UTC(2000, 9, 8)],
      ['America/Recife', Date.UTC(2000, 9, 11)],
      ['America/Recife', Date.UTC(2000, 9, 15)],
    ] as const)
      // prettier-ignore
      for (let k = -150; k <= 150; k++) {
        const ms = about + k * 15 * 60_000;
        expect(toWallTime(ms, zone), `${zone} ${k}`).toBe(asked(ms, zone));
        const there = toWallTime(ms, zone);
        const back = [fromWallTime(there, zone), fromWallTime(there, zone, true)];
        expect(back, `${zone} ${there}`).toContain(ms);
        expect(happensTwice(there, zone)).toBe(back[0] !== back[1]);
      }
  });
  it('says the same in a table that was read before, and asks the platform beyond it', () => {
    const MINUTE = 60_000;
    const [from, until] = [Date.UTC(1999, 0, 1), Date.UTC(2030, 0, 1)];
    for (const zone of [...ZONES, 'America/Recife']) {
      // No platform knows a zone of this name: what is said of it stands in the table.
      const known = `Table/${zone}`;
      knowZone(
        known,
        zoneTable(from, until, (ms) => Date.parse(`${asked(ms, zone)}Z`) - Math.floor(ms / MINUTE) * MINUTE),
      );
      const moment = fc
        .integer({ min: from / MINUTE + 11_520, max: until / MINUTE - 11_520 })
        .map((minute) => minute * MINUTE);
      fc.assert(
        fc.property(moment, (ms) => {
          const there = toWallTime(ms, known);
          expect(there).toBe(asked(ms, zone));
          expect([fromWallTime(there, known), fromWallTime(there, known, true)]).toContain(ms);
        }),
        { seed: 7, numRuns: 200 },
      );
      expect(() => toWallTime(until + 86_400_000, known)).toThrow(RangeError);
    }
    // On both sides of a change, and twice in its hour.
    const twice = '2026-11-01T01:30';
    expect(happensTwice(twice, 'Table/America/Chicago')).toBe(true);
    for (const second of [false, true])
      expect(fromWallTime(twice, 'Table/America/Chicago', second)).toBe(fromWallTime(twice, 'America/Chicago', second));
    expect(fromWallTime('2026-03-08T02:30', 'Table/America/Chicago')).toBe(
      fromWallTime('2026-03-08T02:30', 'America/Chicago'),
    );
  });
  it('goes there and back on ordinary days', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 30_000 }), fc.integer({ min: 0, max: 1439 }), fc.constantFrom(...ZONES), (day, minute, zone) => {
        const text = new Date(day * 86_400_000 + minute * 60_000).toISOString().slice(0, 16);
        const ms = fromWallTime(text, zone);
        // An hour, or a day, that was left out has gone on.
        expect(toWallTime(ms, zone) >= text).toBe(true);
      }),
      { seed: 5, numRuns: 300 },
    ); // prettier-ignore
  });
  it('refuses what is no time and no zone', () => {
    expect(fromWallTime('2026-02-30', 'UTC')).toBeNaN();
    expect(fromWallTime('2026-13-01T10:00', 'UTC')).toBeNaN();
    expect(() => toWallTime(Date.UTC(2026, 0, 1), 'Nowhere/Here')).toThrow(RangeError);
    expect(() => toWallTime(NaN, 'UTC')).toThrow(RangeError);
  });
});
