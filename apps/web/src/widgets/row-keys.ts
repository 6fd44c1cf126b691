import type { KeyboardEvent } from 'react';

/** Arrow keys walk through the rows of a table: the first link or button of the next row gets the focus. */
export function rowKeys(event: KeyboardEvent<HTMLTableElement>): void {
  const step = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (step === 0) return;
  const rows = [...event.currentTarget.querySelectorAll<HTMLElement>('tbody tr')];
  const at = rows.findIndex((row) => row.contains(document.activeElement));
  const target = rows[at + step]?.querySelector<HTMLElement>('a, button');
  if (!target) return;
  event.preventDefault();
  target.focus();
}
