import { describe, expect, it } from 'vitest';
import { type AlarmFacts, alarmsNow, isQuiet } from './alarms.js';

const HOUR = 3_600_000;
const NOW = 1000 * HOUR;
const list: AlarmFacts[] = [
  { key: 'fuel', kind: 'fuel', byMs: NOW + 0.5 * HOUR, places: ['combine'] },
  { key: 'rain', kind: 'rain', byMs: NOW + 3 * HOUR, places: null },
  { key: 'leg', kind: 'machine', byMs: null, places: ['bins'] },
  { key: 'climb', kind: 'person', byMs: null, places: null },
  { key: 'late', kind: 'wet grain', byMs: NOW - HOUR, places: ['cart'] },
  { key: 'far', kind: 'closing', byMs: NOW + 20 * HOUR, places: null },
];
const at = { nowMs: NOW, hour: 14, heard: new Set<string>(), place: null as string | null };
const keys = (more: Partial<typeof at> = {}): string[] =>
  alarmsNow(list, { ...at, ...more }).map(({ alarm }) => alarm.key);

describe('one list of alarms', () => {
  it('danger first, then by the clock; what is far off is none yet', () => {
    expect(keys()).toEqual(['climb', 'leg', 'late', 'fuel', 'rain']);
  });

  it('a cab hears what concerns it, and danger always', () => {
    expect(keys({ place: 'combine' })).toEqual(['climb', 'leg', 'fuel', 'rain']);
    expect(keys({ place: 'cart' })).toEqual(['climb', 'leg', 'late', 'rain']);
  });

  it('what somebody sees to is quiet for all', () => {
    expect(keys({ heard: new Set(['leg', 'rain']) })).toEqual(['climb', 'late', 'fuel']);
  });

  it('in quiet hours only danger is aloud', () => {
    const aloud = (hour: number): string[] =>
      alarmsNow(list, { ...at, hour, quietFrom: 22, quietTo: 5 }).flatMap(({ alarm, aloud: yes }) => (yes ? alarm.key : [])); // prettier-ignore
    expect(aloud(14)).toEqual(['climb', 'leg', 'late', 'fuel']);
    expect(aloud(23)).toEqual(['climb', 'leg']);
  });

  it('quiet hours go over midnight, and none are none', () => {
    expect([21, 22, 2, 5].map((hour) => isQuiet(hour, 22, 5))).toEqual([false, true, true, false]);
    expect(isQuiet(3, undefined, 5)).toBe(false);
    expect([1, 4].map((hour) => isQuiet(hour, 0, 4))).toEqual([true, false]);
  });
});
