import type { ReactNode } from 'react';
import { type Kind, money } from '../quantity/quantity';
import { clock, day, stamp } from '../quantity/time';
import type { Column } from '../ui/table';

/** A column of one quantity: sorted as it is recorded, shown, summed up and saved in the reader's unit. */
export function figureColumn<T>(
  id: string,
  head: string,
  kind: Kind,
  of: (row: T) => number | null | undefined,
  more: Partial<Column<T>> & {
    /** kg of a bushel, where the quantity is of a crop. */
    readonly per?: (row: T) => number;
    /** Stands below the figures: what they come to, and of which crop. */
    readonly summed?: { readonly per?: number };
  } = {},
): Column<T> {
  const { per, summed, ...rest } = more;
  const known = (row: T): number | null => of(row) ?? null;
  return {
    id,
    head,
    unit: kind.unit,
    right: true,
    bare: rest.show === undefined,
    value: (row) => {
      const value = known(row);
      return value === null ? null : kind.shown(value, per?.(row));
    },
    text: (row) => kind.text(known(row), per?.(row)),
    show: (row) => {
      const value = known(row);
      return value === null ? '' : kind.figure(value, per?.(row));
    },
    ...(summed
      ? {
          sum: (rows: readonly T[]) =>
            kind.figure(
              rows.reduce((sum, row) => sum + (known(row) ?? 0), 0),
              summed.per,
            ),
        }
      : {}),
    ...rest,
  };
}

/** A column of moments, "Sep 8 2:55 pm". */
export function momentColumn<T>(
  id: string,
  head: string,
  at: (row: T) => string | number,
  timeZone: string,
  more: Partial<Column<T>> = {},
): Column<T> {
  return {
    id,
    head,
    value: at,
    text: (row) => stamp(at(row), timeZone),
    words: (row) => `${day(at(row), timeZone)} ${clock(at(row), timeZone)}`,
    show: (row) => (
      <span className="whitespace-nowrap">
        {day(at(row), timeZone)} {clock(at(row), timeZone)}
      </span>
    ),
    ...more,
  };
}

/** A column of words. */
export function wordColumn<T>(
  id: string,
  head: string,
  of: (row: T) => string,
  more: Partial<Column<T>> & {
    readonly as?: (words: string, row: T) => ReactNode;
    /** Sorted by this figure, and found and saved by its words. */
    readonly by?: (row: T) => number | null;
  } = {},
): Column<T> {
  const { as, by, ...rest } = more;
  const sorted = by === undefined ? { value: of } : { value: by, text: of };
  return { id, head, ...sorted, show: (row) => (as ? as(of(row), row) : of(row)), ...rest };
}

/** A column of dollars, to the cent. */
export function moneyColumn<T>(
  id: string,
  head: string,
  of: (row: T) => number | null,
  more: Partial<Column<T>> = {},
): Column<T> {
  const text = (row: T): string => {
    const value = of(row);
    return value === null ? '' : money(value);
  };
  return { id, head, right: true, value: of, text, show: text, ...more };
}
