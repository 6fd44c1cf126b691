import { type Crop, type CropId, cropIn, cropOf } from '../crops/index.js';
import { decimalComma, figureIn } from '../kernel/index.js';
import { type NeighborSheet, type Setting, SETTING_NAMES, SETTINGS, type Settings } from '../records/index.js';
import { bushelsPerAcreToKgPerHa, mphToMetresPerSecond } from '../units/index.js';
import type { SampleFactor } from './sample-quality.js';

/** Columns of a file of settings beside the settings themselves. */
export const SHEET_COLUMNS = [
  'machine',
  'crop',
  'variety',
  'moisture',
  'loss',
  'fines',
  'cracked',
  'foreign',
  'note',
] as const;
export type SheetColumn = (typeof SHEET_COLUMNS)[number] | Setting;

/** What a column of such a file is called; common practice, no source. */
export const SHEET_HEADS: Readonly<Record<SheetColumn, readonly RegExp[]>> = {
  machine: [/^(machine|combine)( name)?$/, /machine|combine/],
  crop: [/^crop$/, /crop|commodity/],
  variety: [/^(variety|hybrid)$/, /variety|hybrid/],
  moisture: [/^(moisture|mc)\b/, /moist/],
  loss: [/^(loss|machine loss|total loss)\b/, /loss/],
  fines: [/^fines/, /fines/],
  cracked: [/^(cracked|splits|broken)\b/, /crack|split/],
  foreign: [/^(foreign|fm)\b/, /foreign/],
  note: [/^(note|why|remark)s?$/, /note|why/],
  rotor: [/^(rotor|cylinder)( speed)?\b/, /rotor|cylinder/],
  concave: [/^concave( clearance)?\b/, /concave/],
  fan: [/^(cleaning )?fan\b/, /\bfan\b/],
  chaffer: [/^(chaffer|upper sieve|top sieve)\b/, /chaffer|upper/],
  sieve: [/^(lower sieve|bottom sieve|sieve)\b/, /sieve/],
  speed: [/^(ground speed|speed)\b(?!.*rpm)/, /ground speed/],
  reel: [/^reel/, /reel/],
  deckPlates: [/^deck ?plates?/, /deck/],
  headerHeight: [/^(header|head|cutting) ?height/, /height/],
  headerDrive: [/^(header|head) drive/, /drive/],
  spreader: [/^spreader/, /spreader/],
};

export interface SheetProblem {
  readonly row: number;
  readonly what: 'no_crop' | 'no_figure' | 'out_of_range' | 'no_setting';
  readonly column: SheetColumn;
  readonly text: string;
}

const MM_PER_INCH = 25.4;
const KMH = 3.6;

