import type { Field, Fields, FieldSpec } from './field.js';

const isMoney = (spec: FieldSpec): boolean => spec.kind === 'number' && spec.unit.includes('$');

function cleaned(spec: FieldSpec, value: unknown): unknown {
  switch (spec.kind) {
    case 'record':
      return withoutMoney(spec.fields, value as Readonly<Record<string, unknown>>);
    case 'list':
      return (value as readonly unknown[]).map((one) => cleaned(spec.of, one));
    case 'map':
      return Object.fromEntries(Object.entries(value as object).map(([key, one]) => [key, cleaned(spec.of, one)]));
    default:
      return value;
  }
}

/**
 * A record for somebody who reads no money: what may be left out is, what has to be there is the least that is allowed, nothing where that
 * is nothing. By the units of its fields, so that a new kind of record is covered without a line here.
 */
export function withoutMoney<T extends Readonly<Record<string, unknown>>>(fields: Fields, body: T): T {
  return Object.fromEntries(
    Object.entries(body).flatMap(([name, value]): [string, unknown][] => {
      const one: Field<unknown> | undefined = Object.hasOwn(fields, name) ? fields[name] : undefined;
      if (one === undefined || value === undefined || value === null) return [[name, value]];
      const { spec } = one;
      if (!isMoney(spec)) return [[name, cleaned(spec, value)]];
      return one.optional ? [] : [[name, spec.kind === 'number' ? Math.max(0, spec.least) : value]];
    }),
  ) as T;
}
