import { type Formula, quantity, within } from '../kernel/index.js';
import { BUSHELS, cents, PRICE } from '../units/index.js';

const BASIS = quantity('basis', -20, 20, '$/bu');
const FEE = quantity('fee', 0, 20, '$/bu');

export const CONTRACT_PRICE: Formula = {
  id: 'contract-price',
  title: 'Price of a contract',
  equation:
    'flat; futures at pricing + basis locked; futures locked + basis set - fee; hedge: cash + (sold - bought back) - fees',
  standing: 'common practice',
  source: 'Arithmetic of grain contracts; basis = cash - futures',
  inputs: [PRICE, BASIS, FEE],
};

/** What is fixed and what is still open. Futures and the local difference (basis) are priced at different times. */
export type ContractTerms =
  | { readonly kind: 'flat'; readonly price: number }
  /** Local difference locked; futures to be priced. */
  | { readonly kind: 'basisFixed'; readonly basis: number; readonly futures?: number }
  /** Futures locked; local difference to be set. */
  | { readonly kind: 'futuresFixed'; readonly futures: number; readonly basis?: number; readonly fee?: number }
  | { readonly kind: 'bothFixed'; readonly futures: number; readonly basis: number; readonly fee?: number };

export interface ContractPrice {
  /** $/bu; null while something is open. */
  readonly price: number | null;
  readonly open: 'nothing' | 'futures' | 'basis';
  /** $/bu at today's market, where one is given: what it would be if the open part were fixed now. */
  readonly today: number | null;
}

/**
 * @param market today's futures and basis, $/bu
 * Range and source: {@link CONTRACT_PRICE}.
 */
export function contractPrice(
  terms: ContractTerms,
  market: { readonly futures?: number; readonly basis?: number } = {},
): ContractPrice {
  const futures = (value: number): number => within(PRICE, value);
  const basis = (value: number): number => within(BASIS, value);
  if (market.futures !== undefined) futures(market.futures);
  if (market.basis !== undefined) basis(market.basis);
  switch (terms.kind) {
    case 'flat':
      return { price: within(PRICE, terms.price), open: 'nothing', today: terms.price };
    case 'bothFixed': {
      const price = futures(terms.futures) + basis(terms.basis) - within(FEE, terms.fee ?? 0);
      return { price, open: 'nothing', today: price };
    }
    case 'basisFixed': {
      const set = terms.futures ?? market.futures;
      const today = set === undefined ? null : futures(set) + basis(terms.basis);
      return {
        price: terms.futures === undefined ? null : today,
        open: terms.futures === undefined ? 'futures' : 'nothing',
        today,
      };
    }
    case 'futuresFixed': {
      const set = terms.basis ?? market.basis;
      const today = set === undefined ? null : futures(terms.futures) + basis(set) - within(FEE, terms.fee ?? 0);
      return {
        price: terms.basis === undefined ? null : today,
        open: terms.basis === undefined ? 'basis' : 'nothing',
        today,
      };
    }
  }
}

/**
 * Net price of a hedge: cash plus what the futures brought, less fees.
 * Range and source: {@link CONTRACT_PRICE}.
 * @example sold 4.50, bought back 4.10, cash 3.85, fees 0.02: 4.23
 */
export function hedgeNet(input: {
  readonly cash: number;
  readonly sold: number;
  readonly boughtBack: number;
  readonly fees: number;
}): number {
  return (
    within(PRICE, input.cash) + within(PRICE, input.sold) - within(PRICE, input.boughtBack) - within(FEE, input.fees)
  );
}

export interface OpenContract {
  readonly id: string;
  readonly bushels: number;
  readonly delivered: number;
  /** $/bu */
  readonly price: number;
}

export interface ContractCrossing {
  readonly onContract: number;
  readonly over: number;
  readonly left: number;
  /** $ with the rest at spot: each part rounded to the cent, as a settlement prints it. */
  readonly contractMoney: number;
  readonly overMoney: number;
  readonly money: number;
  /** $ if all of it counted on the contract, and what hangs on that. */
  readonly allOnContract: number;
  readonly atStake: number;
  readonly offers: readonly (
    | {
        readonly kind: 'other contract';
        readonly contract: string;
        readonly bushels: number;
        readonly restAtSpot: number;
        readonly money: number;
      }
    | { readonly kind: 'take less'; /** whole bushels that fill the contract */ readonly bushels: number }
    | { readonly kind: 'sell spot'; readonly bushels: number; readonly money: number }
  )[];
  /** What rules beside the figures. */
  readonly caution: 'buyersOverageRule';
}

/**
 * A load that crosses the end of a contract.
 * Range and source: {@link CONTRACT_PRICE}.
 * @param load bushels as the contract counts them @param others open contracts of the same crop and buyer that could take the rest
 * @example 10,000 bu at $10.62 with 9,483.50 done, a load of 949.60, spot $10.05: $5,485.23 + $4,352.66
 */
export function crossContract(
  load: number,
  contract: OpenContract,
  spot: number,
  others: readonly OpenContract[] = [],
): ContractCrossing {
  within(BUSHELS, load);
  within(PRICE, spot);
  within(PRICE, contract.price);
  const left = Math.max(0, within(BUSHELS, contract.bushels) - within(BUSHELS, contract.delivered));
  const onContract = Math.min(load, left);
  const over = load - onContract;
  const contractMoney = cents(onContract * contract.price);
  const overMoney = cents(over * spot);
  const allOnContract = cents(load * contract.price);
  const offers: ContractCrossing['offers'][number][] = [];
  if (over > 1e-9) {
    for (const other of others) {
      const room = Math.max(0, within(BUSHELS, other.bushels) - within(BUSHELS, other.delivered));
      if (room <= 0 || other.id === contract.id) continue;
      const bushels = Math.min(over, room);
      offers.push({
        kind: 'other contract',
        contract: other.id,
        bushels,
        restAtSpot: over - bushels,
        money: cents(contractMoney + cents(bushels * within(PRICE, other.price)) + cents((over - bushels) * spot)),
      });
    }
    if (left > 0) offers.push({ kind: 'take less', bushels: Math.ceil(left - 1e-9) });
    offers.push({ kind: 'sell spot', bushels: over, money: cents(contractMoney + overMoney) });
  }
  return {
    onContract,
    over,
    left: left - onContract,
    contractMoney,
    overMoney,
    money: cents(contractMoney + overMoney),
    allOnContract,
    atStake: cents(Math.abs(over * (contract.price - spot))),
    offers,
    caution: 'buyersOverageRule',
  };
}
