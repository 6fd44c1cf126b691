import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createPaginatedRowModel,
  createSortedRowModel,
  globalFilteringFeature,
  rowPaginationFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp, Columns3, Download, Search } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { type ReactNode, useEffect, useMemo, useState } from 'react';
import { naturally, number } from '../../quantity/number';
import { readKept } from '../kept';
import { useSoon } from '../use-soon';
import { Cards, cellOf, type Column, edge, headOf, Line, textOf } from './rows';
import { rowKeys } from './row-keys';
import { useMedia } from '../use-media';

export type { Column } from './rows';

interface Props<T> {
  /** What it is called to a reader who cannot see it; the saved file has its name. */
  readonly name: string;
  readonly rows: readonly T[];
  readonly columns: readonly Column<T>[];
  readonly rowId: (row: T) => string;
  /** "ticket", "tickets" */
  readonly one: string;
  readonly many: string;
  /** Column that it is sorted by at first; without one, the rows' own order. */
  readonly sortedBy?: { readonly id: string; readonly down?: boolean };
  readonly empty?: ReactNode;
  /** Rows that are crossed out, or stand out. */
  readonly rowClass?: (row: T) => string;
  readonly pageSize?: number;
  /** It stands within a margin already. */
  readonly flush?: boolean;
}

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  rowPaginationFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
  paginatedRowModel: createPaginatedRowModel(),
});

const PAGE = 50;
/** Fewer rows than this are seen at a glance and need no finding. */
const FEW = 9;
/** A phone, and a desk's page at 200 %. */
const PHONE = '(max-width: 767px)';
/** More than a desk shows, and more than a phone does. */
const AT_ONCE = 24;
const CARDS_AT_ONCE = 6;

const compare = (a: string | number, b: string | number): number =>
  typeof a === 'number' && typeof b === 'number' ? a - b : naturally(String(a), String(b));

const keptKey = (name: string): string => `fanega.columns.${name}`;
const keptColumns = (name: string): Record<string, boolean> => readKept(keptKey(name)) ?? {};