/** What a figure of a column is in the unit that a sheet keeps it in, by the unit in its head: rpm, inches, mph; figures without one are American. */
function inUnit(column: SheetColumn, head: string, figure: number): number {
  const plain = head.toLowerCase();
  if (column === 'speed') return /km\/?h/.test(plain) ? figure / KMH : /m\/s/.test(plain) ? figure : mphToMetresPerSecond(figure);
  if (!(SETTING_NAMES as readonly string[]).includes(column) || SETTINGS[column as Setting].unit !== 'mm') return figure;
  // Clearances that are not named are told apart by their size: nobody has three millimeters of header height, nor 20 in of sieve.
  if (/\bmm\b/.test(plain)) return figure;
  if (/\bcm\b/.test(plain)) return 10 * figure;
  if (/\bin\b|inch|"/.test(plain)) return MM_PER_INCH * figure;
  return figure <= (column === 'headerHeight' ? 40 : 2.5) ? MM_PER_INCH * figure : figure;
} // prettier-ignore

/**
 * Sheets of a neighbor's file. What cannot be read is named with its row and kept out; a row without any setting says nothing.
 * @param options.first line of the file in which the first row stands
 */
export function planSheets(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  match: Readonly<Partial<Record<SheetColumn, string>>>,
  options: { readonly first: number; readonly crops?: readonly Crop[] },
): { readonly sheets: readonly NeighborSheet[]; readonly problems: readonly SheetProblem[] } {
  const at = (column: SheetColumn): number => (match[column] === undefined ? -1 : heads.indexOf(match[column]));
  const columns = [...SHEET_COLUMNS, ...SETTING_NAMES].map((column) => ({ column, i: at(column) })).filter(({ i }) => i >= 0); // prettier-ignore
  const comma = new Map(columns.map(({ column, i }) => [column, decimalComma(rows.map((row) => row[i] ?? ''))]));
  const sheets: NeighborSheet[] = [];
  const problems: SheetProblem[] = [];
  rows.forEach((row, k) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const line = options.first + k;
    const cell = (column: SheetColumn): string => (at(column) < 0 ? '' : (row[at(column)] ?? '').trim());
    const wrong = (what: SheetProblem['what'], column: SheetColumn, text: string): void => void problems.push({ row: line, what, column, text }); // prettier-ignore
    const crop = cropIn(cell('crop'), options.crops);
    if (crop === null) return wrong('no_crop', 'crop', cell('crop'));
    const figures: Partial<Record<SheetColumn, number>> = {};
    for (const { column, i } of columns) {
      const typed = (row[i] ?? '').trim();
      if (typed === '' || column === 'machine' || column === 'crop' || column === 'variety' || column === 'note')
        continue;
      const figure = figureIn(
        typed.replace(/\s*(rpm|mm|in\.?|inch(es)?|mph|km\/h|bu\/ac|")\s*$/i, ''),
        comma.get(column)!,
      );
      if (figure === null) return wrong('no_figure', column, typed);
      const value = column === 'moisture' ? (figure > 1 ? figure / 100 : figure) : column === 'loss' && /kg/i.test(heads[i]!) ? figure / perAcreOf(crop) : inUnit(column, heads[i]!, figure); // prettier-ignore
      const [least, most] = limitsOf(column);
      if (!(value >= least && value <= most)) return wrong('out_of_range', column, typed);
      figures[column] = Number(value.toPrecision(10));
    }
    const values = Object.fromEntries(SETTING_NAMES.flatMap((name) => (figures[name] === undefined ? [] : [[name, figures[name]]]))); // prettier-ignore
    if (Object.keys(values).length === 0) return wrong('no_setting', 'rotor', '');
    const said = (column: SheetColumn): number | undefined => figures[column];
    sheets.push({
      machine: cell('machine').slice(0, 60),
      crop,
      variety: cell('variety').slice(0, 60),
      note: cell('note').slice(0, 200),
      ...(said('moisture') === undefined ? {} : { moisture: said('moisture')! }),
      ...(said('loss') === undefined ? {} : { lossBu: said('loss')! }),
      ...Object.fromEntries((['fines', 'cracked', 'foreign'] as const).flatMap((name) => (said(name) === undefined ? [] : [[name, said(name)]]))), // prettier-ignore
      ...values,
    });
  });
  return { sheets, problems };
}

/** kg/ha of a bushel an acre. */
const perAcreOf = (crop: CropId): number => bushelsPerAcreToKgPerHa(1, cropOf(crop)!.legalPounds);

function limitsOf(column: SheetColumn): readonly [number, number] {
  if (column === 'loss') return [0, 200];
  if (column === 'moisture') return [0.02, 0.6];
  if (column === 'fines' || column === 'foreign') return [0, 50];
  if (column === 'cracked') return [0, 100];
  const { least, most } = SETTINGS[column as Setting];
  return [least, most];
}

/** A neighbor's sheet as its settings, for whoever looks or takes them over. */
export const valuesOfSheet = (sheet: NeighborSheet): Settings =>
  Object.fromEntries(SETTING_NAMES.flatMap((name) => (sheet[name] === undefined ? [] : [[name, sheet[name]]])));

/** Whether two files of a neighbor say the same, whatever order their columns had. */
export const sameSheets = (a: readonly NeighborSheet[], b: readonly NeighborSheet[]): boolean =>
  a.length === b.length &&
  a.every((one, i) => {
    const other = b[i]! as unknown as Readonly<Record<string, unknown>>;
    const own = one as unknown as Readonly<Record<string, unknown>>;
    return [...new Set([...Object.keys(own), ...Object.keys(other)])].every((name) => own[name] === other[name]);
  });

/** One sheet of the own settings, as a neighbor is given it. */
export interface GivenSheet {
  readonly machine: string;
  readonly crop: string;
  readonly variety: string;
  readonly moisture: number | null;
  readonly lossBu: number | null;
  readonly figures: Readonly<Partial<Record<SampleFactor, number>>>;
  readonly note: string;
  readonly values: Settings;
}

const HEAD_WORDS: Readonly<Record<SheetColumn, string>> = {
  ...{ machine: 'Machine', crop: 'Crop', variety: 'Variety', moisture: 'Moisture %', loss: 'Loss bu/ac', note: 'Note' },
  ...{ fines: 'Fines %', cracked: 'Cracked %', foreign: 'Foreign %', rotor: 'Rotor rpm', concave: 'Concave mm' },
  ...{ fan: 'Cleaning fan rpm', chaffer: 'Chaffer mm', sieve: 'Lower sieve mm', speed: 'Ground speed mph' },
  ...{ reel: 'Reel index', deckPlates: 'Deck plates mm', headerHeight: 'Header height mm' },
  ...{ headerDrive: 'Header drive rpm', spreader: 'Spreader rpm' },
};

/** Own sheets as the rows of a file that {@link planSheets} reads again, heads first. */
export function sheetRows(sheets: readonly GivenSheet[]): string[][] {
  const columns = [...SHEET_COLUMNS, ...SETTING_NAMES];
  const fixed = (value: number | null | undefined, digits: number): string => (value === null || value === undefined ? '' : String(Number(value.toFixed(digits)))); // prettier-ignore
  const cellOf = (sheet: GivenSheet, column: SheetColumn): string => {
    switch (column) {
      case 'machine':
      case 'variety':
      case 'note':
        return sheet[column];
      case 'crop':
        return cropOf(sheet.crop)?.name ?? sheet.crop;
      case 'moisture':
        return fixed(sheet.moisture === null ? null : 100 * sheet.moisture, 2);
      case 'loss':
        return fixed(sheet.lossBu, 3);
      case 'fines':
      case 'cracked':
      case 'foreign':
        return fixed(sheet.figures[column], 2);
      case 'speed':
        return fixed(sheet.values.speed === undefined ? null : sheet.values.speed / mphToMetresPerSecond(1), 3);
      default:
        return fixed(sheet.values[column], 3);
    }
  };
  return [columns.map((column) => HEAD_WORDS[column]), ...sheets.map((sheet) => columns.map((column) => cellOf(sheet, column)))]; // prettier-ignore
}
