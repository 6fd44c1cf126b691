import exceljs from 'exceljs';
import { describe, expect, it } from 'vitest';
import { xlsxOf } from './xlsx';

type Line = readonly [string, number | null, string];
const COLUMNS = [
  { head: 'Field', cell: ([name]: Line) => name },
  { head: 'Yield, bu/ac', cell: ([, figure]: Line) => figure },
  { head: 'Note', cell: ([, , note]: Line) => note },
];

/** As a library reads it that is not the one that wrote it. */
async function readBack(name: string, rows: readonly Line[]): Promise<exceljs.Worksheet> {
  const blob = await xlsxOf(name, COLUMNS, rows);
  const workbook = new exceljs.Workbook();
  await workbook.xlsx.load(await blob.arrayBuffer());
  return workbook.worksheets[0]!;
}

describe('a list as a workbook', () => {
  it('is read back as it was: figures as figures, text as text, nothing as nothing', async () => {
    const sheet = await readBack('Accounts', [
      ['Heron Slough', 212.4375, 'a "b", c & <d>'],
      ['Łąka → ½', -3, ''],
      ['', null, '=1+1'],
    ]);
    expect(sheet.name).toBe('Accounts');
    const cells = [1, 2, 3, 4].map((row) => [1, 2, 3].map((column) => sheet.getRow(row).getCell(column).value));
    expect(cells).toEqual([
      ['Field', 'Yield, bu/ac', 'Note'],
      ['Heron Slough', 212.4375, 'a "b", c & <d>'],
      ['Łąka → ½', -3, null],
      [null, null, '=1+1'],
    ]);
    // A formula would be an object with one.
    expect(sheet.getRow(4).getCell(3).formula).toBeUndefined();
    expect(sheet.getRow(1).getCell(1).font.bold).toBe(true);
    expect(sheet.views[0]).toMatchObject({ state: 'frozen', ySplit: 1 });
  });

  it('takes any name and any letter', async () => {
    const sheet = await readBack('Tickets: 2026/27 [all of the buyers, every one]', [
      ['bell \u0007 end', Number.NaN, 'x'],
    ]);
    expect(sheet.name.length).toBeLessThanOrEqual(31);
    expect(sheet.name).not.toMatch(/[[\]:*?/\\]/);
    expect(sheet.getRow(2).getCell(1).value).toBe('bell  end');
    expect(sheet.getRow(2).getCell(2).value).toBeNull();
  });
});
