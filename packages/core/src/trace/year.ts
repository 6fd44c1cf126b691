import { cropOf } from '../crops/index.js';
import type { FieldRow } from '../fields/index.js';
import { requireFinite } from '../kernel/index.js';
import { baseMoistureOf, type FarmView, kgPerBushelOf } from '../ledger/index.js';
import type { TicketPaper } from '../records/index.js';
import type { Due, TicketAccount } from '../sell/index.js';
import { dryBushels, sumOfMoney } from '../units/index.js';

/** What a crop of a year came to, in bushels at the farm's base: of all owners, as it came off the fields. */
export interface YearCrop {
  readonly crop: string;
  readonly fields: number;
  readonly acres: number;
  readonly harvested: number;
  /** bu/ac over the fields that are cut */
  readonly perAcre: number | null;
  /** the year before, where the book knows it */
  readonly perAcreBefore: number | null;
  /** wet-basis fraction over all that was cut */
  readonly moisture: number | null;
  /** lb/bu over the tickets that say one, by weight; null where none does */
  readonly testWeight: number | null;
  readonly restated: number;
  readonly lost: number;
  readonly lostBy: Readonly<Record<string, number>>;
  /** kg of water that dryers took out */
  readonly waterKg: number;
  readonly stored: number;
  readonly delivered: number;
  /** $ that deliveries are owed; those with an open price count nothing */
  readonly due: number;
  readonly paid: number;
  /** $/bu over what is priced; null while nothing is */
  readonly average: number | null;
  /** What is harvested and what became of it close to the kilogram. */
  readonly balances: boolean;
}

/** A field's part of a year, in bushels at the farm's base. */
export interface YearField {
  readonly lotId: string;
  readonly fieldName: string;
  readonly crop: string;
  readonly acres: number;
  readonly harvested: number;
  readonly perAcre: number | null;
  readonly moisture: number | null;
  /** lb/bu of its part of the tickets that say one; null where none does */
  readonly testWeight: number | null;
  readonly restated: number;
  readonly lost: number;
  readonly stored: number;
  readonly delivered: number;
  readonly balances: boolean;
}

/** A field whose weights were set right most, bushels at the base. */
export interface YearDifference {
  readonly lotId: string;
  readonly fieldName: string;
  readonly crop: string;
  readonly restated: number;
  /** of what it was harvested with */
  readonly share: number;
}

/** How many of the largest differences are told. */
const TOLD = 20;

/** Pounds and volume of tickets that say a test weight: together they weigh what their space weighs. */
class TestWeight {
  private kg = 0;
  private volume = 0;

  add(kg: number, poundsPerBushel: number): void {
    this.kg += kg;
    this.volume += kg / poundsPerBushel;
  }

  get mean(): number | null {
    return this.volume > 0 ? this.kg / this.volume : null;
  }
}

/** By crop and by lot. @param papers what is printed on tickets, by their delivery */
function testWeights(
  accounts: readonly TicketAccount[],
  papers: ReadonlyMap<string, TicketPaper>,
): { readonly crops: Map<string, TestWeight>; readonly lots: Map<string, TestWeight> } {
  const [crops, lots] = [new Map<string, TestWeight>(), new Map<string, TestWeight>()];
  const into = (map: Map<string, TestWeight>, key: string, kg: number, pounds: number): void => {
    const sum = map.get(key) ?? new TestWeight();
    map.set(key, sum);
    sum.add(kg, pounds);
  };
  for (const { due } of accounts) {
    const pounds = papers.get(due.entryId)?.factors.testWeight;
    if (pounds === undefined || !(pounds > 0)) continue;
    const { delivery, crop = '' } = due.sold;
    into(crops, crop, delivery.netKg, pounds);
    for (const [lot, kg] of Object.entries(delivery.wetLots)) into(lots, lot, kg, pounds);
  }
  return { crops, lots };
}

/**
 * A year by crop and by field, with the year before beside it, and where weights were set right most.
 * @param rows fields of the year @param before those of the year before @param accounts tickets of the year @param papers what is printed on them
 */
