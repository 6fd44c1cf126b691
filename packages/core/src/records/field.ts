import { CROP_IDS, type CropId, isOwnCropId } from '../crops/index.js';
import { isObject } from '../kernel/index.js';
import { instantOf } from '../ledger/index.js';
import { MAX_MOISTURE } from '../units/index.js';

/** What a farm's record may point to; a table's foreign key follows from it. */
export type PointsTo = 'lots' | 'places' | 'fields' | 'machines' | 'devices';

/** One field of a record as data: its kind and limits. The same object types it, checks it, makes its column and limits its form. */
export type FieldSpec =
  | {
      readonly kind: 'text';
      readonly least: number;
      readonly most: number;
      readonly form: 'any' | 'id' | 'ulid' | 'ownId';
      readonly to?: PointsTo;
    }
  | {
      readonly kind: 'number';
      readonly least: number;
      readonly most: number;
      readonly unit: string;
      readonly whole: boolean;
    }
  | { readonly kind: 'flag' }
  | { readonly kind: 'instant' }
  | { readonly kind: 'day' }
  | { readonly kind: 'choice'; readonly of: readonly string[]; readonly also?: 'ownCrop' }
  | { readonly kind: 'record'; readonly fields: FieldSpecs }
  | { readonly kind: 'list'; readonly of: FieldSpec; readonly least: number; readonly most: number }
  | {
      readonly kind: 'map';
      readonly of: FieldSpec;
      readonly keys: readonly string[] | null;
      readonly most: number;
      readonly also?: 'ownCrop';
    };

export interface Field<T> {
  readonly spec: FieldSpec;
  /** May be left out. */
  readonly optional: boolean;
  /** May be null: nobody knows, or it does not apply. */
  readonly nullable: boolean;
  /** For the compiler only. */
  readonly type?: T;
}
export type Fields = Readonly<Record<string, Field<unknown>>>;
type FieldSpecs = Fields;

type OptionalKeys<F extends Fields> = { [K in keyof F]: undefined extends TypeOf<F[K]> ? K : never }[keyof F];
type TypeOf<F> = F extends Field<infer T> ? T : never;
/** The type that a table of fields describes. */
export type RecordOf<F extends Fields> = { readonly [K in Exclude<keyof F, OptionalKeys<F>>]: TypeOf<F[K]> } & {
  readonly [K in OptionalKeys<F>]?: Exclude<TypeOf<F[K]>, undefined>;
};

const field = <T>(spec: FieldSpec): Field<T> => ({ spec, optional: false, nullable: false });

export const optional = <T>(one: Field<T>): Field<T | undefined> =>
  ({ ...one, optional: true }) as Field<T | undefined>;
export const nullable = <T>(one: Field<T>): Field<T | null> => ({ ...one, nullable: true }) as Field<T | null>;

/** A name of at most so many letters; `least` 1 where it may not be empty. */
export const text = (most: number, least = 0): Field<string> => field({ kind: 'text', least, most, form: 'any' });
/** The id of something that the farm has. */
export const idOf = (to: PointsTo): Field<string> => field({ kind: 'text', least: 1, most: 40, form: 'id', to });
export const ulidField = (): Field<string> => field({ kind: 'text', least: 26, most: 26, form: 'ulid' });
/** An id made on a device for a line of a list: letters, digits and dashes. */
export const ownId = (): Field<string> => field({ kind: 'text', least: 1, most: 40, form: 'ownId' });
export const number = (least: number, most: number, unit: string): Field<number> =>
  field({ kind: 'number', least, most, unit, whole: false });
export const whole = (least: number, most: number, unit = ''): Field<number> =>
  field({ kind: 'number', least, most, unit, whole: true });
/** A wet-basis fraction. */
export const moistureField = (): Field<number> => number(0, MAX_MOISTURE, 'wb fraction');
export const flag = (): Field<boolean> => field({ kind: 'flag' });
export const instant = (): Field<string> => field({ kind: 'instant' });
/** A day of the farm's calendar, like 2026-08-11. */
export const day = (): Field<string> => field({ kind: 'day' });
export const choice = <const T extends string>(of: readonly T[]): Field<T> => field({ kind: 'choice', of });
/** A crop: one that everybody has, or one of the farm's own. */
export const crop = (): Field<CropId> => field({ kind: 'choice', of: CROP_IDS, also: 'ownCrop' });
/** Values by crop. */
export const byCrop = <T>(of: Field<T>): Field<Readonly<Partial<Record<CropId, T>>>> =>
  field({ kind: 'map', of: of.spec, keys: CROP_IDS, also: 'ownCrop', most: 500 });
export const record = <F extends Fields>(fields: F): Field<RecordOf<F>> => field({ kind: 'record', fields });
export const list = <T>(of: Field<T>, least: number, most: number): Field<readonly T[]> =>
  field({ kind: 'list', of: of.spec, least, most });
/** Values by a key: of a list of names, or of the farm's own. */
export const map = <T, K extends string = string>(
  of: Field<T>,
  keys: readonly K[] | null = null,
  most = 500,
): Field<Readonly<Partial<Record<K, T>>>> => field({ kind: 'map', of: of.spec, keys, most });

