import type { FieldErrors } from 'react-hook-form';

/** What a box made of what was typed: nothing where nothing was. */
export interface Typed<V> {
  readonly value?: V | undefined;
  readonly error?: string | undefined;
}

/** A box of a form: how what is typed in it is read, and what of it the control shows. */
export interface Box<V, T extends string | boolean = string> {
  readonly read: (typed: T) => Typed<V>;
  readonly control?: {
    readonly unit?: string | undefined;
    readonly maxLength?: number;
    readonly inputMode?: 'decimal' | 'numeric';
  };
}

/** The same boxes again for each row of a list; a row may be read by what it was. */
export interface Rows<B extends Boxes> {
  readonly row: (index: number) => B;
  /** A row in which nothing is typed is no row: it is not read. */
  readonly skip?: (typed: Readonly<Record<string, unknown>>) => boolean;
}

// eslint-disable-next-line @typescript-eslint/no-explicit-any -- each box has types of its own
type AnyBox = Box<any, any>;
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- each list has boxes of its own
type AnyRows = Rows<any>;
export type Boxes = { readonly [name: string]: AnyBox | AnyRows };

/** What is typed in the boxes. */
export type Texts<B extends Boxes> = {
  -readonly [K in keyof B]: B[K] extends Rows<infer R>
    ? Texts<R>[]
    : B[K] extends Box<unknown, infer T>
      ? T extends boolean
        ? boolean
        : T
      : never;
};
/** What was read of them. */
export type Values<B extends Boxes> = {
  -readonly [K in keyof B]: B[K] extends Rows<infer R> ? Values<R>[] : B[K] extends Box<infer V, never> ? V : never;
};

const isRows = (one: AnyBox | AnyRows): one is AnyRows => 'row' in one;

/** Names of a box from the outermost on: `axles.0.at`. */
export function boxAt(boxes: Boxes, path: string): AnyBox | undefined {
  const [name, index, ...rest] = path.split('.');
  const one = boxes[name!];
  if (one === undefined || !isRows(one)) return one;
  return rest.length === 0 ? undefined : boxAt(one.row(Number(index)) as Boxes, rest.join('.'));
}

/** Reads every box; what is wrong stands under the box's own path. */
export function readBoxes<B extends Boxes>(
  boxes: B,
  texts: Texts<B>,
  unasked: readonly string[] = [],
): { readonly values: Values<B>; readonly errors: Readonly<Record<string, string>> } {
  const errors: Record<string, string> = {};
  const readInto = (these: Boxes, typed: Record<string, unknown>, before: string): Record<string, unknown> =>
    Object.fromEntries(
      Object.entries(these).map(([name, one]) => {
        const path = `${before}${name}`;
        if (unasked.includes(path)) return [name, undefined];
        if (isRows(one)) {
          const rows = (typed[name] ?? []) as Record<string, unknown>[];
          return [
            name,
            rows.flatMap((row, i) => (one.skip?.(row) ? [] : [readInto(one.row(i) as Boxes, row, `${path}.${i}.`)])),
          ];
        }
        const { value, error } = one.read(typed[name]) as Typed<unknown>;
        if (error !== undefined) errors[path] = error;
        return [name, value];
      }),
    );
  return { values: readInto(boxes, texts, '') as Values<B>, errors };
}

/** Errors by their paths as the form library wants them: nested as the boxes are. */
export function nested(errors: Readonly<Record<string, string>>): FieldErrors {
  const all: Record<string, unknown> = {};
  for (const [path, message] of Object.entries(errors)) {
    const names = path.split('.');
    let at = all;
    for (const name of names.slice(0, -1)) at = (at[name] ??= {}) as Record<string, unknown>;
    at[names.at(-1)!] = { type: 'typed', message };
  }
  return all as FieldErrors;
}

/** A word or a sentence; without `missing` it may stay empty. */
export const words = (most: number, missing?: string): Box<string> => ({
  read: (typed) =>
    missing !== undefined && typed.trim() === ''
      ? { error: missing }
      : typed.trim().length > most
        ? { error: `At most ${most} letters` }
        : { value: typed.trim() },
  control: { maxLength: most },
});

/** One of a few. */
export const oneOf = <const V extends string>(): Box<V, V> => ({ read: (typed) => ({ value: typed }) });
/** Yes or no. */
export const yesNo: Box<boolean, boolean> = { read: (typed) => ({ value: typed }) };
export const rows = <B extends Boxes>(row: (index: number) => B, skip?: Rows<B>['skip']): Rows<B> => ({
  row,
  ...(skip ? { skip } : {}),
});
/** Read with others when all are known: a figure in a unit that is chosen beside it. */
export const asTyped = (unit?: string): Box<string> => ({
  read: (typed) => ({ value: typed }),
  control: { unit, inputMode: 'decimal' },
});
