import { type Contract, contractOn, type LogEntry, living } from '../records/index.js';
import { groupBy, inOrder, naturally, requireFinite } from '../kernel/index.js';
import { type ContractCrossing, type ContractPrice, crossContract } from './contracts.js';
import { fixesByContract, type PriceParts, priceOfParts, priceParts } from './price-parts.js';
import type { OwnerPart, SoldDelivery } from './view.js';

/** Part of a delivery that counts on a contract. */
export interface OnContract {
  readonly entryId: string;
  readonly atMs: number;
  readonly bushels: number;
  /** Somebody said so; else it came in order. */
  readonly said: boolean;
}

export type ContractState =
  | 'filled'
  /** More was delivered than it was for. */
  | 'over'
  /** Its window is over, and it is not filled. */
  | 'late'
  /** Its window ends within two weeks, and it is not filled. */
  | 'soon'
  | 'open'
  /** Its window has not begun. */
  | 'ahead'
  | 'done';

export interface ContractNow {
  readonly id: string;
  readonly contract: Contract;
  readonly loads: readonly OnContract[];
  readonly delivered: number;
  readonly left: number;
  readonly price: ContractPrice;
  /** What of its price is fixed, and for how many bushels. */
  readonly parts: PriceParts;
  readonly state: ContractState;
  /** Days until its window ends; negative where it has. */
  readonly daysLeft: number;
}

const DAY = 86_400_000;
/** So many days before its window ends it is said; common practice, no source. */
const SOON_DAYS = 14;
const FILLED_BU = 0.5;
/** Bushels beyond a contract's end that the load which fills it still brings at its price: its tolerance, or all of them. */
const beyond = ({ overage, tolerance = 0 }: Contract): number => (overage === 'contract' ? Infinity : tolerance);
/** The first moment of a day of the calendar, and the one after its last; the zone is a matter of hours, not of contracts. */
const dayMs = (day: string): number => Date.parse(`${day}T00:00:00Z`);

/**
 * Contracts with what is delivered on them. What somebody said counts first; other deliveries of the crop to the buyer fill contracts in
 * the order in which their windows end, from the day on which they open. A load that crosses a contract's end goes on as was signed: at its
 * price within the tolerance, at the day's, or on the next one. What is beyond all of them is spot. A contract that only the
 * farm's own part counts on leaves the landlord's share of a load to the others and to the day's price. Common practice, no source.
 * @param sold deliveries with the bushels that are paid, or at the base where no sheet says @param market today's futures and basis by crop
 */
