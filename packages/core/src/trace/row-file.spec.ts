import { describe, expect, it } from 'vitest';
import type { PlaceInfo } from '../ledger/index.js';
import { matchHeads } from '../kernel/index.js';
import { planRows, ROW_COLUMNS, type RowFile, sensorHeads } from './index.js';

const places = [
  { id: 'truck-1', name: 'Truck 1', kind: 'truck' },
  { id: 'bin-a', name: 'Bin A', kind: 'bin' },
  { id: 'mill', name: 'Redbud Elevator', kind: 'buyer' },
] as unknown as PlaceInfo[];
const NOW = Date.UTC(2026, 10, 30);
const plan = (
  kind: RowFile,
  heads: string[],
  rows: string[][],
  match: Partial<Record<string, string>>,
  more: object = {},
) =>
  planRows(
    kind,
    heads,
    rows,
    match,
    { places, timeZone: 'America/Chicago' },
    {
      first: 2,
      units: { mass: 0.45359237, speed: 0.44704, fahrenheit: true },
      dayFirst: false,
      place: 'truck-1',
      buyer: null,
      now: NOW,
      ...more,
    },
  );

describe('rows of a file', () => {
  it('a ticket: net, or gross less empty; buyer and truck by their names; what cannot be is named with its row', () => {
    const heads = ['Ticket', 'Date', 'Elevator', 'Truck', 'Gross', 'Tare', 'Net', 'Moist', 'Price'];
    const match = { ticket: 'Ticket', at: 'Date', buyer: 'Elevator', from: 'Truck', gross: 'Gross', tare: 'Tare', net: 'Net', moisture: 'Moist', price: 'Price' }; // prettier-ignore
    const { rows, problems } = plan(
      'tickets',
      heads,
      [
        ['40200', '10/5/2026 2:15 pm', 'redbud  elevator', '', '80,000', '28,000', '', '15.2', '4.31'],
        ['40201', '10/5/2026 3:15 pm', 'Redbud Elevator', 'Truck 1', '80,000', '28,000', '51,000', '15.2', ''],
        ['40202', '10/6/2026', 'Somewhere', 'Truck 1', '', '', '50,000', '15', ''],
        ['', '10/6/2026', 'Redbud Elevator', 'Truck 1', '', '', '50,000', '15', ''],
        ['40204', '2/30/2026', 'Redbud Elevator', 'Truck 1', '', '', '50,000', '15', ''],
        ['40205', '10/6/2026', 'Redbud Elevator', 'Truck 1', '', '', '', '15', ''],
        ['40206', '10/6/2026', 'Redbud Elevator', 'Truck 1', '', '', '50,000', '75', ''],
        ['', '', '', '', '', '', '', '', ''],
      ],
      match,
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ row: 2, at: Date.UTC(2026, 9, 5, 19, 15), text: { ticket: '40200', buyer: 'mill', from: 'truck-1' } }); // prettier-ignore
    expect(rows[0]!.figures).toMatchObject({ moisture: 0.152, price: 4.31 });
    expect(rows[0]!.figures.net).toBeCloseTo(52_000 * 0.45359237, 3);
    expect(problems.map(({ row, column, what }) => [row, column, what])).toEqual([
      [3, 'net', 'too_heavy'],
      [4, 'buyer', 'place_unknown'],
      [5, 'ticket', 'missing'],
      [6, 'at', 'no_time'],
      [7, 'net', 'no_weight'],
      [8, 'moisture', 'out_of_range'],
    ]);
  });

  it('the factors that a ticket prints come along, a test weight in lb/bu from kg/hl too', () => {
    const heads = ['Ticket', 'Date', 'Net', 'Moisture', 'Test Wt', 'FM %', 'DMG', 'Dockage'];
    const match = matchHeads(heads, Object.fromEntries(Object.entries(ROW_COLUMNS.tickets).map(([name, { heads: of }]) => [name, of])), {}); // prettier-ignore
    expect(match).toMatchObject({ testWeight: 'Test Wt', foreign: 'FM %', damage: 'DMG', dockage: 'Dockage' });
    const row = ['40300', '10/5/2026', '50,000', '15.2', '54.5', '2.1', '', '0.4'];
    const { rows, problems } = plan('tickets', heads, [row, ['40301', '10/5/2026', '50,000', '15', '95', '', '', '']], match, { buyer: 'mill' }); // prettier-ignore
    expect(rows).toHaveLength(1);
    expect(rows[0]!.figures).toMatchObject({ testWeight: 54.5, foreign: 2.1, dockage: 0.4 });
    expect(rows[0]!.figures.damage).toBeUndefined();
    expect(problems).toEqual([{ row: 3, column: 'testWeight', what: 'out_of_range', text: '95' }]);
    // 56 lb/bu are 72.08 kg/hl (by the definitions of pound and bushel).
    const metric = [...heads.slice(0, 4), 'kg/hl'];
    const read = plan('tickets', metric, [['40302', '10/5/2026', '50,000', '15', '72.08']], { ...match, testWeight: 'kg/hl' }, { buyer: 'mill' }); // prettier-ignore
    expect(read.rows[0]!.figures.testWeight).toBeCloseTo(56, 2);
  });

  it('an hour of weather in its own units: °F, percent, mph; a forecast of next week may stand there', () => {
    const { rows, problems } = plan(
      'weather',
      ['When', 'Temp F', 'RH', 'Wind', 'Rain'],
      [
        ['2026-10-05T14:00:00Z', '68', '45', '10', '0'],
        ['2026-12-05T14:00:00Z', '32', '0.9', '', '0.2'],
        ['2026-10-05T15:00:00Z', '400', '45', '10', '0'],
      ],
      { at: 'When', temperature: 'Temp F', humidity: 'RH', wind: 'Wind', rain: 'Rain' },
    );
    expect(rows.map(({ figures }) => figures)).toEqual([
      { temperature: 20, humidity: 0.45, wind: 4.4704, rain: 0 },
      { temperature: 0, humidity: 0.9, rain: 0.2 },
    ]);
    expect(problems).toMatchObject([{ row: 4, column: 'temperature', what: 'out_of_range' }]);
  });

  it('cables: the sensors stand in columns that count, whatever their order', () => {
    expect(sensorHeads(['Cable', 'S10', 'S2', 'Sensor 1', 'Time', '3'])).toEqual(['Sensor 1', 'S2', '3', 'S10']);
    const { rows, problems } = plan(
      'cables',
      ['Bin', 'Time', 'Cable', '2', '1', '3'],
      [
        ['Bin A', '2026-10-05T14:00:00Z', 'C1', '51', '50', ''],
        ['Bin A', '2026-10-05T15:00:00Z', 'C1', '', '', ''],
        ['Bin A', '2026-10-05T16:00:00Z', 'C1', '51', '900', ''],
      ],
      { place: 'Bin', at: 'Time', cable: 'Cable' },
    );
    expect(rows).toMatchObject([{ text: { place: 'bin-a', cable: 'C1' }, sensors: [10, 10.56] }]);
    expect(problems.map(({ row, what }) => [row, what])).toEqual([
      [3, 'no_sensors'],
      [4, 'out_of_range'],
    ]);
  });

  it('a level of a bin, with a decimal comma where the column has one', () => {
    const { rows } = plan(
      'levels',
      ['Bin', 'Datum', 'Menge t'],
      [['Bin A', '05.10.2026 14:00', '120,5']],
      { place: 'Bin', at: 'Datum', level: 'Menge t' },
      { dayFirst: true, units: { mass: 1000, speed: 1, fahrenheit: false } },
    );
    expect(rows).toMatchObject([
      { text: { place: 'bin-a' }, figures: { level: 120_500 }, at: Date.UTC(2026, 9, 5, 19) },
    ]);
  });
});
