import { instantOf } from '@fanega/core';
import type { Child, Column, Layout } from './layout.js';

export type Row = Record<string, unknown>;
/** Rows of one record, by table: the record's own first, then those of its lists. */
export type RowsByTable = Map<string, Row[]>;

const at = (value: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((inner, key) => (inner as Record<string, unknown> | null | undefined)?.[key], value);

function put(target: Record<string, unknown>, path: readonly string[], value: unknown): void {
  const last = path.at(-1)!;
  let inner = target;
  for (const key of path.slice(0, -1)) inner = (inner[key] ??= {}) as Record<string, unknown>;
  inner[last] = value;
}

const toColumn = ({ type }: Column, value: unknown): unknown =>
  value === undefined || value === null ? null : type === 'instant' ? Math.floor(instantOf(value as string)) : value;
const fromColumn = ({ type }: Column, value: unknown): unknown =>
  type === 'bool' ? Boolean(value) : type === 'instant' ? new Date(Number(value)).toISOString() : value;

const isGiven = (column: Column): boolean => column.type === 'bool' && column.name.endsWith('_given');

function columnsInto(row: Row, columns: readonly Column[], record: unknown, plain: boolean): Row {
  for (const column of columns)
    row[column.name] = isGiven(column)
      ? (at(record, column.path) ?? null) !== null
      : toColumn(column, plain ? record : at(record, column.path));
  return row;
}

const keyName = (kind: Child['kind'], level: number): string =>
  (kind === 'list' ? 'place' : 'name') + (level === 0 ? '' : `_${level}`);

/** A record as rows. @param key the record's own: farm, id, and what every row of its kind has */
export function rowsOf(
  layout: Layout,
  record: object,
  key: { readonly farm_id: string; readonly id: string },
  common: Row,
): RowsByTable {
  const rows: RowsByTable = new Map([
    [layout.table, [columnsInto({ ...key, ...common }, layout.columns, record, false)]],
  ]);
  const add = (child: Child, of: unknown, parentKey: Row, level: number): void => {
    const value = at(of, child.path);
    const list: [string | number, unknown][] =
      value === undefined || value === null
        ? []
        : child.kind === 'list'
          ? (value as unknown[]).map((item, i) => [i, item])
          : Object.entries(value as object);
    const own = rows.get(child.table) ?? [];
    rows.set(child.table, own);
    for (const [name, item] of list) {
      if (item === undefined) continue;
      const itemKey = { ...parentKey, [keyName(child.kind, level)]: name };
      own.push(columnsInto({ ...itemKey }, child.columns, item, child.plain));
      for (const next of child.children) add(next, item, itemKey, level + 1);
    }
  };
  for (const child of layout.children) add(child, record, key, 0);
  return rows;
}

function columnsOutOf(row: Row, columns: readonly Column[], record: Record<string, unknown>): void {
  const missing: (readonly string[])[] = [];
  for (const column of columns) {
    if (isGiven(column)) {
      if (!row[column.name]) {
        missing.push(column.path);
        if (column.none === 'null') put(record, column.path, null);
      }
      continue;
    }
    if (missing.some((path) => path.every((key, i) => column.path[i] === key))) continue;
    const value = row[column.name] ?? null;
    if (value === null) {
      if (column.empty === 'null') put(record, column.path, null);
    } else put(record, column.path, fromColumn(column, value));
  }
}

/** The record that its rows were made from. @param childRows rows of the lists, of this record alone */
export function recordOf(
  layout: Layout,
  row: Row,
  childRows: (table: string) => readonly Row[],
): Record<string, unknown> {
  const record: Record<string, unknown> = {};
  columnsOutOf(row, layout.columns, record);
  const read = (
    child: Child,
    target: Record<string, unknown>,
    owner: Row,
    parentKeys: readonly string[],
    level: number,
  ): unknown => {
    if (child.given !== undefined && !owner[child.given]) return undefined;
    const key = keyName(child.kind, level);
    const own = childRows(child.table).filter((one) => parentKeys.every((name) => one[name] === owner[name]));
    const item = (one: Row): unknown => {
      if (child.plain) return fromColumn(child.columns[0]!, one.value);
      const inner: Record<string, unknown> = {};
      columnsOutOf(one, child.columns, inner);
      let whole: unknown = inner;
      for (const next of child.children) {
        const value = read(next, inner, one, [...parentKeys, key], level + 1);
        if (next.path.length === 0) whole = value;
        else if (value !== undefined) put(inner, next.path, value);
      }
      return whole;
    };
    return child.kind === 'list'
      ? [...own].sort((a, b) => Number(a[key]) - Number(b[key])).map(item)
      : Object.fromEntries(own.map((one) => [String(one[key]), item(one)]));
  };
  for (const child of layout.children) {
    const value = read(child, record, row, [], 0);
    if (value !== undefined) put(record, child.path, value);
  }
  return record;
}
