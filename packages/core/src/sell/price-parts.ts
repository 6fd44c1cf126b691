import { groupBy } from '../kernel/index.js';
import { type Contract, type LogEntry, living, type PriceFix } from '../records/index.js';
import { type ContractPrice, contractPrice, type ContractTerms } from './contracts.js';

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

/** Less is the rounding of a bushel, not an open rest. */
const CRUMB_BU = 0.005;

/**
 * What of a contract's price is fixed: as it was signed, and by what was fixed since, each part for so many of its bushels. A fix beyond its
 * bushels counts for what was still open. Common practice, no source.
 */
export function priceParts(contract: Contract, fixes: readonly PriceFix[]): PriceParts {
  const { kind, bushels, fee = 0 } = contract;
  const whole = (average: number | undefined): FixedPart | null =>
    average === undefined ? null : { bushels, average };
  const since = (part: PriceFix['part']): FixedPart => {
    let fixed = 0;
    let sum = 0;
    for (const one of [...fixes].sort((a, b) => Date.parse(a.at) - Date.parse(b.at) || a.id.localeCompare(b.id))) {
      if (one.part !== part) continue;
      const counts = Math.min(one.bushels, bushels - fixed);
      if (counts <= 0) break;
      fixed += counts;
      sum += counts * (one.price - (one.fee ?? 0));
    }
    return fixed === 0 ? { bushels: 0, average: null } : { bushels: fixed, average: sum / fixed };
  };
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
  market: { readonly futures?: number; readonly basis?: number } = {},
): ContractPrice {
  if (contract.kind === 'flat') return contractPrice(termsOfContract(contract), market);
  const { bushels } = contract;
  const now = ({ bushels: fixed, average }: FixedPart, open: number | undefined): number | null => {
    if (bushels - fixed <= CRUMB_BU) return average;
    if (open === undefined) return null;
    return ((average ?? 0) * fixed + open * (bushels - fixed)) / bushels;
  };
  const futures = now(parts.futures, market.futures);
  const basis = now(parts.basis, market.basis);
  const open =
    bushels - parts.futures.bushels > CRUMB_BU
      ? 'futures'
      : bushels - parts.basis.bushels > CRUMB_BU
        ? 'basis'
        : 'nothing';
  const today = futures === null || basis === null ? null : futures + basis;
  return { price: open === 'nothing' ? today : null, open, today };
}

/** A contract's price as it was signed, in the terms of the formulas. */
export function termsOfContract({ kind, price, futures, basis, fee }: Contract): ContractTerms {
  const some = <K extends string>(key: K, value: number | undefined): Partial<Record<K, number>> =>
    value === undefined ? {} : ({ [key]: value } as Record<K, number>);
  switch (kind) {
    case 'flat':
      return { kind, price: price ?? 0 };
    case 'basisFixed':
      return { kind, basis: basis ?? 0, ...some('futures', futures) };
    case 'futuresFixed':
      return { kind, futures: futures ?? 0, ...some('basis', basis), ...some('fee', fee) };
    case 'bothFixed':
      return { kind, futures: futures ?? 0, basis: basis ?? 0, ...some('fee', fee) };
  }
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
