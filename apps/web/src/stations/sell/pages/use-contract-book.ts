import { contractBook, soldDeliveries } from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useContracts, useDeliveries } from '../../../data/farm';

/** Contracts with what is delivered on them, and what went at the day's price; null while the farm is asked. */
export function useContractBook(farm: Farm) {
  const records = useContracts().data;
  const deliveries = useDeliveries().data;
  return useMemo(() => {
    if (!records || !deliveries) return null;
    const sold = soldDeliveries(farm, deliveries);
    return {
      ...contractBook(records.settings.contract, records.logs.contractLoad, sold, farm.data.now),
      sold,
      kept: records.settings.contract,
    };
  }, [records, deliveries, farm]);
}
