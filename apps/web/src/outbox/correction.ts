import type { Entry } from '@fanega/core';

/** Stands with the void of a correction. */
export const MADE_AGAIN = 'made again';

/** A void and the entry made again, in one. */
export const isCorrection = (entries: readonly Entry[]): boolean =>
  entries.length === 2 && entries[0]!.type === 'void' && entries[0]!.note === MADE_AGAIN && entries[1]!.type !== 'void';