export function yearOf(
  farm: FarmView,
  rows: readonly FieldRow[],
  before: readonly FieldRow[],
  accounts: readonly TicketAccount[],
  papers: ReadonlyMap<string, TicketPaper> = new Map(),
): {
  readonly crops: readonly YearCrop[];
  readonly fields: readonly YearField[];
  readonly differences: readonly YearDifference[];
} {
  const { defaults } = farm.data.farm;
  const bushels = (crop: string, dryKg: number): number => {
    requireFinite('dry matter', dryKg, 'kg');
    const legal = cropOf(crop)?.legalPounds;
    const weight = Math.abs(dryKg);
    const at =
      legal === undefined
        ? weight / kgPerBushelOf(undefined)
        : dryBushels(weight, legal, baseMoistureOf(crop, defaults));
    return dryKg < 0 ? -at : at;
  };
  const perAcre = (of: readonly FieldRow[], crop: string): number | null => {
    const cut = of.filter(({ lot, cutDryKg }) => lot.crop === crop && cutDryKg > 0);
    const acres = cut.reduce((sum, { lot }) => sum + lot.acres, 0);
    return acres > 0 ? cut.reduce((sum, { cutDryKg }) => sum + bushels(crop, cutDryKg), 0) / acres : null;
  };
  const pounds = testWeights(accounts, papers);
  const names = [...new Set(rows.map(({ lot }) => lot.crop))];
  const crops = names.map((crop): YearCrop => {
    const of = rows.filter(({ lot }) => lot.crop === crop);
    const sum = (kg: (row: FieldRow) => number): number =>
      bushels(
        crop,
        of.reduce((all, row) => all + kg(row), 0),
      );
    const lostBy: Record<string, number> = {};
    for (const { account } of of)
      for (const [reason, kg] of Object.entries(account.lostDryKg))
        lostBy[reason] = (lostBy[reason] ?? 0) + bushels(crop, kg);
    const wet = of.reduce((all, { cutWetKg }) => all + cutWetKg, 0);
    const dry = of.reduce((all, { cutDryKg }) => all + cutDryKg, 0);
    const own = accounts.filter(({ due }) => due.sold.crop === crop);
    const priced = own
      .map(({ due }) => due)
      .filter((due): due is Due & { readonly price: number } => due.price !== null);
    const pricedBu = priced.reduce((all, { ticket, sold }) => all + (ticket?.paidBushels ?? sold.bushels), 0);
    return {
      crop,
      fields: of.length,
      acres: of.reduce((all, { lot }) => all + lot.acres, 0),
      harvested: sum(({ balance }) => balance.harvested),
      perAcre: perAcre(rows, crop),
      perAcreBefore: perAcre(before, crop),
      moisture: wet > 0 ? 1 - dry / wet : null,
      testWeight: pounds.crops.get(crop)?.mean ?? null,
      restated: sum(({ account }) => account.restatedDryKg),
      lost: sum(({ balance }) => balance.lost),
      lostBy,
      waterKg: of.reduce((all, { account }) => all + account.waterRemovedKg, 0),
      stored: sum(({ balance }) => balance.inStock),
      delivered: sum(({ balance }) => balance.delivered),
      due: sumOfMoney(own.map(({ due }) => due.money ?? 0)),
      paid: sumOfMoney(own.map(({ paid }) => paid)),
      average: pricedBu > 0 ? priced.reduce((all, { ticket, sold, price }) => all + (ticket?.paidBushels ?? sold.bushels) * price, 0) / pricedBu : null, // prettier-ignore
      balances: of.every(({ balance }) => balance.balances),
    };
  });
  const differences = rows
    .map(({ lot, account }): YearDifference => ({
      lotId: lot.id,
      fieldName: lot.fieldName,
      crop: lot.crop,
      restated: bushels(lot.crop, account.restatedDryKg),
      share: account.harvestedDryKg > 0 ? account.restatedDryKg / account.harvestedDryKg : 0,
    }))
    .filter(({ restated }) => Math.abs(restated) >= 0.5)
    .sort((a, b) => Math.abs(b.restated) - Math.abs(a.restated))
    .slice(0, TOLD);
  const fields = rows
    .filter(({ cutDryKg }) => cutDryKg > 0)
    .map(({ lot, account, balance, cutWetKg, cutDryKg }): YearField => {
      const of = (kg: number): number => bushels(lot.crop, kg);
      return {
        lotId: lot.id,
        fieldName: lot.fieldName,
        crop: lot.crop,
        acres: lot.acres,
        harvested: of(balance.harvested),
        perAcre: lot.acres > 0 ? of(cutDryKg) / lot.acres : null,
        moisture: cutWetKg > 0 ? 1 - cutDryKg / cutWetKg : null,
        testWeight: pounds.lots.get(lot.id)?.mean ?? null,
        restated: of(account.restatedDryKg),
        lost: of(balance.lost),
        stored: of(balance.inStock),
        delivered: of(balance.delivered),
        balances: balance.balances,
      };
    });
  return { crops: crops.sort((a, b) => b.harvested - a.harvested), fields, differences };
}
