import { type Crop, cropOf } from '../crops/index.js';
import { inOrder, requireFinite } from '../kernel/index.js';
import { baseMoistureOf, type FarmView } from '../ledger/index.js';
import type { Contract, Hedge, SellPlan } from '../records/index.js';
import { dryBushels } from '../units/index.js';
import type { ContractNow } from './contract-book.js';
import type { TicketAccount } from './settle.js';

/** New crop begins with the month in which its first loads are sold; common practice, no source: a southern harvest begins in August. */
const NEW_CROP_MONTH: Readonly<Record<string, number>> = { wheat: 5, barley: 5, oats: 5, rye: 5, canola: 5 };
const FALL_CROP_MONTH = 8;

/** The harvest that a contract is of: the one before its window closes. */
export function seasonOfContract({ crop, closes }: Pick<Contract, 'crop' | 'closes'>): number {
  const [year, month] = closes.split('-').map(Number) as [number, number];
  return month >= (NEW_CROP_MONTH[crop] ?? FALL_CROP_MONTH) ? year : year - 1;
}

/** What a position asks of a field: what is cut, and what still stands. */
export interface StandingField {
  readonly row: { readonly lot: { readonly id: string }; readonly cutDryKg: number };
  readonly crop: Crop;
  /** bu/ac; null where nobody expects anything yet */
  readonly expected: number | null;
  readonly acresLeft: number;
}

/** What a crop costs to be wrong about by ten cents. */
const TEN_CENTS = 0.1;

export interface CropPosition {
  readonly crop: string;
  /** All in bushels of the farm's own, at its base; expected is harvested and what still stands. */
  readonly expected: number;
  readonly insured: number | null;
  readonly harvested: number;
  readonly standing: number;
  readonly stored: number;
  /** In buyers' storage, not priced: delivered, and still the farm's. */
  readonly atBuyers: number;
  readonly delivered: number;
  /** Delivered, and on a buyer's sheet. */
  readonly paid: number;
  /** Signed for on contracts of this season. */
  readonly contracted: number;
  readonly onContractLeft: number;
  /** Both parts of the price fixed, delivered at the day's price among them. */
  readonly priced: number;
  /** Signed, and the local difference is open. */
  readonly basisOpen: number;
  /** Signed, and the futures are open. */
  readonly futuresOpen: number;
  /** Neither delivered nor signed for; negative where more is signed for than there is. */
  readonly unsold: number;
  /** $/bu over what is priced; null while nothing is. */
  readonly average: number | null;
  /** $/bu over all expected bushels with what is open at today's market, and ten cents either way; null without a market. */
  readonly today: { readonly average: number; readonly low: number; readonly high: number } | null;
  /** $ that ten cents more bring. */
  readonly tenCents: number;
  /** Futures sold on the hedge account less those bought, still open, and what they stand at; null without a market. */
  readonly hedged: number;
  readonly hedgeGain: number | null;
  readonly byKind: Readonly<Partial<Record<Contract['kind'], number>>>;
  /** Bushels left on contracts by the month in which their window closes, "2026-10". */
  readonly byMonth: readonly { readonly month: string; readonly bushels: number }[];
  readonly contracts: readonly ContractNow[];
}

export interface Market {
  readonly futures?: number;
  readonly basis?: number;
  /** $/bu that is paid today */
  readonly cash?: number;
}

/**
 * What is sold and not sold of a season, crop by crop, in the farm's own bushels.
 * @param facts of the season's fields @param accounts of its tickets @param market today's, by crop
 */
