import { calendarDay } from '../kernel/index.js';
import type { Delivery, FarmView } from '../ledger/index.js';
import type { BuyerBid, SellRecords } from '../records/index.js';
import { contractBook } from './contract-book.js';
import { duesOf } from './dues.js';
import { bidPrice, bidsOn } from './offer.js';
import { pooledPrice, type OwnerSum, type Posting, postingsOf, sumByOwner } from './owner-money.js';
import { type Market, seasonOfContract } from './position.js';
import { settle } from './settle.js';
import { papersIn, soldDeliveries } from './view.js';

/** Today's market by crop, as the newest bids that stand say it: futures with their basis, and the best cash price. */
export function marketOf(bids: ReadonlyMap<string, BuyerBid>): Record<string, Market> {
  const market: Record<string, { futures?: number; basis?: number; cash?: number }> = {};
  for (const bid of bids.values()) {
    const of = (market[bid.crop] ??= {});
    if (bid.futures !== undefined) of.futures = bid.futures;
    if (bid.basis !== undefined) of.basis = Math.max(of.basis ?? -Infinity, bid.basis);
    of.cash = Math.max(of.cash ?? 0, bidPrice(bid));
  }
  return market;
}

/**
 * Contracts, tickets and settlements of a season, worked out together: pages and prints that are made of it cannot differ. Tickets of the
 * season before are known too, as contracts and settlements reach over the new year.
 * @param deliveries of the season @param earlier of the season before
 */
export function sellBookOf(
  farm: FarmView,
  records: SellRecords,
  season: number,
  deliveries: readonly Delivery[],
  earlier: readonly Delivery[] = [],
) {
  const { settings, logs } = records;
  const { now } = farm.data;
  const papers = papersIn(farm, records);
  const bids = bidsOn(logs.bid, calendarDay(now, farm.data.farm.timeZone));
  const market = marketOf(bids);
  const here = new Set(deliveries.map(({ entry }) => entry.id));
  const all = [...deliveries, ...earlier.filter(({ entry }) => !here.has(entry.id))];
  const known = soldDeliveries(farm, all, papers);
  const sold = known.filter(({ delivery }) => here.has(delivery.entry.id));
  // What was signed for older crops was delivered by tickets that are not asked for here.
  const contracts = Object.fromEntries(
    Object.entries(settings.contract).filter(([, { value }]) => seasonOfContract(value) >= season - 1),
  );
  const book = contractBook(contracts, logs.contractLoad, known, now, market, logs.priceFix);
  const dues = duesOf(farm, known, book, papers);
  const settled = settle(dues, logs.settlement, ({ entryId }) => here.has(entryId));
  const accounts = settled.accounts.filter(({ due }) => here.has(due.entryId));
  return { ...book, records, papers, bids, market, sold, dues, settled, accounts, kept: settings.contract };
}
export type SellBook = ReturnType<typeof sellBookOf>;

/** All sheets of a book by owner, as postings and their sums. */
export function ownersOf(
  farm: FarmView,
  book: SellBook,
): { readonly postings: readonly Posting[]; readonly sums: readonly OwnerSum[] } {
  const terms = new Map(Object.values(book.records.settings.ownerTerms).map(({ value }) => [value.owner, value]));
  const means = new Map<string, number | null>();
  const pooled = (crop: string): number | null => {
    if (!means.has(crop)) means.set(crop, pooledPrice(book.dues, crop));
    return means.get(crop)!;
  };
  const postings = book.settled.sheets.flatMap((sheet) => postingsOf(farm, sheet, terms, pooled));
  return { postings, sums: sumByOwner(postings) };
}