export function contractBook(
  contracts: Readonly<Record<string, { readonly value: Contract }>>,
  loads: readonly LogEntry<'contractLoad'>[],
  sold: readonly SoldDelivery[],
  nowMs: number,
  market: Readonly<Record<string, { readonly futures?: number; readonly basis?: number; readonly cash?: number }>> = {},
  fixes: readonly LogEntry<'priceFix'>[] = [],
): {
  readonly contracts: readonly ContractNow[];
  readonly spot: readonly { readonly entryId: string; readonly bushels: number }[];
} {
  requireFinite('time', nowMs, 'ms');
  const said = groupBy(
    living<'contractLoad'>(loads).map(({ body }) => body),
    ({ entryId }) => entryId,
  );
  const today = new Date(nowMs).toISOString().slice(0, 10);
  const all = Object.entries(contracts)
    .map(([id, { value }]) => ({ id, contract: contractOn(value, today), loads: [] as OnContract[], delivered: 0 }))
    .sort((a, b) => inOrder(a.contract.closes, b.contract.closes) || naturally(a.contract.number, b.contract.number) || inOrder(a.id, b.id)); // prettier-ignore
  const byId = new Map(all.map((one) => [one.id, one]));
  const put = (
    one: (typeof all)[number],
    entryId: string,
    atMs: number,
    bushels: number,
    bySomebody: boolean,
  ): void => {
    one.loads.push({ entryId, atMs, bushels, said: bySomebody });
    one.delivered += bushels;
  };
  const ordered = sold
    .map((one) => ({ one, atMs: Date.parse(one.delivery.entry.at) }))
    .sort((a, b) => a.atMs - b.atMs || inOrder(a.one.delivery.entry.id, b.one.delivery.entry.id));
  // What somebody said is first on all of them: the order of tickets must not take its room away.
  const rest = ordered.map(({ one: { delivery, crop, bushels, paid, ownPart, owners }, atMs }) => {
    const whole = paid ?? bushels;
    let left = whole;
    for (const { contractId, bushels: much } of said.get(delivery.entry.id) ?? []) {
      const one = byId.get(contractId);
      const part = Math.min(left, much);
      if (one === undefined || part <= 0) continue;
      put(one, delivery.entry.id, atMs, part, true);
      left -= part;
    }
    return { entryId: delivery.entry.id, to: delivery.to, crop, atMs, left, owners: partsOf({ ownPart, owners }) };
  });
  // By buyer and crop, as ten seasons of contracts stand in the book and a ticket is for a few of them.
  const kindOf = (buyerId: string, crop: string | undefined): string => JSON.stringify([buyerId, crop]);
  const taking = groupBy(
    all.flatMap((one) => (one.contract.done ? [] : [{ one, fromMs: dayMs(one.contract.opens) - DAY }])),
    ({ one: { contract } }) => kindOf(contract.buyerId, contract.crop),
  );
  const spot: { entryId: string; bushels: number }[] = [];
  for (const { entryId, to, crop, atMs, left: whole, owners } of rest) {
    let left = whole;
    const leftOf = owners.map(({ part }) => whole * part);
    const asked = taking.get(kindOf(to, crop)) ?? [];
    // One that is full takes no more of the season's loads: it is not asked again.
    while (asked.length > 0 && asked[0]!.one.contract.bushels - asked[0]!.one.delivered <= 1e-9) asked.shift();
    for (const { one, fromMs } of asked) {
      if (left <= 0) break;
      if (atMs < fromMs) continue;
      const open = one.contract.bushels - one.delivered;
      if (open <= 1e-9) continue;
      const theirs = owners.map((owner) => countsOn(one.contract, owner));
      const much = leftOf.reduce((sum, bu, i) => (theirs[i] ? sum + bu : sum), 0);
      const part = Math.min(much, open + beyond(one.contract));
      if (part <= 1e-9) continue;
      put(one, entryId, atMs, part, false);
      // From each of its owners as much as is his.
      for (const [i, bu] of leftOf.entries()) if (theirs[i]) leftOf[i] = bu * (1 - part / much);
      left -= part;
      // What is beyond its end goes as it was signed: only where the next contract is to take it does it look further.
      if (part < much - 1e-9 && one.contract.overage !== 'next')
        for (const i of leftOf.keys()) if (theirs[i]) leftOf[i] = 0;
    }
    if (left > 1e-6) spot.push({ entryId, bushels: left });
  }
  const fixed = fixesByContract(fixes);
  return {
    contracts: all.map(({ id, contract, loads: on, delivered }): ContractNow => {
      const parts = priceParts(contract, fixed.get(id) ?? []);
      const left = Math.max(0, contract.bushels - delivered);
      const daysLeft = Math.ceil((dayMs(contract.closes) + DAY - nowMs) / DAY) - 1;
      const state: ContractState =
        delivered > contract.bushels + beyond(contract) + FILLED_BU
          ? 'over'
          : left < FILLED_BU
            ? 'filled'
            : contract.done
              ? 'done'
              : // Nobody must bring anything into storage.
                contract.kind === 'storage'
                ? nowMs < dayMs(contract.opens) - DAY
                  ? 'ahead'
                  : 'open'
                : daysLeft < 0
                  ? 'late'
                  : nowMs < dayMs(contract.opens) - DAY
                    ? 'ahead'
                    : daysLeft <= SOON_DAYS
                      ? 'soon'
                      : 'open';
      return { id, contract, loads: on, delivered, left, price: priceOfParts(contract, parts, market[contract.crop] ?? {}), parts, state, daysLeft }; // prettier-ignore
    }),
    spot,
  };
}

/** A load before it leaves: what it is, in bushels at the base. */
export interface LoadAhead {
  readonly crop: string;
  readonly bushels: number;
  /** The farm's own part of it; left out: all of it. */
  readonly ownPart?: number;
  /** Whose it is, by name; left out: the farm's own part, and others nobody named. */
  readonly owners?: readonly OwnerPart[];
}

const ALL_OWN: readonly OwnerPart[] = [{ owner: '', part: 1, own: true }];
/** Whose a load is, in parts that sum to one. */
function partsOf({ ownPart = 1, owners }: Pick<Partial<LoadAhead>, 'ownPart' | 'owners'>): readonly OwnerPart[] {
  if (owners !== undefined && owners.length > 0) return owners;
  return ownPart === 1
    ? ALL_OWN
    : [...ALL_OWN.map((one) => ({ ...one, part: ownPart })), { owner: '', part: 1 - ownPart, own: false }];
}
/** Whether a contract counts an owner's grain. */
const countsOn = ({ counts = 'all', owners = [] }: Contract, { owner, own }: OwnerPart): boolean =>
  counts === 'all' || (counts === 'own' ? own : owners.includes(owner));
