import {
  checkFields,
  type FieldRefusal,
  inOrder,
  LOG_KINDS,
  type LogKind,
  type LogName,
  SETTING_KINDS,
  type SettingKind,
  type SettingName,
} from '@fanega/core';
import { EntitySchema, type EntityManager, type EntitySchemaColumnOptions, In } from 'typeorm';
import { type Child, type Column, type Layout, layoutOf } from './layout.js';
import { recordOf, type Row, rowsOf } from './record-rows.js';
import type { Connection } from './versions.js';

const COLUMN: Record<Column['type'], Partial<EntitySchemaColumnOptions>> = {
  id: { type: 'varchar', length: 40 },
  ulid: { type: 'char', length: 26 },
  text: { type: 'varchar' },
  double: { type: 'double' },
  int: { type: 'int' },
  bool: { type: 'boolean' },
  instant: { type: 'bigint' },
  day: { type: 'char', length: 10 },
};
type Schema = EntitySchema<Row>;
const key = (options: Partial<EntitySchemaColumnOptions>): EntitySchemaColumnOptions =>
  ({ ...options, primary: true }) as EntitySchemaColumnOptions;
const column = (one: Column): EntitySchemaColumnOptions =>
  ({
    ...COLUMN[one.type],
    ...(one.length ? { length: one.length } : {}),
    nullable: one.empty !== 'never',
  }) as EntitySchemaColumnOptions;

function schema(table: string, columns: Record<string, EntitySchemaColumnOptions>): Schema {
  return new EntitySchema<Row>({ name: table, tableName: table, columns });
}

const columnsOf = (columns: readonly Column[]): Record<string, EntitySchemaColumnOptions> =>
  Object.fromEntries(columns.map((one) => [one.name, column(one)]));

function childSchemas(child: Child, parents: Record<string, EntitySchemaColumnOptions>, level: number): Schema[] {
  const name = (child.kind === 'list' ? 'place' : 'name') + (level === 0 ? '' : `_${level}`);
  const own = {
    ...parents,
    [name]: key(child.kind === 'list' ? { type: 'smallint', unsigned: true } : { type: 'varchar', length: 40 }),
  };
  return [
    schema(child.table, { ...own, ...columnsOf(child.columns) }),
    ...child.children.flatMap((next) => childSchemas(next, own, level + 1)),
  ];
}

/** A kind of record with its tables. */
export interface RecordTables {
  readonly layout: Layout;
  readonly schemas: ReadonlyMap<string, Schema>;
  /** The table of the records themselves; the others are those of their lists. */
  readonly own: Schema;
}

function tablesOf(kind: LogKind | SettingKind): RecordTables {
  const layout = layoutOf(kind);
  const keys = { farm_id: key({ type: 'varchar', length: 40 }), id: key({ type: 'varchar', length: 40 }) };
  const common: Record<string, EntitySchemaColumnOptions> =
    layout.kind === 'log'
      ? {
          at_ms: { type: 'bigint' },
          season: { type: 'smallint' },
          by_name: { type: 'varchar', length: 120 },
          voided: { type: 'boolean' },
        }
      : {
          revision: { type: 'int', unsigned: true },
          ...(layout.subject === 'cropAndBuyer'
            ? { crop: { type: 'varchar', length: 24 }, buyer_id: { type: 'varchar', length: 40, nullable: true } }
            : {}),
        };
  const all = [
    schema(layout.table, { ...keys, ...common, ...columnsOf(layout.columns) }),
    ...layout.children.flatMap((child) => childSchemas(child, keys, 0)),
  ];
  return { layout, schemas: new Map(all.map((one) => [one.options.tableName!, one])), own: all[0]! };
}

export const LOG_TABLES = Object.fromEntries(
  Object.entries(LOG_KINDS).map(([name, kind]) => [name, tablesOf(kind as unknown as LogKind)]),
) as unknown as Readonly<Record<LogName, RecordTables>>;
export const SETTING_TABLES = Object.fromEntries(
  Object.entries(SETTING_KINDS).map(([name, kind]) => [name, tablesOf(kind as unknown as SettingKind)]),
) as unknown as Readonly<Record<SettingName, RecordTables>>;
export const RECORD_SCHEMAS: readonly Schema[] = [
  ...Object.values(LOG_TABLES),
  ...Object.values(SETTING_TABLES),
].flatMap(({ schemas }) => [...schemas.values()]);

export const INSERT_AT_ONCE = 500;

