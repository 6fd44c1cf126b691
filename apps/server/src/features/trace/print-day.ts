import type { DayAnswer } from '@fanega/contract';
import { aboutInBushels, cropOf, type DayLine, kgPerBushelOf } from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, moment, printSheet } from '../../platform/print.js';
import { dollars, percent, table, unitsOf } from '../../platform/print-parts.js';

const heading = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 12, 0, 3] });

/** A day on one page: what was cut, hauled, dried, stored and sold, by whom, and what comes. */
export function printDay(
  letter: Letterhead,
  { report, ahead, nextLots }: DayAnswer,
  nameOf: (id: string) => string,
): Promise<Uint8Array> {
  const units = (crop?: string) => unitsOf(letter, kgPerBushelOf(crop));
  const { grainUnit, massUnit, mass, grain } = units();
  const lines = (title: string, what: string, list: readonly DayLine[]): Content[] =>
    list.length === 0
      ? []
      : [
          heading(title),
          table(
            ['*', 60, 80, 80],
            [head(what, '', false), head('Loads'), head('Weight', massUnit), head('Grain', grainUnit)],
            list.map((line) => [nameOf(line.id), figure(String(line.loads)) as TableCell, figure(mass(line.wetKg)) as TableCell, figure(grain(line.bushels)) as TableCell]), // prettier-ignore
          ),
        ];
  const { cut, sold, dried, lost, people } = report;
  return printSheet(letter, {
    title: 'The day',
    number: report.day,
    content: [
      ...(cut.length === 0
        ? [{ text: 'Nothing was cut.' } satisfies Content]
        : [
            heading('Cut'),
            table(
              ['*', 55, 45, 75, 75, 55, 110],
              [
                head('Field', '', false),
                head('Crop', '', false),
                head('Loads'),
                head('Weight', massUnit),
                head('Grain', grainUnit),
                head('Moisture'),
                head('From, to', '', false),
              ],
              cut.map((line) => [
                nameOf(line.id),
                cropOf(line.crop)?.short ?? line.crop,
                figure(String(line.loads)) as TableCell,
                figure(mass(line.wetKg)) as TableCell,
                figure(units(line.crop).grain(line.bushels)) as TableCell,
                figure(percent(line.moisture)) as TableCell,
                `${moment(line.firstAt, letter).split(', ').at(-1)} to ${moment(line.lastAt, letter).split(', ').at(-1)}`,
              ]),
            ),
          ]),
      ...lines('Hauled', 'Truck', report.hauled),
      ...lines('Into bins', 'Place', report.stored),
      ...(dried.length === 0
        ? []
        : [
            heading('Dried'),
            ...dried.map((one): Content => ({ text: `${nameOf(one.id)}: ${mass(one.wetKg)} ${massUnit} from ${percent(one.from)} to ${percent(one.to)}, ${mass(one.waterKg)} ${massUnit} of water` })), // prettier-ignore
          ]),
      ...(sold.length === 0
        ? []
        : [
            heading('Sold'),
            table(
              ['*', 80, 80, 80, 55, 60],
              [
                head('Buyer', '', false),
                head('Ticket', '', false),
                head('Net', massUnit),
                head('Grain', grainUnit),
                head('Moisture'),
                head('Price', `$/${grainUnit}`),
              ],
              sold.map((one) => [
                nameOf(one.buyerId),
                one.ticket ?? 'none yet',
                figure(mass(one.netKg)) as TableCell,
                figure(grain(one.bushels)) as TableCell,
                figure(percent(one.moisture)) as TableCell,
                figure(one.pricePerBu === null ? '–' : dollars(one.pricePerBu)) as TableCell,
              ]),
            ),
          ]),
      ...lost.map((one): Content => ({
        text: `Lost: ${mass(one.wetKg)} ${massUnit}, ${one.reason}, ${nameOf(one.id)}`,
        margin: [0, 6, 0, 0],
      })),
      ...(people.length === 0 ? [] : [{ text: `Recorded by ${people.map(({ name, entries }) => `${name} (${entries})`).join(', ')}.`, margin: [0, 8, 0, 0] } satisfies Content]), // prettier-ignore
      ...(ahead.length + nextLots.length === 0
        ? []
        : [
            heading('Next'),
            ...(nextLots.length === 0
              ? []
              : [{ text: `Fields in their order: ${nextLots.map(nameOf).join(', ')}` } satisfies Content]),
            ...ahead.map((event): Content => ({
              text: `${event.from}: ${event.title}${event.about === '' ? '' : `, ${aboutInBushels(event)}`}`,
            })),
          ]),
    ],
  });
}
