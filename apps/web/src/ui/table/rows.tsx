import { memo, type ReactNode } from 'react';
import { rowKeys } from './row-keys';

/** What a column shows of a row, and by what it is sorted, found and saved. */
export interface Column<T> {
  readonly id: string;
  readonly head: string;
  /** Stands behind the head, in the saved file too. */
  readonly unit?: string;
  readonly show: (row: T) => ReactNode;
  /** By what rows are sorted; null stands last. A figure is in the unit that is shown. */
  readonly value: (row: T) => string | number | null;
  /** What is searched and saved; the value where it is left out. */
  readonly text?: (row: T) => string;
  /** Found by these words too: as a day is said, and not as it is saved. */
  readonly words?: (row: T) => string;
  /** It shows a figure without its unit. */
  readonly bare?: boolean;
  /** Figures stand at the right. */
  readonly right?: boolean;
  /** Its few values are offered as a filter. */
  readonly choice?: boolean;
  /** Over the rows that are shown, of all pages. */
  readonly sum?: (rows: readonly T[]) => ReactNode;
  /** Where it stands on a card of a phone: its title or the large verdict; else with its head among the rest. */
  readonly phone?: 'title' | 'verdict';
  /** Not shown until somebody chooses it. */
  readonly extra?: boolean;
}

export const headOf = <T,>({ head, unit }: Column<T>): string => (unit ? `${head}, ${unit}` : head);
export const textOf = <T,>(column: Column<T>, row: T): string => column.text?.(row) ?? String(column.value(row) ?? '');

export const edge = (i: number, count: number, flush: boolean): string =>
  `${i > 0 ? 'pl-1.5' : flush ? '' : 'pl-5 lg:pl-6'} ${i < count - 1 ? 'pr-1.5' : flush ? '' : 'pr-5 lg:pr-6'}`;

/** How a cell of a column stands, the first and the last at the edges of the page. */
export const cellOf = <T,>(column: Column<T>, i: number, count: number, flush: boolean): string =>
  `py-1.5 ${edge(i, count, flush)} ${column.right ? 'text-right whitespace-nowrap' : ''}`;

interface Of<T> {
  readonly row: T;
  /** Those that are shown. */
  readonly columns: readonly Column<T>[];
  readonly flush: boolean;
  readonly className: string;
}

/** A row of a desk's table. Drawn again only when it changes: a long list comes in pieces, and each would draw all before it. */
export const Line = memo(function Line<T>({ row, columns, flush, className }: Of<T>) {
  return (
    <tr data-row className={`border-b border-rule hover:bg-sand ${className}`}>
      {columns.map((column, i) => (
        <td key={column.id} className={cellOf(column, i, columns.length, flush)}>
          {column.show(row)}
        </td>
      ))}
    </tr>
  );
}) as <T>(of: Of<T>) => ReactNode;

/** A card a row: what it is, the verdict large, the rest with its names. */
export function Cards<T>({
  name,
  rows,
  columns,
  rowId,
  rowClass,
  flush,
}: {
  name: string;
  rows: readonly T[];
  columns: readonly Column<T>[];
  rowId: (row: T) => string;
  rowClass: ((row: T) => string) | undefined;
  flush: boolean;
}) {
  return (
    <ul aria-label={name} className="border-t border-ink" onKeyDown={rowKeys}>
      {rows.map((row) => (
        <Card key={rowId(row)} row={row} columns={columns} flush={flush} className={rowClass?.(row) ?? ''} />
      ))}
    </ul>
  );
}

const Card = memo(function Card<T>({ row, columns, flush, className }: Of<T>) {
  const of = (where: Column<T>['phone']) => columns.filter(({ phone }) => phone === where);
  return (
    <li data-row className={`border-b border-rule py-3 ${flush ? '-mx-2 px-2' : 'px-5'} ${className}`}>
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <span className="text-lg">
          {of('title').map((column) => (
            <span key={column.id} className="mr-2">
              {column.show(row)}
            </span>
          ))}
        </span>
        {of('verdict').map((column) => (
          <span key={column.id} className="text-xl font-bold">
            {column.show(row)}
            {column.bare && <span className="text-sm font-normal text-muted"> {column.unit}</span>}
          </span>
        ))}
      </div>
      <dl className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-x-4 gap-y-0.5 text-[15px]">
        {of(undefined).map((column) =>
          textOf(column, row) === '' ? null : (
            <div key={column.id} className="min-w-0">
              <dt className="text-sm text-muted">{headOf(column)}</dt>
              <dd className="[overflow-wrap:anywhere]">{column.show(row)}</dd>
            </div>
          ),
        )}
      </dl>
    </li>
  );
}) as <T>(of: Of<T>) => ReactNode;
