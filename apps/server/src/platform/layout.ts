import { type Field, type Fields, type FieldSpec, type LogKind, type PointsTo, type SettingKind } from '@fanega/core';

/** How a field lies in a table. */
export interface Column {
  readonly name: string;
  /** Where the value stands in the record. */
  readonly path: readonly string[];
  readonly type: 'id' | 'ulid' | 'text' | 'double' | 'int' | 'bool' | 'instant' | 'day';
  readonly length?: number;
  /** What an empty column reads as: a field that was left out, or null. */
  readonly empty: 'never' | 'absent' | 'null';
  readonly to?: PointsTo;
  /** Of a column that tells whether a record is there: one that is not reads as null, not as left out. */
  readonly none?: 'null';
}

/** A list or map of a record, in a table of its own. */
export interface Child {
  readonly table: string;
  readonly path: readonly string[];
  readonly kind: 'list' | 'map';
  /** Tells an empty list from one that was left out; only where it may be. */
  readonly given?: string;
  /** One value a row, or the fields of a record. */
  readonly columns: readonly Column[];
  readonly plain: boolean;
  readonly children: readonly Child[];
}

export interface Layout {
  readonly table: string;
  readonly kind: 'log' | 'setting';
  readonly subject: SettingKind['subject'] | null;
  readonly columns: readonly Column[];
  readonly children: readonly Child[];
}

export const snake = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

function scalar(
  spec: FieldSpec,
  one: { optional: boolean; nullable: boolean },
  name: string,
  path: readonly string[],
): Column | null {
  const empty = one.nullable ? 'null' : one.optional ? 'absent' : 'never';
  const base = { name, path, empty } as const;
  switch (spec.kind) {
    case 'text':
      return {
        ...base,
        type: spec.form === 'id' ? 'id' : spec.form === 'ulid' ? 'ulid' : 'text',
        ...(spec.form === 'id' || spec.form === 'ulid' ? {} : { length: spec.most }),
        ...(spec.to ? { to: spec.to } : {}),
      };
    case 'number':
      return { ...base, type: spec.whole ? 'int' : 'double' };
    case 'flag':
      return { ...base, type: 'bool' };
    case 'instant':
      return { ...base, type: 'instant', name: `${name}_ms` };
    case 'day':
      return { ...base, type: 'day' };
    case 'choice':
      return { ...base, type: 'text', length: Math.max(...spec.of.map((word) => word.length), 8) };
    default:
      return null;
  }
}

function layFields(
  fields: Fields,
  table: string,
  prefix: string,
  path: readonly string[],
  columns: Column[],
  children: Child[],
  loose = false,
): void {
  for (const [key, one] of Object.entries(fields))
    lay(one, table, `${prefix}${snake(key)}`, [...path, key], columns, children, loose);
}

function lay(
  one: Field<unknown>,
  table: string,
  name: string,
  path: readonly string[],
  columns: Column[],
  children: Child[],
  loose: boolean,
): void {
  const { spec } = one;
  // Fields of a record that may be missing are empty together with it.
  const column = scalar(spec, { optional: one.optional || loose, nullable: one.nullable }, name, path);
  if (column) columns.push(column);
  else if (spec.kind === 'record') {
    if (one.optional || one.nullable)
      columns.push({
        name: `${name}_given`,
        path,
        type: 'bool',
        empty: 'never',
        ...(one.nullable ? { none: 'null' as const } : {}),
      });
    layFields(spec.fields, table, `${name}_`, path, columns, children, one.optional || one.nullable || loose);
  } else if (spec.kind === 'list' || spec.kind === 'map') {
    const given = one.optional ? `${name}_given` : undefined;
    if (given) columns.push({ name: given, path, type: 'bool', empty: 'never' });
    children.push(child(spec, `${table}_${name}`, path, given));
  }
}

function child(
  spec: FieldSpec & { kind: 'list' | 'map' },
  table: string,
  path: readonly string[],
  given: string | undefined,
): Child {
  const columns: Column[] = [];
  const children: Child[] = [];
  const value = scalar(spec.of, { optional: false, nullable: false }, 'value', []);
  if (value) columns.push(value);
  else if (spec.of.kind === 'record') {
    layFields(spec.of.fields, table, '', [], columns, children);
    // `id` is the record's own; a line of a list has another.
    for (const [i, one] of columns.entries()) if (one.name === 'id') columns[i] = { ...one, name: 'item_id' };
  }
  // A list in a list: least and most of a range.
  else if (spec.of.kind === 'list') children.push(child(spec.of, `${table}_values`, [], undefined));
  return { table, path, kind: spec.kind, ...(given ? { given } : {}), columns, plain: value !== null, children };
}

/** The tables of a kind of record, out of its fields. */
export function layoutOf(kind: LogKind | SettingKind): Layout {
  const columns: Column[] = [];
  const children: Child[] = [];
  const { id: _, at: __, ...rest } = kind.fields as Fields & { id?: never; at?: never };
  const isSetting = 'subject' in kind;
  layFields(isSetting ? kind.fields : rest, kind.table, '', [], columns, children);
  return {
    table: kind.table,
    kind: isSetting ? 'setting' : 'log',
    subject: isSetting ? kind.subject : null,
    columns,
    children,
  };
}
