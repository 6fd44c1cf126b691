import { afterEach, describe, expect, it, vi } from 'vitest';
import {
  clock,
  day,
  dayText,
  dayTyped,
  dayYearText,
  hourText,
  minuteText,
  moment,
  momentTyped,
  readMinute,
  setClockStyle,
  since,
  weekday,
} from './time';
import { readDay, readMoment } from './time-typed';

const store = new Map<string, string>();
vi.stubGlobal('localStorage', {
  getItem: (key: string) => store.get(key) ?? null,
  setItem: (key: string, value: string) => store.set(key, value),
});
afterEach(() => setClockStyle('12'));

describe('dates and times', () => {
  it('are said as people here say them: twelve hours, the month before the day', () => {
    expect(clock('2026-09-08T19:52:00Z', 'America/Chicago')).toBe('2:52 pm');
    expect(clock('2026-09-08T05:05:00Z', 'America/Chicago')).toBe('12:05 am');
    expect(clock('2026-09-08T17:00:00Z', 'America/Chicago')).toBe('12:00 pm');
    expect(weekday('2026-09-09T03:00:00Z', 'America/Chicago')).toBe('Tue, Sep 8');
    expect(moment('2026-09-09T03:00:00Z', 'America/Chicago')).toBe('Sep 8, 10:00 pm');
    expect([dayText('2026-09-20'), dayText('2028-02-29')]).toEqual(['Sep 20', 'Feb 29']);
    expect(since('2026-09-08T19:49:00Z', '2026-09-08T19:52:00Z')).toBe('3 minutes ago');
  });
  it('have a clock of 24 hours for those who wish it', () => {
    setClockStyle('24');
    expect(clock('2026-09-08T19:52:00Z', 'America/Chicago')).toBe('14:52');
    expect([minuteText(1089), hourText(7.25)]).toEqual(['18:09', '07:15']);
  });
  it('agree with the platform’s own calendar over both changes of the clock, in many zones', () => {
    for (const timeZone of [
      'America/Chicago',
      'America/Denver',
      'Europe/Warsaw',
      'Australia/Lord_Howe',
      'Asia/Kolkata',
    ]) {
      const own = new Intl.DateTimeFormat('en-US', { timeZone, hour: 'numeric', minute: '2-digit', hour12: true });
      const ownDay = new Intl.DateTimeFormat('en-US', { timeZone, month: 'short', day: 'numeric' });
      for (const from of ['2026-03-08', '2026-03-29', '2026-04-05', '2026-10-04', '2026-10-25', '2026-11-01'])
        for (let half = 0; half < 96; half++) {
          const at = Date.parse(`${from}T00:00:00Z`) - 12 * 3_600_000 + half * 1_800_000;
          expect(clock(at, timeZone)).toBe(own.format(at).replace(/\s/g, ' ').toLowerCase());
          expect(day(at, timeZone)).toBe(ownDay.format(at));
        }
    }
  });
});

describe('minutes of the day', () => {
  it('are read as people write them, in either clock, and nothing else is', () => {
    for (const text of ['18:09', '6:09 pm', '6:09pm', '6:09 PM', '6:09 p.m.', '6:09p', '1809'])
      expect(readMinute(text), text).toBe(1089);
    expect(['12:00 am', '12:30 pm', '7 am', ' 7:05 ', '00:00'].map(readMinute)).toEqual([0, 750, 420, 425, 0]);
    for (const wrong of ['18:99', '24:00', '13 pm', '0:30 am', '6', '', '18.09', '6:9', 'noon', '-1:00'])
      expect(readMinute(wrong), wrong).toBeNaN();
  });
  it('go round midnight, and come back as they were in both clocks', () => {
    expect([minuteText(1440 + 15), minuteText(-5), minuteText(1105.6)]).toEqual(['12:15 am', '11:55 pm', '6:26 pm']);
    for (const style of ['12', '24'] as const) {
      setClockStyle(style);
      for (let minute = 0; minute < 1440; minute += 7) expect(readMinute(minuteText(minute))).toBe(minute);
    }
  });
});

describe('days and moments that are typed', () => {
  const ZONE = 'America/Chicago';
  const NOW = Date.parse('2026-09-08T19:52:00Z');
  it('are read as people here write them, the month before the day', () => {
    for (const text of [
      '10/14/2026',
      '10/14/26',
      '10-14-2026',
      '2026-10-14',
      'Oct 14, 2026',
      'October 14',
      '10/14',
      'oct 14',
    ])
      expect(readDay(text, '2026-09-08'), text).toEqual({ value: '2026-10-14' });
    expect([dayTyped('2026-10-14'), dayYearText('2026-10-14')]).toEqual(['10/14/2026', 'Oct 14, 2026']);
    expect([dayTyped(null), dayTyped('')]).toEqual(['', '']);
  });
  it('that are none are said to be none', () => {
    expect(readDay('2/29/2028', '2026-09-08')).toEqual({ value: '2028-02-29' });
    expect(readDay('2/29/2027', '2026-09-08').error).toBe(
      'There is no 2/29/2027: month before day, a day like 09/08/2026',
    );
    for (const text of ['14/10/2026', '2026-13-01', '4/31', '0/3'])
      expect(readDay(text, '2026-09-08').error, text).toMatch(/^There is no /);
    for (const text of ['', 'soon', '10', '10/14/2', '10.14.2026', '1e9'])
      expect(readDay(text, '2026-09-08').error, text).toBe('A day like 09/08/2026');
  });
  it('come back as they were, in both clocks, over both changes of the clock', () => {
    for (const style of ['12', '24'] as const) {
      setClockStyle(style);
      for (const from of ['2026-03-08T00:00:00Z', '2026-10-31T22:00:00Z'])
        for (let quarter = 0; quarter < 96; quarter++) {
          const at = Date.parse(from) + quarter * 900_000;
          expect(readMoment(momentTyped(at, ZONE), ZONE, NOW)).toEqual({ value: at });
        }
    }
  });
  it('are of today where no day is typed, and take what a browser’s own box writes', () => {
    expect(readMoment('2:30 pm', ZONE, NOW)).toEqual({ value: Date.parse('2026-09-08T19:30:00Z') });
    expect(readMoment('2026-09-07T06:05', ZONE, NOW)).toEqual({ value: Date.parse('2026-09-07T11:05:00Z') });
    expect(readMoment('9/7 6:05a', ZONE, NOW)).toEqual({ value: Date.parse('2026-09-07T11:05:00Z') });
  });
  it('of the hour that comes twice want to know which, and the hour that never came is none', () => {
    expect(readMoment('11/1/2026 1:30 am', ZONE, NOW).error).toBe(
      '1:30 am came twice that night: write “first” or “second” behind it',
    );
    expect(readMoment('11/1/2026 1:30 am first', ZONE, NOW)).toEqual({ value: Date.parse('2026-11-01T06:30:00Z') });
    expect(readMoment('11/1/2026 1:30 am second', ZONE, NOW)).toEqual({ value: Date.parse('2026-11-01T07:30:00Z') });
    expect(readMoment('3/8/2026 2:30 am', ZONE, NOW).error).toBe(
      'There was no 2:30 am that night: the clock went ahead an hour',
    );
    for (const text of ['', 'noon', '9/8/2026', '2/30 6:00 am'])
      expect(readMoment(text, ZONE, NOW).error, text).toMatch(/^(A day and a time, like|There is no 2\/30)/);
  });
});
