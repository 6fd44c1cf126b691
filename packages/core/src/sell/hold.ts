import { type Formula, quantity, requireInRange, within } from '../kernel/index.js';
import { BUSHELS, MONTHS, PRICE, SHARE } from '../units/index.js';

/** A year's interest on grain that is kept, where nobody said another. Common practice, no source. */
export const USUAL_INTEREST = 0.08;

const RATE = quantity('interest', 0, 0.5, 'fraction a year');
const MONEY = quantity('cost', 0, 1e9, '$');

export const HOLD_OR_SELL: Formula = {
  id: 'hold-or-sell',
  title: 'Hold or sell',
  equation: 'carry $/bu/month = cash r/12 + storage + shrink;  needed = (now + carry + handling) / (1 - loss)',
  standing: 'common practice',
  source: 'Arithmetic of carry',
  inputs: [PRICE, MONTHS, RATE, SHARE],
  note: 'Interest runs on the harvest value, under every plan that waits. Price and rent are never added to each other.',
};

/** One way of waiting: what it loses and costs until it is sold. */
export interface WaitingPlan {
  readonly id: string;
  readonly months: number;
  /** $/bu at the end. */
  readonly laterPrice: number;
  /** Fraction of the bushels that is not there any more. */
  readonly loss?: number;
  /** $/bu/month on the bushels put in. */
  readonly storagePerMonth?: number;
  /** $/bu for moving it in and out again, on the bushels that are sold. */
  readonly handlingPerBu?: number;
  /** $ once: tarp, fuel, labor, fans, handling. */
  readonly costs?: readonly { readonly what: string; readonly money: number }[];
}

export interface PlanOutcome {
  readonly id: string;
  readonly soldBushels: number;
  readonly sale: number;
  readonly storage: number;
  readonly costs: number;
  readonly interest: number;
  readonly net: number;
  /** Against selling at harvest. */
  readonly againstHarvest: number;
  /** $/bu at which it would be even with selling at harvest. */
  readonly breakEvenPrice: number;
  /** $/bu/month that waiting costs before any gain in price. */
  readonly carryPerMonth: number | null;
}

export interface HoldOrSell {
  readonly harvest: number;
  /** Best first. */
  readonly plans: readonly PlanOutcome[];
  readonly best: 'sell at harvest' | { readonly plan: string };
  /** Net of each plan against each other one, in words of money: first minus second. */
  readonly between: readonly { readonly first: string; readonly second: string; readonly money: number }[];
}

/**
 * Pile, store, hold or sell: each plan on the same bushels, with interest on the harvest value.
 * Range and source: {@link HOLD_OR_SELL}.
 * @example 40,000 bu, $4.85 now; a pile sold at $5.62 after three months, 0.8 % lost, $4,636 of costs, 8 %: $214,485.60, $20,485.60 more
 */
export function holdOrSell(input: {
  readonly bushels: number;
  readonly harvestPrice: number;
  readonly interest: number;
  readonly plans: readonly WaitingPlan[];
}): HoldOrSell {
  const bushels = within(BUSHELS, input.bushels);
  const harvest = bushels * within(PRICE, input.harvestPrice);
  const rate = within(RATE, input.interest);
  const plans = input.plans.map((plan): PlanOutcome => {
    const months = within(MONTHS, plan.months);
    const kept = 1 - within(SHARE, plan.loss ?? 0);
    const soldBushels = bushels * kept;
    const sale = soldBushels * within(PRICE, plan.laterPrice);
    const storage = bushels * months * within(PRICE, plan.storagePerMonth ?? 0);
    const once = (plan.costs ?? []).reduce((sum, { what, money }) => sum + within({ ...MONEY, name: what }, money), 0);
    const costs = once + soldBushels * within({ ...PRICE, name: 'handling' }, plan.handlingPerBu ?? 0);
    const interest = (harvest * rate * months) / 12;
    const net = sale - storage - costs - interest;
    const lost = bushels - soldBushels;
    return {
      id: plan.id,
      soldBushels,
      sale,
      storage,
      costs,
      interest,
      net,
      againstHarvest: net - harvest,
      breakEvenPrice: soldBushels > 0 ? (harvest + storage + costs + interest) / soldBushels : Infinity,
      carryPerMonth:
        bushels > 0 && months > 0 ? (storage + costs + interest + lost * input.harvestPrice) / bushels / months : null,
    };
  });
  plans.sort((a, b) => b.net - a.net);
  const between = plans.flatMap((first, i) =>
    plans.slice(i + 1).map((second) => ({ first: first.id, second: second.id, money: first.net - second.net })),
  );
  const top = plans[0];
  return { harvest, plans, best: top && top.net > harvest ? { plan: top.id } : 'sell at harvest', between };
}

/**
 * What a way of waiting must bring in each month to be even with selling at harvest, $/bu.
 * Range and source: {@link HOLD_OR_SELL}.
 * @param months how far to look, whole
 */
export function breakEvenByMonth(
  input: Omit<Parameters<typeof holdOrSell>[0], 'plans'>,
  plan: Omit<WaitingPlan, 'months'>,
  months: number,
): { readonly month: number; readonly price: number }[] {
  const most = Math.floor(within(MONTHS, months));
  return Array.from({ length: most + 1 }, (_, month) => ({
    month,
    price: holdOrSell({ ...input, plans: [{ ...plan, months: month }] }).plans[0]!.breakEvenPrice,
  }));
}

/**
 * $/bu that waiting costs until a month, and whether the market pays for it.
 * Range and source: {@link HOLD_OR_SELL}.
 * @example 4.20 cash, 8 %, 5 months at 0.04: 0.34 in all
 */
export function carry(input: {
  readonly cash: number;
  readonly months: number;
  readonly interest: number;
  readonly storagePerMonth: number;
  readonly extra?: number;
  readonly deferred?: number;
}): { perBu: number; perMonth: number; priceNeeded: number; paid: boolean | null } {
  const months = within(MONTHS, input.months);
  const interest = (within(PRICE, input.cash) * within(RATE, input.interest) * months) / 12;
  const perBu =
    interest +
    within(PRICE, input.storagePerMonth) * months +
    requireInRange('extra cost', input.extra ?? 0, 0, 100, '$/bu');
  const priceNeeded = input.cash + perBu;
  return {
    perBu,
    perMonth: months > 0 ? perBu / months : 0,
    priceNeeded,
    paid: input.deferred === undefined ? null : within(PRICE, input.deferred) > priceNeeded,
  };
}
