import Papa from 'papaparse';

export interface CsvColumn<T> {
  readonly head: string;
  readonly text: (row: T) => string;
}

/** Rows as a spreadsheet reads them: a head, one line a row, whatever has a comma or a quote in quotes; no cell is taken for a formula. */
export const csvOf = <T>(columns: readonly CsvColumn<T>[], rows: readonly T[]): string =>
  Papa.unparse(
    { fields: columns.map(({ head }) => head), data: rows.map((row) => columns.map(({ text }) => text(row))) },
    { newline: '\r\n', escapeFormulae: /^[=@\t\r]|^[+-](?![\d.])/ },
  );

/** As a file. A byte order mark: spreadsheets read the accents in names by it. */
export const csvFile = (text: string): Blob => new Blob(['\ufeff', text], { type: 'text/csv;charset=utf-8' });

/** Hands a file to the reader. */
export function saveFile(name: string, content: Blob): void {
  const url = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
