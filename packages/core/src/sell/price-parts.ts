import { groupBy, inOrder } from '../kernel/index.js';
import { type Contract, type LogEntry, living, type PriceFix } from '../records/index.js';
import { type ContractPrice, contractPrice } from './contracts.js';

/** How much of a contract's futures or local difference is fixed, and at what. */
export interface FixedPart {
  readonly bushels: number;
  /** $/bu over those bushels, fees taken off; null while none is. */
  readonly average: number | null;
}

export interface PriceParts {
  readonly futures: FixedPart;
  readonly basis: FixedPart;
  /** Bushels of which both are fixed. */
  readonly priced: number;
}

/** Nothing of its price is fixed when it is signed: it is the cash price of a day that comes later. */
export const pricedLater = ({ kind }: Pick<Contract, 'kind'>): boolean => kind === 'delayed' || kind === 'storage';

/** Less is the rounding of a bushel, not an open rest. */
const CRUMB_BU = 0.005;

/**
 * What of a contract's price is fixed: as it was signed, and by what was fixed since, each part for so many of its bushels. A fix beyond its
 * bushels counts for what was still open. Common practice, no source.
 */
export function priceParts(contract: Contract, fixes: readonly PriceFix[]): PriceParts {
  const { kind, bushels, fee = 0 } = contract;
  if (pricedLater(contract)) {
    const cash = since('cash');
    return { futures: cash, basis: { ...cash, average: cash.average === null ? null : 0 }, priced: cash.bushels };
  }
  const whole = (average: number | undefined): FixedPart | null =>
    average === undefined ? null : { bushels, average };
  function since(part: PriceFix['part']): FixedPart {
    let fixed = 0;
    let sum = 0;
    for (const one of [...fixes].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || inOrder(a.id, b.id))) {
      if (one.part !== part) continue;
      const counts = Math.min(one.bushels, bushels - fixed);
      if (counts <= 0) break;
      fixed += counts;
      sum += counts * (one.price - (one.fee ?? 0));
    }
    return fixed === 0 ? { bushels: 0, average: null } : { bushels: fixed, average: sum / fixed };
  }
  if (kind === 'flat') return { futures: whole(contract.price)!, basis: { bushels, average: 0 }, priced: bushels };
  const futures = whole(contract.futures) ?? since('futures');
  const basis = whole(contract.basis) ?? since('basis');
  // A fee that stands in the contract is of all of it.
  const less = (one: FixedPart): FixedPart => ({ ...one, average: one.average === null ? null : one.average - fee });
  return { futures: less(futures), basis, priced: Math.min(futures.bushels, basis.bushels) };
}

/**
 * A contract's price with its parts as they are fixed: what is open counts at today's market.
 * @param market today's futures and local difference, $/bu
 */
export function priceOfParts(
  contract: Contract,
  parts: PriceParts,
  market: { readonly futures?: number; readonly basis?: number; readonly cash?: number } = {},
): ContractPrice {
  if (contract.kind === 'flat') return contractPrice({ kind: 'flat', price: contract.price ?? 0 }, market);
  const { bushels } = contract;
  const now = ({ bushels: fixed, average }: FixedPart, open: number | undefined): number | null => {
    if (bushels - fixed <= CRUMB_BU) return average;
    if (open === undefined) return null;
    return ((average ?? 0) * fixed + open * (bushels - fixed)) / bushels;
  };
  const later = pricedLater(contract);
  const futures = now(parts.futures, later ? market.cash : market.futures);
  const basis = now(parts.basis, later ? 0 : market.basis);
  const open =
    bushels - parts.futures.bushels > CRUMB_BU
      ? 'futures'
      : bushels - parts.basis.bushels > CRUMB_BU
        ? 'basis'
        : 'nothing';
  const today = futures === null || basis === null ? null : futures + basis;
  return { price: open === 'nothing' ? today : null, open, today };
}

/** What was fixed of each contract since it was signed. */
export function fixesByContract(
  fixes: readonly LogEntry<'priceFix'>[] | undefined,
): ReadonlyMap<string, readonly PriceFix[]> {
  return groupBy(
    living<'priceFix'>(fixes ?? []).map(({ body }) => body),
    ({ contractId }) => contractId,
  );
}
