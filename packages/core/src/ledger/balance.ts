import type { Account } from './ledger.js';

/** The identity of a lot: harvested + restated - lost = in stock + delivered, dry kg. */
export interface Balance {
  readonly harvested: number;
  readonly restated: number;
  readonly lost: number;
  readonly inStock: number;
  readonly delivered: number;
  /** What is left over; zero but for rounding. */
  readonly gap: number;
  /** |gap| is at most 1e-9 of what was ever in the account. */
  readonly balances: boolean;
}

/** Adds the accounts up and holds them against the identity. */
export function balanceOf(accounts: Iterable<Account>): Balance {
  let harvested = 0;
  let restated = 0;
  let lost = 0;
  let inStock = 0;
  let delivered = 0;
  let size = 0;
  for (const account of accounts) {
    harvested += account.harvestedDryKg;
    restated += account.restatedDryKg;
    for (const kg of Object.values(account.lostDryKg)) lost += kg;
    inStock += account.inStockDryKg;
    delivered += account.deliveredDryKg;
    size += account.harvestedDryKg + Math.abs(account.restatedDryKg);
  }
  const gap = harvested + restated - lost - inStock - delivered;
  return { harvested, restated, lost, inStock, delivered, gap, balances: Math.abs(gap) <= 1e-9 * Math.max(size, 1) };
}
