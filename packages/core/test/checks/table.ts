import type { Formula, Standing } from '../../src/index.js';

/** One value that somebody else worked out, and what the core makes of it. */
export interface CheckRow {
  readonly given: string;
  readonly expected: number;
  readonly got: number;
}

/** Check values of one source for one formula: run by `science.spec.ts`, printed in docs/science.md with the worst deviation. */
export interface CheckTable {
  readonly formula: Formula;
  readonly title: string;
  readonly source: string;
  readonly standing: Standing;
  /** Largest deviation that still agrees, in the unit of the values (or a fraction of them). */
  readonly allowed: number;
  readonly relative?: boolean;
  readonly unit: string;
  readonly rows: readonly CheckRow[];
}

/** `got` is asked for when the table is made: a formula that throws fails here, with its own words. */
export function table(
  head: Omit<CheckTable, 'rows'>,
  rows: readonly (readonly number[])[],
  got: (...given: number[]) => number,
): CheckTable;
export function table<Given extends readonly unknown[]>(
  head: Omit<CheckTable, 'rows'>,
  rows: NoInfer<readonly (readonly [...Given, number])[]>,
  got: (...given: Given) => number,
): CheckTable;
export function table(
  head: Omit<CheckTable, 'rows'>,
  rows: readonly (readonly unknown[])[],
  got: (...given: never[]) => number,
): CheckTable {
  return {
    ...head,
    rows: rows.map((row) => {
      const given = row.slice(0, -1);
      return { given: given.map(String).join(', '), expected: row.at(-1) as number, got: got(...(given as never[])) };
    }),
  };
}

/** A printed grid: columns across, one line of values for each row. */
export function grid(
  head: Omit<CheckTable, 'rows'>,
  columns: readonly number[],
  lines: readonly (readonly [row: number, values: readonly number[]])[],
  got: (row: number, column: number) => number,
): CheckTable {
  return table(
    head,
    lines.flatMap(([row, values]) => values.map((value, i) => [row, columns[i]!, value] as const)),
    got,
  );
}

export const deviation = (check: CheckTable, row: CheckRow): number =>
  Math.abs(row.got - row.expected) / (check.relative ? Math.abs(row.expected) : 1);
