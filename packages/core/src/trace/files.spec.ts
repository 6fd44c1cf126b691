import { area } from '@turf/area';
import { kinks } from '@turf/kinks';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cropIn } from '../crops/index.js';
import { crossesItself, dayComesFirst, decimalComma, figureIn, matchHeads, momentIn } from '../kernel/index.js';
import type { LotInfo, PlaceInfo } from '../ledger/index.js';
import {
  acresInside,
  boundaryProblem,
  FIELD_HEADS,
  type FieldFileRow,
  LOAD_HEADS,
  planFields,
  planLoads,
  pointsOf,
  type Rings,
  ringsOf,
  tagFor,
  weightUnitOf,
} from './index.js';

const square = (lon: number, lat: number, size: number): Rings => [[[[lon, lat], [lon + size, lat], [lon + size, lat + size], [lon, lat + size], [lon, lat]]]]; // prettier-ignore

describe('boundaries', () => {
  it('have the acres that @turf/area (the reference library) finds, on another sphere', () => {
    fc.assert(
      fc.property(fc.double({ min: -120, max: -80, noNaN: true }), fc.double({ min: 25, max: 50, noNaN: true }), fc.double({ min: 0.001, max: 0.02, noNaN: true }), (lon, lat, size) => {
        const [outer] = square(lon, lat, size)[0]!;
        const hole = square(lon + size / 4, lat + size / 4, size / 8)[0]![0]!;
        const polygon = { type: 'Polygon' as const, coordinates: [outer, hole] as unknown as number[][][] };
        // Turf takes the equator's radius, we the mean one: 0.22 % apart.
        expect(acresInside([[outer!, hole]]) / (area(polygon) / 4046.8564224)).toBeCloseTo((6371008.8 / 6378137) ** 2, 2);
      }),
      { seed: 3, numRuns: 100 },
    ); // prettier-ignore
  });

  it('cross themselves where @turf/kinks finds a kink', () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 40 }));
    fc.assert(
      fc.property(
        fc.uniqueArray(point, { minLength: 4, maxLength: 7, selector: ([x, y]) => `${x} ${y}` }),
        (points) => {
          const ring = [...points, points[0]!].map(([x, y]) => [x / 1000 - 90, y / 1000 + 35] as const);
          const found = kinks({ type: 'Polygon', coordinates: [ring as unknown as number[][]] }).features.length > 0;
          // Points on a line touch: one says so, the other not.
          if (crossesItself(ring)) expect(found).toBe(true);
          else if (!found) expect(crossesItself(ring)).toBe(false);
        },
      ),
      { seed: 4, numRuns: 300 },
    );
    expect(crossesItself([[0, 0], [2, 2], [2, 0], [0, 2], [0, 0]])).toBe(true); // prettier-ignore
  });

  it('say what is wrong with them, and go into a record and back', () => {
    expect(boundaryProblem(square(-90, 35, 0.01))).toBeNull();
    expect(boundaryProblem([[[[35, -91], [35.01, -91], [35.01, -91.01], [35, -91]]]])).toBe('swapped'); // prettier-ignore
    expect(boundaryProblem([[[[40, -75], [40.01, -75], [40.01, -75.01], [40, -75]]]])).toBe('swapped'); // prettier-ignore
    expect(boundaryProblem([[[[500000, 4000000], [500100, 4000000], [500100, 4000100], [500000, 4000000]]]])).toBe('out_of_range'); // prettier-ignore
    expect(
      boundaryProblem([
        [
          [
            [0, 0],
            [1, 1],
            [0, 0],
          ],
        ],
      ]),
    ).toBe('too_few_points');
    expect(boundaryProblem([[[[0, 0], [2, 2], [2, 0], [0, 2], [0, 0]]]])).toBe('crosses_itself'); // prettier-ignore
    const rings: Rings = [square(-90, 35, 0.01)[0]!, [...square(-89, 35, 0.02)[0]!, ...square(-88.995, 35.005, 0.001)[0]!]]; // prettier-ignore
    expect(ringsOf({ points: pointsOf(rings) })).toEqual(rings);
  });
});

