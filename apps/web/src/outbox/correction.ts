import type { Entry } from '@fanega/core';

/** Stands with the void of a correction. */
export const MADE_AGAIN = 'made again';

/** A void and the entry made again, in one. */
export const isCorrection = (entries: readonly Entry[]): boolean =>
  entries.length === 2 && entries[0]!.type === 'void' && entries[0]!.note === MADE_AGAIN && entries[1]!.type !== 'void';

/** A void with the entry made again goes by its own door: the book looks whether somebody else was faster. */
export const requestFor = (farmId: string, entries: readonly Entry[]): { readonly path: string; readonly body: object } =>
  isCorrection(entries) ? { path: `/farms/${farmId}/corrections`, body: { void: entries[0], entry: entries[1] } } : { path: `/farms/${farmId}/entries`, body: { entries } };