/** The one table of lists: sorted, searched, filtered, in pages, with the columns that one wants; saved as CSV or XLSX; cards on a phone. */
export function DataTable<T>({
  name,
  rows,
  columns,
  rowId,
  one,
  many,
  sortedBy,
  empty,
  rowClass,
  pageSize = PAGE,
  flush = false,
}: Props<T>) {
  const phone = useMedia(PHONE);
  const [visible, setVisible] = useState<Record<string, boolean>>(() => ({
    ...Object.fromEntries(columns.filter(({ extra }) => extra).map(({ id }) => [id, false])),
    ...keptColumns(name),
  }));
  const defs = useMemo(
    () =>
      columns.map((column) => ({
        id: column.id,
        accessorFn: ({ of }: { readonly of: T }) => column.value(of) ?? undefined,
        sortUndefined: 'last' as const,
        sortFn: (a: Row<T>, b: Row<T>, id: string) => compare(a.getValue(id), b.getValue(id)),
        filterFn: (row: Row<T>, _: string, wanted: string) => textOf(column, row.original.of) === wanted,
      })),
    [columns],
  );
  // A row of any shape: the library wants records.
  const data = useMemo(() => rows.map((of) => ({ of })), [rows]);
  const table = useTable({
    features,
    columns: defs as never,
    data,
    getRowId: ({ of }: { of: T }) => rowId(of),
    globalFilterFn: (row: Row<T>, id: string, typed: string) => {
      const column = columns.find((one) => one.id === id)!;
      const words = `${textOf(column, row.original.of)} ${column.words?.(row.original.of) ?? ''}`;
      return words.toLowerCase().includes(typed.toLowerCase());
    },
    getColumnCanGlobalFilter: () => true,
    enableSortingRemoval: sortedBy === undefined,
    // The farm's news come every few seconds: who reads the second page stays there.
    autoResetPageIndex: false,
    initialState: {
      sorting: sortedBy ? [{ id: sortedBy.id, desc: sortedBy.down ?? false }] : [],
      pagination: { pageIndex: 0, pageSize },
    },
    state: { columnVisibility: visible },
    onColumnVisibilityChange: (next: unknown) => {
      const made = typeof next === 'function' ? (next as (was: typeof visible) => typeof visible)(visible) : next;
      setVisible(made as typeof visible);
      localStorage.setItem(keptKey(name), JSON.stringify(made));
    },
  } as never) as unknown as Table<T>;
  const shown = useMemo(() => columns.filter(({ id }) => visible[id] !== false), [columns, visible]);
  const found = table.getSortedRowModel().rows.map((row) => row.original.of);
  const { rows: onPage } = table.getRowModel();
  const soon = useSoon(phone ? CARDS_AT_ONCE : AT_ONCE, onPage.length);
  const page = onPage.slice(0, soon).map((row) => row.original.of);
  const { pageIndex } = table.state.pagination;
  const pages = Math.max(1, Math.ceil(found.length / pageSize));
  // Fewer are found than the page that was read begins at.
  useEffect(() => {
    if (pageIndex >= pages) table.setPageIndex(pages - 1);
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pageIndex, pages]);
  /** What is found by it is shown from its beginning. */
  const refine = (act: () => void): void => {
    act();
    table.setPageIndex(0);
  };
  // Both are asked for seldom: not loaded with every list.
  const fileName = name.toLowerCase().replace(/[^a-z0-9]+/g, '-');
  const saveCsv = async (): Promise<void> => {
    const { csvFile, csvOf, saveFile } = await import('./csv');
    const columns = shown.map((column) => ({ head: headOf(column), text: (row: T) => textOf(column, row) }));
    saveFile(`${fileName}.csv`, csvFile(csvOf(columns, found)));
  };
  const saveXlsx = async (): Promise<void> => {
    const [{ saveFile }, { xlsxOf }] = await Promise.all([import('./csv'), import('./xlsx')]);
    const columns = shown.map((column) => ({
      head: headOf(column),
      // The same as in the CSV; what is no figure there (a day, sorted by its moment) is none here.
      cell: (row: T) => {
        const text = textOf(column, row);
        return typeof column.value(row) === 'number' && text.trim() !== '' && Number.isFinite(Number(text))
          ? Number(text)
          : text;
      },
    }));
    saveFile(`${fileName}.xlsx`, await xlsxOf(name, columns, found));
  };
  const counted = (count: number): string => `${number(count)} ${count === 1 ? one : many}`;
  if (rows.length === 0 && empty !== undefined) return <>{empty}</>;
  const sums = shown.some(({ sum }) => sum);
  const tools = rows.length >= FEW;
  return (
    <div>
      {tools && (
        <div className={`no-print flex flex-wrap items-center gap-x-4 gap-y-2 py-2 ${flush ? '' : 'px-5 lg:px-6'}`}>
          <SearchBox
            label={`Find in ${many}`}
            value={table.state.globalFilter ?? ''}
            onChange={(text) => refine(() => table.setGlobalFilter(text))}
          />
          {columns
            .filter(({ choice }) => choice)
            .map((column) => (
              <ChoiceFilter
                key={column.id}
                label={column.head}
                values={[...new Set(rows.map((row) => textOf(column, row)))].sort(compare)}
                value={String(table.getColumn(column.id)?.getFilterValue() ?? '')}
                onChange={(value) =>
                  refine(() => table.getColumn(column.id)?.setFilterValue(value === '' ? undefined : value))
                }
              />
            ))}
          {phone && (
            <SortBox
              columns={shown}
              sorting={table.state.sorting}
              onSort={(id, desc) => table.setSorting(id === '' ? [] : [{ id, desc }])}
            />
          )}
          <p role="status" className="text-sm text-muted">
            {found.length === rows.length ? counted(rows.length) : `${found.length} of ${counted(rows.length)}`}
          </p>
          <span className="ml-auto flex items-center">
            <ColumnsMenu
              columns={columns}
              visible={visible}
              onChange={(id, on) => table.setColumnVisibility({ ...visible, [id]: on })}
            />
            {(
              [
                ['CSV', saveCsv],
                ['XLSX', saveXlsx],
              ] as const
            ).map(([format, save]) => (
              <button
                key={format}
                type="button"
                onClick={() => void save()}
                className="inline-flex min-h-11 items-center gap-2 px-2 text-sm font-semibold hover:bg-sand"
              >
                <Download size={16} aria-hidden="true" /> {format}
              </button>
            ))}
          </span>
        </div>
      )}
      {phone ? (
        <Cards name={name} rows={page} columns={shown} rowId={rowId} rowClass={rowClass} flush={flush} />
      ) : (
        <div className="relative overflow-x-auto">
          <table className="w-full text-[15px]" aria-label={name} onKeyDown={rowKeys}>
            <thead className="border-y border-ink text-left text-sm">
              <tr>
                {shown.map((column, i) => {
                  const sorted = table.state.sorting.find(({ id }) => id === column.id);
                  return (
                    <th
                      key={column.id}
                      scope="col"
                      aria-sort={sorted ? (sorted.desc ? 'descending' : 'ascending') : 'none'}
                      className={`p-0 ${edge(i, shown.length, flush)}`}
                    >
                      <button
                        type="button"
                        onClick={() => table.getColumn(column.id)?.toggleSorting()}
                        className={`flex min-h-9 w-full items-center gap-1 font-bold decoration-rule decoration-2 underline-offset-4 hover:underline ${column.right ? 'justify-end text-right' : 'text-left'}`}
                      >
                        <span className="leading-tight">
                          {column.head}
                          {column.unit && (
                            <span className="block text-xs font-normal text-muted">
                              <span className="sr-only">, </span>
                              {column.unit}
                            </span>
                          )}
                        </span>
                        <SortMark sorted={sorted} />
                      </button>
                    </th>
                  );
                })}
              </tr>
            </thead>
            <tbody>
              {page.map((row) => (
                <Line key={rowId(row)} row={row} columns={shown} flush={flush} className={rowClass?.(row) ?? ''} />
              ))}
            </tbody>
            {sums && found.length > 1 && (
              <tfoot>
                <tr className="border-t border-ink font-bold">
                  {shown.map((column, i) => (
                    <td key={column.id} className={cellOf(column, i, shown.length, flush)}>
                      {column.sum?.(found) ?? (i === 0 ? `In all, ${counted(found.length)}` : '')}
                    </td>
                  ))}
                </tr>
              </tfoot>
            )}
          </table>
        </div>
      )}
      {found.length === 0 && <p className="px-5 py-4 text-muted lg:px-6">None of the {counted(rows.length)} is so.</p>}
      {pages > 1 && (
        <nav aria-label={`Pages of ${many}`} className="no-print flex items-center gap-3 px-5 py-3 lg:px-6">
          <PageButton disabled={pageIndex === 0} onClick={() => table.setPageIndex(pageIndex - 1)}>
            Back
          </PageButton>
          <span>
            Page {pageIndex + 1} of {pages}, {counted(found.length)}
          </span>
          <PageButton disabled={pageIndex >= pages - 1} onClick={() => table.setPageIndex(pageIndex + 1)}>
            Next
          </PageButton>
        </nav>
      )}
    </div>
  );
}

