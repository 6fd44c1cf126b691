import { describe, expect, it } from 'vitest';
import type { PartHeat } from '../records/index.js';
import { atTheWheel, helpOf, isTrainee, partHeat } from './crew.js';

const HOUR = 3_600_000;
const heat = (celsius: number | undefined, more: Partial<PartHeat> = {}): PartHeat => ({
  id: '01J00000000000000000000000',
  at: '2026-09-01T12:00:00Z',
  placeId: 'combine',
  part: 'Front beater bearing',
  ...(celsius === undefined ? {} : { celsius }),
  airCelsius: 30,
  noticed: '',
  greased: false,
  ...more,
});

describe('the crew', () => {
  const crew = {
    people: [
      { name: 'Lou', phone: '', trainee: true },
      { name: 'Iwona', phone: '555-0147', trainee: false },
    ],
    call: 'iwona ',
  };

  it('a trainee is who is marked, by the name typed in the cab', () => {
    expect(isTrainee(crew, ' lou')).toBe(true);
    expect(isTrainee(crew, 'Iwona')).toBe(false);
    expect(isTrainee(undefined, 'Lou')).toBe(false);
    expect(helpOf(crew)).toEqual({ name: 'iwona ', phone: '555-0147' });
    expect(helpOf({ ...crew, call: '' })).toBeNull();
  });

  it('hours at the wheel leave out the noon break and yesterday, and think of a rest at the farm’s own line', () => {
    // Every 15 minutes from 6 to 11, and from 13 to 20.
    const every = (from: number, to: number): number[] => Array.from({ length: (to - from) * 4 + 1 }, (_, i) => (from + i / 4) * HOUR); // prettier-ignore
    const moments = [-5 * HOUR, ...every(6, 11), ...every(13, 20)];
    expect(atTheWheel(moments, 0, 20 * HOUR, 13)).toEqual({ hours: 12, sinceMs: 6 * HOUR, rest: false });
    expect(atTheWheel(moments, 0, 20 * HOUR, 12).rest).toBe(true);
    expect(atTheWheel([-HOUR], 0, 20 * HOUR, 12)).toEqual({ hours: 0, sinceMs: null, rest: false });
  });
});

describe('heat of a part', () => {
  it('stops where a hand cannot stay, where it is very hot, and where it is far above its usual', () => {
    expect(partHeat([heat(undefined, { feels: 'tooHotToHold' })])).toMatchObject({ verdict: 'stop', because: 'too hot to hold' }); // prettier-ignore
    expect(partHeat([heat(92)])).toMatchObject({ verdict: 'stop', because: 'very hot' });
    const usual = [heat(40), heat(42), heat(38)];
    expect(partHeat([heat(66), ...usual])).toMatchObject({ verdict: 'stop', because: 'far above its usual', rise: 36, usual: 10 }); // prettier-ignore
    // A hot day moves the bearing with the air: as usual.
    expect(partHeat([heat(52, { airCelsius: 42 }), ...usual])).toMatchObject({ verdict: 'fine', rise: 10 });
  });

  it('watches what is hot or squeaks, and knows the grease', () => {
    expect(partHeat([heat(65)])).toMatchObject({ verdict: 'watch', because: 'hot', usual: null });
    const found = partHeat([heat(35, { noticed: 'squeaks' }), heat(35, { greased: true, at: '2026-08-30T06:00:00Z' })]);
    expect(found).toMatchObject({
      verdict: 'watch',
      because: 'noticed',
      greasedMs: Date.parse('2026-08-30T06:00:00Z'),
    });
    expect(() => partHeat([])).toThrow(/readings/);
  });
});
