import { wordFieldRefusal, sentence } from '@fanega/contract/words';
import { checkRecord, type Field, type LogKind } from '@fanega/core';
import { bushels, type Kind, moisture, readMoisture, readWeight, type WeightUnit } from '../quantity/quantity';
import { readMoment } from '../quantity/time-typed';
import { type Box, words } from '../ui/form/box';

/** A text of a record, with the record's own limit; without `missing` it may stay empty. */
export function textBox(field: Field<string | null | undefined>, missing?: string): Box<string> {
  if (field.spec.kind !== 'text') throw new Error('bug: no text');
  return words(field.spec.most, missing);
}

interface FigureOptions {
  /** kg of a bushel, where the quantity is bushels of a crop. */
  readonly per?: number;
  /** What the box was opened with, as it is recorded. */
  readonly was?: number | null | undefined;
  /** Recorded in another unit than the quantity's own: so many of the record's are one of it. */
  readonly times?: number;
  /** A closer limit than the record's. */
  readonly least?: number;
  readonly most?: number;
  /** Said where the box is empty; else by its unit. */
  readonly missing?: string;
}

function read(field: Field<unknown>, kind: Kind, wanted: boolean, options: FigureOptions) {
  const { spec } = field;
  if (spec.kind !== 'number') throw new Error('bug: no number');
  const { per, was, times = 1, least = spec.least, most = spec.most, missing } = options;
  return (typed: string) => {
    if (wanted && missing !== undefined && typed.trim() === '') return { error: missing };
    const got = kind.read(typed, {
      ...(per === undefined ? {} : { per }),
      least: least / times,
      most: most / times,
      wanted,
      was: was === undefined || was === null ? was : was / times,
    });
    if (got.value === undefined) return got;
    if (spec.whole && !Number.isInteger(got.value)) return { error: 'A whole number' };
    return { value: times === 1 ? got.value : Number((got.value * times).toPrecision(12)) };
  };
}

/** A figure of no record, within limits of its own: for what is only worked out. */
export const between = (least: number, most: number): Field<number> => ({
  spec: { kind: 'number', least, most, unit: '', whole: false },
  optional: false,
  nullable: false,
});

/** A figure of a record in the reader's unit, with the record's own limits. */
export const figureBox = (field: Field<unknown>, kind: Kind, options: FigureOptions = {}): Box<number> => ({
  read: read(field, kind, true, options),
  control: { unit: kind.unit, inputMode: 'decimal' },
});
/** The same, which may stay empty. */
export const figureOrNone = (
  field: Field<unknown>,
  kind: Kind,
  options: FigureOptions = {},
): Box<number | undefined> => ({
  read: read(field, kind, false, options),
  control: { unit: kind.unit, inputMode: 'decimal' },
});

/** What the record's own check says, by field: the same that the server says. */
export function recordErrors(kind: LogKind, value: unknown): Readonly<Record<string, string>> {
  return Object.fromEntries(
    checkRecord(kind, value)
      .reverse()
      .map((refusal) => [refusal.field, sentence(wordFieldRefusal(refusal))]),
  );
}

/** A moisture as people read it off a tester; without `missing` it may stay empty. */
export const moistureBox = (missing?: string): Box<number | undefined> => ({
  read: (typed) => (typed.trim() === '' && missing !== undefined ? { error: missing } : readMoisture(typed)),
  control: { unit: moisture.unit, inputMode: 'decimal' },
});

/** A day and a time on the farm's clock: the instant, ms. */
export const momentBox = (timeZone: string, now: number): Box<number> => ({
  read: (typed) => readMoment(typed, timeZone, now),
});

/** A weight of grain in a unit that is chosen beside it, kg; `missing` is said where nothing is typed. */
export const weightBox = (unit: WeightUnit, kgPerBu: number, missing: string): Box<number> => ({
  read: (typed) => {
    const { kg, error } = readWeight(typed, unit, kgPerBu);
    return kg === undefined ? { error: error ?? missing } : { value: kg };
  },
  control: { unit, inputMode: 'decimal' },
});

/** Bushels of a crop, kg; more than nothing, and what `wrong` says of them. */
export const grainBox = (kgPerBu: number, wrong: (bushels: number) => string | undefined): Box<number> => ({
  read: (typed) => {
    const { value, error } = bushels.read(typed, { per: kgPerBu, wanted: true });
    if (value === undefined || !(value > 0)) return { error: error ?? `How many ${bushels.unit}?` };
    const problem = wrong(value);
    return problem === undefined ? { value: value * kgPerBu } : { error: problem };
  },
  control: { unit: bushels.unit, inputMode: 'decimal' },
});

/** A clock that is a little ahead is no slip. */
const AHEAD_MS = 10 * 60_000;
/** When something was done; empty for now. */
export const pastBox = (timeZone: string, now: () => number): Box<number | undefined> => ({
  read: (typed) => {
    if (typed.trim() === '') return { value: undefined };
    const { value, error } = readMoment(typed, timeZone, now());
    if (error !== undefined) return { error };
    return value! > now() + AHEAD_MS ? { error: 'This is still to come' } : { value };
  },
});
