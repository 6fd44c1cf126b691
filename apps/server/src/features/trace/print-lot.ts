import {
  cropOf,
  CROPS,
  dryBushels,
  kgPerBushelOf,
  type LotLine,
  type LotStatement,
  type FieldMoney,
} from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, moment, printSheet } from '../../platform/print.js';
import { areaOf, dollars, percent, plain, table, unitsOf } from '../../platform/print-parts.js';

const WHAT: Readonly<Record<LotLine['what'], string>> = { cut: 'cut', moved: 'moved', delivered: 'delivered', lost: 'lost' }; // prettier-ignore
const heading = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 12, 0, 3] });

/** A field's statement: its account with the proof, what is in stock, and every line of it. */
export function printLot(
  letter: Letterhead,
  { lot, account, balance, lines, stock, settings }: LotStatement,
  money: FieldMoney,
  nameOf: (id: string) => string,
): Promise<Uint8Array> {
  const crop = cropOf(lot.crop) ?? CROPS.corn;
  const of = unitsOf(letter, kgPerBushelOf(lot.crop));
  const land = areaOf(letter);
  const dry = (kg: number): string =>
    `${kg < 0 ? '-' : ''}${of.grain(dryBushels(Math.abs(kg), crop.legalPounds, crop.baseMoisture))}`;
  const lost = Object.values(account.lostDryKg).reduce((a, b) => a + b, 0);
  const perAcre =
    lot.acres > 0
      ? dryBushels(Math.max(0, account.harvestedDryKg), crop.legalPounds, crop.baseMoisture) / lot.acres
      : null;
  return printSheet(letter, {
    title: `${lot.fieldName}, ${crop.name.toLowerCase()} ${lot.season}`,
    number: lot.tag,
    content: [
      {
        text: [
          lot.variety === '' ? '' : `${lot.variety}, `,
          `${land.area(lot.acres)} ${land.unit}`,
          lot.shares.length > 1
            ? `; ${lot.shares.map(({ owner, part }) => `${owner} ${percent(part)}`).join(', ')}`
            : '',
          perAcre === null ? '' : `; ${plain(perAcre, 1)} bu/ac dry at ${percent(crop.baseMoisture)}`,
        ],
      },
      heading(`Account, ${of.grainUnit} dry at ${percent(crop.baseMoisture)}`),
      table(
        ['*', 90],
        [head('', '', false), head(of.grainUnit)],
        [
          ['Cut', figure(dry(account.harvestedDryKg)) as TableCell],
          ['Restated by better weights', figure(dry(account.restatedDryKg)) as TableCell],
          ['Lost', figure(dry(lost)) as TableCell],
          ['In stock', figure(dry(account.inStockDryKg)) as TableCell],
          ['Delivered', figure(dry(account.deliveredDryKg)) as TableCell],
          [
            {
              text: balance.balances ? 'Cut + restated − lost = in stock + delivered: it closes' : 'It does not close',
              bold: true,
            },
            figure(dry(balance.gap)) as TableCell,
          ],
        ],
      ),
      ...(account.waterRemovedKg > 1
        ? [
            {
              text: `Dryers took ${of.mass(account.waterRemovedKg)} ${of.massUnit} of water out of it.`,
              margin: [0, 4, 0, 0],
            } satisfies Content,
          ]
        : []),
      ...(Object.keys(stock).length > 0
        ? [
            {
              text: `Lies in ${Object.entries(stock)
                .map(([id, kg]) => `${nameOf(id)} (${dry(kg)})`)
                .join(', ')}.`,
              margin: [0, 4, 0, 0],
            } satisfies Content,
          ]
        : []),
      ...(money.lines.size > 0
        ? [
            heading('Money, by its part of each ticket'),
            table(
              ['*', 90],
              [head('', '', false), head('$')],
              [
                [`Due, after discounts${money.mean === null ? '' : `: ${of.price(money.mean)} a ${letter.units === 'us' ? 'bushel' : 'tonne'}`}`, figure(dollars(money.due)) as TableCell], // prettier-ignore
                ['Paid', figure(dollars(money.paid)) as TableCell],
                ['Open', figure(dollars(money.open)) as TableCell],
              ],
            ),
            {
              text: `${money.unpricedBu >= 0.5 ? `${of.grain(money.unpricedBu)} ${of.grainUnit} have no price yet. ` : ''}What a buyer takes off a whole check is of no field and is not in it.`,
              fontSize: 9,
              margin: [0, 4, 0, 0],
            } satisfies Content,
          ]
        : []),
      ...(settings.length > 0
        ? [
            {
              text: `While it was cut: ${settings.map(({ at, machineId, what, by }) => `${nameOf(machineId)} ${what === 'loss' ? 'loss counted' : 'settings'} ${moment(at, letter)}${by === '' ? '' : ` (${by})`}`).join('; ')}. Nothing is claimed of what they did to the yield.`,
              margin: [0, 4, 0, 0],
              fontSize: 9,
            } satisfies Content,
          ]
        : []),
      heading(`Every line of it, ${lines.length}`),
      table(
        [92, 50, '*', '*', 60, 60, 45, 45],
        [
          head('When', '', false),
          head('What', '', false),
          head('From', '', false),
          head('To', '', false),
          head('Of it', of.massUnit),
          head('Dry', of.grainUnit),
          head('Share', 'of the load'),
          head('Moisture'),
        ],
        lines.map((line) => [
          moment(line.at, letter),
          WHAT[line.what],
          line.from,
          line.ticket === null ? line.to : `${line.to}, ${line.ticket}`,
          figure(of.mass(line.wetKg)) as TableCell,
          figure(dry(line.dryKg)) as TableCell,
          figure(percent(line.part)) as TableCell,
          figure(percent(line.moisture)) as TableCell,
        ]),
      ),
    ],
  });
}