describe('words of files', () => {
  it('reads figures with either decimal mark, by the column', () => {
    expect(decimalComma(['12,5', '1.250,75'])).toBe(true);
    expect(decimalComma(['12,500', '9,000'])).toBe(false);
    expect(decimalComma(['1,250.5'])).toBe(false);
    expect([figureIn('1.250,75', true), figureIn('1,250.75', false), figureIn('12,500 lb', false), figureIn('16.5 %', false), figureIn('abc', false)]).toEqual([1250.75, 1250.75, 12500, 16.5, null]); // prettier-ignore
  });

  it('reads moments on the farm’s clock, month or day first', () => {
    const at = (text: string, first = false) => {
      const ms = momentIn(text, 'America/Chicago', first);
      return ms === null ? null : new Date(ms).toISOString();
    };
    expect(at('9/8/2026 2:05 PM')).toBe('2026-09-08T19:05:00.000Z');
    expect(at('2026-09-08 14:05:33')).toBe('2026-09-08T19:05:00.000Z');
    expect(at('08.09.2026 14:05', true)).toBe('2026-09-08T19:05:00.000Z');
    expect(at('2026-09-08T14:05:00-05:00')).toBe('2026-09-08T19:05:00.000Z');
    expect(at('9/8/26')).toBe('2026-09-08T17:00:00.000Z');
    expect([at('9/31/2026'), at('13/1/2026'), at('9/8/2026 25:00'), at('soon'), at('0/0/2026 13:00 PM')]).toEqual([null, null, null, null, null]); // prettier-ignore
    expect([dayComesFirst(['3/4/2026', '25/4/2026']), dayComesFirst(['3/4/2026'])]).toEqual([true, false]);
    expect([cropIn('Maize'), cropIn('milo'), cropIn('Soybeans'), cropIn('hops')]).toEqual(['corn', 'sorghum', 'soybean', null]); // prettier-ignore
  });

  it('knows columns by their heads, and as they were matched before', () => {
    expect(matchHeads(['Load #', 'Unload Time', 'Field Name', 'Weight (lb)', 'Moisture (%)'], LOAD_HEADS)).toEqual({ ticket: 'Load #', at: 'Unload Time', field: 'Field Name', weight: 'Weight (lb)', moisture: 'Moisture (%)' }); // prettier-ignore
    expect(matchHeads(['A', 'Name'], FIELD_HEADS, { acres: 'a' })).toEqual({ field: 'Name', acres: 'A' });
    expect([weightUnitOf('Weight (lb)', []), weightUnitOf('net', [9000]), weightUnitOf('net', [12.4]), weightUnitOf('Net kg', [9])]).toEqual(['pounds', 'pounds', 'tonnes', 'kilograms']); // prettier-ignore
  });
});

const lot = (id: string, fieldName: string, more: Partial<LotInfo> = {}): LotInfo => ({ id, fieldId: id, fieldName, acres: 80, crop: 'corn', season: 2026, variety: '', tag: id, shares: [], ...more }); // prettier-ignore
const row = (n: number, name: string, more: Partial<FieldFileRow> = {}): FieldFileRow => ({ row: n, name, acres: '80', crop: 'corn', variety: '', tag: '', owner: '', share: '', ...more }); // prettier-ignore
const OPTIONS = { hectares: false, crop: null, farm: 'Own', known: new Set<string>() };

describe('a file of fields', () => {
  it('says what is new, known and different, and names each row that it cannot read', () => {
    const rows = [
      row(2, ' heron  slough '),
      row(3, 'Pump Tract', { acres: '61.5' }),
      row(4, 'Old Place'),
      row(5, 'New Ground', { acres: '40', owner: 'Ida', share: '33' }),
      row(6, ''),
      row(7, 'Half', { acres: 'x' }),
      row(8, 'Hops', { crop: 'hops' }),
      row(9, 'New Ground'),
      row(10, 'Twisted', { rings: [[[[0, 0], [2, 2], [2, 0], [0, 2], [0, 0]]]] }), // prettier-ignore
    ];
    const { fields, problems } = planFields(rows, [lot('HS', 'Heron Slough'), lot('PT', 'Pump Tract'), lot('OP', 'Old Place', { season: 2025 })], 2026, OPTIONS); // prettier-ignore
    expect(fields.map(({ name, state, tag, was }) => [name, state, tag, was])).toEqual([['heron  slough', 'known', 'HS', 80], ['Pump Tract', 'different', 'PT', 80], ['Old Place', 'season', 'OP', null], ['New Ground', 'new', 'NG', null]]); // prettier-ignore
    expect(fields[3]!.shares).toEqual([{ owner: 'Own', part: expect.closeTo(0.67, 9) }, { owner: 'Ida', part: 0.33 }]); // prettier-ignore
    expect(problems.map(({ row: n, what }) => [n, what])).toEqual([[6, 'no_name'], [7, 'no_acres'], [8, 'crop_unknown'], [9, 'twice'], [10, 'crosses_itself']]); // prettier-ignore
  });

  it('measures a boundary, asks where the typed acres are others, and gives each a tag of its own', () => {
    const rings = square(-90, 35, 0.006);
    const { fields } = planFields([row(1, 'East', { acres: '', rings }), row(2, 'East Side', { acres: '50', rings }), row(3, 'Elm Slope', { acres: '90,3' })], [], 2026, OPTIONS); // prettier-ignore
    expect(fields[0]).toMatchObject({ measured: true, acres: expect.closeTo(90.1, 0) });
    expect(fields[1]!.said).toBeCloseTo(90.1, 0);
    expect(fields[2]!.acres).toBe(90.3);
    expect(new Set(fields.map(({ tag }) => tag)).size).toBe(3);
    expect(planFields([row(1, 'East', { acres: '40' })], [], 2026, { ...OPTIONS, hectares: true }).fields[0]!.acres).toBeCloseTo(98.84, 2); // prettier-ignore
    expect(tagFor('Pump Tract', new Set(['PT']))).toBe('PT2');
  });
});

