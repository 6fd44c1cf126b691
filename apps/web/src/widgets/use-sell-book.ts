import { type SellBook, sellBookOf } from '@fanega/core';
import { useDeferredValue, useMemo } from 'react';
import { type Farm, useContracts, useDeliveries } from '../data/farm';

export type { SellBook };

/** Contracts, tickets and settlements of a season; null while the farm is asked. */
export function useSellBook(farm: Farm, season?: number): SellBook | null {
  const records = useContracts().data;
  const of = season ?? Math.max(0, ...farm.data.lots.map((lot) => lot.season));
  const hasBefore = farm.data.lots.some((lot) => lot.season === of - 1);
  // Tickets that come while the page is looked at are worked in between what its reader does.
  const deliveries = useDeferredValue(useDeliveries(season).data);
  const earlier = useDeferredValue(useDeliveries(of - 1, hasBefore).data);
  return useMemo(
    () =>
      records && deliveries && (!hasBefore || earlier) ? sellBookOf(farm, records, of, deliveries, earlier) : null,
    [records, deliveries, earlier, hasBefore, of, farm],
  );
}