/** What of the library's row is used here. */
interface Row<T> {
  readonly original: { readonly of: T };
  getValue(id: string): string | number;
}

/** What of the library's table is used here: its own types are of features, not of rows. */
interface Table<T> {
  readonly state: {
    readonly sorting: readonly { readonly id: string; readonly desc: boolean }[];
    readonly pagination: { readonly pageIndex: number };
    readonly globalFilter?: string;
  };
  getSortedRowModel(): { readonly rows: readonly Row<T>[] };
  getRowModel(): { readonly rows: readonly Row<T>[] };
  getColumn(
    id: string,
  ): { getFilterValue(): unknown; setFilterValue(value: unknown): void; toggleSorting(): void } | undefined;
  setGlobalFilter(text: string): void;
  setSorting(sorting: { id: string; desc: boolean }[]): void;
  setPageIndex(index: number): void;
  setColumnVisibility(visible: Record<string, boolean>): void;
}

function SortMark({ sorted }: { sorted: { readonly desc: boolean } | undefined }) {
  if (!sorted) return null;
  const Mark = sorted.desc ? ArrowDown : ArrowUp;
  return <Mark size={13} aria-hidden="true" className="shrink-0" />;
}

const BOX = 'min-h-10 rounded-[3px] border border-rule bg-transparent px-2 text-[15px]';