describe('a file of loads', () => {
  const farm = { lots: [lot('HS', 'Heron Slough'), lot('PT', 'Pump Tract', { season: 2025 })], places: [{ id: 'c1', name: 'Cart 1' } as PlaceInfo], timeZone: 'America/Chicago' }; // prettier-ignore
  const heads = ['Field', 'Time', 'Weight', 'Moisture', 'To'];
  const match = { field: 'Field', at: 'Time', weight: 'Weight', moisture: 'Moisture', to: 'To' };
  const options = { first: 2, unit: 'pounds' as const, dayFirst: false, lot: null, to: 'c1', moisture: null, now: Date.parse('2026-10-01T00:00:00Z') }; // prettier-ignore

  it('becomes loads in kg with their rows, and names what cannot be read', () => {
    const rows = [
      ['Heron Slough', '9/8/2026 2:05 PM', '12,500', '17.5', 'Cart 1'],
      ['hs', '9/8/2026 2:25 PM', '12000', '0.171', ''],
      ['Nowhere', '9/8/2026 2:25 PM', '12000', '17', ''],
      ['Pump Tract', '9/8/2026 2:25 PM', '12000', '17', ''],
      ['Heron Slough', 'noon', '12000', '17', ''],
      ['Heron Slough', '9/8/2026 2:25 PM', '-5', '17', ''],
      ['Heron Slough', '9/8/2026 2:25 PM', '12000', '99', ''],
      ['Heron Slough', '9/8/2026 2:25 PM', '12000', '17', 'Wagon'],
      ['Heron Slough', '9/8/2027 2:25 PM', '12000', '17', ''],
      ['', '', '', '', ''],
    ];
    const { loads, problems } = planLoads(heads, rows, match, farm, options);
    expect(loads).toEqual([
      { row: 2, lot: 'HS', at: Date.parse('2026-09-08T19:05:00Z'), wetKg: 5669.905, moisture: 0.175, to: 'c1', ticket: '' }, // prettier-ignore
      { row: 3, lot: 'HS', at: Date.parse('2026-09-08T19:25:00Z'), wetKg: 5443.108, moisture: 0.171, to: 'c1', ticket: '' }, // prettier-ignore
    ]);
    expect(problems.map(({ row: n, what }) => [n, what])).toEqual([[4, 'field_unknown'], [5, 'no_season'], [6, 'no_time'], [7, 'no_weight'], [8, 'no_moisture'], [9, 'place_unknown'], [10, 'in_future']]); // prettier-ignore
  });

  it('reads a file with decimal commas and the day first, of one field, in bushels', () => {
    const { loads, problems } = planLoads(['Datum', 'bu', 'F'], [['25.09.2026 14:05', '1.250,5', '17,5']], { at: 'Datum', weight: 'bu', moisture: 'F' }, farm, { ...options, unit: 'bushels', dayFirst: true, lot: 'HS' }); // prettier-ignore
    expect(problems).toEqual([]);
    expect(loads[0]).toMatchObject({ lot: 'HS', wetKg: expect.closeTo(1250.5 * 25.40117272, 2), moisture: 0.175 });
  });
});
