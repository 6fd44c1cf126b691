import type { KeyboardEvent } from 'react';

const STEPS: Readonly<Record<string, (at: number, last: number) => number>> = {
  ArrowDown: (at, last) => Math.min(last, at + 1),
  ArrowUp: (at) => Math.max(0, at - 1),
  Home: () => 0,
  End: (_, last) => last,
};

/** Arrows, Home and End walk through the rows: the first link or button of a row gets the focus, and Enter opens it. */
export function rowKeys(event: KeyboardEvent<HTMLElement>): void {
  const step = STEPS[event.key];
  const { activeElement } = document;
  if (!step || (activeElement instanceof HTMLElement && ['INPUT', 'SELECT'].includes(activeElement.tagName))) return;
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-row]')].filter((row) =>
    row.querySelector('a, button'),
  );
  const at = rows.findIndex((row) => row.contains(activeElement));
  if (at < 0) return;
  event.preventDefault();
  rows[step(at, rows.length - 1)]?.querySelector<HTMLElement>('a, button')?.focus();
}
