import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { PRICE } from '../units/index.js';
import { type BuyerSchedule, computeTicket, type TicketInput } from './ticket.js';

const DISTANCE = quantity('distance one way', 0, 5e6, 'm');
const TRUCK_COST = quantity('cost of a truck', 0, 1, '$/m');

export const NETBACK: Formula = {
  id: 'netback',
  title: 'Net price at the farm',
  equation: '(price x paid bushels - discounts - drying - fees - freight) / bushels that left the farm',
  standing: 'common practice',
  source: 'Arithmetic; per wet and per dry bushel are different figures',
  inputs: [PRICE, DISTANCE, TRUCK_COST],
};

/**
 * Freight of a load: there and back.
 * Range and source: {@link NETBACK}.
 * @param distance one way, m
 * @param perMetre $ for each m driven
 * @returns $
 */
export function freight(distance: number, perMetre: number, fixed = 0): number {
  return (
    2 * within(DISTANCE, distance) * within(TRUCK_COST, perMetre) +
    requireInRange('fixed cost of a load', fixed, 0, 10_000, '$')
  );
}

export interface Bid {
  readonly buyer: string;
  readonly price: number;
  readonly schedule: BuyerSchedule;
  /** $ for the load. */
  readonly freight: number;
}

export interface Netback {
  readonly buyer: string;
  /** $ in hand for the load. */
  readonly money: number;
  /** Per wet bushel that left the farm, and per bushel paid for: never mix them. */
  readonly perWetBushel: number;
  readonly perPaidBushel: number;
  readonly refused: readonly string[];
}

/**
 * Bids for one load after shrink, discounts, drying, fees and road; best first, refusing buyers last.
 * Range and source: {@link NETBACK}.
 */
export function compareBids(load: Omit<TicketInput, 'price'>, bids: readonly Bid[]): Netback[] {
  return bids
    .map((bid) => {
      const ticket = computeTicket({ ...load, price: bid.price }, bid.schedule);
      const money = ticket.money - requireInRange('freight', bid.freight, 0, 1e6, '$');
      return {
        buyer: bid.buyer,
        money,
        perWetBushel: ticket.wetBushels > 0 ? money / ticket.wetBushels : 0,
        perPaidBushel: ticket.paidBushels > 0 ? money / ticket.paidBushels : 0,
        refused: ticket.refused,
      };
    })
    .sort((a, b) => Number(a.refused.length > 0) - Number(b.refused.length > 0) || b.money - a.money);
}
