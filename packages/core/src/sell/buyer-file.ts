import { groupBy, matchHeads } from '../kernel/index.js';
import { FILE_COLUMNS, type FileColumn, type LogEntry, living, type Settlement } from '../records/index.js';
import { cents } from '../units/index.js';
import { plainTicket } from './settle.js';

/** What buyers and banks call their columns; common practice, no source. */
const HEADS: Readonly<Record<FileColumn, readonly RegExp[]>> = {
  ticket: [/^(scale )?ticket( ?(no|number|#|id))?\.?$/, /ticket/],
  check: [/^check( ?(no|number|#))?\.?$/, /^settlement( ?(no|number|#))?\.?$/, /check|cheque|settle/],
  paidOn: [/^(check|paid|payment|settlement) ?(on|date)$/, /^date( paid)?$/, /date/],
  contract: [/^contract( ?(no|number|#))?\.?$/, /contract/],
  bushels: [/^(net|paid) (bu|bushels|units)$/, /^bushels$/, /\bbu\b|bushels|units/],
  price: [/^price( ?\/ ?bu)?$/, /^(unit|cash|gross) price$/, /price/],
  taken: [/^(total )?(discounts?|deductions?)( amount)?$/, /discount|deduct/],
  money: [/^net (amount|\$|value|proceeds|pay)$/, /^amount$/, /net.*(amount|value|\$)|amount|proceeds/],
};
const WANTED: readonly FileColumn[] = ['ticket', 'bushels', 'money'];

const plainHead = (head: string): string => head.trim().toLowerCase().replace(/[_-]+/g, ' ').replace(/\s+/g, ' ');

/** Which column of a buyer's file is which, by what its head says; what was matched before comes first. */
export const matchColumns = (
  heads: readonly string[],
  before?: Readonly<Partial<Record<FileColumn, string>>>,
): Partial<Record<FileColumn, string>> => matchHeads(heads, HEADS, before, plainHead);

/** A figure as files write it: "$1,234.50", "(12.50)" for less than nothing; null where it is none. */
export function fileFigure(text: string): number | null {
  const plain = text.trim().replace(/[$,\s]/g, '');
  const under = /^\((.*)\)$/.exec(plain);
  const digits = under ? under[1]! : plain;
  if (!/^[-+]?(\d+\.?\d*|\.\d+)$/.test(digits)) return null;
  const value = Number(digits);
  return under ? -value : value;
}

/** A day as files write it: 2026-09-08, 9/8/2026, 9/8/26; null where it is none. */
export function fileDay(text: string): string | null {
  const plain = text.trim();
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})/.exec(plain);
  const us = /^(\d{1,2})[/.-](\d{1,2})[/.-](\d{2}|\d{4})$/.exec(plain);
  const parts = iso ? [iso[1], iso[2], iso[3]] : us ? [us[3]!.length === 2 ? `20${us[3]}` : us[3], us[1], us[2]] : null;
  if (!parts) return null;
  const day = `${parts[0]}-${parts[1]!.padStart(2, '0')}-${parts[2]!.padStart(2, '0')}`;
  const ms = Date.parse(`${day}T00:00:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().slice(0, 10) === day ? day : null;
}

type Line = Settlement['lines'][number];

export interface FileLine {
  /** Of the file, its head being 1. */
  readonly row: number;
  readonly check: string;
  readonly paidOn: string | null;
  readonly line: Line;
  /** Not in the book yet; there as it is; there with other figures. */
  readonly state: 'new' | 'known' | 'different';
  /** What was taken in before, where it is different: bushels and $ over all lines of the ticket on that check. */
  readonly before: { readonly bushels: number; readonly money: number } | null;
}

export interface FileProblem {
  readonly row: number;
  readonly column: FileColumn | null;
  readonly what: 'missing_column' | 'no_ticket' | 'no_figure' | 'no_day' | 'twice';
  readonly text: string;
}

export interface FileRead {
  readonly lines: readonly FileLine[];
  readonly problems: readonly FileProblem[];
}

/** The check of lines in a file that names none. */
export const NO_CHECK = '';

/**
 * Lines of a buyer's file against what was taken in from him before. Nothing is doubled: a line that is there is known, one with other
 * figures becomes a correction.
 * @param rows without the head @param logs of settlements @param check for lines of a file without that column
 */
export function readBuyerFile(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  match: Readonly<Partial<Record<FileColumn, string>>>,
  buyerId: string,
  logs: readonly LogEntry<'settlement'>[],
  check = NO_CHECK,
): FileRead {
  const at = (column: FileColumn): number => (match[column] === undefined ? -1 : heads.indexOf(match[column]));
  const problems: FileProblem[] = WANTED.filter((column) => at(column) < 0).map((column) => ({
    row: 1,
    column,
    what: 'missing_column',
    text: '',
  }));
  if (problems.length > 0) return { lines: [], problems };
  const index = Object.fromEntries(FILE_COLUMNS.map((column) => [column, at(column)])) as Record<FileColumn, number>;
  const keyOf = (number: string, ticket: string, contract = ''): string =>
    JSON.stringify([number.trim().toLowerCase(), plainTicket(ticket), contract.trim().toLowerCase()]);
  const known = new Map<string, { bushels: number; money: number }>();
  for (const { body } of living<'settlement'>(logs)) {
    if (body.buyerId !== buyerId) continue;
    for (const { ticket, contract, bushels, money } of body.lines) {
      const key = keyOf(body.number, ticket, contract);
      const sum = known.get(key) ?? { bushels: 0, money: 0 };
      known.set(key, { bushels: sum.bushels + bushels, money: cents(sum.money + money) });
    }
  }
  const seen = new Set<string>();
  const lines: FileLine[] = [];
  rows.forEach((cells, i) => {
    const row = i + 2;
    const text = (column: FileColumn): string => (index[column] < 0 ? '' : (cells[index[column]] ?? '').trim());
    if (cells.every((cell) => cell.trim() === '')) return;
    const wrong = (column: FileColumn, what: FileProblem['what']): void => void problems.push({ row, column, what, text: text(column) }); // prettier-ignore
    const figure = (column: FileColumn): number | null | undefined => (text(column) === '' ? undefined : fileFigure(text(column))); // prettier-ignore
    if (text('ticket') === '') return wrong('ticket', 'no_ticket');
    const bushels = figure('bushels');
    const money = figure('money');
    const price = figure('price');
    const taken = figure('taken');
    if (bushels === undefined || bushels === null) return wrong('bushels', 'no_figure');
    if (money === undefined || money === null) return wrong('money', 'no_figure');
    if (price === null) return wrong('price', 'no_figure');
    if (taken === null) return wrong('taken', 'no_figure');
    const paidOn = text('paidOn') === '' ? null : fileDay(text('paidOn'));
    if (paidOn === null && text('paidOn') !== '') return wrong('paidOn', 'no_day');
    const number = text('check') === '' ? check : text('check');
    const key = keyOf(number, text('ticket'), text('contract'));
    if (seen.has(key)) return wrong('ticket', 'twice');
    seen.add(key);
    const before = known.get(key) ?? null;
    const same =
      before !== null && Math.abs(before.bushels - bushels) < 0.005 && Math.abs(before.money - money) < 0.005;
    lines.push({
      row,
      check: number,
      paidOn,
      state: before === null ? 'new' : same ? 'known' : 'different',
      before: same ? null : before,
      line: {
        ticket: text('ticket'),
        kind: 'ticket',
        ...(text('contract') === '' ? {} : { contract: text('contract') }),
        bushels,
        ...(price === undefined ? {} : { price }),
        // Some write what is taken off with a minus, some without.
        ...(taken === undefined ? {} : { taken: Math.abs(taken) }),
        money: cents(money),
      },
    });
  });
  return { lines, problems };
}

/**
 * What is taken in of a file: a settlement for each check, of its new lines and of corrections for those that differ; none for what is
 * known already.
 */
export function settlementsOf(
  lines: readonly FileLine[],
  paidOn: string,
): readonly Pick<Settlement, 'number' | 'paidOn' | 'lines' | 'deductions' | 'net'>[] {
  const checks = groupBy(
    lines.filter(({ state }) => state !== 'known'),
    ({ check }) => check,
  );
  return [...checks].map(([number, own]) => {
    const taken = own.map(({ line, state, before }): Line =>
      state === 'new' || before === null
        ? line
        : {
            ticket: line.ticket,
            kind: 'correction',
            ...(line.contract === undefined ? {} : { contract: line.contract }),
            bushels: Number((line.bushels - before.bushels).toFixed(6)),
            money: cents(line.money - before.money),
          },
    );
    return {
      number,
      paidOn: own.find((one) => one.paidOn !== null)?.paidOn ?? paidOn,
      lines: taken,
      deductions: [],
      net: cents(taken.reduce((sum, { money }) => sum + money, 0)),
    };
  });
}
