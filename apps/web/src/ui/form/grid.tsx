import { X } from 'lucide-react';
import { type ClipboardEvent, type KeyboardEvent, useLayoutEffect, useRef } from 'react';

/** A column of a grid: a box to type in, or one of a few. */
export interface GridColumn<N extends string> {
  readonly name: N;
  readonly label: string;
  readonly unit?: string | undefined;
  readonly maxLength?: number;
  readonly placeholder?: string;
  /** Of its width, beside the others; 1 where nothing is said. */
  readonly wide?: number;
  readonly choices?: readonly { readonly value: string; readonly label: string }[];
  /** What was pasted as it is typed here; a choice by what somebody calls it. */
  readonly pasted?: (text: string) => string;
}
export type GridRow<N extends string> = Readonly<Record<N, string>>;

/** A row in which nothing was typed; what is chosen beforehand does not count. */
export const isBlank =
  (typed: readonly string[]) =>
  (row: Readonly<Record<string, unknown>>): boolean =>
    typed.every((name) => String(row[name] ?? '').trim() === '');

/**
 * Rows that are typed as in a spreadsheet, or pasted out of one: Enter goes on to the next row, what is pasted fills the cells from where
 * it was pasted, by its heads where it brings them. There is always one empty row more.
 */
export function Grid<N extends string>({
  label,
  columns,
  rows,
  start,
  isEmpty,
  heads,
  onChange,
  errorAt,
}: {
  label: string;
  columns: readonly GridColumn<N>[];
  rows: readonly GridRow<N>[];
  start: GridRow<N>;
  isEmpty: (row: GridRow<N>) => boolean;
  /** Which column each cell of a first line names; none where it names none. */
  heads: (line: readonly string[]) => Readonly<Partial<Record<N, number>>> | null;
  onChange: (rows: GridRow<N>[]) => void;
  /** What is wrong in a cell. */
  errorAt: (row: number, column: N) => string | undefined;
}) {
  const body = useRef<HTMLDivElement>(null);
  const withSpare = (all: readonly GridRow<N>[]): GridRow<N>[] => {
    const last = all.at(-1);
    return last === undefined || !isEmpty(last) ? [...all, start] : [...all];
  };
  const set = (at: number, column: N, value: string): void =>
    onChange(withSpare(rows.map((row, i) => (i === at ? { ...row, [column]: value } : row))));
  const cell = (at: number, column: number) =>
    body.current?.querySelector<HTMLElement>(`[data-cell="${at}.${column}"]`);
  // A row that goes (taken out, or saved while one types in the next) takes nobody's place from him.
  const focused = useRef<{ readonly at: number; readonly column: number } | null>(null);
  useLayoutEffect(() => {
    if (!focused.current || document.activeElement !== document.body) return;
    const { at, column } = focused.current;
    if (at < rows.length) return;
    cell(Math.max(0, rows.findLastIndex((row) => !isEmpty(row))), column)?.focus(); // prettier-ignore
  });
  const keys = (at: number, column: number) => (event: KeyboardEvent) => {
    const step = event.key === 'Enter' || event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    // In a list of choices the arrows choose.
    if (step === 0 || (event.key !== 'Enter' && event.currentTarget.tagName === 'SELECT')) return;
    const next = cell(at + step, event.key === 'Enter' ? firstTyped : column);
    // From the empty row at the end Enter sends.
    if (!next || (event.key === 'Enter' && isEmpty(rows[at]!))) return;
    event.preventDefault();
    next.focus();
  };
  const firstTyped = Math.max(0, columns.findIndex(({ choices }) => choices === undefined)); // prettier-ignore
  const paste = (at: number, column: number) => async (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain');
    if (!/[\t\r\n]/.test(text.trim())) return;
    event.preventDefault();
    const { default: Papa } = await import('papaparse');
    const lines = Papa.parse<string[]>(text.replace(/\s+$/, ''), { skipEmptyLines: 'greedy', delimiter: text.includes('\t') ? '\t' : '' }).data; // prettier-ignore
    const named = lines[0] ? heads(lines[0]) : null;
    const cellsOf = (line: readonly string[]): Partial<Record<N, string>> =>
      Object.fromEntries(
        columns.flatMap(({ name, pasted = (one) => one }, k) => {
          const one = named ? named[name] : k - column;
          const found = one === undefined || one < 0 ? undefined : line[one];
          return found === undefined || found.trim() === '' ? [] : [[name, pasted(found.trim())]];
        }),
      ) as Partial<Record<N, string>>;
    const filled = lines.slice(named ? 1 : 0).map(cellsOf);
    const next = [...rows];
    filled.forEach((cells, i) => (next[at + i] = { ...(next[at + i] ?? start), ...cells }));
    onChange(withSpare(next));
  };
  const template = { gridTemplateColumns: `${columns.map(({ wide = 1 }) => `minmax(0, ${wide}fr)`).join(' ')} 2rem` };
  return (
    <div
      ref={body}
      role="group"
      aria-label={label}
      onFocus={({ target }) => {
        const [at, column] = (target.dataset.cell ?? '').split('.').map(Number);
        focused.current = at === undefined || column === undefined ? null : { at, column };
      }}
      onBlur={() => (focused.current = null)}
    >
      <div
        className="hidden gap-x-2 border-b border-ink text-sm font-semibold sm:grid"
        style={template}
        aria-hidden="true"
      >
        {columns.map(({ name, label: head, unit }) => (
          <span key={name} className="px-1 py-1">
            {head} {unit && <span className="font-normal text-muted">{unit}</span>}
          </span>
        ))}
      </div>
      {rows.map((row, at) => {
        const wrong = columns.flatMap(({ name, label: head }) => {
          const error = errorAt(at, name);
          return error === undefined ? [] : [{ name, text: `${head}: ${error}` }];
        });
        const noteId = `${label} ${at}`.replace(/\W+/g, '-');
        return (
          <div key={at} className="border-b border-rule py-1">
            <div className="grid gap-2 max-sm:!grid-cols-2" style={template}>
              {columns.map(({ name, label: head, unit, maxLength, placeholder, choices }, k) => {
                const error = errorAt(at, name);
                const common = {
                  'data-cell': `${at}.${k}`,
                  'aria-label': `${head}, row ${at + 1}`,
                  'aria-invalid': error !== undefined,
                  ...(error === undefined ? {} : { 'aria-describedby': noteId }),
                  value: row[name],
                  onKeyDown: keys(at, k),
                  className:
                    'min-h-11 w-full min-w-0 rounded-[3px] border border-rule bg-transparent px-2 text-base placeholder:text-muted/70 aria-[invalid=true]:border-2 aria-[invalid=true]:border-clay',
                };
                const caption = (
                  <span className="block text-xs text-muted sm:hidden" aria-hidden="true">
                    {head}
                    {unit && `, ${unit}`}
                  </span>
                );
                return choices ? (
                  <div key={name} className="min-w-0">
                    {caption}
                    <select {...common} onChange={(event) => set(at, name, event.target.value)}>
                      {choices.map((one) => (
                        <option key={one.value} value={one.value}>
                          {one.label}
                        </option>
                      ))}
                    </select>
                  </div>
                ) : (
                  <div key={name} className="min-w-0">
                    {caption}
                    <input
                      {...common}
                      maxLength={maxLength}
                      placeholder={at === 0 && rows.every(isEmpty) ? placeholder : undefined}
                      autoComplete="off"
                      onPaste={(event) => void paste(at, k)(event)}
                      onChange={(event) => set(at, name, event.target.value)}
                    />
                  </div>
                );
              })}
              {isEmpty(row) ? (
                <span className="max-sm:hidden" />
              ) : (
                <button
                  type="button"
                  aria-label={`Take out row ${at + 1}`}
                  className="inline-flex min-h-11 items-center justify-center self-end text-muted hover:text-ink"
                  onClick={() => onChange(withSpare(rows.filter((_, i) => i !== at)))}
                >
                  <X size={18} aria-hidden="true" />
                </button>
              )}
            </div>
            {wrong.length > 0 && (
              <p id={noteId} role="alert" className="mt-1 px-1 text-sm font-semibold text-clay">
                {wrong.map(({ text }) => text).join('; ')}
              </p>
            )}
          </div>
        );
      })}
    </div>
  );
}
