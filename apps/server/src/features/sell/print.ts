import {
  ACCOUNT_WORDS,
  cropOf,
  type FarmView,
  ownersOf,
  type SellBook,
  type Statement,
  sumOfMoney,
} from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, printSheet } from '../../platform/print.js';
import { dollars, shortDay as day, table, unitsOf } from '../../platform/print-parts.js';

/** What can be printed of the selling. */
export const PRINTS = ['contracts', 'settlements', 'deliveries'] as const;
export type Print = (typeof PRINTS)[number];

const units = (letter: Letterhead, farm: FarmView, crop: string | undefined) => unitsOf(letter, farm.kgPerBu(crop));

/** Contracts with what is delivered on them and what their price is. */
function contracts(letter: Letterhead, farm: FarmView, book: SellBook): Content[] {
  const grain = letter.units === 'us' ? 'bu' : 't';
  return [
    table(
      ['auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
      [
        head('Contract', '', false),
        head('Buyer', '', false),
        head('Crop', '', false),
        head('Window', '', false),
        head('Signed', grain),
        head('Delivered', grain),
        head('Left', grain),
        head('Price', `$/${grain}`),
      ],
      book.contracts.map(({ contract, delivered, left, price, state }) => {
        const of = units(letter, farm, contract.crop);
        return [
          { text: contract.number, bold: true },
          farm.placeName(contract.buyerId),
          cropOf(contract.crop)?.short ?? contract.crop,
          `${contract.opens} to ${contract.closes}${state === 'late' ? ', late' : ''}`,
          figure(of.grain(contract.bushels)) as TableCell,
          figure(of.grain(delivered)) as TableCell,
          figure(of.grain(left)) as TableCell,
          figure(price.price === null ? 'open' : of.price(price.price)) as TableCell,
        ];
      }),
    ),
  ];
}

const STATES = {
  agrees: 'adds up',
  short: 'short',
  over: 'too much',
  twice: 'paid before',
  noLoad: 'no load of ours',
  open: 'price open',
} as const;

/** Each settlement line by line against the farm's own arithmetic, and whose the money is. */
function settlements(letter: Letterhead, farm: FarmView, book: SellBook): Content[] {
  const grain = letter.units === 'us' ? 'bu' : 't';
  const { sums } = ownersOf(farm, book);
  return [
    ...book.settled.sheets.flatMap(({ settlement, tickets, should, netShort }): Content[] => [
      {
        text: `${settlement.number}, ${farm.placeName(settlement.buyerId)}, paid ${settlement.paidOn}${settlement.deferredTo === undefined ? '' : `, deferred until ${settlement.deferredTo}`}: ${dollars(settlement.net)}`,
        bold: true,
        margin: [0, 12, 0, 4],
      },
      table(
        ['*', 70, 70, 75, 75, 95],
        [
          head('Ticket', '', false),
          head('Paid for', grain),
          head('Ours', grain),
          head('Money', '$'),
          head('Due', '$'),
          head('Check', '', false),
        ],
        tickets.map(({ ticket, due, bushels, money, state, short }) => {
          const of = units(letter, farm, due?.sold.crop);
          return [
            ticket,
            figure(of.grain(bushels)) as TableCell,
            figure(due?.ticket ? of.grain(due.ticket.paidBushels) : '') as TableCell,
            figure(dollars(money)) as TableCell,
            figure(due === null || due.money === null ? '' : dollars(due.money)) as TableCell,
            `${STATES[state]}${state === 'short' || state === 'over' ? ` ${dollars(Math.abs(short ?? 0))}` : ''}`,
          ];
        }),
      ),
      {
        text: `Its lines come to ${dollars(should)}${Math.abs(netShort) > 0.005 ? `; the check is ${dollars(Math.abs(netShort))} ${netShort > 0 ? 'less' : 'more'}` : ', as the check says'}.`,
        margin: [0, 3, 0, 0],
      },
    ]),
    { text: 'By owner', bold: true, margin: [0, 14, 0, 4] },
    table(
      ['*', 110],
      [head('Owner', '', false), head('Money', '$')],
      [
        ...sums.map(({ owner, money }): TableCell[] => [owner, figure(dollars(money)) as TableCell]),
        [
          { text: 'All of it', bold: true },
          figure(dollars(sumOfMoney(sums.map(({ money }) => money))), { bold: true }) as TableCell, // prettier-ignore
        ],
      ],
    ),
  ];
}

/** Every delivery of the season with its ticket, and what it is owed. */
function deliveriesOf(letter: Letterhead, farm: FarmView, book: SellBook): Content[] {
  const grain = letter.units === 'us' ? 'bu' : 't';
  const rows = book.accounts.map(({ due, paid }) => {
    const { delivery, crop, bushels } = due.sold;
    const ticket = due.ticket ?? due.sold.ticket;
    const of = units(letter, farm, crop);
    return [
      day(due.atMs, letter.timeZone),
      due.ticketNo ?? 'no ticket',
      farm.placeName(due.buyerId),
      cropOf(crop ?? '')?.short ?? '',
      figure(of.mass(delivery.netKg)) as TableCell,
      figure(`${(100 * delivery.moisture).toFixed(1)} %`) as TableCell,
      figure(of.grain(ticket?.paidBushels ?? bushels)) as TableCell,
      figure(due.money === null ? 'open' : dollars(due.money)) as TableCell,
      figure(paid === 0 ? '' : dollars(paid)) as TableCell,
    ];
  });
  const total = (of: (account: (typeof book.accounts)[number]) => number): string =>
    dollars(sumOfMoney(book.accounts.map(of)));
  return [
    table(
      ['auto', 'auto', '*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
      [
        head('Day', '', false),
        head('Ticket', '', false),
        head('Buyer', '', false),
        head('Crop', '', false),
        head('Net', letter.units === 'us' ? 'lb' : 't'),
        head('Moist.'),
        head('Paid for', grain),
        head('Due', '$'),
        head('Paid', '$'),
      ],
      [
        ...rows,
        ['', { text: 'All', bold: true }, '', '', '', '', '', figure(total(({ due }) => due.money ?? 0), { bold: true }) as TableCell, figure(total(({ paid }) => paid), { bold: true }) as TableCell], // prettier-ignore
      ],
    ),
  ];
}

/** An owner's statement as it was given to him, out of its own lines. */
export function printStatement(letter: Letterhead, farm: FarmView, statement: Statement): Promise<Uint8Array> {
  const grain = letter.units === 'us' ? 'bu' : 't';
  const { lines, total, number, owner, cropYear, from, until, corrects } = statement;
  return printSheet(letter, {
    title: `Statement for ${owner}`,
    number: `No. ${number}`,
    content: [
      {
        text: `Harvest of ${cropYear}; paid from ${from} to ${until}.${corrects === undefined ? '' : ` It sets statement No. ${corrects} right.`}`,
        margin: [0, 0, 0, 8],
      },
      table(
        ['auto', 'auto', '*', 'auto', 'auto', 'auto', 'auto'],
        [
          head('Paid', '', false),
          head('Settlement', '', false),
          head('Buyer', '', false),
          head('Ticket', '', false),
          head('Field', '', false),
          head('Bushels', grain),
          head('Amount', '$'),
        ],
        [
          ...lines.map((line): TableCell[] => [
            line.paidOn,
            line.check,
            `${farm.placeName(line.buyerId)}${line.account === 'sale' ? '' : `, ${ACCOUNT_WORDS[line.account]}`}`,
            line.ticket ?? '',
            line.lot === undefined ? '' : (farm.lot(line.lot)?.fieldName ?? line.lot),
            figure(line.bushels === 0 ? '' : units(letter, farm, line.crop).grain(line.bushels)) as TableCell,
            figure(dollars(line.amount)) as TableCell,
          ]),
          [{ text: 'All of it', bold: true }, '', '', '', '', '', figure(dollars(total), { bold: true }) as TableCell],
        ],
      ),
    ],
    notes: ['Each line is the owner’s part by the shares of the fields in the load, in whole cents.'],
  });
}

const TITLES: Readonly<Record<Print, string>> = {
  contracts: 'Contracts',
  settlements: 'Settlement check',
  deliveries: 'Statement of deliveries',
};

export function printSelling(
  print: Print,
  letter: Letterhead,
  farm: FarmView,
  season: number,
  book: SellBook,
): Promise<Uint8Array> {
  const content =
    print === 'contracts'
      ? contracts(letter, farm, book)
      : print === 'settlements'
        ? settlements(letter, farm, book)
        : deliveriesOf(letter, farm, book);
  return printSheet(letter, {
    title: TITLES[print],
    number: String(season),
    content,
    notes: [
      'Worked out from the farm’s own weights and moistures by the sheets that buyers posted; each buyer’s own sheet and contract rule.',
    ],
  });
}
