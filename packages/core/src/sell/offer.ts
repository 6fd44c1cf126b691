import { type Crop, cropOf } from '../crops/index.js';
import { windowAt, windowFor } from '../records/index.js';
import { calendarDay, inOrder } from '../kernel/index.js';
import { baseMoistureOf, type FarmView } from '../ledger/index.js';
import {
  type BuyerBid,
  type CuttingWindow,
  type LogEntry,
  living,
  type RecordsOf,
  type SellRecords,
} from '../records/index.js';
import type { MoistureTerms } from './moisture-schedule.js';
import { scheduleOf, type Sheets, sheetsOf } from './sheet.js';
import { waterOnly } from './ticket.js';

/** What a window says of moisture, as a buyer's terms of a crop. @param base moisture that is paid in full, wet-basis fraction */
export const termsOf = (window: CuttingWindow, legalPounds: number, base: number): MoistureTerms => ({
  legalPounds,
  base,
  shrinkPerPoint: window.shrinkPerPoint,
  dockPerPoint: window.dockPerPoint,
  ...(window.dockPercent === undefined ? {} : { dockPercent: window.dockPercent }),
  ...(window.dockStep === undefined ? {} : { dockStep: window.dockStep }),
  refuseAbove: window.refuseAbove,
});

/** $/bu of a bid: cash, or its futures plus its basis. */
export const bidPrice = ({ price, futures, basis }: BuyerBid): number => price ?? (futures ?? 0) + (basis ?? 0);

/** Bids that stand on a day, the newest of each buyer and crop for a delivery on that day. @param bids newest first */
export function bidsOn(bids: readonly LogEntry<'bid'>[] | undefined, day: string): ReadonlyMap<string, BuyerBid> {
  const standing = new Map<string, BuyerBid>();
  const sorted = living<'bid'>(bids ?? [])
    .map(({ body }) => body)
    .sort((a, b) => Date.parse(b.at) - Date.parse(a.at) || inOrder(b.id, a.id));
  for (const bid of sorted) {
    const key = `${bid.buyerId} ${bid.crop}`;
    if (standing.has(key) || bid.from > day || bid.until < day) continue;
    if (bid.validUntil !== undefined && bid.validUntil < day) continue;
    standing.set(key, bid);
  }
  return standing;
}

/** What a buyer gives for a crop today: one answer for every page that asks. */
export interface Offer {
  /** $/bu at his base; null where nobody knows. */
  readonly price: number | null;
  readonly from: 'bid' | 'window' | null;
  readonly bid: BuyerBid | null;
  readonly terms: MoistureTerms;
  /** By his posted sheet, else by the window that the farm cuts by. */
  readonly by: 'sheet' | 'window';
  readonly window: CuttingWindow | null;
  /** The window is his own, not the farm's for the crop. */
  readonly ownWindow: boolean;
}

/**
 * A buyer's price and terms of a day: his newest bid that stands, else his window's price; his posted sheet, else his window's terms, else
 * the water alone. None where he neither bids for the crop, nor posts a sheet, nor has a window for it.
 * @param base moisture that the farm counts the crop dry at, wet-basis fraction @param day of the farm's calendar
 */
export function offerOf(
  notebook: RecordsOf<never, 'cuttingWindow'>,
  sheets: Sheets,
  bids: ReadonlyMap<string, BuyerBid>,
  crop: Crop,
  base: number,
  buyerId: string,
  day: string,
): Offer | null {
  const window = windowAt(notebook, crop.id, buyerId) ?? null;
  const sheet = sheets.on(buyerId, crop.id, day);
  const bid = bids.get(`${buyerId} ${crop.id}`) ?? null;
  if (window === null && sheet === null && bid === null) return null;
  const price = bid !== null ? bidPrice(bid) : window !== null && window.price > 0 ? window.price : null;
  const posted = sheet ? scheduleOf(sheet.sheet, crop.legalPounds) : undefined;
  const terms: MoistureTerms = {
    ...(window
      ? termsOf(window, crop.legalPounds, base)
      : // Nobody knows more of him than his bid: the water is taken off, and nothing else.
        {
          legalPounds: crop.legalPounds,
          base,
          shrinkPerPoint: 0,
          dockPerPoint: 0,
          refuseAbove: 0.5,
          sheet: waterOnly(crop.legalPounds, base),
        }),
    ...(posted ? { dockPerPoint: sheet!.sheet.dryingPerPoint ?? 0, ...(sheet!.sheet.dryingStep === undefined ? {} : { dockStep: sheet!.sheet.dryingStep }), base: sheet!.sheet.base, refuseAbove: sheet!.sheet.refuseAbove ?? window?.refuseAbove ?? 0.5, sheet: posted } : {}), // prettier-ignore
  };
  return { price, from: bid ? 'bid' : price === null ? null : 'window', bid, terms, by: posted ? 'sheet' : 'window', window, ownWindow: windowFor(notebook, crop.id, buyerId) !== undefined }; // prettier-ignore
}

/** What every buyer gives for every crop on the farm's day. */
export type Offers = (crop: string, buyerId: string) => Offer | null;

export function offersOf(
  farm: FarmView,
  notebook: RecordsOf<never, 'cuttingWindow'>,
  sell: {
    readonly logs: Pick<SellRecords['logs'], 'bid'>;
    readonly settings: Pick<SellRecords['settings'], 'buyerSheet'>;
  },
): Offers {
  const day = calendarDay(farm.data.now, farm.data.farm.timeZone);
  const sheets = sheetsOf(sell.settings.buyerSheet);
  const bids = bidsOn(sell.logs.bid, day);
  return (id, buyerId) => {
    const crop = cropOf(id);
    return crop === undefined
      ? null
      : offerOf(notebook, sheets, bids, crop, baseMoistureOf(id, farm.data.farm.defaults), buyerId, day);
  };
}
