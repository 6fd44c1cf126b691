import { type CropId, cropOf } from '../crops/index.js';
import { groupBy, inOrder, naturally } from '../kernel/index.js';
import { baseMoistureOf, type FarmView } from '../ledger/index.js';
import { type LogEntry, living, type Statement, STATEMENT_ACCOUNTS } from '../records/index.js';
import { cents, dryBushels, sumOfMoney } from '../units/index.js';
import type { SellBook } from './book-of.js';
import type { Posting } from './owner-money.js';

export type StatementLine = Statement['lines'][number];

/** What a line of a settlement or a statement is of, as it stands within a sentence. */
export const ACCOUNT_WORDS: Readonly<Record<StatementLine['account'], string>> = {
  sale: 'sale',
  correction: 'correction',
  discounts: 'discounts, drying and fees',
  'lease price': 'price by the lease',
  'lease docks': 'discounts by the lease',
  hauling: 'hauling',
  checkoff: 'checkoff',
  storage: 'storage',
  freight: 'freight',
  drying: 'drying',
  advance: 'advance',
  other: 'other',
};

const lineOf = ({ paidOn, check, buyerId, ticket, lot, crop, bushels, account, amount }: Posting): StatementLine => ({
  paidOn,
  check,
  buyerId,
  ...(ticket === null ? {} : { ticket }),
  ...(lot === null ? {} : { lot }),
  ...(crop === null ? {} : { crop: crop as CropId }),
  // As it is kept and printed: a millionth of a bushel is no grain.
  bushels: Math.round(bushels * 1e6) / 1e6,
  account,
  amount,
});

const moneyOf = (lines: readonly StatementLine[]): number => sumOfMoney(lines.map(({ amount }) => amount));

export interface OwnerStatement {
  readonly owner: string;
  readonly lines: readonly StatementLine[];
  /** $; what he was paid, or owes where it is negative. */
  readonly total: number;
  readonly byAccount: Readonly<Partial<Record<StatementLine['account'], number>>>;
  /** Bushels of his by crop, at the farm's base: paid, delivered and not paid, still stored. */
  readonly bushels: readonly {
    readonly crop: string;
    readonly paid: number;
    readonly delivered: number;
    readonly stored: number;
  }[];
}

/**
 * What an owner was paid in a period and for what, and what of his grain is where. Days of the farm's calendar, both included.
 * @param postings of all owners
 */
export function ownerStatement(
  farm: FarmView,
  book: SellBook,
  postings: readonly Posting[],
  owner: string,
  from: string,
  until: string,
): OwnerStatement {
  const lines = postings
    .filter((one) => one.owner === owner && one.paidOn >= from && one.paidOn <= until)
    .map(lineOf)
    .sort((a, b) => inOrder(a.paidOn, b.paidOn) || naturally(a.check, b.check) || Number(a.ticket === undefined) - Number(b.ticket === undefined) || naturally(a.ticket ?? '', b.ticket ?? '')); // prettier-ignore
  const byAccount = groupBy(lines, ({ account }) => account);
  const { defaults } = farm.data.farm;
  const partOf = (lot: string): number => farm.owners({ [lot]: 1 }).find((one) => one.owner === owner)?.kg ?? 0;
  const bushels = new Map<string, { paid: number; delivered: number; stored: number }>();
  const of = (crop: string) => {
    const sum = bushels.get(crop) ?? { paid: 0, delivered: 0, stored: 0 };
    bushels.set(crop, sum);
    return sum;
  };
  for (const { due, sheets } of book.accounts) {
    const { delivery, crop, bushels: all } = due.sold;
    if (crop === undefined) continue;
    const whole = Object.values(delivery.lots).reduce((sum, kg) => sum + kg, 0);
    const own = Object.entries(delivery.lots).reduce((sum, [lot, kg]) => sum + kg * partOf(lot), 0);
    if (whole <= 0 || own <= 0) continue;
    of(crop)[sheets.length > 0 ? 'paid' : 'delivered'] += (all * own) / whole;
  }
  for (const { id, kind } of farm.everyPlace) {
    if (kind === 'buyer') continue;
    for (const [lotId, dryKg] of Object.entries(farm.held(id).lots)) {
      const crop = cropOf(farm.lot(lotId)?.crop ?? '');
      const part = partOf(lotId);
      if (crop && part > 0)
        of(crop.id).stored += part * dryBushels(dryKg, crop.legalPounds, baseMoistureOf(crop.id, defaults));
    }
  }
  const order = (account: StatementLine['account']): number => STATEMENT_ACCOUNTS.indexOf(account);
  return {
    owner,
    lines,
    total: moneyOf(lines),
    byAccount: Object.fromEntries(
      [...byAccount].sort(([a], [b]) => order(a) - order(b)).map(([account, own]) => [account, moneyOf(own)]),
    ),
    bushels: [...bushels].map(([crop, sum]) => ({ crop, ...sum })),
  };
}

/** What a statement that was given would be today: lines that came and that went, and the money between; none of them: it stands. */
export function changedSince(
  given: Pick<Statement, 'lines'>,
  now: readonly StatementLine[],
): { readonly came: readonly StatementLine[]; readonly gone: readonly StatementLine[]; readonly money: number } {
  const key = (line: StatementLine): string =>
    JSON.stringify([line.paidOn, line.check, line.ticket ?? '', line.lot ?? '', line.account, Math.round(100 * line.amount), line.bushels.toFixed(3)]); // prettier-ignore
  const left = new Map<string, number>();
  for (const line of given.lines) left.set(key(line), (left.get(key(line)) ?? 0) + 1);
  const came = now.filter((line) => {
    const count = left.get(key(line)) ?? 0;
    if (count === 0) return true;
    left.set(key(line), count - 1);
    return false;
  });
  const gone = given.lines.filter((line) => {
    const count = left.get(key(line)) ?? 0;
    if (count === 0) return false;
    left.set(key(line), count - 1);
    return true;
  });
  return { came, gone, money: cents(moneyOf(came) - moneyOf(gone)) };
}

/** The number of the next statement: one more than any that was given, those that were taken back among them. */
export const nextNumber = (statements: readonly LogEntry<'statement'>[]): number =>
  statements.reduce((most, { body }) => Math.max(most, body.number), 0) + 1;

/** Statements that stand, newest first. */
export const statementsGiven = (statements: readonly LogEntry<'statement'>[]): readonly Statement[] =>
  living<'statement'>(statements)
    .map(({ body }) => body)
    .sort((a, b) => b.number - a.number);