function SearchBox({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  return (
    <label className="relative max-sm:w-full">
      <span className="sr-only">{label}</span>
      <Search size={16} aria-hidden="true" className="absolute top-3 left-2.5 text-muted" />
      <input
        type="search"
        placeholder={label}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        className={`${BOX} w-full pl-8 sm:w-48`}
      />
    </label>
  );
}

function ChoiceFilter({
  label,
  values,
  value,
  onChange,
}: {
  label: string;
  values: readonly string[];
  value: string;
  onChange: (value: string) => void;
}) {
  if (values.length < 2) return null;
  return (
    <select
      aria-label={`Only ${label}`}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      className={`${BOX} max-w-48 max-sm:flex-1`}
    >
      <option value="">{label}: all</option>
      {values.map((one) => (
        <option key={one} value={one}>
          {one}
        </option>
      ))}
    </select>
  );
}

function SortBox<T>({
  columns,
  sorting,
  onSort,
}: {
  columns: readonly Column<T>[];
  sorting: Table<T>['state']['sorting'];
  onSort: (id: string, desc: boolean) => void;
}) {
  const [by] = sorting;
  return (
    <select
      aria-label="Sorted by"
      className={`${BOX} max-sm:flex-1`}
      value={by ? `${by.desc ? '-' : '+'}${by.id}` : ''}
      onChange={(event) => onSort(event.target.value.slice(1), event.target.value.startsWith('-'))}
    >
      {!by && <option value="">as they come</option>}
      {columns.flatMap(({ id, head }) => [
        <option key={`+${id}`} value={`+${id}`}>
          {head}, up
        </option>,
        <option key={`-${id}`} value={`-${id}`}>
          {head}, down
        </option>,
      ])}
    </select>
  );
}

function ColumnsMenu<T>({
  columns,
  visible,
  onChange,
}: {
  columns: readonly Column<T>[];
  visible: Readonly<Record<string, boolean>>;
  onChange: (id: string, on: boolean) => void;
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="inline-flex min-h-11 items-center gap-2 px-2 text-sm font-semibold hover:bg-sand">
        <Columns3 size={16} aria-hidden="true" /> Columns
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-40 min-w-44 border border-ink bg-paper py-1 text-ink">
          {columns.slice(1).map(({ id, head }) => (
            <DropdownMenu.CheckboxItem
              key={id}
              checked={visible[id] !== false}
              onCheckedChange={(on) => onChange(id, on)}
              onSelect={(event) => event.preventDefault()}
              className="flex min-h-10 cursor-pointer items-center gap-2 px-3 outline-none data-highlighted:bg-sand"
            >
              <span aria-hidden="true" className="w-4">
                {visible[id] === false ? '' : '✓'}
              </span>
              {head}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function PageButton({ disabled, onClick, children }: { disabled: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      disabled={disabled}
      onClick={onClick}
      className="min-h-11 rounded-[3px] border border-ink px-4 font-semibold disabled:opacity-45"
    >
      {children}
    </button>
  );
}
