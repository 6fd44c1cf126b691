import { naturally, splitWhole } from '../kernel/index.js';
import { type FarmView, NOBODY_KNOWS } from '../ledger/index.js';
import type { DEDUCTIONS, OwnerTerms } from '../records/index.js';
import { cents } from '../units/index.js';
import type { Due } from './dues.js';
import { plainTicket, type SheetCheck } from './settle.js';

/** One line of the bookkeeper's: an owner's part of a ticket, of what is taken off it, or of what a lease moves between owners. */
export interface Posting {
  readonly settlementId: string;
  readonly paidOn: string;
  readonly check: string;
  readonly buyerId: string;
  /** null: of the sheet as a whole */
  readonly ticket: string | null;
  readonly owner: string;
  readonly own: boolean;
  readonly lot: string | null;
  readonly crop: string | null;
  readonly bushels: number;
  readonly account:
    'sale' | 'correction' | 'discounts' | 'lease price' | 'lease docks' | 'hauling' | (typeof DEDUCTIONS)[number];
  /** $; what the owner gets, negative where it is taken from him. */
  readonly amount: number;
}

/** $ split by weights to the cent, without loss, whatever its sign. */
export function splitMoney(amount: number, weights: readonly number[]): number[] {
  const whole = Math.round(Math.abs(amount) * 100);
  if (weights.length === 0) return [];
  const sum = weights.reduce((all, weight) => all + weight, 0);
  const sign = amount < 0 ? -1 : 1;
  return splitWhole(whole, sum > 0 ? weights : weights.map(() => 1)).map((part) =>
    part === 0 ? 0 : (sign * part) / 100,
  );
}

interface Part {
  readonly owner: string;
  readonly own: boolean;
  readonly lot: string | null;
  readonly weight: number;
}

/** Whose a delivery is, field by field. */
function partsOf(farm: FarmView, due: Due | null): Part[] {
  const { name } = farm.data.farm;
  if (due === null) return [{ owner: NOBODY_KNOWS, own: false, lot: null, weight: 1 }];
  return Object.entries(due.sold.delivery.lots).flatMap(([lot, kg]): Part[] => {
    const known = farm.lot(lot);
    if (known === undefined) return [{ owner: NOBODY_KNOWS, own: false, lot: null, weight: kg }];
    const shares = known.shares.length > 0 ? known.shares : [{ owner: name, part: 1 }];
    const whole = shares.reduce((sum, { part }) => sum + part, 0);
    return shares.map(({ owner, part }) => ({ owner, own: owner === name, lot, weight: (kg * part) / whole }));
  });
}

/** $/bu that all priced bushels of a crop brought, before what is taken off; null without any. */
export function pooledPrice(dues: readonly Due[], crop: string): number | null {
  const of = dues.filter(({ sold, ticket }) => sold.crop === crop && ticket !== null);
  const bushels = of.reduce((sum, { ticket }) => sum + ticket!.paidBushels, 0);
  return bushels > 0 ? of.reduce((sum, { ticket }) => sum + ticket!.value, 0) / bushels : null;
}

/**
 * A paid sheet by owner and field, as postings that sum to the check to the cent. Each line is split by the shares of the fields in the
 * load; what the buyer takes off the whole sheet goes by what each was paid; what a lease moves (another price, who bears discounts,
 * hauling) is given to one and taken from the other. Common practice, no source: the lease rules.
 * @param terms of the owners, by name @param pooled $/bu of a crop over the season
 */
