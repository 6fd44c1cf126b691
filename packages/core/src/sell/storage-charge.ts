import { type Formula, quantity, requireFinite, within } from '../kernel/index.js';
import type { PriceFix } from '../records/index.js';
import type { ContractNow } from './contract-book.js';

const RATE = quantity('charge for a bushel and month', 0, 5, '$/bu');

export const STORAGE_CHARGE: Formula = {
  id: 'storage-charge',
  title: 'What a buyer takes for storage or a delayed price',
  equation: 'charge = bushels x rate a month x days / 30, from the free date or the dump until they are priced',
  standing: 'common practice',
  source: 'no printed source',
  inputs: [RATE],
  note: 'By the day, the oldest bushels priced first. Buyers who charge for each started month take more: their sheet rules.',
};

export interface StorageCharge {
  /** $ until now */
  readonly soFar: number;
  /** $ for each further day */
  readonly aDay: number;
  /** Bushels that came and are not priced. */
  readonly open: number;
}

const DAY = 86_400_000;
const DAYS_A_MONTH = 30;

/**
 * Range and source: {@link STORAGE_CHARGE}.
 * @param one a contract whose price comes later @param fixes of it @param nowMs ms since 1970
 * @example 1,000 bu since 60 days at 5 cents a month: $100, and $1.67 a day
 */
export function storageCharge(
  one: Pick<ContractNow, 'contract' | 'loads'>,
  fixes: readonly Pick<PriceFix, 'at' | 'bushels' | 'part'>[],
  nowMs: number,
): StorageCharge {
  requireFinite('time', nowMs, 'ms');
  const { chargePerMonth = 0, freeUntil } = one.contract;
  const rate = within(RATE, chargePerMonth) / DAYS_A_MONTH;
  const freeMs = freeUntil === undefined ? -Infinity : Date.parse(`${freeUntil}T00:00:00Z`) + DAY;
  const came = [...one.loads].sort((a, b) => a.atMs - b.atMs).map(({ atMs, bushels }) => ({ atMs, left: bushels }));
  let soFar = 0;
  const taken = (fromMs: number, untilMs: number, bushels: number): void => {
    soFar += (rate * bushels * Math.max(0, untilMs - Math.max(fromMs, freeMs))) / DAY;
  };
  const priced = fixes
    .filter(({ part }) => part === 'cash')
    .map(({ at, bushels }) => ({ atMs: Date.parse(at), bushels }))
    .filter(({ atMs }) => atMs <= nowMs)
    .sort((a, b) => a.atMs - b.atMs);
  for (const { atMs, bushels } of priced) {
    let left = bushels;
    for (const load of came) {
      const part = Math.min(left, load.left);
      if (part <= 0) continue;
      taken(load.atMs, atMs, part);
      load.left -= part;
      left -= part;
    }
  }
  let open = 0;
  for (const { atMs, left } of came) {
    if (atMs > nowMs) continue;
    taken(atMs, nowMs, left);
    open += left;
  }
  return { soFar, aDay: nowMs >= freeMs ? rate * open : 0, open };
}