export function positionOf(input: {
  readonly farm: FarmView;
  readonly season: number;
  readonly facts: readonly StandingField[];
  readonly accounts: readonly TicketAccount[];
  readonly contracts: readonly ContractNow[];
  readonly plans: readonly SellPlan[];
  readonly hedges: readonly Hedge[];
  readonly market: Readonly<Record<string, Market>>;
}): CropPosition[] {
  const { farm, season, market } = input;
  requireFinite('season', season, '');
  const { defaults } = farm.data.farm;
  const ownPart = (lotId: string): number => farm.ownPart({ [lotId]: 1 });
  const crops = new Set<string>();
  const sums = new Map<string, { harvested: number; standing: number; stored: number; delivered: number; paid: number; spotPriced: number; spotValue: number }>(); // prettier-ignore
  const of = (crop: string) => {
    crops.add(crop);
    const sum = sums.get(crop) ?? { harvested: 0, standing: 0, stored: 0, delivered: 0, paid: 0, spotPriced: 0, spotValue: 0 }; // prettier-ignore
    sums.set(crop, sum);
    return sum;
  };
  for (const { row, crop, expected, acresLeft } of input.facts) {
    const part = ownPart(row.lot.id);
    const sum = of(crop.id);
    sum.harvested += part * dryBushels(row.cutDryKg, crop.legalPounds, baseMoistureOf(crop.id, defaults));
    sum.standing += part * acresLeft * (expected ?? 0);
  }
  for (const { id, kind } of farm.everyPlace) {
    if (kind === 'buyer') continue;
    for (const [lotId, dryKg] of Object.entries(farm.held(id).lots)) {
      const lot = farm.lot(lotId);
      const crop = cropOf(lot?.crop ?? '');
      if (!lot || !crop || lot.season !== season) continue;
      of(crop.id).stored += ownPart(lotId) * dryBushels(dryKg, crop.legalPounds, baseMoistureOf(crop.id, defaults));
    }
  }
  for (const { due, sheets } of input.accounts) {
    const { crop, bushels, ownPart: part = 1 } = due.sold;
    if (crop === undefined) continue;
    const sum = of(crop);
    sum.delivered += part * bushels;
    if (sheets.length > 0) sum.paid += part * bushels;
    for (const { contractId, bushels: much, price } of due.parts)
      if (contractId === null && price !== null) {
        sum.spotPriced += part * much;
        sum.spotValue += part * much * price;
      }
  }
  const contracts = input.contracts.filter(({ contract }) => seasonOfContract(contract) === season);
  for (const { contract } of contracts) crops.add(contract.crop);
  for (const plan of input.plans) if (plan.season === season) crops.add(plan.crop);
  return [...crops].map((crop): CropPosition => {
    const sum = of(crop);
    const own = contracts.filter(({ contract }) => contract.crop === crop);
    const plan = input.plans.find((one) => one.crop === crop && one.season === season);
    const expected = plan?.expected ?? sum.harvested + sum.standing;
    // A contract that is done counts for what came on it.
    // What lies in a buyer's storage is sold once it is priced.
    const signed = ({ contract, delivered, parts }: ContractNow): number =>
      contract.kind === 'storage'
        ? Math.min(parts.priced, delivered)
        : contract.done
          ? delivered
          : Math.max(contract.bushels, delivered);
    const left = (one: ContractNow): number => (one.contract.done || one.contract.kind === 'storage' ? 0 : one.left);
    const total = (figure: (one: ContractNow) => number): number => own.reduce((all, one) => all + figure(one), 0);
    const share = (one: ContractNow, bushels: number): number =>
      one.contract.kind === 'storage'
        ? Math.min(bushels, signed(one))
        : one.contract.bushels > 0
          ? Math.min(1, bushels / one.contract.bushels) * signed(one)
          : 0;
    const priced = total((one) => share(one, one.parts.priced));
    const futuresOpen = total((one) => signed(one) - share(one, one.parts.futures.bushels));
    const basisOpen = total((one) => signed(one) - share(one, one.parts.basis.bushels));
    const valueOfPriced = total((one) => {
      const { futures, basis, priced: both } = one.parts;
      return both > 0 && futures.average !== null && basis.average !== null
        ? share(one, both) * (futures.average + basis.average)
        : 0;
    });
    const pricedAll = priced + sum.spotPriced;
    const leftAll = total(left);
    const atBuyers = total((one) => (one.contract.kind === 'storage' ? one.delivered - signed(one) : 0));
    const unsold = expected - sum.delivered - leftAll + atBuyers;
    const now = market[crop] ?? {};
    const positions = input.hedges.filter((hedge) => hedge.crop === crop && hedge.what === 'futures' && hedge.closedOn === undefined); // prettier-ignore
    const hedged = positions.reduce((all, { side, bushels }) => all + (side === 'sold' ? bushels : -bushels), 0);
    const moves = futuresOpen + Math.max(0, unsold) - hedged;
    const open = total((one) => (one.price.price === null && one.price.today !== null ? (signed(one) - share(one, one.parts.priced)) : 0)); // prettier-ignore
    const openValue = total((one) => {
      const { price, parts } = one;
      if (price.price !== null || price.today === null) return 0;
      const both = share(one, parts.priced);
      const ofBoth = both > 0 ? both * ((parts.futures.average ?? 0) + (parts.basis.average ?? 0)) : 0;
      return price.today * signed(one) - ofBoth;
    });
    const cash = now.cash ?? null;
    const counted = pricedAll + open + (cash === null ? 0 : Math.max(0, unsold));
    const value = valueOfPriced + sum.spotValue + openValue + (cash === null ? 0 : Math.max(0, unsold) * cash);
    const today = cash === null || counted <= 0 ? null : value / counted;
    const months = new Map<string, number>();
    for (const one of own)
      if (left(one) > 0) {
        const month = one.contract.closes.slice(0, 7);
        months.set(month, (months.get(month) ?? 0) + left(one));
      }
    const byKind = new Map<Contract['kind'], number>();
    for (const one of own) byKind.set(one.contract.kind, (byKind.get(one.contract.kind) ?? 0) + signed(one));
    return {
      crop,
      expected,
      insured: plan?.insured ?? null,
      harvested: sum.harvested,
      standing: sum.standing,
      stored: sum.stored,
      atBuyers,
      delivered: sum.delivered,
      paid: sum.paid,
      contracted: total(signed),
      onContractLeft: leftAll,
      priced: pricedAll,
      basisOpen,
      futuresOpen,
      unsold,
      average: pricedAll > 0 ? (valueOfPriced + sum.spotValue) / pricedAll : null,
      today:
        today === null
          ? null
          : {
              average: today,
              low: today - (TEN_CENTS * moves) / counted,
              high: today + (TEN_CENTS * moves) / counted,
            },
      tenCents: TEN_CENTS * moves,
      hedged,
      hedgeGain:
        now.futures === undefined || positions.length === 0
          ? null
          : positions.reduce((all, { side, bushels, price, fee = 0 }) => all + bushels * ((side === 'sold' ? price - now.futures! : now.futures! - price) - fee), 0), // prettier-ignore
      byKind: Object.fromEntries(byKind),
      byMonth: [...months].sort(([a], [b]) => inOrder(a, b)).map(([month, bushels]) => ({ month, bushels })),
      contracts: own,
    };
  });
}
