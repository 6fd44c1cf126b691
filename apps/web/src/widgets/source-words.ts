import type { ReadingSource } from '@fanega/core';

/** Where a moisture was read. */
export const SOURCE_WORDS: Readonly<Record<ReadingSource, string>> = {
  hand: 'Hand tester',
  combine: 'Combine',
  elevator: 'Elevator',
  bench: 'Bench',
  bite: 'Teeth',
};
