import {
  cropOf,
  fingerprintOf,
  kgPerBushelOf,
  METHODS,
  type Method,
  type OriginFile,
  type OriginSure,
} from '@fanega/core';
import type { TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, moment, printSheet } from '../../platform/print.js';
import { percent, shortDay, table, unitsOf } from '../../platform/print-parts.js';

const SURE: Readonly<Record<OriginSure, string>> = {
  exact: 'exact, by identity',
  mixing: 'by how the bin empties',
  unknown: 'no known field',
};
const METHOD: Readonly<Record<Method, string>> = {
  ticket: 'buyer’s scale',
  bridge: 'truck scale',
  cartScale: 'cart scale',
  volume: 'by volume',
  monitor: 'combine’s display',
  estimate: 'estimated',
};
const methodWords = (method: string): string => ((METHODS as readonly string[]).includes(method) ? METHOD[method as Method] : method); // prettier-ignore

/** An origin on paper: fields with how sure each is, and every load. */
export function printOrigin(letter: Letterhead, { origin, seq, link }: OriginFile): Promise<Uint8Array> {
  const of = unitsOf(letter, kgPerBushelOf(origin.crop ?? undefined));
  const { timeZone } = letter;
  const isTicket = origin.subject.kind === 'delivery';
  return printSheet(letter, {
    title: isTicket ? 'Origin of a delivery' : 'Origin of what a place holds',
    number: isTicket ? (origin.ticket ?? 'no ticket') : origin.to,
    content: [
      {
        text: [
          isTicket ? `${origin.to}, ` : '',
          `${moment(origin.at, letter)}: ${of.mass(origin.wetKg)} ${of.massUnit} ${cropOf(origin.crop ?? '')?.name.toLowerCase() ?? 'grain'}`,
          origin.moisture === null ? '' : ` at ${percent(origin.moisture)}`,
          origin.method === null ? '' : `, ${methodWords(origin.method)}`,
        ],
        margin: [0, 0, 0, 8],
      },
      table(
        ['*', 60, 50, 60, 60, 105],
        [
          head('Field', '', false),
          head('Weight', of.massUnit),
          head('Share', 'dry matter'),
          head('Moisture', 'at the field'),
          head('Cut', '', false),
          head('How sure', '', false),
        ],
        origin.fields.map((field) => [
          [field.name || 'no known field', field.season ?? '', field.variety].filter(Boolean).join(' '),
          figure(of.mass(field.wetKg)) as TableCell,
          figure(percent(field.part, 2)) as TableCell,
          figure(percent(field.moisture)) as TableCell,
          field.firstAt === null
            ? ''
            : field.firstAt.slice(0, 10) === field.lastAt!.slice(0, 10)
              ? shortDay(field.firstAt, timeZone)
              : `${shortDay(field.firstAt, timeZone)} to ${shortDay(field.lastAt!, timeZone)}`,
          `${SURE[field.sure]}${field.sure === 'mixing' && field.exactPart > 0.0005 ? ` (${percent(field.exactPart)} exact)` : ''}`,
        ]),
      ),
      ...(origin.maybe.length > 0
        ? [
            {
              text: `By another way of emptying it may also hold grain of ${origin.maybe.map(({ name }) => name).join(', ')}.`,
              margin: [0, 6, 0, 0] as [number, number, number, number],
            },
          ]
        : []),
      ...(origin.through.length > 0
        ? [
            {
              text: `On its way it lay in ${origin.through.map(({ name }) => name).join(', ')}.`,
              margin: [0, 6, 0, 10] as [number, number, number, number],
            },
          ]
        : []),
      table(
        [85, '*', 60, 50, 50, 80, 60],
        [
          head('Load off the field', '', false),
          head('Field', '', false),
          head('In here', `${of.massUnit}, dry`),
          head('Of the load'),
          head('Moisture'),
          head('Weighed', '', false),
          head('By', '', false),
        ],
        origin.loads.map((load) => [
          moment(load.at, letter),
          load.field,
          figure(of.mass(load.dryKg)) as TableCell,
          figure(percent(load.part)) as TableCell,
          figure(percent(load.moisture)) as TableCell,
          methodWords(load.method),
          load.by,
        ]),
      ),
      {
        text: `Worked out of the book at record ${seq.toLocaleString('en-US')}, fingerprint ${fingerprintOf(link)}. “Exact” holds however bins empty; the rest follows the rule that is set for each bin. The origin file can be checked with fanega-book verify, without this program's server.`,
        margin: [0, 12, 0, 0],
        fontSize: 9,
      },
    ],
  });
}
