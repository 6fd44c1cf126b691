import { groupBy, inOrder } from '../kernel/index.js';
import { type LogEntry, living, type Settlement } from '../records/index.js';
import { cents } from '../units/index.js';
import type { Due } from './dues.js';

const DAY = 86_400_000;
/** Differences that rounding explains: five cents on a ticket, a twentieth of a bushel, a tenth of a cent a bushel. */
const CENTS = 0.05;
const BUSHELS = 0.05;
const PER_BU = 0.001;

export const plainTicket = (ticket: string): string => ticket.trim().toLowerCase();

/** Where a paid ticket differs from the farm's own arithmetic, and what that part is worth. */
export interface Difference {
  readonly what: 'bushels' | 'price' | 'taken' | 'sum';
  readonly paid: number;
  readonly own: number;
  /** $ that the farm is short by it; negative where it was paid too much. */
  readonly short: number;
}

export type TicketState =
  | 'agrees'
  | 'short'
  | 'over'
  /** Paid on an earlier sheet already. */
  | 'twice'
  /** No load of the book has this ticket. */
  | 'noLoad'
  /** Its price is still open: it cannot be checked. */
  | 'open';

/** A ticket on one sheet: all of its lines there, against what is due. */
export interface TicketOnSheet {
  readonly ticket: string;
  readonly due: Due | null;
  readonly state: TicketState;
  readonly bushels: number;
  readonly money: number;
  /** $ that the farm is short; negative where it got too much; null where nothing can be said. */
  readonly short: number | null;
  readonly differences: readonly Difference[];
  /** Loads without a ticket that this may be of, the likeliest first. */
  readonly likely: readonly Due[];
}

export interface SheetCheck {
  readonly id: string;
  readonly settlement: Settlement;
  readonly tickets: readonly TicketOnSheet[];
  /** Loads of all its lines, corrections too, by the ticket as {@link plainTicket} has it. */
  readonly dues: ReadonlyMap<string, Due>;
  /** Lines that set something right from before. */
  readonly corrections: number;
  readonly linesMoney: number;
  readonly deducted: number;
  /** $ that the check should be by its own lines. */
  readonly should: number;
  /** $ that its net is less than its own lines say; 0 where they add up. */
  readonly netShort: number;
  /** $ of all its tickets that the farm is short, those that were paid too much apart. */
  readonly short: number;
  readonly over: number;
}

/** What is owed and paid for a delivery, over all sheets. */
export interface TicketAccount {
  readonly due: Due;
  readonly paid: number;
  /** $ still open; negative where too much came; null while its price is open. */
  readonly open: number | null;
  readonly sheets: readonly string[];
}

export interface Settled {
  /** Newest first. */
  readonly sheets: readonly SheetCheck[];
  readonly accounts: readonly TicketAccount[];
  /** Delivered, priced, and on no sheet yet. */
  readonly unpaid: { readonly count: number; readonly money: number; readonly sinceMs: number | null };
  /** $ that paid tickets are short, after corrections, and that came too much. */
  readonly short: number;
  readonly over: number;
  /** Delivered, and nothing is printed that names them. */
  readonly withoutTicket: readonly Due[];
}

/** A pair is likely within such a part of the bushels. Common practice, no source. */
const PAIR_SHARE = 0.03;

function differences(
  printed: { readonly bushels: number; readonly price: number | null; readonly taken: number | null; readonly money: number }, // prettier-ignore
  due: Due,
): Difference[] {
  const { ticket, price } = due;
  if (ticket === null || price === null) return [];
  const found: Difference[] = [];
  const own = { bushels: ticket.paidBushels, taken: cents(ticket.value - ticket.money) };
  const perBu = own.bushels > 0 ? ticket.money / own.bushels : price;
  if (Math.abs(printed.bushels - own.bushels) > BUSHELS)
    found.push({ what: 'bushels', paid: printed.bushels, own: own.bushels, short: cents((own.bushels - printed.bushels) * (printed.taken === null ? perBu : price)) }); // prettier-ignore
  if (printed.price !== null && Math.abs(printed.price - price) > PER_BU)
    found.push({ what: 'price', paid: printed.price, own: price, short: cents((price - printed.price) * printed.bushels) }); // prettier-ignore
  if (printed.taken !== null && Math.abs(printed.taken - own.taken) > CENTS)
    found.push({ what: 'taken', paid: printed.taken, own: own.taken, short: cents(printed.taken - own.taken) });
  // What the sheet's own figures come to, against what it pays for them.
  if (printed.price !== null && printed.taken !== null) {
    const should = cents(printed.bushels * printed.price - printed.taken);
    if (Math.abs(should - printed.money) > CENTS)
      found.push({ what: 'sum', paid: printed.money, own: should, short: cents(should - printed.money) });
  }
  return found;
}

/**
 * Buyers' sheets against the farm's own arithmetic: each ticket on each sheet, what is paid, short, over, twice, unpaid and since when. A
 * ticket counts as right again when corrections of later sheets bring what is missing.
 * @param logs newest first @param asked dues that are listed as unpaid or without a ticket; others are known so that their sheets can be checked
 */
