import { type CropCosts, cropOf, kgPerBushelOf, type YearCrop, type YearDifference } from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, printSheet } from '../../platform/print.js';
import { areaOf, dollars, percent, plain, table, unitsOf } from '../../platform/print-parts.js';

const heading = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 12, 0, 3] });

/** A year by crop: harvested, lost, stored, sold, what it cost on its way, and where weights were set right most. */
export function printYear(
  letter: Letterhead,
  season: number,
  year: { readonly crops: readonly YearCrop[]; readonly differences: readonly YearDifference[] },
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
