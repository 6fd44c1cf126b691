import {
  bidsOn,
  type BuyerBid,
  calendarDay,
  contractBook,
  duesOf,
  type Market,
  papersIn,
  settle,
  soldDeliveries,
} from '@fanega/core';
import { useMemo } from 'react';
import { type Farm, useContracts, useDeliveries } from '../../../data/farm';

/** Today's market by crop, as the newest bids that stand say it: futures with their basis, and the best cash price. */
function marketOf(bids: ReadonlyMap<string, BuyerBid>): Record<string, Market> {
  const market: Record<string, { futures?: number; basis?: number; cash?: number }> = {};
  for (const bid of bids.values()) {
    const of = (market[bid.crop] ??= {});
    if (bid.futures !== undefined) of.futures = bid.futures;
    if (bid.basis !== undefined) of.basis = Math.max(of.basis ?? -Infinity, bid.basis);
    const cash = bid.price ?? (bid.futures ?? 0) + (bid.basis ?? 0);
    of.cash = Math.max(of.cash ?? 0, cash);
  }
  return market;
}

/** Contracts, tickets and settlements of a season, worked out together so that no two pages differ; null while the farm is asked. */
export function useSellBook(farm: Farm, season?: number) {
  const records = useContracts().data;
  const deliveries = useDeliveries(season).data;
  return useMemo(() => {
    if (!records || !deliveries) return null;
    const { settings, logs } = records;
    const { now } = farm.data;
    const papers = papersIn(farm, records);
    const bids = bidsOn(logs.bid, calendarDay(now, farm.data.farm.timeZone));
    const market = marketOf(bids);
    const sold = soldDeliveries(farm, deliveries, papers);
    const book = contractBook(settings.contract, logs.contractLoad, sold, now, market, logs.priceFix);
    const dues = duesOf(farm, sold, book, papers);
    return { ...book, records, papers, bids, market, sold, dues, settled: settle(dues, logs.settlement), kept: settings.contract }; // prettier-ignore
  }, [records, deliveries, farm]);
}
export type SellBook = NonNullable<ReturnType<typeof useSellBook>>;
