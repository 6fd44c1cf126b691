import writeXlsxFile, { type Row } from 'write-excel-file/universal';

export interface XlsxColumn<T> {
  readonly head: string;
  /** A figure stays a figure, so that a spreadsheet reckons with it; everything else is text, also what looks like a formula. */
  readonly cell: (row: T) => string | number | null;
}

/** Letters that no sheet's name may have, and its most. */
const NOT_IN_NAMES = /[[\]:*?/\\]/g;
const MOST_NAME = 31;
/** Letters of the longest cell that a column is made wide for. */
const WIDEST = 40;

/** Rows as a workbook of one sheet: a bold head that stays on top, figures as figures. */
export async function xlsxOf<T>(name: string, columns: readonly XlsxColumn<T>[], rows: readonly T[]): Promise<Blob> {
  const cells = rows.map((row) => columns.map(({ cell }) => cell(row)));
  const data: Row[] = [
    columns.map(({ head }) => ({ value: head, type: String, fontWeight: 'bold' as const })),
    ...cells.map((row): Row =>
      row.map((value) =>
        value === null || value === '' || (typeof value === 'number' && !Number.isFinite(value))
          ? null
          : typeof value === 'number'
            ? { value, type: Number }
            : { value: plain(value), type: String },
      ),
    ),
  ];
  const wide = columns.map(({ head }, i) => ({
    width: Math.min(WIDEST, Math.max(8, head.length + 2, ...cells.map((row) => String(row[i] ?? '').length + 1))),
  }));
  return writeXlsxFile(data, {
    sheet: name.replace(NOT_IN_NAMES, ' ').slice(0, MOST_NAME) || 'List',
    columns: wide,
    stickyRowsCount: 1,
  }).toBlob();
}

/** Control letters are none in the XML that a workbook is made of. */

const plain = (text: string): string => text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '');
