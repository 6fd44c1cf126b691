import Papa from 'papaparse';

/** A table out of a file: its head, and its rows as words. */
export interface FileTable {
  readonly heads: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Line of the file in which its first row stands. */
  readonly first: number;
}

const dayOf = (date: Date): string => date.toISOString().slice(0, 10);

/** Heads are the first line with as many filled cells as any: what stands above is a title. */
function tableOf(lines: readonly (readonly string[])[]): FileTable | null {
  const filled = (line: readonly string[]): number => line.filter((cell) => cell.trim() !== '').length;
  const most = Math.max(0, ...lines.slice(0, 30).map(filled));
  const at = lines.findIndex((line) => filled(line) >= Math.max(2, most - 2));
  if (at < 0) return null;
  return apart({ heads: lines[at]!.map((head) => head.trim()), rows: lines.slice(at + 1), first: at + 2 });
}

/** As many as a sheet of a spreadsheet holds. */
export const MOST_ROWS = 1_000_000;

/** Names that stand twice in a head are told apart, so that a column can be chosen. */
function apart(table: FileTable): FileTable {
  const seen = new Map<string, number>();
  return {
    ...table,
    heads: table.heads.map((head) => {
      const count = (seen.get(head) ?? 0) + 1;
      seen.set(head, count);
      return count === 1 ? head : `${head} (${count})`;
    }),
  };
}

/** The words of a file, whatever wrote it: UTF-8, UTF-16 by its mark, else what most old programs write. */
export function decoded(bytes: ArrayBuffer): string {
  const [a, b] = new Uint8Array(bytes);
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** Reads a CSV or the first sheet of an XLSX; null where it holds no table. */
export async function readTable(file: File): Promise<FileTable | null> {
  if (/\.xlsx$/i.test(file.name)) {
    // In the worker there is no document that could read its XML.
    const { readSheet } = await (typeof document === 'undefined' ? import('read-excel-file/web-worker') : import('read-excel-file/browser')); // prettier-ignore
    const data = await readSheet(file);
    return tableOf(
      data.map(
        (row) =>
        row.map((cell) => (cell === null ? '' : (cell as unknown) instanceof Date ? dayOf(cell as unknown as Date) : String(cell))), // prettier-ignore
      ),
    );
  }
  const { data } = Papa.parse<string[]>(decoded(await file.arrayBuffer()), { skipEmptyLines: 'greedy' });
  return tableOf(data);
}
