import { planRows } from '@fanega/core';
import { describe, expect, it } from 'vitest';
import { readTable } from '../read-table';
import { openTable, rowsOf, rowsPlan } from './table-file';

const LINES = 25_000;
const text = [
  'Bin,Date and time,Level,Moisture',
  ...Array.from({ length: LINES }, (_, i) =>
    i % 1000 === 7
      ? `Bin 1,someday,${i},15`
      : `Bin 1,2026-10-${String((i % 28) + 1).padStart(2, '0')} 08:${String(i % 60).padStart(2, '0')},${i + 1},15.5`,
  ),
].join('\n');
const file = (): File => new File([text], 'levels.csv');
const farm = {
  places: [
    {
      id: 'b1',
      name: 'Bin 1',
      kind: 'bin' as const,
      capacityBu: 10_000,

      withdrawal: 'mixed' as const,
      diameterM: null,
      eaveM: null,
      hopperM: null,
    },
  ],
  timeZone: 'America/Chicago',
};
const match = { place: 'Bin', at: 'Date and time', level: 'Level', moisture: 'Moisture' };
const options = (mass: number) => ({ units: { mass, speed: 1, fahrenheit: true }, dayFirst: false, place: null, buyer: null, now: Date.UTC(2026, 11, 1) }); // prettier-ignore
const asked = (token: string, mass = 25.4) => ({ token, kind: 'levels' as const, match, farm, options: options(mass) });

describe('a file beside the page', () => {
  it('shows the first lines and gives all of them in pieces, as one plan of the whole file would', async () => {
    const open = await openTable({ token: 'a', file: file() });
    expect(open).toMatchObject({ heads: ['Bin', 'Date and time', 'Level', 'Moisture'], count: LINES });
    expect(open!.sample).toHaveLength(500);
    const told: number[] = [];
    const shown = rowsPlan(asked('a'), (done) => told.push(done));
    const table = (await readTable(file()))!;
    const whole = planRows('levels', table.heads, table.rows, match, farm, { ...options(25.4), first: table.first });
    expect(shown).toMatchObject({ token: 'a', count: LINES - 25, unread: 25, first: whole.rows.slice(0, 12) });
    expect(shown.problems).toEqual(whole.problems.slice(0, 12));
    expect(told).toEqual([0, 0.4, 0.8]);
    const pieces = Array.from({ length: 50 }, (_, i) => rowsOf({ plan: asked('a'), from: i * 500, to: i * 500 + 500 })).flat(); // prettier-ignore
    expect(pieces).toEqual(whole.rows);
  });

  it('gives the lines as the question reads them, whatever was asked in between', async () => {
    await openTable({ token: 'b', file: file() });
    const of = (mass: number): number => rowsOf({ plan: asked('b', mass), from: 0, to: 1 })[0]!.figures.level!;
    expect([of(2), of(3), of(2)]).toEqual([2, 3, 2]);
  });

  it('says so where another file was opened since', async () => {
    await openTable({ token: 'c', file: file() });
    await openTable({ token: 'd', file: file() });
    expect(() => rowsOf({ plan: asked('c'), from: 0, to: 1 })).toThrow('not open any more');
    expect(await openTable({ token: 'e', file: new File(['nothing'], 'x.csv') })).toBeNull();
  });
});