/** Writes rows of one table, some hundred at a time. */
export async function insertAll(
  tx: EntityManager,
  table: Parameters<EntityManager['insert']>[0],
  rows: readonly object[],
): Promise<void> {
  for (let i = 0; i < rows.length; i += INSERT_AT_ONCE)
    await tx.insert(table, rows.slice(i, i + INSERT_AT_ONCE) as never);
}

/** A record as it is kept, with its row. */
export interface Kept {
  readonly row: Row;
  readonly body: Record<string, unknown>;
}

/** Records of one kind, read with all their lists: a query for each table, however many records. */
export async function readRecords(
  on: Connection,
  { layout, schemas }: RecordTables,
  where: Row,
  page?: { readonly skip: number; readonly take: number },
): Promise<Kept[]> {
  const [own, ...lists] = [...schemas.values()];
  const rows = await on.getRepository(own!).find({
    where: where as never,
    order: layout.kind === 'log' ? { at_ms: 'DESC', id: 'DESC' } : { id: 'ASC' },
    ...page,
  });
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.id as string);
  const byRecord = new Map<string, Map<string, Row[]>>();
  for (const list of lists) {
    for (let i = 0; i < ids.length; i += 1000) {
      for (const one of await on
        .getRepository(list)
        .findBy({ farm_id: where.farm_id as string, id: In(ids.slice(i, i + 1000)) })) {
        const tables = byRecord.get(one.id as string) ?? new Map<string, Row[]>();
        byRecord.set(one.id as string, tables);
        tables.set(list.options.tableName!, [...(tables.get(list.options.tableName!) ?? []), one]);
      }
    }
  }
  return rows.map((row) => {
    const body = bodyOf(layout, row, (table) => byRecord.get(row.id as string)?.get(table) ?? []);
    return { row, body: layout.kind === 'log' ? { id: row.id, at: instantText(row.at_ms), ...body } : body };
  });
}

/** A row that no program of ours wrote may hold anything: what cannot be read is an empty record, which its check finds wrong. */
function bodyOf(...asked: Parameters<typeof recordOf>): Record<string, unknown> {
  try {
    return recordOf(...asked);
  } catch {
    return {};
  }
}
function instantText(ms: unknown): string | null {
  const at = new Date(Number(ms));
  return Number.isNaN(at.getTime()) ? null : at.toISOString();
}

/** What nothing can be worked out with; what is only outside of today's limits was right when it was written. */
const UNREADABLE = new Set<FieldRefusal['code']>([
  'field_missing',
  'field_of_wrong_type',
  'not_in_list',
  'date_is_none',
  'malformed',
]);
/** The first thing for which a kept record cannot be read as one of its kind. */
export const unreadable = (kind: LogKind, body: unknown): FieldRefusal | undefined =>
  checkFields(kind.fields, body).find(({ code }) => UNREADABLE.has(code));

/** Puts records of one kind into their tables, all lists after all records. */
export async function insertRecords(
  tx: EntityManager,
  { layout, schemas }: RecordTables,
  records: readonly { readonly body: object; readonly key: { farm_id: string; id: string }; readonly common: Row }[],
): Promise<void> {
  const all = records.map(({ body, key: own, common }) => rowsOf(layout, body, own, common));
  for (const [table, one] of schemas)
    await insertAll(
      tx,
      one,
      all.flatMap((rows) => rows.get(table) ?? []),
    );
}

/** Takes a setting's rows out, lists first, so that the new ones can be put in. */
export async function removeRecord(
  tx: EntityManager,
  { schemas }: RecordTables,
  own: { farm_id: string; id: string },
  keepOwn: boolean,
): Promise<void> {
  const [first, ...lists] = [...schemas.values()];
  for (const list of lists.reverse()) await tx.delete(list, own);
  if (!keepOwn) await tx.delete(first!, own);
}

/** The same rows, whatever the order of keys: a record that is sent twice is the same one. */
export function sameRecord(layout: Layout, a: object, b: object): boolean {
  const own = { farm_id: '', id: '' };
  const [x, y] = [rowsOf(layout, a, own, {}), rowsOf(layout, b, own, {})];
  const plain = (rows: typeof x): string =>
    JSON.stringify(
      [...rows].map(([table, list]) => [
        table,
        list
          .map((row) =>
            Object.entries(row)
              .sort(([p], [q]) => inOrder(p, q))
              .map(([name, value]) => [name, typeof value === 'boolean' ? Number(value) : value]),
          )
          .sort(),
      ]),
    );
  return plain(x) === plain(y);
}
