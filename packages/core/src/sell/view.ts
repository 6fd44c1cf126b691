import { cropOf } from '../crops/index.js';
import { baseMoistureOf, type Delivery, type FarmView, kgPerBushelOf, splitByOwner } from '../ledger/index.js';
import { dryBushels } from '../units/index.js';
import { moneyFor, paidBushels } from './ticket.js';

/** What a delivery was and what it brings at its ticket's price. */
export interface SoldDelivery {
  readonly delivery: Delivery;
  readonly crop: string | undefined;
  /** At the base moisture. */
  readonly bushels: number;
  /** $ before the buyer's discounts; null while no price is known. */
  readonly money: number | null;
}

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
 * A delivery in bushels and money. Paid for are the bushels at the base; over-dry grain is paid by its own weight, as buyers give no
 * premium for dry grain. Nobody's known crop counts as it lies, at the weight of corn.
 * @param base moisture that the farm counts the crop dry at, wet-basis fraction
 */
export function soldDelivery(delivery: Delivery, crop: string | undefined, base: number): SoldDelivery {
  const { netKg, dryKg, moisture, pricePerBu } = delivery;
  const legalPounds = cropOf(crop ?? '')?.legalPounds;
  if (legalPounds === undefined) {
    const bushels = netKg / kgPerBushelOf(undefined);
    return { delivery, crop, bushels, money: pricePerBu === null ? null : moneyFor(bushels, pricePerBu) };
  }
  return {
    delivery,
    crop,
    bushels: dryBushels(dryKg, legalPounds, base),
    money:
      pricePerBu === null
        ? null
        : moneyFor(paidBushels(netKg, moisture, { kind: 'exact', base }, legalPounds), pricePerBu),
  };
}

/** Each delivery with its bushels at the farm's own base, and what it brings. */
export function soldDeliveries(farm: FarmView, delivered: readonly Delivery[]): SoldDelivery[] {
  const { defaults } = farm.data.farm;
  return delivered.map((delivery) => {
    const crop = farm.cropOf(delivery.lots);
    return soldDelivery(delivery, crop, baseMoistureOf(crop ?? '', defaults));
  });
}

/** Deliveries with what they bring, and sums by owner and crop: each owner has his part of a ticket, by the shares of its fields. */
export function sellView(farm: FarmView, delivered: readonly Delivery[]): SellView {
  const { name } = farm.data.farm;
  const rows = soldDeliveries(farm, delivered);
  const sums = new Map<string, SoldOf & { readonly isOwn: boolean }>();
  for (const { delivery, crop, bushels, money } of rows) {
    const owners = splitByOwner(delivery.lots, (lot) => farm.lot(lot)?.shares, name);
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
