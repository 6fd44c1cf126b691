import { area } from '@turf/area';
import { polygon } from '@turf/helpers';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { metersBetween } from '../kernel/index.js';
import type { FieldZone } from '../records/index.js';
import { acresOfRing, acresToCut, pinsNear, ringOf, zoneProblem, zonesOf, zonesStanding } from './zones.js';

/** A quarter of a mile square at 33.4° N. */
const SQUARE = [
  { lon: -38.6, lat: 33.4 },
  { lon: -38.5957, lat: 33.4 },
  { lon: -38.5957, lat: 33.4036 },
  { lon: -38.6, lat: 33.4036 },
];
const ZONE: FieldZone = {
  fieldId: 'F',
  season: 2026,
  name: 'wet hole',
  kind: 'wet',
  acres: 39.6,
  ring: SQUARE,
  why: '',
};

describe('zones and pins', () => {
  it('the acres of a ring are those of a general-purpose library', () => {
    const theirs = area(polygon([ringOf(SQUARE).map(([lon, lat]) => [lon, lat])])) / 4046.8564224;
    expect(acresOfRing(SQUARE)!).toBeCloseTo(theirs, 0);
    expect(acresOfRing(SQUARE)! / theirs).toBeCloseTo(1, 2);
    expect(acresOfRing(SQUARE.slice(0, 2))).toBeNull();
  });

  it('a degree of latitude is 111.2 km, and a way is as long back', () => {
    // Published: a quarter of the mean meridian on the sphere of R1, 10,007.557 km.
    expect(metersBetween([0, 0], [0, 90])).toBeCloseTo(10_007_557, -1);
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), fc.double({ min: -89, max: 89, noNaN: true }), fc.double({ min: -180, max: 180, noNaN: true }), fc.double({ min: -89, max: 89, noNaN: true }), (a, b, c, d) => {
        expect(metersBetween([a, b], [c, d])).toBeCloseTo(metersBetween([c, d], [a, b]), 3);
      }),
      { seed: 3 },
    ); // prettier-ignore
  });

  it('warns of the nearest pin first, inside of its own distance, and of nothing where the phone hardly knows where it is', () => {
    const pins = [
      { lon: -38.6, lat: 33.4, warnWithin: 100, note: 'wire' },
      { lon: -38.6, lat: 33.4005, warnWithin: 30, note: 'rock' },
      { lon: -38.6, lat: 33.41, warnWithin: 1000, note: 'washout' },
    ];
    const here = { lon: -38.6, lat: 33.4003, accuracy: 6 };
    expect(pinsNear(pins, here).near.map(({ pin }) => pin.note)).toEqual(['rock', 'wire']);
    expect(pinsNear(pins, { ...here, accuracy: 120 })).toEqual({ poor: true, near: [] });
    expect(pinsNear(pins, { ...here, accuracy: NaN }).poor).toBe(true);
    expect(() => pinsNear(pins, { ...here, lat: 91 })).toThrow(/latitude/);
  });

  it('refuses a zone that crosses itself or is larger than its field, and asks where acres and drawing differ', () => {
    expect(zoneProblem(ZONE, 80)).toBeNull();
    expect(zoneProblem({ ...ZONE, ring: [SQUARE[0]!, SQUARE[2]!, SQUARE[1]!, SQUARE[3]!] }, 80)).toBe('crosses_itself');
    expect(zoneProblem({ ...ZONE, ring: SQUARE.slice(0, 2) }, 80)).toBe('too_few_points');
    expect(zoneProblem(ZONE, 30)).toBe('larger_than_field');
    expect(zoneProblem({ ...ZONE, acres: 12 }, 80)).toBe('acres_differ');
    expect(zoneProblem({ ...ZONE, ring: [], acres: 12 }, 80)).toBeNull();
    // Of a field that nobody measured nothing is too large; a line that crosses itself is wrong all the same.
    expect(zoneProblem(ZONE, 0)).toBeNull();
    expect(zoneProblem({ ...ZONE, ring: [SQUARE[0]!, SQUARE[2]!, SQUARE[1]!, SQUARE[3]!] }, 0)).toBe('crosses_itself');
  });

  it('what waits is not to be cut today; what is cut is no zone any more', () => {
    const all = zonesStanding(
      {
        a: { value: { ...ZONE, acres: 12, leaveUntil: '2026-10-20', retestOn: '2026-10-10' } },
        b: { value: { ...ZONE, acres: 5, leaveUntil: '2026-10-01' } },
        c: { value: { ...ZONE, acres: 30, cutOn: '2026-10-02' } },
        d: { value: { ...ZONE, acres: 7, season: 2025 } },
        e: { value: { ...ZONE, acres: 9, gone: true } },
      },
      '2026-10-10',
    );
    const zones = zonesOf(all, { fieldId: 'F', season: 2026 });
    expect(zones.map(({ id, waits, retestDue }) => [id, waits, retestDue])).toEqual([
      ['a', true, true],
      ['b', false, false],
    ]);
    expect(acresToCut(40, zones)).toBe(28);
    expect(acresToCut(5, zones)).toBe(0);
  });
});
