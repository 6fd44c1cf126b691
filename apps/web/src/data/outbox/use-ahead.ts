import { useEffect, useState } from 'react';
import type * as OptimisticFarm from './optimistic-farm';

type Ahead = typeof OptimisticFarm.optimisticFarm;
let loaded: Ahead | null = null;

/**
 * The replay of what waits on this device. It is the whole book's arithmetic, and the first picture of a farm needs none of it: it comes right
 * behind. Null until it is there.
 */
export function useAhead(): Ahead | null {
  const [ahead, setAhead] = useState<Ahead | null>(() => loaded);
  useEffect(() => {
    if (ahead) return;
    // Out of reach with a program of before: what waits is listed, and shows its effect once it has arrived.
    void import('./optimistic-farm').then(
      ({ optimisticFarm }) => {
        loaded = optimisticFarm;
        setAhead(() => optimisticFarm);
      },
      () => undefined,
    );
  }, [ahead]);
  return ahead;
}
