import Papa from 'papaparse';

/** A table out of a file: its head, and its rows as words. */
export interface FileTable {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

const dayOf = (date: Date): string => date.toISOString().slice(0, 10);

/** Heads are the first line with as many filled cells as any: what stands above is a title. */
function tableOf(lines: readonly (readonly string[])[]): FileTable | null {
  const filled = (line: readonly string[]): number => line.filter((cell) => cell.trim() !== '').length;
  const most = Math.max(0, ...lines.slice(0, 30).map(filled));
  const at = lines.findIndex((line) => filled(line) >= Math.max(2, most - 2));
  if (at < 0) return null;
  return { heads: lines[at]!.map((head) => head.trim()), rows: lines.slice(at + 1) };
}

/** Reads a CSV or the first sheet of an XLSX; null where it holds no table. */
export async function readTable(file: File): Promise<FileTable | null> {
  if (/\.xlsx$/i.test(file.name)) {
    const { readSheet } = await import('read-excel-file/browser');
    const data = await readSheet(file);
    return tableOf(
      data.map(
        (row) =>
        row.map((cell) => (cell === null ? '' : (cell as unknown) instanceof Date ? dayOf(cell as unknown as Date) : String(cell))), // prettier-ignore
      ),
    );
  }
  const { data } = Papa.parse<string[]>(await file.text(), { skipEmptyLines: 'greedy' });
  return tableOf(data);
}
