import { groupBy, startOfDay } from '../kernel/index.js';
import { plainTicket } from './settle.js';

/** Numbers that a buyer gave between two tickets of one day, and that the book does not have. */
export interface TicketGap {
  readonly buyerId: string;
  readonly after: string;
  readonly before: string;
  readonly numbers: readonly string[];
  readonly atMs: number;
}

/** More numbers than this between two loads went to other farms. Common practice, no source. */
const MOST_MISSING = 3;

/**
 * Gaps in a buyer's numbers within a day: one to three missing between two own tickets may be a load whose ticket was lost. Numbers that
 * are not plain (letters, more than fifteen digits) are left out; so are those that the book has from another buyer.
 */
export function ticketGaps(
  tickets: readonly { readonly buyerId: string; readonly ticketNo: string | null; readonly atMs: number }[],
  timeZone: string,
): TicketGap[] {
  const plainNumbers = tickets.flatMap(({ buyerId, ticketNo, atMs }) =>
    ticketNo === null || !/^\d{1,15}$/.test(ticketNo.trim())
      ? []
      : [{ number: Number(ticketNo), text: ticketNo.trim(), atMs, buyerId }],
  );
  const byDay = groupBy(plainNumbers, ({ buyerId, atMs }) => JSON.stringify([buyerId, startOfDay(atMs, timeZone)]));
  const known = new Set(tickets.flatMap(({ ticketNo }) => (ticketNo === null ? [] : [ticketNo.trim()])));
  const gaps: TicketGap[] = [];
  for (const own of byDay.values()) {
    own.sort((a, b) => a.number - b.number);
    for (let i = 1; i < own.length; i++) {
      const [a, b] = [own[i - 1]!, own[i]!];
      const missing = b.number - a.number - 1;
      if (missing < 1 || missing > MOST_MISSING) continue;
      const numbers = Array.from({ length: missing }, (_, k) =>
        String(a.number + k + 1).padStart(a.text.length, '0'),
      ).filter((text) => !known.has(text));
      if (numbers.length === 0) continue;
      gaps.push({
        buyerId: a.buyerId,
        after: a.text,
        before: b.text,
        atMs: b.atMs,
        numbers,
      });
    }
  }
  return gaps.sort((a, b) => b.atMs - a.atMs);
}

/** Numbers that one buyer gave to more than one load of the book. */
export function sameNumbers<T extends { readonly buyerId: string; readonly ticketNo: string | null }>(
  tickets: readonly T[],
): T[][] {
  const by = groupBy(
    tickets.filter(({ ticketNo }) => ticketNo !== null),
    ({ buyerId, ticketNo }) => JSON.stringify([buyerId, plainTicket(ticketNo!)]),
  );
  return [...by.values()].filter((same) => same.length > 1);
}
