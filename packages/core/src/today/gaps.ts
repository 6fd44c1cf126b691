import { groupBy } from '../kernel/index.js';
import { type FarmView, kgPerBushelOf } from '../ledger/index.js';
import { type SellBook, ticketGaps } from '../sell/index.js';
import type { NextStep } from './next-steps.js';

/** Something in the books that has no counterpart yet. */
export interface BookGap {
  readonly what:
    /** a load into a buyer that has no ticket */
    | 'noTicket'
    /** tickets of a buyer that are on none of his sheets */
    | 'noSettlement'
    /** a sheet pays for a ticket that the book has not */
    | 'noLoad'
    /** a ticket was paid short */
    | 'short'
    /** numbers between two own tickets of a day */
    | 'missingNumbers'
    /** a level that is not what the book has */
    | 'level';
  /** the delivery, the settlement or the level, where there is one */
  readonly id: string | null;
  readonly place: string;
  readonly ticket: string | null;
  readonly count: number;
  /** $ at risk; null where nobody can say */
  readonly money: number | null;
  /** the oldest of it, ms since 1970; null where nobody can say */
  readonly sinceMs: number | null;
}

/** What a gap says in a line. @param place its name */
export function gapWords({ what, ticket, count }: BookGap, place: string): string {
  switch (what) {
    case 'noTicket':
      return `A load to ${place} has no ticket`;
    case 'noSettlement':
      return `${count === 1 ? 'One ticket' : `${count} tickets`} of ${place}, on no sheet yet`;
    case 'noLoad':
      return `${place} paid ticket ${ticket ?? ''}, and the book has no such load`;
    case 'short':
      return `Ticket ${ticket ?? ''} of ${place} was paid short`;
    case 'missingNumbers':
      return `${place} wrote ticket ${ticket ?? ''} between two of ours`;
    case 'level':
      return `The level of ${place} is not what the book has`;
  }
}

const DAY = 86_400_000;
/** Days in which a buyer usually pays: before them an unpaid ticket is no gap. Common practice, no source. */
const PAYS_WITHIN = 14;

/**
 * What in the books is not matched yet: loads without tickets, tickets without settlements, settlements without loads, tickets paid short,
 * numbers that are missing and levels that differ. The most money first; what nobody can price comes by its age.
 */
export function bookGaps(farm: FarmView, book: SellBook, steps: readonly NextStep[]): BookGap[] {
  const { now, timeZone } = { now: farm.data.now, timeZone: farm.data.farm.timeZone };
  const gaps: BookGap[] = [];
  const priced = (crop: string | undefined): number | null => {
    const market = crop === undefined ? undefined : book.market[crop];
    return market?.cash ?? null;
  };
  for (const { due, sheets, open } of book.accounts) {
    const { delivery, crop } = due.sold;
    const worth = due.money ?? (priced(crop) === null ? null : (delivery.netKg / kgPerBushelOf(crop)) * priced(crop)!);
    if (due.ticketNo === null) gaps.push({ what: 'noTicket', id: due.entryId, place: due.buyerId, ticket: null, count: 1, money: worth, sinceMs: due.atMs }); // prettier-ignore
    else if (sheets.length > 0 && open !== null && open > 0.05) gaps.push({ what: 'short', id: due.entryId, place: due.buyerId, ticket: due.ticketNo, count: 1, money: open, sinceMs: due.atMs }); // prettier-ignore
  }
  const unpaid = book.accounts.filter(({ due, sheets, open }) => due.ticketNo !== null && sheets.length === 0 && open !== null && now - due.atMs > PAYS_WITHIN * DAY); // prettier-ignore
  for (const [buyerId, own] of groupBy(unpaid, ({ due }) => due.buyerId))
    gaps.push({
      ...{ what: 'noSettlement', id: null, place: buyerId, ticket: null, count: own.length },
      money: own.reduce((sum, { open }) => sum + (open ?? 0), 0),
      sinceMs: own.reduce((first, { due }) => Math.min(first, due.atMs), Infinity),
    });
  for (const sheet of book.settled.sheets)
    for (const line of sheet.tickets)
      if (line.state === 'noLoad')
        gaps.push({ what: 'noLoad', id: sheet.id, place: sheet.settlement.buyerId, ticket: line.ticket, count: 1, money: line.money, sinceMs: Date.parse(`${sheet.settlement.paidOn}T12:00:00Z`) }); // prettier-ignore
  const mean = (buyerId: string): number | null => {
    const own = book.accounts.filter(({ due }) => due.buyerId === buyerId && due.money !== null);
    return own.length === 0 ? null : own.reduce((sum, { due }) => sum + due.money!, 0) / own.length;
  };
  for (const gap of ticketGaps(book.dues, timeZone)) {
    const one = mean(gap.buyerId);
    gaps.push({ what: 'missingNumbers', id: null, place: gap.buyerId, ticket: gap.numbers.join(', '), count: gap.numbers.length, money: one === null ? null : one * gap.numbers.length, sinceMs: gap.atMs }); // prettier-ignore
  }
  for (const step of steps) {
    if (step.kind !== 'level_differs') continue;
    const crop = farm.cropOf(farm.held(step.place).lots);
    const price = priced(crop);
    gaps.push({ what: 'level', id: step.entry, place: step.place, ticket: null, count: 1, money: price === null ? null : (Math.abs(step.wetKg) / kgPerBushelOf(crop)) * price, sinceMs: null }); // prettier-ignore
  }
  return gaps.sort((a, b) => (b.money ?? -1) - (a.money ?? -1) || (a.sinceMs ?? Infinity) - (b.sinceMs ?? Infinity));
}
