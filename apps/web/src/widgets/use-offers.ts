import { type Offers, offersOf } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useContracts, useNotebook } from '../data/farm';

/** What every buyer gives today, by his bid and his posted sheet or by his window; null while the farm is asked. */
export function useOffers(farm: Farm): Offers | null {
  const notebook = useNotebook().data;
  const sell = useContracts().data;
  return useMemo(() => (notebook && sell ? offersOf(farm, notebook, sell) : null), [farm, notebook, sell]);
}
