import { type ChainNow, chainNow, loadsGoTo, RangeRefusal, USUAL_HAUL_TIMES } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useDown, useFields, useHaul, useNotebook } from '../data/farm';

/**
 * Something worked out of the chain of combines, carts, trucks and pit as it stands now; null while nothing is known of it, or it cannot be.
 * @param workOut the same function each time: it is hundreds of steps, and not run with every tick of a clock or figure of a scale
 */
export function useChain<T>(farm: Farm, workOut: (chain: ChainNow) => T): T | null {
  const notebook = useNotebook().data;
  const haul = useHaul().data;
  const rows = useFields().data;
  const down = useDown();
  return useMemo(() => {
    if (!notebook || !haul || !rows) return null;
    const times = notebook.settings.haulTimes.farm?.value ?? USUAL_HAUL_TIMES;
    try {
      const built = chainNow(farm, notebook, haul, rows, times, loadsGoTo(farm, notebook), down);
      return built && workOut(built.chain);
    } catch (error) {
      if (error instanceof RangeRefusal) return null;
      throw error;
    }
  }, [farm, notebook, haul, rows, down, workOut]);
}
