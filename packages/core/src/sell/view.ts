import { cropOf } from '../crops/index.js';
import { baseMoistureOf, type Delivery, type FarmView, kgPerBushelOf } from '../ledger/index.js';
import { calendarDay, RangeRefusal } from '../kernel/index.js';
import type { TicketPaper } from '../records/index.js';
import { dryBushels } from '../units/index.js';
import { papersOf, scheduleOf, type Sheets, sheetsOf, ticketInputOf } from './sheet.js';
import { computeTicket, moneyFor, paidBushels, type Ticket } from './ticket.js';

/** What a delivery was and what it brings at its ticket's price. */
export interface SoldDelivery {
  readonly delivery: Delivery;
  readonly crop: string | undefined;
  /** At the base moisture. */
  readonly bushels: number;
  /** $ by the buyer's sheet, or before his discounts where none is entered; null while no price is known. */
  readonly money: number | null;
  /** Bushels that the buyer pays for, by the sheet that was posted on its day; null without one. */
  readonly paid: number | null;
  /** The ticket worked out by that sheet, without a price at none; null without a sheet. */
  readonly ticket: Ticket | null;
  readonly sheetId: string | null;
  /** The farm's own part of it, by the shares of its fields; left out: all of it. */
  readonly ownPart?: number;
  /** Whose it is, by name. */
  readonly owners?: readonly OwnerPart[];
}

/** An owner's part of a load, 0 to 1. */
export interface OwnerPart {
  readonly owner: string;
  readonly part: number;
  /** the farm's own */
  readonly own: boolean;
}

/** What tickets are worked out with beside the book: posted sheets, and the papers of the tickets. */
export interface Papers {
  readonly sheets: Sheets;
  readonly papers: ReadonlyMap<string, TicketPaper>;
  readonly timeZone: string;
}

export const papersIn = (
  farm: Pick<FarmView, 'data'>,
  records:
    | {
        readonly logs: { readonly ticketPaper: Parameters<typeof papersOf>[0] };
        readonly settings: { readonly buyerSheet: Parameters<typeof sheetsOf>[0] };
      }
    | undefined,
): Papers => ({
  sheets: sheetsOf(records?.settings.buyerSheet),
  papers: papersOf(records?.logs.ticketPaper),
  timeZone: farm.data.farm.timeZone,
});

/** Grain of one owner and crop that is delivered. */
export interface SoldOf {
  readonly owner: string;
  readonly crop: string | undefined;
  readonly bushels: number;
  readonly money: number;
}

export interface SellView {
  readonly rows: readonly SoldDelivery[];
  /** The farm's own grain, by crop in the order of its tickets. */
  readonly own: readonly SoldOf[];
  /** Grain of others, which is never the farm's own. */
  readonly others: readonly SoldOf[];
}

/**
 * A delivery in bushels and money. By the buyer's sheet of its day where one is entered; otherwise paid for are the bushels at the base, and
 * over-dry grain by its own weight, as buyers give no premium for dry grain. Nobody's known crop counts as it lies, at the weight of corn.
 * @param base moisture that the farm counts the crop dry at, wet-basis fraction
 */
export function soldDelivery(
  delivery: Delivery,
  crop: string | undefined,
  base: number,
  papers?: Papers,
): SoldDelivery {
  const { netKg, dryKg, moisture, pricePerBu } = delivery;
  const without = { delivery, crop, paid: null, ticket: null, sheetId: null };
  const legalPounds = cropOf(crop ?? '')?.legalPounds;
  if (legalPounds === undefined) {
    const bushels = netKg / kgPerBushelOf(undefined);
    return { ...without, bushels, money: pricePerBu === null ? null : moneyFor(bushels, pricePerBu) };
  }
  const bushels = dryBushels(dryKg, legalPounds, base);
  const sheet = papers?.sheets.on(delivery.to, crop!, calendarDay(Date.parse(delivery.entry.at), papers.timeZone));
  if (sheet) {
    const paper = papers!.papers.get(delivery.entry.id);
    try {
      const ticket = computeTicket(ticketInputOf(delivery, paper, pricePerBu ?? 0), scheduleOf(sheet.sheet, legalPounds)); // prettier-ignore
      return {
        delivery,
        crop,
        bushels,
        money: pricePerBu === null ? null : ticket.money,
        paid: ticket.paidBushels,
        ticket,
        sheetId: sheet.id,
      };
    } catch (error) {
      // A load that no schedule can be worked out for (a reading beyond every range) is counted as before, not the end of the page.
      if (!(error instanceof RangeRefusal)) throw error;
    }
  }
  return {
    ...without,
    bushels,
    money:
      pricePerBu === null
        ? null
        : moneyFor(paidBushels(netKg, moisture, { kind: 'exact', base }, legalPounds), pricePerBu),
  };
}

/** Whose grain is, in parts that sum to one, by the shares of its fields; none of nothing. */
export function ownerParts(farm: FarmView, byLot: Readonly<Record<string, number>>): OwnerPart[] {
  const all = farm.owners(byLot);
  const whole = all.reduce((sum, { kg }) => sum + kg, 0);
  return whole > 0 ? all.map(({ owner, own, kg }) => ({ owner, own, part: kg / whole })) : [];
}

/** Each delivery with its bushels at the farm's own base, and what it brings. */
export function soldDeliveries(farm: FarmView, delivered: readonly Delivery[], papers?: Papers): SoldDelivery[] {
  const { defaults } = farm.data.farm;
  return delivered.map((delivery) => {
    const crop = farm.cropOf(delivery.lots);
    const sold = soldDelivery(delivery, crop, baseMoistureOf(crop ?? '', defaults), papers);
    const owners = ownerParts(farm, delivery.lots);
    const ownPart = owners.reduce((sum, { own, part }) => (own ? sum + part : sum), 0);
    return owners.length === 0 ? sold : { ...sold, owners, ...(ownPart === 1 ? {} : { ownPart }) };
  });
}

/** Deliveries with what they bring, and sums by owner and crop: each owner has his part of a ticket, by the shares of its fields. */
export function sellView(farm: FarmView, delivered: readonly Delivery[], papers?: Papers): SellView {
  const rows = soldDeliveries(farm, delivered, papers);
  const sums = new Map<string, SoldOf & { readonly isOwn: boolean }>();
  for (const { delivery, crop, bushels, money } of rows) {
    const owners = farm.owners(delivery.lots);
    const whole = owners.reduce((sum, { kg }) => sum + kg, 0);
    for (const { owner, own, kg } of owners) {
      const part = whole > 0 ? kg / whole : 0;
      const key = JSON.stringify([own, owner, crop]);
      const before = sums.get(key) ?? { owner, crop, bushels: 0, money: 0, isOwn: own };
      sums.set(key, {
        ...before,
        bushels: before.bushels + part * bushels,
        money: before.money + part * (money ?? 0),
      });
    }
  }
  const of = (isOwn: boolean): SoldOf[] =>
    [...sums.values()].filter((sum) => sum.isOwn === isOwn).map(({ isOwn: _, ...sum }) => sum);
  return { rows, own: of(true), others: of(false) };
}
