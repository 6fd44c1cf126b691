import { cents } from '../units/index.js';
import { splitMoney } from './owner-money.js';
import type { TicketAccount } from './settle.js';

/** What a field's grain brought, by its part of each ticket. */
export interface FieldMoney {
  /** $ that its priced bushels are worth by the buyers' own sheets */
  readonly due: number;
  readonly paid: number;
  /** $ still open of what is due; negative where too much came */
  readonly open: number;
  /** bushels that the buyers pay for */
  readonly pricedBu: number;
  /** bushels at the base moisture that have no price yet */
  readonly unpricedBu: number;
  /** $/bu of those that have one, after what is taken off; null without any */
  readonly mean: number | null;
  /** by delivery; null where its price is open */
  readonly lines: ReadonlyMap<string, { readonly due: number | null; readonly paid: number }>;
}

/**
 * A field's money: of each ticket its part by dry matter, split to the cent so that the fields of a load sum to its ticket. What a buyer
 * takes off a whole check (checkoff, storage, an advance) is of no field and left out. Common practice, no source.
 * @param accounts of all deliveries, as {@link settle} has them
 */
export function fieldMoney(accounts: readonly TicketAccount[], lotId: string): FieldMoney {
  const lines = new Map<string, { due: number | null; paid: number }>();
  const sum = { due: 0, paid: 0, paidOfPriced: 0, pricedBu: 0, unpricedBu: 0 };
  for (const { due, paid } of accounts) {
    const lots = Object.entries(due.sold.delivery.lots);
    const at = lots.findIndex(([id]) => id === lotId);
    if (at < 0) continue;
    const weights = lots.map(([, kg]) => kg);
    const part = weights[at]! / weights.reduce((all, kg) => all + kg, 0);
    const of = (money: number): number => splitMoney(money, weights)[at]!;
    const line = { due: due.money === null ? null : of(due.money), paid: of(paid) };
    lines.set(due.entryId, line);
    sum.paid += line.paid;
    if (line.due === null) sum.unpricedBu += part * due.sold.bushels;
    else {
      sum.due += line.due;
      sum.paidOfPriced += line.paid;
      sum.pricedBu += part * (due.ticket?.paidBushels ?? due.sold.bushels);
    }
  }
  const due = cents(sum.due);
  return {
    ...{ due, pricedBu: sum.pricedBu, unpricedBu: sum.unpricedBu, lines },
    paid: cents(sum.paid),
    open: cents(due - sum.paidOfPriced),
    mean: sum.pricedBu > 0 ? due / sum.pricedBu : null,
  };
}