/** What is wrong with a field, as data; the sentence for people is made from it elsewhere. */
export interface FieldRefusal {
  readonly code:
    | 'field_missing'
    | 'field_of_wrong_type'
    | 'out_of_range'
    | 'too_short'
    | 'too_long'
    | 'malformed'
    | 'not_in_list'
    | 'field_unknown'
    | 'date_is_none'
    | 'rule_broken';
  /** `axles[1].share` */
  readonly path: string;
  /** The last name of the path: where it was typed. */
  readonly field: string;
  readonly least?: number;
  readonly most?: number;
  readonly unit?: string;
  readonly of?: readonly string[];
  /** The rule between several fields, by name. */
  readonly rule?: string;
}

export const ULID_FORM = /^[0-7][0-9A-HJKMNP-TV-Z]{25}$/;
const OWN_ID_FORM = /^[A-Za-z0-9-]{1,40}$/;
/** A lone surrogate: no database takes it, and no reader can show it. */
export const hasHalfLetter = (text: string): boolean =>
  /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/.test(text);

export function isDay(value: unknown): value is string {
  if (typeof value !== 'string' || !/^\d{4}-\d\d-\d\d$/.test(value)) return false;
  const ms = Date.parse(`${value}T00:00:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().slice(0, 10) === value;
}

function checkValue(spec: FieldSpec, value: unknown, path: string, name: string, refusals: FieldRefusal[]): void {
  const refuse = (code: FieldRefusal['code'], facts: Partial<FieldRefusal> = {}): void =>
    void refusals.push({ code, path, field: name, ...facts });
  switch (spec.kind) {
    case 'text':
      if (typeof value !== 'string') refuse('field_of_wrong_type');
      else if (value.length > spec.most) refuse('too_long', { most: spec.most });
      else if (spec.least > 0 && value.trim().length < Math.min(spec.least, 1)) refuse('field_missing');
      else if (
        (spec.form === 'ulid' && !ULID_FORM.test(value)) ||
        (spec.form === 'ownId' && !OWN_ID_FORM.test(value)) ||
        hasHalfLetter(value)
      )
        refuse('malformed');
      return;
    case 'number':
      if (typeof value !== 'number' || Number.isNaN(value))
        refuse('field_of_wrong_type', { least: spec.least, most: spec.most, unit: spec.unit });
      else if (!(value >= spec.least && value <= spec.most) || (spec.whole && !Number.isInteger(value)))
        refuse('out_of_range', { least: spec.least, most: spec.most, unit: spec.unit });
      return;
    case 'flag':
      if (typeof value !== 'boolean') refuse('field_of_wrong_type');
      return;
    case 'instant':
      if (typeof value !== 'string' || Number.isNaN(instantOf(value))) refuse('date_is_none');
      return;
    case 'day':
      if (!isDay(value)) refuse('date_is_none');
      return;
    case 'choice':
      if (typeof value !== 'string' || !(spec.of.includes(value) || (spec.also && isOwnCropId(value))))
        refuse('not_in_list', { of: spec.of });
      return;
    case 'record':
      if (!isObject(value)) refuse('field_of_wrong_type');
      else checkInto(spec.fields, value, `${path}.`, refusals);
      return;
    case 'list':
      if (!Array.isArray(value)) refuse('field_of_wrong_type');
      else if (value.length < spec.least) refuse('too_short', { least: spec.least });
      else if (value.length > spec.most) refuse('too_long', { most: spec.most });
      else value.forEach((item: unknown, i) => checkValue(spec.of, item, `${path}[${i}]`, name, refusals));
      return;
    case 'map': {
      if (!isObject(value)) return refuse('field_of_wrong_type');
      const entries = Object.entries(value);
      if (entries.length > spec.most) return refuse('too_long', { most: spec.most });
      for (const [key, item] of entries) {
        if (spec.keys !== null && !spec.keys.includes(key) && !(spec.also && isOwnCropId(key)))
          refusals.push({ code: 'field_unknown', path: `${path}.${key}`, field: name, of: spec.keys });
        else if (spec.keys === null && (key.length === 0 || key.length > 40))
          refusals.push({ code: 'malformed', path: `${path}.${key.slice(0, 40)}`, field: name });
        else checkValue(spec.of, item, `${path}.${key}`, name, refusals);
      }
    }
  }
}

function checkInto(
  fields: Fields,
  value: Readonly<Record<string, unknown>>,
  before: string,
  refusals: FieldRefusal[],
): void {
  for (const name of Object.keys(value))
    if (!Object.hasOwn(fields, name) && value[name] !== undefined)
      refusals.push({ code: 'field_unknown', path: `${before}${name}`, field: name });
  for (const [name, one] of Object.entries(fields)) checkField(one, value[name], `${before}${name}`, name, refusals);
}

/** Checks one value against its field. Refusals are added to the list. */
export function checkField(
  one: Field<unknown>,
  value: unknown,
  path: string,
  name: string,
  refusals: FieldRefusal[],
): void {
  // JSON writers put null where a field was left out.
  if (value === undefined || (value === null && !one.nullable && one.optional)) {
    if (!one.optional) refusals.push({ code: 'field_missing', path, field: name });
  } else if (value === null && one.nullable) return;
  else if (value === null) refusals.push({ code: 'field_missing', path, field: name });
  else checkValue(one.spec, value, path, name, refusals);
}

/** Everything that is wrong with a record; nothing unknown is let through. */
export function checkFields(fields: Fields, value: unknown): FieldRefusal[] {
  const refusals: FieldRefusal[] = [];
  if (!isObject(value)) return [{ code: 'field_of_wrong_type', path: '', field: '' }];
  checkInto(fields, value, '', refusals);
  return refusals;
}
