import { useEffect, useRef, useState } from 'react';
import { type Control, get, type Path, type Resolver, useForm } from 'react-hook-form';
import { forget, keep, kept } from '../kept';
import { boxAt, type Boxes, nested, readBoxes, type Texts, type Values } from './box';

/** What the other side refused: in one sentence, and by the fields that it named. */
interface Refusal {
  readonly message: string;
  readonly issues: readonly { readonly field?: string; readonly message: string }[];
}
const isRefusal = (error: unknown): error is Refusal =>
  error instanceof Error && Array.isArray((error as unknown as { issues: unknown }).issues);

/** Errors by the path of their box; one under '' is of the form as a whole. */
export type FormErrors = Readonly<Record<string, string | undefined>>;

interface Options<B extends Boxes> {
  readonly boxes: B;
  /** Boxes that are not asked by what is typed so far: they are not read, and have no value. */
  readonly unasked?: (texts: Texts<B>) => readonly (keyof B & string)[];
  readonly start: () => Texts<B>;
  /** Kept on this device by this name, over a reload and a lost signal, until it is saved or closed. */
  readonly keptAs?: string;
  /** Rules between several boxes. */
  readonly together?: (values: Values<B>, texts: Texts<B>) => FormErrors;
  /** The box of a field that the other side names, where it is not called the same. */
  readonly boxOf?: (field: string, texts: Texts<B>) => string | undefined;
  /** Sends it. What is refused stands at its box, and what was typed stays. False: it stays open without a word. */
  readonly save: (values: Values<B>, texts: Texts<B>) => Promise<unknown>;
  /** Comes when it is saved, or given up; without it the form starts over. */
  readonly close?: () => void;
}

/** What the boxes say: their values where nothing is wrong, else what is wrong by their paths. */
export interface FormRead<B extends Boxes> {
  readonly values: Values<B> | null;
  readonly errors: Readonly<Record<string, string>>;
}

/** Reads the boxes, then the rules between them, which are asked when each by itself can be read. */
export function readForm<B extends Boxes>(
  { boxes, unasked, together }: Pick<Options<B>, 'boxes' | 'unasked' | 'together'>,
  texts: Texts<B>,
): FormRead<B> {
  const { values, errors } = readBoxes(boxes, texts, unasked?.(texts));
  if (Object.keys(errors).length > 0) return { values: null, errors };
  const between = Object.entries(together?.(values, texts) ?? {}).filter(
    (one): one is [string, string] => one[1] !== undefined,
  );
  return between.length > 0 ? { values: null, errors: Object.fromEntries(between) } : { values, errors: {} };
}

/**
 * What the boxes say after a save: each that still says what was sent starts over, what somebody typed while it was under way stays.
 * Of rows those are left that were not sent as they stand, and a row to begin with.
 */
export function typedSince<T>(now: T, sent: T, start: T): T {
  const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
  if (same(now, sent)) return start;
  if (Array.isArray(now)) {
    const rows = now.filter(
      (row, i) => ![(sent as unknown[])[i], ...(start as unknown[])].some((one) => same(row, one)),
    );
    return [...rows, ...(start as unknown[])] as T;
  }
  if (typeof now !== 'object' || now === null) return now;
  return Object.fromEntries(
    Object.entries(now).map(([name, value]) => [
      name,
      typedSince(value as unknown, (sent as Record<string, unknown>)[name], (start as Record<string, unknown>)[name]),
    ]),
  ) as T;
}

export interface Fields<B extends Boxes> {
  /** For a text box or a select: its value, its unit, its limit and what is wrong with it. */
  readonly box: (path: Path<Texts<B>>) => ReturnType<typeof propsOf>;
  /** For choices and check boxes. */
  readonly choice: <P extends Path<Texts<B>>>(
    path: P,
  ) => { readonly value: ValueAt<B, P>; readonly onChange: (value: ValueAt<B, P>) => void };
  /** The same with what is wrong. */
  readonly picked: <P extends Path<Texts<B>>>(
    path: P,
  ) => { readonly value: string; readonly onChange: (value: string) => void; readonly error: string | undefined };
  /** What is typed just now. */
  readonly texts: Texts<B>;
  /** The same, read: for what is worked out as one types. */
  readonly read: () => FormRead<B>;
  /** What a box says, or what becomes of what it says now. */
  readonly set: <P extends keyof Texts<B> & string>(
    name: P,
    value: Texts<B>[P] | ((now: Texts<B>[P]) => Texts<B>[P]),
  ) => void;
  /** For the library's own lists of rows. */
  readonly control: Control<Texts<B>>;
  readonly submit: () => Promise<void>;
  readonly busy: boolean;
  readonly problem: string | undefined;
  readonly errorAt: (path: string) => string | undefined;
  readonly close: () => void;
}
type ValueAt<B extends Boxes, P extends string> = P extends keyof Texts<B> ? Texts<B>[P] : string;

