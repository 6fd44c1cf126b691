import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { csvOf } from './csv';

describe('a saved file', () => {
  const columns = [
    { head: 'Name, of it', text: (row: readonly string[]) => row[0]! },
    { head: 'Note', text: (row: readonly string[]) => row[1]! },
  ];
  it('is read back by another reader as it was, whatever stands in it', () => {
    const cell = fc.string({ unit: 'binary' }).filter((text) => !/^[=@\t\r+-]/.test(text) && !text.includes('\0'));
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 6 }), (rows) => {
        const { data } = Papa.parse<string[]>(csvOf(columns, rows), { newline: '\r\n' });
        expect(data).toEqual([['Name, of it', 'Note'], ...rows]);
      }),
      { seed: 11, numRuns: 300 },
    );
  });
  it('takes no cell for a formula, and leaves figures below zero alone', () => {
    expect(
      csvOf(columns, [
        ['=1+1', '-12.5'],
        ['@cmd', '+3'],
        ['-x', 'a "b"'],
      ]),
    ).toBe(`"Name, of it",Note\r\n"'=1+1",-12.5\r\n"'@cmd",+3\r\n"'-x","a ""b"""`);
  });
});
