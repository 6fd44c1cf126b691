import { checkFields, type FieldRefusal, type Fields, instant, type RecordOf, ulidField } from './field.js';

export const RECORD_STATIONS = ['fields', 'cut', 'haul', 'dry', 'store', 'sell', 'trace', 'shed'] as const;
export type RecordStation = (typeof RECORD_STATIONS)[number];

/** A rule between several fields of a record, by name; null where it holds, otherwise the field at which it is said. */
export type Rule<T> = { readonly name: string; readonly broken: (value: T) => string | null };

/** Something that happened: written once, taken back and made again, never changed. */
export interface LogKind<F extends Fields = Fields> {
  readonly name: string;
  readonly station: RecordStation;
  readonly table: string;
  readonly fields: F;
  readonly rules: readonly Rule<never>[];
}

/** Something that a farm sets for itself, for one subject: changed as a whole, by revision. */
export interface SettingKind<F extends Fields = Fields> extends LogKind<F> {
  /** What it is set for: a place, a machine, a device, a crop (and buyer), a kind of machine, or the farm. */
  readonly subject: 'farm' | 'places' | 'machines' | 'devices' | 'cropAndBuyer' | 'machineKind' | 'ownCrops' | 'own';
}

/** What every record of a log has: an id that its device made, so that sending it twice is harmless, and when it was. */
export const LOGGED = { id: ulidField(), at: instant() };

export const logKind = <F extends Fields, S extends RecordStation>(
  name: string,
  station: S,
  table: string,
  fields: F,
  rules: readonly Rule<RecordOf<F & typeof LOGGED>>[] = [],
): LogKind<F & typeof LOGGED> & { readonly station: S } => ({
  name,
  station,
  table,
  fields: { ...LOGGED, ...fields },
  rules: rules as readonly Rule<never>[],
});

export const settingKind = <F extends Fields, S extends RecordStation>(
  name: string,
  station: S,
  table: string,
  subject: SettingKind['subject'],
  fields: F,
  rules: readonly Rule<RecordOf<F>>[] = [],
): SettingKind<F> & { readonly station: S } => ({
  name,
  station,
  table,
  subject,
  fields,
  rules: rules as readonly Rule<never>[],
});

export type LogOf<K> = K extends LogKind<infer F> ? RecordOf<F> : never;
export type SettingOf<K> = K extends SettingKind<infer F> ? RecordOf<F> : never;

/** Fields first, then the rules between them. */
export function checkRecord(kind: LogKind, value: unknown): FieldRefusal[] {
  const refusals = checkFields(kind.fields, value);
  if (refusals.length > 0) return refusals;
  return kind.rules.flatMap(({ name, broken }) => {
    const field = broken(value as never);
    return field === null ? [] : [{ code: 'rule_broken' as const, path: field, field, rule: name }];
  });
}