/** How much of a load a contract counts, 0 to 1. */
export const partOn = (contract: Contract, load: Pick<Partial<LoadAhead>, 'ownPart' | 'owners'>): number =>
  contract.counts === undefined || contract.counts === 'all'
    ? 1
    : partsOf(load).reduce((sum, owner) => (countsOn(contract, owner) ? sum + owner.part : sum), 0);

/** Why a contract does not take a load. */
export type NotOnContract = 'otherBuyer' | 'otherCrop' | 'othersGrain' | 'notOpen' | 'done' | 'full';

/** Whether a contract takes a load: its buyer, crop, owners and window; null where it does. */
export function notOnContract(
  { contract, left, state }: Pick<ContractNow, 'contract' | 'left' | 'state'>,
  load: Pick<Partial<LoadAhead>, 'ownPart' | 'owners'> & {
    readonly crop: string | undefined;
    readonly buyerId: string;
  },
): NotOnContract | null {
  if (contract.buyerId !== load.buyerId) return 'otherBuyer';
  if (contract.crop !== load.crop) return 'otherCrop';
  if (partOn(contract, load) <= 0) return 'othersGrain';
  if (contract.done) return 'done';
  if (state === 'ahead') return 'notOpen';
  return left < FILLED_BU ? 'full' : null;
}

export interface NextLoad {
  readonly buyerId: string;
  /** The contract that it would count on first; null: spot. */
  readonly contract: ContractNow | null;
  /** Where it crosses the end of that contract. */
  readonly crossing: ContractCrossing | null;
  /** Bushels of other owners, which its contract does not take: they go at the day's price. */
  readonly others: number;
  /** $ for the load before discounts, the rest by what was signed; null where nobody knows a price. */
  readonly money: number | null;
}

/**
 * Where a load would count if it left now, one line a buyer: on the contract whose window ends first, the rest by what is offered.
 * @param spotOf $/bu of a buyer for the crop today; null where nobody knows
 */
export function nextLoad(
  load: LoadAhead,
  buyers: readonly string[],
  book: readonly ContractNow[],
  spotOf: (buyerId: string) => number | null,
): NextLoad[] {
  return buyers
    .map((buyerId): NextLoad => {
      const open = book.filter((one) => notOnContract(one, { ...load, buyerId }) === null);
      const spot = spotOf(buyerId);
      const [first] = open;
      const price = first?.price.today ?? null;
      if (first === undefined || price === null)
        return {
          buyerId,
          contract: first ?? null,
          crossing: null,
          others: 0,
          money: spot === null ? null : load.bushels * spot,
        };
      const mine = load.bushels * partOn(first.contract, load);
      const beside = load.bushels - mine;
      if (beside > 1e-9 && spot === null)
        return { buyerId, contract: first, crossing: null, others: beside, money: null };
      const ofOthers = beside * (spot ?? 0);
      const { tolerance = 0, overage } = first.contract;
      const room = first.left + tolerance;
      const crosses = mine > room + 1e-9;
      if (!crosses) return { buyerId, contract: first, crossing: null, others: beside, money: mine * price + ofOthers };
      if (spot === null) return { buyerId, contract: first, crossing: null, others: beside, money: null };
      const others = open
        .slice(1)
        .flatMap(({ id, contract, delivered, price: own }) =>
          own.today === null ? [] : [{ id, bushels: contract.bushels, delivered, price: own.today }],
        );
      const crossing = crossContract(
        mine,
        { id: first.id, bushels: first.contract.bushels + tolerance, delivered: first.delivered, price },
        spot,
        others,
      );
      const next = crossing.offers.find(({ kind }) => kind === 'other contract');
      const money =
        overage === 'contract'
          ? crossing.allOnContract
          : overage === 'refused'
            ? crossing.contractMoney
            : overage === 'next' && next?.kind === 'other contract'
              ? next.money
              : crossing.money;
      return { buyerId, contract: first, crossing, others: beside, money: money + ofOthers };
    })
    .sort((a, b) => (b.money ?? -1) - (a.money ?? -1));
}
