import {
  auditTicket,
  cropOf,
  type Due,
  type PrintedTicket,
  RangeRefusal,
  scheduleOf,
  type TicketAudit,
  ticketInputOf,
} from '@fanega/core';
import type { SellBook } from '../../../widgets/use-sell-book';

/** What the paper prints against the farm's own arithmetic; null without a sheet or anything printed. */
export function paperCheck(book: SellBook, due: Due): TicketAudit | null {
  const { sold, entryId } = due;
  // A ticket prints its own price; what it counts on is the settlement’s matter.
  const at = sold.delivery.pricePerBu ?? due.price;
  const paper = book.papers.papers.get(entryId);
  const sheet = sold.sheetId === null ? undefined : book.papers.sheets.byId(sold.sheetId);
  const crop = cropOf(sold.crop ?? '');
  if (!paper || !sheet || !crop || at === null) return null;
  const { paidBushels, pricePaid, drying, money: printed } = paper;
  const lines: PrintedTicket = {
    ...(paidBushels === undefined ? {} : { paidBushels }),
    ...(pricePaid === undefined ? {} : { pricePaid }),
    ...(drying === undefined ? {} : { drying }),
    ...(printed === undefined ? {} : { money: printed }),
  };
  if (Object.keys(lines).length === 0) return null;
  try {
    return auditTicket(lines, ticketInputOf(sold.delivery, paper, at), scheduleOf(sheet, crop.legalPounds));
  } catch (error) {
    if (!(error instanceof RangeRefusal)) throw error;
    return null;
  }
}