const propsOf = (control: object | undefined, registered: object, error: string | undefined) => ({
  ...(control as { unit?: string; maxLength?: number; inputMode?: 'decimal' | 'numeric' }),
  ...(registered as { name: string; onChange: (event: { target: unknown }) => Promise<unknown>; ref: () => void }),
  error,
});

/**
 * The one form: its boxes read by their own kinds and limits, wrong ones said at their place, what was typed kept until it is saved.
 * The same limits are checked by the other side, whose refusals come back to their boxes.
 */
export function useFields<B extends Boxes>(options: Options<B>): Fields<B> {
  const { keptAs, close, save } = options;
  const [before] = useState(() => (keptAs === undefined ? undefined : kept<Texts<B>>(keptAs)));
  const done = useRef(false);
  const resolver: Resolver<Texts<B>> = (texts) => {
    const { values, errors } = readForm(options, texts);
    if (values) return { values: values as unknown as Texts<B>, errors: {} };
    const { '': whole, ...atBoxes } = errors;
    return {
      values: {},
      errors: { ...nested(atBoxes), ...(whole === undefined ? {} : { root: { type: 'typed', message: whole } }) },
    } as never;
  };
  const form = useForm<Texts<B>>({
    // A newer program may have boxes that an older one did not keep.
    defaultValues: { ...options.start(), ...before } as never,
    resolver,
    shouldFocusError: false,
  });
  const { register, watch, setValue, setError, clearErrors, formState, control } = form;
  useEffect(() => {
    if (keptAs === undefined) return;
    const { unsubscribe } = watch((typed) => {
      if (!done.current) keep(keptAs, typed);
    });
    return unsubscribe;
  }, [keptAs, watch]);
  const finish = (sent = form.getValues()): void => {
    const now = form.getValues();
    done.current = true;
    if (keptAs !== undefined) forget(keptAs);
    if (close) return close();
    const start = options.start();
    const left = typedSince<Texts<B>>(now, sent, start);
    form.reset(left as never);
    done.current = false;
    if (keptAs !== undefined && left !== start) keep(keptAs, left);
  };
  const texts = watch() as Texts<B>;
  const errorAt = (path: string): string | undefined =>
    (get(formState.errors, path) as { message?: string } | undefined)?.message;
  const choice = <P extends Path<Texts<B>>>(path: P) => ({
    value: get(texts, path) as ValueAt<B, P>,
    onChange: (value: ValueAt<B, P>): void =>
      setValue(path, value as never, { shouldDirty: true, shouldValidate: formState.isSubmitted }),
  });
  return {
    texts,
    read: () => readForm(options, texts),
    control,
    errorAt,
    busy: formState.isSubmitting,
    problem: formState.errors.root?.message,
    close: () => finish(),
    box: (path) => propsOf(boxAt(options.boxes, path)?.control, register(path), errorAt(path)),
    choice,
    picked: (path) => ({ ...choice(path), error: errorAt(path) }) as never,
    set: (name, value) =>
      setValue(
        name as never,
        (typeof value === 'function' ? value(form.getValues(name as never) as never) : value) as never,
        {
          shouldDirty: true,
          shouldValidate: formState.isSubmitted,
        },
      ),
    submit: form.handleSubmit(async (read) => {
      const typed = structuredClone(form.getValues());
      clearErrors('root');
      try {
        // What the resolver made of the boxes, though the library's types call it what they hold.
        if ((await save(read as unknown as Values<B>, typed)) === false) return;
      } catch (error) {
        if (!isRefusal(error)) throw error;
        for (const { field, message } of [...error.issues].reverse()) {
          if (field === undefined) continue;
          const path = options.boxOf?.(field, typed) ?? field;
          if (boxAt(options.boxes, path)) setError(path as never, { type: 'refused', message });
        }
        setError('root', { type: 'refused', message: error.message });
        return;
      }
      finish(typed);
    }),
  };
}
