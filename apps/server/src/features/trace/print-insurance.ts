import { cropOf, type Insurance, kgPerBushelOf } from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { figure, head, type Letterhead, moment, printSheet } from '../../platform/print.js';
import { areaOf, dollars, percent, plain, table, unitsOf } from '../../platform/print-parts.js';

const M_PER_FT = 0.3048;
const heading = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 14, 0, 4] });
const row = (cells: readonly [string, ...string[]]): TableCell[] => cells.map((text, i) => (i === 0 ? text : (figure(text) as TableCell))); // prettier-ignore

/** Units with guarantee, production to count and estimate; bins as they were measured; days of notice. */
export function printInsurance(
  letter: Letterhead,
  { units, bins, notices }: Insurance,
  placeName: (id: string) => string,
): Promise<Uint8Array> {
  const land = areaOf(letter);
  const [first] = units;
  return printSheet(letter, {
    title: `Production to count, ${first?.policy.season ?? ''}: an estimate for the agent`,
    content: [
      ...(units.length === 0 ? [{ text: 'No unit is entered for this season.' } satisfies Content] : []),
      ...units.flatMap((one): Content[] => {
        const of = unitsOf(letter, kgPerBushelOf(one.policy.crop));
        return [
          heading(
            `Unit ${one.unit.number}, ${one.unit.kind}, ${cropOf(one.policy.crop)?.short ?? one.policy.crop}, policy ${one.policy.number}, share ${percent(one.unit.share, 0)}${one.standing.length > 0 ? '; not cut to the end: no account yet' : ''}`,
          ),
          table(
            ['*', 55, 60, 60, 60, 70],
            [
              head('Field', '', false),
              head('Area', land.unit),
              head('On tickets', of.grainUnit),
              head('Measured', of.grainUnit),
              head('Unmeasured', of.grainUnit),
              head('As weighed off', of.grainUnit),
            ],
            [
              ...one.fields.map((field) =>
                row([
                  field.lot.fieldName,
                  land.area(field.lot.acres),
                  of.grain(field.sold),
                  of.grain(field.measured),
                  of.grain(field.unmeasured),
                  of.grain(field.harvested),
                ]),
              ),
              row([
                'Together',
                land.area(one.acres),
                of.grain(one.sold),
                of.grain(one.measured),
                of.grain(one.unmeasured),
                of.grain(one.harvested),
              ]),
            ],
          ),
          table(
            ['*', 110],
            [head('Reckoned', '', false), head(of.grainUnit)],
            [
              row([
                `Guarantee: ${plain(one.unit.approvedYield, 1)} bu/ac × ${percent(one.policy.coverage, 0)} × ${plain(one.acres, 2)} ac`,
                of.grain(one.guarantee),
              ]),
              row([
                `Tickets, measured and unmeasured${one.quality === 1 ? '' : ` × quality ${plain(one.quality, 3)}`}`,
                of.grain((one.sold + one.measured + one.unmeasured) * one.quality),
              ]),
              ...one.appraisals.map((appraisal) =>
                row([
                  `Appraised, ${appraisal.why}: ${plain(appraisal.acres, 1)} ac × ${plain(appraisal.perAcre, 1)} bu/ac`,
                  of.grain(appraisal.acres * appraisal.perAcre),
                ]),
              ),
              row(['Production to count', of.grain(one.toCount)]),
              row(['Short of the guarantee', of.grain(one.shortfall)]),
              row([`Estimate: × ${dollars(one.policy.price)} × ${percent(one.unit.share, 0)}`, dollars(one.indemnity)]),
            ],
          ),
          ...(one.commingled > 0.5
            ? [
                {
                  text: `${of.grain(one.commingled)} ${of.grainUnit} lie with grain of another unit, divided by the book's loads. Many adjusters take that only with load records or marks made before each change.`,
                  fontSize: 9,
                  margin: [0, 4, 0, 0],
                } satisfies Content,
              ]
            : []),
        ];
      }),
      ...(bins.length > 0
        ? [
            heading('Bins measured'),
            table(
              ['*', 85, 60, 45, 50, 45, 60, 60],
              [
                head('Bin', '', false),
                head('When', '', false),
                head('Around', 'ft'),
                head('Depth', 'ft'),
                head('Volume', 'bu'),
                head('Weight', 'lb/bu'),
                head('Moisture'),
                head('Counts', 'bu'),
              ],
              bins.map(({ measurement, at, volumeBushels, bushels }) => [
                placeName(measurement.placeId),
                moment(at, letter),
                figure(plain(measurement.circumference / M_PER_FT, 1)) as TableCell,
                figure(plain(measurement.depth / M_PER_FT, 1)) as TableCell,
                figure(plain(volumeBushels)) as TableCell,
                figure(plain(measurement.testWeight, 1)) as TableCell,
                figure(percent(measurement.moisture)) as TableCell,
                figure(plain(bushels)) as TableCell,
              ]),
            ),
            {
              text: 'Measured by: ______________________   Witness: ______________________   Date: ______________',
              margin: [0, 12, 0, 0],
            } satisfies Content,
          ]
        : []),
      ...(notices.length > 0
        ? [
            heading('To be told'),
            ...notices.map(({ cause, what, by, days }): Content => ({
              text: `${what === 'loss' ? `Loss (${cause})` : 'End of harvest'}: by ${by}${days < 0 ? `, ${-days} days ago` : ''}`,
            })),
          ]
        : []),
    ],
    notes: [
      'Moisture and test weight by the policy’s own tables as entered. Estimate; the policy and the adjuster rule.',
    ],
  });
}
