import { checkField, CROPS, type Field, type FieldRefusal, instantOf, isOwnCropId, ULID_FORM } from '@fanega/core';
import { Type } from 'class-transformer';
import { IsNumber, Max, Min, registerDecorator, ValidateNested } from 'class-validator';
import { wordFieldRefusal } from './words.js';

export const ULID = ULID_FORM;

/** No NaN and no infinity; JSON has neither, but a test may. */
export const number = { allowNaN: false, allowInfinity: false };

/** A rule of our own: `check` says what is wrong, or null. */
export const byRule =
  (name: string, check: (value: unknown, property: string) => string | null) =>
  (...constraints: readonly unknown[]): PropertyDecorator =>
  (target, propertyName) =>
    registerDecorator({
      name,
      target: target.constructor,
      propertyName: propertyName as string,
      constraints: [...constraints],
      validator: {
        validate: (value: unknown) => check(value, String(propertyName)) === null,
        defaultMessage: (given) => check(given?.value, String(propertyName)) ?? '',
      },
    });

export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A date-time with its zone, read by the same function as the book's. */
export const IsInstant = byRule('isInstant', (value, property) =>
  typeof value === 'string' && !Number.isNaN(instantOf(value))
    ? null
    : `${property} is no date; write it like 2026-09-08T14:52:00Z, with its zone`,
);

/** Limits that the core declares, and that the boxes of the web read too; `missing` is said where nothing is there. */
export const Fits = (field: Field<unknown>, missing?: string): PropertyDecorator =>
  byRule('fits', (value, property) => {
    const refusals: FieldRefusal[] = [];
    checkField(field, value, property, property, refusals);
    const [first] = refusals;
    if (first === undefined) return null;
    return first.code === 'field_missing' && missing !== undefined ? missing : wordFieldRefusal(first);
  })();

/** A number within limits, with one sentence for whatever is wrong. */
export const IsBetween =
  (least: number, most: number, message: string): PropertyDecorator =>
  (target, propertyName) => {
    // From the last to the first, as stacked decorators are applied.
    for (const rule of [Max(most, { message }), Min(least, { message }), IsNumber(number, { message })])
      rule(target, propertyName);
  };

/** Every one of a list within limits. */
export const IsBetweenEach =
  (least: number, most: number, message: string): PropertyDecorator =>
  (target, propertyName) => {
    const each = { message, each: true };
    for (const rule of [Max(most, each), Min(least, each), IsNumber(number, each)]) rule(target, propertyName);
  };

/** A wet-basis fraction. */
export const IsMoisture = (): PropertyDecorator =>
  IsBetween(0, 0.6, '$property is a fraction from 0 to 0.6 (16.5 % is 0.165)');

/** A crop that everybody has, or the id of one of a farm's own. */
export const IsCrop = byRule('isCrop', (value, property) =>
  typeof value === 'string' && (Object.keys(CROPS).includes(value) || isOwnCropId(value))
    ? null
    : `${property} must be one of ${Object.keys(CROPS).join(', ')}, or a crop of the farm’s own`,
);

const IsRecord = byRule('isRecord', (value, property) => (isRecord(value) ? null : `${property} is not an object`));
const AreRecords = byRule('areRecords', (value, property) =>
  Array.isArray(value) && value.every(isRecord) ? null : `${property} is a list of objects`,
);
type Class = new () => object;

/** Of which class an object or a list of them is; stands among the rules of its field, for whoever reads them. */
export class Holds {
  constructor(readonly of: () => Class) {}
}

/** An object of a class. The library's own check lets a list of them pass for one of them. */
export const One =
  (of: () => Class): PropertyDecorator =>
  (target, propertyName) => {
    for (const rule of [Type(of), ValidateNested(), IsRecord(new Holds(of))]) rule(target, propertyName);
  };

/** A list of objects of a class; each of them one, and no list in its place. */
export const Each =
  (of: () => Class): PropertyDecorator =>
  (target, propertyName) => {
    for (const rule of [Type(of), ValidateNested({ each: true }), AreRecords(new Holds(of))])
      rule(target, propertyName);
  };

/** A list of numbers within limits, or null where one says nothing. */
export const FiguresOrNulls = (least: number, most: number, unit: string): PropertyDecorator =>
  byRule('figuresOrNulls', (value, property) =>
    Array.isArray(value) &&
    value.every((one) => one === null || (typeof one === 'number' && one >= least && one <= most))
      ? null
      : `${property} is a list of numbers from ${least} to ${most} ${unit}, or null`,
  )();
