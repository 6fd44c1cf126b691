import type { Entry } from '@fanega/core';
import { type Command, post } from '../api';

/** Stands with the void of a correction. */
export const MADE_AGAIN = 'made again';

/** A void and the entry made again, in one. */
export const isCorrection = (entries: readonly Entry[]): boolean =>
  entries.length === 2 && entries[0]!.type === 'void' && entries[0]!.note === MADE_AGAIN && entries[1]!.type !== 'void';

/** A void with the entry made again goes by its own door: the book looks whether somebody else was faster. */
export const bookCommand = (farmId: string, entries: readonly Entry[]): Command =>
  isCorrection(entries)
    ? post('/api/farms/{farmId}/corrections', { path: { farmId } }, { void: entries[0], entry: entries[1] } as never)
    : post('/api/farms/{farmId}/entries', { path: { farmId } }, { entries } as never);
