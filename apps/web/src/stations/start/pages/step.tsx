import { matchHeads } from '@fanega/core';
import type { ReactNode } from 'react';
import { Form, type Sendable } from '../../../ui/form/form';
import { Grid, type GridColumn, type GridRow } from '../../../ui/form/grid';

/** What `Step` wants of a form whose rows are typed in a grid. */
export interface RowsForm<N extends string> extends Sendable {
  readonly texts: { readonly rows: readonly GridRow<N>[] };
  readonly set: (name: 'rows', rows: GridRow<N>[]) => void;
  readonly errorAt: (path: string) => string | undefined;
}

/** A step of the first hour: its question, the rows that answer it, what is there already. */
export function Step<N extends string>({
  question,
  lead,
  form,
  columns,
  start,
  isEmpty,
  patterns,
  what,
  example,
  there,
  children,
}: {
  question: string;
  lead: string;
  form: RowsForm<N>;
  columns: readonly GridColumn<N>[];
  start: GridRow<N>;
  isEmpty: (row: GridRow<N>) => boolean;
  /** Of the heads that a pasted list may bring. */
  patterns: Readonly<Record<string, readonly RegExp[]>>;
  /** "field" */
  what: string;
  /** A few rows to look at, which nobody saves by looking at them. */
  example: readonly GridRow<N>[];
  /** Names of what the farm has already, with where each is changed. */
  there: readonly { readonly key: string; readonly name: string; readonly more: string }[];
  /** Beside the rows: another way in. */
  children?: ReactNode;
}) {
  const n = form.texts.rows.filter((row) => !isEmpty(row)).length;
  const showsExample = JSON.stringify(form.texts.rows) === JSON.stringify([...example, start]);
  const heads = (line: readonly string[]): Partial<Record<N, number>> | null => {
    const match = matchHeads(line, patterns);
    const found = columns.flatMap(({ name }) => {
      const at = match[name] === undefined ? -1 : line.indexOf(match[name]);
      return at < 0 ? [] : [[name, at] as const];
    });
    // One word alone may be a name; two are heads.
    return found.length >= Math.min(2, columns.length)
      ? (Object.fromEntries(found) as Partial<Record<N, number>>)
      : null;
  };
  return (
    <>
      <h2 className="text-3xl leading-tight">{question}</h2>
      <p className="mt-1 max-w-2xl text-muted">{lead}</p>
      {children}
      {there.length === 0 && (n === 0 || showsExample) && (
        <button
          type="button"
          onClick={() => form.set('rows', showsExample ? [start] : [...example, start])}
          className="mt-2 inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
        >
          {showsExample ? 'Clear the example' : 'See an example'}
        </button>
      )}
      <Form
        form={form}
        button={n === 0 ? `Save the ${what}s` : `Save ${n} ${n === 1 ? what : `${what}s`}`}
        className="mt-4 max-w-4xl space-y-4"
      >
        {' '}
        {/* prettier-ignore */}
        <Grid
          label={`${what}s`}
          columns={columns}
          rows={form.texts.rows}
          start={start}
          isEmpty={isEmpty}
          heads={heads}
          onChange={(rows) => form.set('rows', rows)}
          errorAt={(row, column) => form.errorAt(`rows.${row}.${column}`)}
        />
      </Form>
      {there.length > 0 && (
        <div className="mt-8 max-w-4xl">
          <h3 className="font-semibold">On the farm already</h3>
          <ul aria-label={`${what}s on the farm`} className="mt-1 sm:columns-2 lg:columns-3">
            {there.map(({ key, name, more }) => (
              <li key={key} className="break-inside-avoid border-b border-rule py-1">
                <b>{name}</b> <span className="text-muted">{more}</span>
              </li>
            ))}
          </ul>
        </div>
      )}
    </>
  );
}
