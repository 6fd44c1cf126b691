import { useEffect, useReducer } from 'react';
import type * as OptimisticFarm from './optimistic-farm';

type Ahead = typeof OptimisticFarm.optimisticFarm;
let loaded: Ahead | null = null;

/**
 * The replay of what waits on this device. It is the whole book's arithmetic, and the first picture of a farm needs none of it: it comes right
 * behind. Null until it is there, and while nothing waits: only then is anything drawn again for it.
 */
export function useAhead(waits: boolean): Ahead | null {
  const [, drawAgain] = useReducer((n: number) => n + 1, 0);
  useEffect(() => {
    if (loaded) return;
    // Out of reach with a program of before: what waits is listed, and shows its effect once it has arrived.
    void import('./optimistic-farm').then(
      ({ optimisticFarm }) => {
        loaded = optimisticFarm;
        if (waits) drawAgain();
      },
      () => undefined,
    );
  }, [waits]);
  return waits ? loaded : null;
}