export function settle(
  dues: readonly Due[],
  logs: readonly LogEntry<'settlement'>[],
  asked: (due: Due) => boolean = () => true,
): Settled {
  const byTicket = new Map<string, Due>();
  const key = (buyerId: string, ticket: string): string => `${buyerId.length} ${buyerId} ${plainTicket(ticket)}`; // prettier-ignore
  const withoutTicket: Due[] = [];
  for (const due of dues) {
    if (due.ticketNo === null) {
      if (asked(due)) withoutTicket.push(due);
    } else if (!byTicket.has(key(due.buyerId, due.ticketNo))) byTicket.set(key(due.buyerId, due.ticketNo), due);
  }
  const paid = new Map<string, { money: number; sheets: string[]; tickets: number }>();
  const oldestFirst = [...living<'settlement'>(logs)]
    .map(({ body }) => body)
    .sort((a, b) => inOrder(a.paidOn, b.paidOn) || Date.parse(a.at) - Date.parse(b.at) || inOrder(a.id, b.id));
  const sheets = oldestFirst.map((settlement): SheetCheck => {
    const { buyerId, lines, deductions, net } = settlement;
    const known = new Map<string, Due>();
    for (const line of lines) {
      const at = key(buyerId, line.ticket);
      const load = byTicket.get(at);
      if (load) known.set(plainTicket(line.ticket), load);
      let account = paid.get(at);
      if (!account) paid.set(at, (account = { money: 0, sheets: [], tickets: 0 }));
      account.money = cents(account.money + line.money);
      if (!account.sheets.includes(settlement.id)) account.sheets.push(settlement.id);
    }
    const printed = lines.filter(({ kind }) => kind !== 'correction');
    const tickets = [...groupBy(printed, ({ ticket }) => key(buyerId, ticket))].map(([at, own]): TicketOnSheet => {
      const due = byTicket.get(at) ?? null;
      const account = paid.get(at)!;
      const before = account.tickets;
      account.tickets++;
      const sum = (of: (line: (typeof own)[number]) => number): number => own.reduce((all, line) => all + of(line), 0);
      const bushels = sum((line) => line.bushels);
      const money = cents(sum((line) => line.money));
      const priced = own.every((line) => line.price !== undefined);
      const figures = {
        bushels,
        price: priced && bushels !== 0 ? sum((line) => line.bushels * line.price!) / bushels : null,
        taken: own.every((line) => line.taken !== undefined) ? cents(sum((line) => line.taken!)) : null,
        money,
      };
      const base = { ticket: own[0]!.ticket, due, bushels, money, likely: [], differences: [] };
      if (before > 0) return { ...base, state: 'twice', short: -money };
      if (due === null) {
        const paidMs = Date.parse(`${settlement.paidOn}T00:00:00Z`);
        const likely = withoutTicket
          .filter(
            (one) =>
              one.buyerId === buyerId &&
              one.atMs < paidMs + DAY &&
              Math.abs((one.sold.paid ?? one.sold.bushels) - bushels) <= PAIR_SHARE * Math.abs(bushels),
          )
          .sort(
            (a, b) =>
              Math.abs((a.sold.paid ?? a.sold.bushels) - bushels) - Math.abs((b.sold.paid ?? b.sold.bushels) - bushels),
          )
          .slice(0, 3);
        return { ...base, state: 'noLoad', short: null, likely };
      }
      if (due.money === null) return { ...base, state: 'open', short: null };
      const short = cents(due.money - money);
      return {
        ...base,
        short,
        state: Math.abs(short) <= CENTS ? 'agrees' : short > 0 ? 'short' : 'over',
        differences: differences(figures, due),
      };
    });
    const linesMoney = cents(lines.reduce((sum, { money }) => sum + money, 0));
    const deducted = cents(deductions.reduce((sum, { amount }) => sum + amount, 0));
    const should = cents(linesMoney - deducted);
    const of = (sign: 1 | -1): number =>
      cents(tickets.reduce((sum, { short, state }) => sum + (state === 'agrees' ? 0 : Math.max(0, sign * (short ?? 0))), 0)); // prettier-ignore
    return {
      id: settlement.id,
      settlement,
      tickets,
      dues: known,
      corrections: lines.length - printed.length,
      linesMoney,
      deducted,
      should,
      netShort: cents(should - net),
      short: of(1),
      over: of(-1),
    };
  });
  const accounts = dues.map((due): TicketAccount => {
    const account = due.ticketNo === null ? undefined : paid.get(key(due.buyerId, due.ticketNo));
    const got = account?.money ?? 0;
    return {
      due,
      paid: got,
      open: due.money === null ? null : cents(due.money - got),
      sheets: account?.sheets ?? [],
    };
  });
  const unpaid = accounts.filter(({ due, sheets: on, open }) => on.length === 0 && open !== null && asked(due));
  const settled = accounts.filter(({ sheets: on, open }) => on.length > 0 && open !== null && Math.abs(open) > CENTS);
  return {
    sheets: sheets.reverse(),
    accounts,
    unpaid: {
      count: unpaid.length,
      money: cents(unpaid.reduce((sum, { open }) => sum + open!, 0)),
      sinceMs: unpaid.length === 0 ? null : unpaid.reduce((first, { due }) => Math.min(first, due.atMs), Infinity),
    },
    short: cents(settled.reduce((sum, { open }) => sum + Math.max(0, open!), 0)),
    over: cents(settled.reduce((sum, { open }) => sum + Math.max(0, -open!), 0)),
    withoutTicket,
  };
}
