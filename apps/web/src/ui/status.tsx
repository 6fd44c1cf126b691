import type { ReactNode } from 'react';

/** How something stands: a shape and a word, so that it is read without its color. */
export const SHAPES = { good: '●', watch: '◐', bad: '■', open: '○', none: '–' } as const;
export type State = keyof typeof SHAPES;

export function Status({ state, children }: { state: State; children: ReactNode }) {
  return (
    <span className={state === 'bad' ? 'font-semibold text-clay' : state === 'none' ? 'text-muted' : ''}>
      <span aria-hidden="true">{SHAPES[state]}</span> {children}
    </span>
  );
}
