import {
  type CropCosts,
  cropOf,
  kgPerBushelOf,
  testWeightToKgPerM3,
  type YearCrop,
  type YearDifference,
  type YearField,
} from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, printSheet } from '../../platform/print.js';
import { areaOf, dollars, percent, plain, table, unitsOf } from '../../platform/print-parts.js';

/** Questions that are told one by one. */
const TOLD = 20;

/** As its reader reads it: lb/bu, or kg/hl. */
const testWeightOf = ({ units }: Letterhead, pounds: number): string =>
  units === 'us' ? `${plain(pounds, 1)} lb/bu` : `${plain(testWeightToKgPerM3(pounds) / 10, 1)} kg/hl`;

const heading = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 12, 0, 3] });

/** A year by crop: harvested, lost, stored, sold, what it cost on its way, and where weights were set right most. */
export function printYear(
  letter: Letterhead,
  season: number,
  year: {
    readonly crops: readonly YearCrop[];
    readonly fields: readonly YearField[];
    readonly differences: readonly YearDifference[];
  },
  gaps: readonly { readonly words: string; readonly money: number | null }[],
  costs: readonly CropCosts[],
): Promise<Uint8Array> {
  const land = areaOf(letter);
  const crops = year.crops.filter(({ harvested }) => harvested >= 1);
  return printSheet(letter, {
    title: 'The year',
    number: String(season),
    content: [
      ...crops.flatMap((one): Content[] => {
        const of = unitsOf(letter, kgPerBushelOf(one.crop));
        const cost = costs.find(({ crop }) => crop === one.crop);
        const a = (money: number, bushels: number): string =>
          bushels < 1
            ? '–'
            : `${dollars(money)}, ${of.price(money / bushels)} a ${letter.units === 'us' ? 'bushel' : 'tonne'}`;
        const rows: [string, string][] = [
          ['Harvested', `${of.grain(one.harvested)} ${of.grainUnit} on ${land.area(one.acres)} ${land.unit}`],
          [
            'Yield',
            one.perAcre === null
              ? '–'
              : `${plain(one.perAcre, 1)} bu/ac${one.perAcreBefore === null ? '' : `, ${plain(one.perAcreBefore, 1)} the year before`}`,
          ],
          ['Moisture off the field', percent(one.moisture)],
          [
            'Test weight, by tickets',
            one.testWeight === null ? 'no ticket says one' : testWeightOf(letter, one.testWeight),
          ],
          ['Dried', cost && cost.driedBu >= 1 ? `${of.grain(cost.driedBu)} ${of.grainUnit} as they went in` : 'none'],
          ['Restated by better weights', `${of.grain(one.restated)} ${of.grainUnit}`],
          ['Lost', `${of.grain(one.lost)} ${of.grainUnit}`],
          ['In store', `${of.grain(one.stored)} ${of.grainUnit}`],
          ['Delivered', `${of.grain(one.delivered)} ${of.grainUnit}`],
          ['Due for it, paid of it', `${dollars(one.due)}, ${dollars(one.paid)}`],
          ['Mean price', one.average === null ? 'nothing is priced' : of.price(one.average)],
          ['Drying', cost ? a(cost.drying, cost.driedBu) : '–'],
          ['Storing, fans and buyers’ storage', cost ? a(cost.fans + cost.storedAtBuyers, cost.storedBu) : '–'],
          ['Hauling', cost ? a(cost.hauling, cost.hauledBu) : '–'],
          ['Cut + restated − lost = in store + delivered', one.balances ? 'it closes' : 'it does not close'],
        ];
        return [
          heading(cropOf(one.crop)?.name ?? one.crop),
          table(
            ['*', 240],
            [head('', '', false), head('')],
            rows.map(([what, said]) => [what, figure(said) as TableCell]),
          ),
        ];
      }),
      heading('By field'),
      table(
        ['*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto'],
        [
          head('Field', '', false),
          head('Harvested'),
          head('Yield'),
          head('Moist.'),
          head('Test wt.'),
          head('Restated'),
          head('Lost'),
          head('In store'),
          head('Delivered'),
        ],
        year.fields.map((one) => {
          const of = unitsOf(letter, kgPerBushelOf(one.crop));
          const said = [
            of.grain(one.harvested),
            one.perAcre === null ? '–' : plain(one.perAcre, 1),
            percent(one.moisture),
            one.testWeight === null ? '–' : testWeightOf(letter, one.testWeight),
            of.grain(one.restated),
            of.grain(one.lost),
            of.grain(one.stored),
            of.grain(one.delivered),
          ];
          return [
            `${one.fieldName}, ${cropOf(one.crop)?.short ?? one.crop}`,
            ...said.map((text) => figure(text) as TableCell),
          ];
        }),
      ),
      heading(gaps.length === 0 ? 'No question is open' : 'Questions still open, the most money first'),
      ...(gaps.length === 0
        ? []
        : [
            table(
              ['*', 100],
              [head('', '', false), head('At risk')],
              gaps
                .slice(0, TOLD)
                .map(({ words, money }) => [words, figure(money === null ? '?' : dollars(money)) as TableCell]),
            ),
          ]),
      ...(gaps.length > TOLD
        ? [{ text: `and ${gaps.length - TOLD} more of less money`, margin: [0, 3, 0, 0] } as Content]
        : []),
      ...(year.differences.length > 0
        ? [
            heading('Where weights were set right most'),
            table(
              ['*', 100, 60],
              [head('Field', '', false), head('Restated'), head('Of it')],
              year.differences.map((one) => [
                one.fieldName,
                figure(unitsOf(letter, kgPerBushelOf(one.crop)).grain(one.restated)) as TableCell,
                figure(percent(one.share, 2)) as TableCell,
              ]),
            ),
          ]
        : []),
    ],
  });
}
