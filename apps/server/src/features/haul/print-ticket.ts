import type { UnitSystem, WeighTicketInfo } from '@fanega/contract';
import { cropOf, kilogramsPerBushel, KG_PER_LB } from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, LINES, moment, printSheet } from '../../platform/print.js';

export interface TicketWords {
  readonly truck: string;
  readonly fieldOf: (lotId: string) => string;
}

// Half a letter page: it fits a clipboard.
const SIZE = { width: 396, height: 612 };

const pounds = (kg: number): string => Math.round(kg / KG_PER_LB).toLocaleString('en-US');
const tonnes = (kg: number): string => (kg / 1000).toFixed(3);
const IN: Readonly<Record<UnitSystem, { readonly unit: string; readonly of: (kg: number) => string }>> = {
  us: { unit: 'lb', of: pounds },
  metric: { unit: 't', of: tonnes },
};
const total = (axles: readonly number[]): number => axles.reduce((sum, kg) => sum + kg, 0);

const weighedHow = ({ byHand, grossKg }: WeighTicketInfo): string =>
  byHand
    ? 'typed by hand from a truck scale without a wire'
    : grossKg.length > 1
      ? 'axle by axle'
      : 'whole truck at once';

/** A weight on paper: what was weighed, how, and for whom; in the farm's units, and in the others beside them. */
export function printTicket(ticket: WeighTicketInfo, letter: Letterhead, words: TicketWords): Promise<Uint8Array> {
  const own = IN[letter.units];
  const other = IN[letter.units === 'us' ? 'metric' : 'us'];
  const { grossKg, tareKg, netKg } = ticket;
  const byAxle = grossKg.length > 1 && grossKg.length === tareKg.length;
  const row = (
    name: string,
    weights: readonly (number | null)[],
    of: (kg: number) => string,
    more = {},
  ): TableCell[] => [
    { text: name, ...more },
    ...weights.map((kg) => figure(kg === null ? '' : of(kg), more) as TableCell),
  ];
  const crop = cropOf(ticket.crop ?? '');
  const inAll = [total(grossKg), total(tareKg), netKg];
  const content: Content[] = [
    {
      layout: 'noBorders',
      table: {
        widths: [96, '*'],
        body: [
          ['When', moment(ticket.at, letter)],
          ['Truck', words.truck],
          ['Tractor and trailer', ticket.combination],
          ['Weighed', weighedHow(ticket)],
          ['By', ticket.by],
        ],
      },
    },
    {
      margin: [0, 10, 0, 0],
      layout: LINES,
      table: {
        headerRows: 1,
        widths: ['*', 72, 72, 72],
        body: [
          [
            head('', own.unit, false),
            head('gross', own.unit),
            head('tare', own.unit),
            head('net', own.unit),
          ] as TableCell[],
          ...(grossKg.length > 1
            ? grossKg.map((gross, i) =>
                row(`axle ${i + 1}`, [gross, byAxle ? tareKg[i]! : null, byAxle ? gross - tareKg[i]! : null], own.of),
              )
            : []),
          row('in all', inAll, own.of, { bold: true, fontSize: 12 }),
          row(other.unit, inAll, other.of),
        ],
      },
    },
    {
      margin: [0, 16, 0, 0],
      columns: [
        { text: 'Net', fontSize: 13, margin: [0, 9, 0, 0] },
        { text: `${own.of(netKg)} ${own.unit}`, fontSize: 24, bold: true, alignment: 'right' },
      ],
    },
    ...(crop
      ? [
          figure(
            `${(netKg / kilogramsPerBushel(crop.legalPounds)).toFixed(1)} wet bu of ${crop.name.toLowerCase()} at ${crop.legalPounds} lb`,
          ),
        ]
      : []),
    { text: 'By the book, from', fontSize: 9, margin: [0, 12, 0, 2] },
    {
      layout: 'noBorders',
      table: {
        widths: ['*', 60, 80],
        body: [
          ...Object.entries(ticket.shares)
            .sort((a, b) => b[1] - a[1])
            .map(([lotId, share]): TableCell[] => [
              words.fieldOf(lotId),
              figure(`${(100 * share).toFixed(1)} %`) as TableCell,
              figure(`${own.of(share * netKg)} ${own.unit}`) as TableCell,
            ]),
          ['', '', ''],
        ],
      },
    },
  ];
  return printSheet(letter, {
    title: 'Weight ticket',
    number: `No. ${ticket.number}`,
    size: SIZE,
    content,
    notes: [
      grossKg.length > 1
        ? 'Sum of axles: an estimate of 1 to 2 %, not a weight for trade.'
        : 'A weight of the farm’s own scale; for trade only where the scale is sealed for it.',
      'The number is used once; a void ticket keeps it.',
    ],
    ...(ticket.voided ? { stamp: 'VOID' } : {}),
  });
}
