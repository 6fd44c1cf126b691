import { decimalComma, figureIn, momentIn, plainName } from '../kernel/index.js';
import { kgPerBushelOf, type LotInfo, type PlaceInfo } from '../ledger/index.js';
import type { FileMatch, LoadColumn } from '../records/index.js';
import { KG_PER_LB, MAX_MOISTURE } from '../units/index.js';
import { type Crop, type CropId, cropIn } from '../crops/index.js';
import { TELL_EACH } from './row-file.js';

/** What carts' and displays' exports call their columns; common practice, no source. */
export const LOAD_HEADS: Readonly<Record<LoadColumn, readonly RegExp[]>> = {
  field: [/^field( ?name)?$/, /field|parcel/],
  at: [/^(date ?time|time ?stamp|date and time|unload time|time)$/, /^(date|day|when)$/, /date|time/],
  weight: [/^(net|weight|net weight|load weight|unload weight)( ?\(?(lb|lbs|kg|t)\)?)?$/, /weight|net|mass|pounds/, /bushels|\bbu\b/],
  moisture: [/^(moisture|moist|mc|h2o|water)( ?\(?%\)?)?$/, /moist|humid/],
  to: [/^(to|destination|unloaded (to|into)|truck|into)$/, /dest|truck|vehicle/],
  ticket: [/^(ticket|load|load id|id)( ?(no|number|#))?$/, /ticket|load/],
  crop: [/^crop/, /crop|commodity/],
}; // prettier-ignore

/** A load of a file as it would be taken in. */
export interface PlannedLoad {
  readonly row: number;
  readonly lot: string;
  /** ms since 1970 */
  readonly at: number;
  readonly wetKg: number;
  readonly moisture: number;
  readonly to: string;
  readonly ticket: string;
}

export type LoadFileProblem = 'no_field' | 'field_unknown' | 'no_season' | 'no_time' | 'no_weight' | 'no_moisture' | 'place_unknown' | 'in_future'; // prettier-ignore

export interface LoadPlan {
  readonly loads: readonly PlannedLoad[];
  readonly problems: readonly { readonly row: number; readonly what: LoadFileProblem; readonly text: string }[];
  /** Fields that are not in the season of their loads yet: with them the rows could be read. */
  readonly missing: readonly MissingLot[];
}

/** A field that has no place in a season; its crop then where the file says it. */
export interface MissingLot {
  readonly fieldId: string;
  readonly fieldName: string;
  readonly season: number;
  readonly crop: CropId | null;
}

const MOST_LOAD_KG = 100_000;
/** Two thousand acres at 250 bu of 60 lb. */
const MOST_FIELD_KG = 14_000_000;

const KG: Readonly<Record<'kilograms' | 'pounds' | 'tonnes', number>> = {
  kilograms: 1,
  pounds: KG_PER_LB,
  tonnes: 1000,
};

/** What unit a column of weights is in, by its head, else by its figures: nobody's load has a hundred tonnes, nor less than ten pounds. */
export function weightUnitOf(head: string, figures: readonly number[]): NonNullable<FileMatch['unit']> {
  const plain = head.toLowerCase();
  if (/\bbu\b|bushel/.test(plain)) return 'bushels';
  if (/\bkg\b|kilo/.test(plain)) return 'kilograms';
  if (/\blbs?\b|pound/.test(plain)) return 'pounds';
  if (/\bt\b|tonn/.test(plain)) return 'tonnes';
  const most = Math.max(0, ...figures);
  return most <= 60 ? 'tonnes' : most <= 1500 ? 'bushels' : 'pounds';
}

/**
 * Loads of a cart's or a display's export, each with its field, time, weight and moisture. What cannot be read is named with its row and kept
 * out.
 * @param options.first line of the file in which the first row stands
 * @param options.lot, options.to where the file has no such column @param options.moisture wet-basis fraction where the file has none
 */
export function planLoads(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  match: Readonly<Partial<Record<LoadColumn, string>>>,
  farm: {
    readonly lots: readonly LotInfo[];
    readonly places: readonly PlaceInfo[];
    readonly timeZone: string;
    readonly crops?: readonly Crop[];
  },
  options: {
    readonly first: number;
    readonly unit: NonNullable<FileMatch['unit']>;
    readonly dayFirst: boolean;
    readonly lot: string | null;
    readonly to: string;
    readonly moisture: number | null;
    readonly now: number;
    /** each line is a field's whole harvest, and no single load */
    readonly totals?: boolean;
    /** hears how much is done, 0 to 1 */
    readonly tell?: (done: number) => void;
  },
): LoadPlan {
  const at = (column: LoadColumn): number => (match[column] === undefined ? -1 : heads.indexOf(match[column]));
  const index = { field: at('field'), at: at('at'), weight: at('weight'), moisture: at('moisture'), to: at('to'), ticket: at('ticket'), crop: at('crop') }; // prettier-ignore
  const byName = new Map<string, LotInfo[]>();
  for (const lot of farm.lots)
    for (const name of [plainName(lot.fieldName), plainName(lot.tag)])
      byName.set(name, [...(byName.get(name) ?? []), lot]);
  const placeOf = new Map(farm.places.map((place) => [plainName(place.name), place.id]));
  const cells = (column: number): string[] => (column < 0 ? [] : rows.slice(0, 2000).map((row) => row[column] ?? ''));
  const commas = { weight: decimalComma(cells(index.weight)), moisture: decimalComma(cells(index.moisture)) };
  const own = options.lot === null ? undefined : farm.lots.find(({ id }) => id === options.lot);
  const loads: PlannedLoad[] = [];
  const missing = new Map<string, MissingLot>();
  const problems: { row: number; what: LoadFileProblem; text: string }[] = [];
  rows.forEach((row, i) => {
    if (i % TELL_EACH === 0) options.tell?.(i / rows.length);
    if (row.every((cell) => cell.trim() === '')) return;
    const line = options.first + i;
    const text = (column: number): string => (column < 0 ? '' : (row[column] ?? '').trim());
    const wrong = (what: LoadFileProblem, said: string): void => void problems.push({ row: line, what, text: said });
    const ms = momentIn(text(index.at), farm.timeZone, options.dayFirst);
    if (ms === null) return wrong('no_time', text(index.at));
    if (ms > options.now + 86_400_000) return wrong('in_future', text(index.at));
    let lot = own;
    if (index.field >= 0 && text(index.field) !== '') {
      const named = byName.get(plainName(text(index.field)));
      if (!named) return wrong('field_unknown', text(index.field));
      const year = new Date(ms).getUTCFullYear();
      lot = named.find(({ season }) => season === year);
      if (!lot) {
        const { fieldId, fieldName } = named[0]!;
        missing.set(`${fieldId} ${year}`, {
          fieldId,
          fieldName,
          season: year,
          crop: cropIn(text(index.crop), farm.crops),
        });
        return wrong('no_season', `${text(index.field)}, ${year}`);
      }
    }
    if (!lot) return wrong('no_field', '');
    const figure = figureIn(text(index.weight), commas.weight);
    const wetKg = figure === null ? null : figure * (options.unit === 'bushels' ? kgPerBushelOf(lot.crop) : KG[options.unit]); // prettier-ignore
    if (wetKg === null || !(wetKg > 0) || wetKg > (options.totals ? MOST_FIELD_KG : MOST_LOAD_KG))
      return wrong('no_weight', text(index.weight));
    const read = index.moisture < 0 || text(index.moisture) === '' ? options.moisture : figureIn(text(index.moisture), commas.moisture); // prettier-ignore
    // 16.5 and 0.165 are both met.
    const moisture = read === null ? null : read > 1 ? read / 100 : read;
    if (moisture === null || !(moisture >= 0.02) || moisture > MAX_MOISTURE) return wrong('no_moisture', text(index.moisture)); // prettier-ignore
    const to = index.to < 0 || text(index.to) === '' ? options.to : placeOf.get(plainName(text(index.to)));
    if (to === undefined) return wrong('place_unknown', text(index.to));
    loads.push({ row: line, lot: lot.id, at: ms, wetKg: Number(wetKg.toFixed(3)), moisture: Number(moisture.toFixed(5)), to, ticket: text(index.ticket).slice(0, 40) }); // prettier-ignore
  });
  return { loads, problems, missing: [...missing.values()] };
}
