import { KG_PER_LB, M2_PER_ACRE } from '@fanega/core';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { type Letterhead, LINES } from './print.js';

export const plain = (value: number, decimals = 0): string =>
  value.toLocaleString('en-US', { minimumFractionDigits: decimals, maximumFractionDigits: decimals });
export const dollars = (value: number): string => `${value < 0 ? '-' : ''}$${plain(Math.abs(value), 2)}`;
/** "18.4" of a fraction, as percent */
export const percent = (fraction: number | null, decimals = 1): string =>
  fraction === null ? '–' : `${plain(100 * fraction, decimals)} %`;

export const table = (widths: (string | number)[], heads: Content[], rows: TableCell[][]): Content => ({
  layout: LINES,
  table: { headerRows: 1, widths, body: [heads as TableCell[], ...rows] },
});

/** "Sep 8" */
export const shortDay = (at: number | string, timeZone: string): string =>
  new Intl.DateTimeFormat('en-US', { timeZone, month: 'short', day: 'numeric' }).format(new Date(at));

/** Bushels, prices and weights as the farm reads them: tonnes where it is metric, the bushel of the crop behind them. */
export function unitsOf({ units }: Pick<Letterhead, 'units'>, kgPerBu: number) {
  return units === 'us'
    ? {
        grainUnit: 'bu',
        massUnit: 'lb',
        grain: (bu: number) => plain(bu, 2),
        price: (perBu: number) => dollars(perBu),
        mass: (of: number) => plain(of / KG_PER_LB),
      }
    : {
        grainUnit: 't',
        massUnit: 't',
        grain: (bu: number) => plain((bu * kgPerBu) / 1000, 3),
        price: (perBu: number) => dollars((perBu / kgPerBu) * 1000),
        mass: (of: number) => plain(of / 1000, 3),
      };
}
/** Acres, and what is counted by them, as the farm reads them. */
export function areaOf({ units }: Pick<Letterhead, 'units'>) {
  return units === 'us'
    ? { unit: 'ac', area: (acres: number) => plain(acres, 1) }
    : { unit: 'ha', area: (acres: number) => plain((acres * M2_PER_ACRE) / 10_000, 1) };
}
