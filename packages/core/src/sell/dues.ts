import { cropOf } from '../crops/index.js';
import { baseMoistureOf, type FarmView } from '../ledger/index.js';
import { inOrder, RangeRefusal } from '../kernel/index.js';
import { cents } from '../units/index.js';
import type { ContractNow } from './contract-book.js';
import { scheduleOf, ticketInputOf } from './sheet.js';
import { type BuyerSchedule, computeTicket, type Ticket, waterOnly } from './ticket.js';
import type { Papers, SoldDelivery } from './view.js';

/** Bushels of a ticket at one price. */
export interface DuePart {
  /** null: at the day's price. */
  readonly contractId: string | null;
  readonly bushels: number;
  /** $/bu; null while it is open. */
  readonly price: number | null;
}

/** What a buyer owes for a delivery, by its contracts and his sheet. */
export interface Due {
  readonly sold: SoldDelivery;
  readonly entryId: string;
  /** As printed; null where no ticket came back. */
  readonly ticketNo: string | null;
  readonly buyerId: string;
  readonly atMs: number;
  readonly parts: readonly DuePart[];
  /** $/bu over its parts; null while one of them is open. */
  readonly price: number | null;
  /** Worked out at that price. */
  readonly ticket: Ticket | null;
  /** $; null while a price is open. */
  readonly money: number | null;
}

/**
 * What each delivery is owed: its bushels on their contracts, the rest at the day's price, less what the sheet takes. One arithmetic with
 * the ticket's own.
 * @param book contracts with what is delivered on them, and what is spot
 */
export function duesOf(
  farm: FarmView,
  sold: readonly SoldDelivery[],
  book: {
    readonly contracts: readonly ContractNow[];
    readonly spot: readonly { readonly entryId: string; readonly bushels: number }[];
  },
  papers: Papers,
): Due[] {
  const parts = new Map<string, DuePart[]>();
  const put = (entryId: string, part: DuePart): void => {
    const own = parts.get(entryId);
    if (own === undefined) parts.set(entryId, [part]);
    else own.push(part);
  };
  for (const { id, loads, price, parts: fixed } of book.contracts) {
    // What is fixed of an open price is the price of what came first.
    const { futures, basis } = fixed;
    const mean = futures.average === null || basis.average === null ? null : futures.average + basis.average;
    let left = price.price === null ? fixed.priced : 0;
    for (const { entryId, bushels } of [...loads].sort((a, b) => a.atMs - b.atMs || inOrder(a.entryId, b.entryId))) {
      const priced = price.price === null && mean !== null ? Math.min(left, bushels) : 0;
      left -= priced;
      if (priced > 0) put(entryId, { contractId: id, bushels: priced, price: mean });
      if (bushels - priced > 1e-9) put(entryId, { contractId: id, bushels: bushels - priced, price: price.price });
    }
  }
  const spot = new Map(book.spot.map(({ entryId, bushels }) => [entryId, bushels]));
  const schedules = new Map<string, BuyerSchedule>();
  return sold.map((one): Due => {
    const { delivery, crop } = one;
    const { id: entryId, at } = delivery.entry;
    const rest = spot.get(entryId) ?? 0;
    const own: DuePart[] = [
      ...(parts.get(entryId) ?? []),
      ...(rest > 0 ? [{ contractId: null, bushels: rest, price: delivery.pricePerBu }] : []),
    ];
    const bushels = own.reduce((sum, part) => sum + part.bushels, 0);
    const price =
      bushels <= 0 || own.some((part) => part.price === null)
        ? null
        : own.reduce((sum, part) => sum + part.bushels * part.price!, 0) / bushels;
    const legalPounds = cropOf(crop ?? '')?.legalPounds;
    let ticket: Ticket | null = null;
    if (legalPounds !== undefined && price !== null) {
      const kept = one.sheetId === null ? undefined : papers.sheets.byId(one.sheetId);
      const key = `${one.sheetId ?? ''} ${crop}`;
      const schedule =
        schedules.get(key) ??
        (kept ? scheduleOf(kept, legalPounds) : waterOnly(legalPounds, baseMoistureOf(crop!, farm.data.farm.defaults)));
      schedules.set(key, schedule);
      try {
        const input = ticketInputOf(delivery, papers.papers.get(entryId), price);
        // Each part is paid to the cent; without a contract's end within it there is only one.
        const priced = own.map((part) => ({ bushels: part.bushels, price: part.price! }));
        ticket = computeTicket(input, schedule, priced.length > 1 ? priced : undefined);
      } catch (error) {
        if (!(error instanceof RangeRefusal)) throw error;
      }
    }
    return {
      sold: one,
      entryId,
      ticketNo: delivery.ticket ?? papers.papers.get(entryId)?.ticket ?? null,
      buyerId: delivery.to,
      atMs: Date.parse(at),
      parts: own,
      price,
      ticket,
      money: ticket?.money ?? (price === null ? null : cents(bushels * price)),
    };
  });
}
