import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bushels, mass, moisture, parseNumber, readMoisture, readWeight } from '../quantity/quantity';
import { clock, weekday } from '../quantity/time';
import { fromWallTime, happensTwice, toWallTime } from '@fanega/core';

describe('quantities as people write them', () => {
  it.each([
    ['52,400', 52_400],
    ['52 400', 52_400],
    [' 52400.5 ', 52_400.5],
    ['.5', 0.5],
    ['-3', -3],
    ['', NaN],
    ['12x', NaN],
    ['1e5', NaN],
    ['1.2.3', NaN],
    ['--1', NaN],
  ])('%j is %d', (text, value) => {
    expect(parseNumber(text)).toBe(value);
  });

  it('a moisture is percent, to a tenth or finer, and comes back as it was typed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 10, max: 600 }), (tenths) => {
        const text = (tenths / 10).toFixed(1);
        expect(moisture.figure(readMoisture(text).value!)).toBe(text);
      }),
      { seed: 3, numRuns: 200 },
    );
    expect(readMoisture('16.5').value).toBe(0.165);
    expect(readMoisture('')).toEqual({});
  });

  it('pounds and bushels come back as they were typed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 9_000_000 }), (pounds) => {
        expect(mass.figure(readWeight(String(pounds), 'lb', 25.4).kg!)).toBe(pounds.toLocaleString('en-US'));
      }),
      { seed: 4, numRuns: 200 },
    );
    expect(readWeight('100', 'bu', 25.40117272).kg).toBeCloseTo(2540.117272, 9);
  });

  it('nothing is shown as less than nothing by rounding', () => {
    expect([bushels.figure(-0.2), mass.figure(-0.1), bushels.figure(0.4)]).toEqual(['0', '0', '0']);
  });
});

describe('time on the farm', () => {
  const ZONES = ['America/Chicago', 'UTC', 'America/Winnipeg', 'Australia/Perth', 'Europe/Warsaw', 'Asia/Kolkata'];

  it('a wall time goes to its instant and back, in every zone and through the changes of the clock', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.integer({ min: Date.UTC(2024, 0, 1) / 60_000, max: Date.UTC(2028, 0, 1) / 60_000 }),
        (zone, minute) => {
          const ms = minute * 60_000;
          const wall = toWallTime(ms, zone);
          expect([fromWallTime(wall, zone), fromWallTime(wall, zone, true)]).toContain(ms);
        },
      ),
      { seed: 5, numRuns: 500 },
    );
  });

  it('the hour that comes twice in autumn is known, and an ordinary one is not doubled', () => {
    expect(happensTwice('2026-11-01T01:30', 'America/Chicago')).toBe(true);
    expect(happensTwice('2026-11-01T02:30', 'America/Chicago')).toBe(false);
    expect(
      fromWallTime('2026-11-01T01:40', 'America/Chicago', true) - fromWallTime('2026-11-01T01:40', 'America/Chicago'),
    ).toBe(3_600_000);
  });

  it('the hour that spring leaves out has gone on', () => {
    expect(toWallTime(fromWallTime('2026-03-08T02:30', 'America/Chicago'), 'America/Chicago')).toBe('2026-03-08T03:30');
    expect(fromWallTime('soon', 'America/Chicago')).toBeNaN();
  });

  it('is shown by the farm’s clock, not by this machine’s', () => {
    expect(clock('2026-09-08T19:52:00Z', 'America/Chicago')).toBe('2:52 pm');
    expect(weekday('2026-09-09T03:00:00Z', 'America/Chicago')).toContain('Tue');
  });
});