export function postingsOf(
  farm: FarmView,
  { settlement, dues }: SheetCheck,
  terms: ReadonlyMap<string, OwnerTerms>,
  pooled: (crop: string) => number | null,
): Posting[] {
  const farmName = farm.data.farm.name;
  const base = { settlementId: settlement.id, paidOn: settlement.paidOn, check: settlement.number, buyerId: settlement.buyerId }; // prettier-ignore
  const postings: Posting[] = [];
  const paidTo: { owner: string; own: boolean; money: number }[] = [];
  for (const line of settlement.lines) {
    const due = dues.get(plainTicket(line.ticket)) ?? null;
    const parts = partsOf(farm, due);
    const weights = parts.map(({ weight }) => weight);
    const all = weights.reduce((sum, weight) => sum + weight, 0);
    const taken = line.taken ?? 0;
    const nets = splitMoney(line.money, weights);
    const docks = taken === 0 ? weights.map(() => 0) : splitMoney(-taken, weights);
    const crop = due?.sold.crop ?? null;
    parts.forEach(({ owner, own, lot, weight }, i) => {
      const post = (to: string, whetherOwn: boolean, much: number, account: Posting['account'], amount: number): void =>
        void postings.push({ settlementId: settlement.id, paidOn: settlement.paidOn, check: settlement.number, buyerId: settlement.buyerId, ticket: line.ticket, owner: to, own: whetherOwn, lot, crop, bushels: much, account, amount }); // prettier-ignore
      const bushels = all > 0 ? (line.bushels * weight) / all : line.bushels;
      // The sale is what is left when the discounts are added back, so that both sum to what was paid.
      const sale = cents(nets[i]! - docks[i]!);
      const account = line.kind === 'correction' ? 'correction' : 'sale';
      post(owner, own, bushels, account, sale);
      if (docks[i] !== 0) post(owner, own, 0, 'discounts', docks[i]!);
      paidTo.push({ owner, own, money: Math.abs(nets[i]!) });
      const lease = own ? undefined : terms.get(owner);
      if (lease === undefined || lease.kind !== 'share' || line.kind === 'correction') return;
      const move = (what: 'lease price' | 'lease docks' | 'hauling', amount: number): void => {
        const moved = cents(amount);
        if (moved === 0) return;
        post(owner, own, 0, what, moved);
        post(farmName, true, 0, what, -moved);
      };
      const price =
        lease.price === 'ticket'
          ? (due?.sold.delivery.pricePerBu ?? null)
          : lease.price === 'pooled' && due?.sold.crop !== undefined
            ? pooled(due.sold.crop)
            : null;
      if (price !== null) move('lease price', bushels * price - sale);
      if (lease.docksBorneBy === 'farm') move('lease docks', -docks[i]!);
      if (lease.haulingPerBu !== undefined) move('hauling', -lease.haulingPerBu * bushels);
    });
  }
  // What is taken off the sheet as a whole, by what each owner was paid on it.
  const owners = new Map<string, { own: boolean; money: number }>();
  for (const { owner, own, money } of paidTo)
    owners.set(owner, { own, money: (owners.get(owner)?.money ?? 0) + money });
  const list = [...owners];
  for (const { kind, amount } of settlement.deductions)
    splitMoney(
      -amount,
      list.map(([, { money }]) => money),
    ).forEach((part, i) => {
      const [owner, { own }] = list[i]!;
      if (part !== 0)
        postings.push({ ...base, ticket: null, owner, own, lot: null, crop: null, bushels: 0, account: kind, amount: part }); // prettier-ignore
    });
  return postings;
}

export interface OwnerSum {
  readonly owner: string;
  readonly own: boolean;
  readonly bushels: number;
  readonly money: number;
  readonly byAccount: Readonly<Partial<Record<Posting['account'], number>>>;
}

/** Postings summed by owner, the farm first. */
export function sumByOwner(postings: readonly Posting[]): OwnerSum[] {
  const sums = new Map<string, { owner: string; own: boolean; bushels: number; cents: number; by: Map<Posting['account'], number> }>(); // prettier-ignore
  for (const { owner, own, bushels, account, amount } of postings) {
    const sum = sums.get(owner) ?? { owner, own, bushels: 0, cents: 0, by: new Map() };
    const whole = Math.round(amount * 100);
    sum.bushels += bushels;
    sum.cents += whole;
    sum.by.set(account, (sum.by.get(account) ?? 0) + whole);
    sums.set(owner, sum);
  }
  return [...sums.values()]
    .map(({ owner, own, bushels, cents: whole, by }) => ({
      owner,
      own,
      bushels,
      money: whole / 100,
      byAccount: Object.fromEntries([...by].map(([account, part]) => [account, part / 100])),
    }))
    .sort((a, b) => Number(b.own) - Number(a.own) || naturally(a.owner, b.owner));
}
