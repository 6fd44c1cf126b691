import { checkOf, sheetAt } from '../cut/index.js';
import { cropOf } from '../crops/index.js';
import { groupBy, inOrder } from '../kernel/index.js';
import { baseMoistureOf, type BookDefaults, type FarmBook, instantOf, type LotInfo } from '../ledger/index.js';
import { living, type RecordsOf, type Settings } from '../records/index.js';
import { dryBushels } from '../units/index.js';

/** What of a field was cut with one sheet of settings. */
export interface YearSheet {
  readonly sheetId: string;
  readonly machine: string;
  readonly values: Settings;
  readonly wetKg: number;
  readonly dryKg: number;
  /** bu/ac, mean of what was counted under it in the field; null: nobody counted */
  readonly loss: number | null;
}

/** A field of a season as far as years are compared. */
export interface YearLot {
  readonly lotId: string;
  readonly fieldId: string;
  readonly fieldName: string;
  readonly crop: string;
  readonly season: number;
  readonly variety: string;
  readonly acres: number;
  readonly wetKg: number;
  readonly dryKg: number;
  /** its last load lies within a week of the book's last one: it may not be finished */
  readonly open: boolean;
  readonly sheets: readonly YearSheet[];
}

const WEEK_MS = 7 * 24 * 3_600_000;

/** Every field that was cut, of all seasons, with the settings that it was cut with and what was counted under them. */
export function yearLots(
  { ledger, lots, places }: FarmBook,
  records: RecordsOf<'settingsEntry' | 'lossCheck', 'combineProfile'>,
): YearLot[] {
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  const combines = places.filter(({ kind }) => kind === 'combine');
  const byMachine = groupBy(living<'settingsEntry'>(records.logs.settingsEntry).map(({ body }) => body), ({ machineId }) => machineId); // prettier-ignore
  const byId = new Map(records.logs.settingsEntry.map(({ body }) => [body.id, body]));
  interface Sum {
    wetKg: number;
    dryKg: number;
    lastMs: number;
    readonly sheets: Map<string, { wetKg: number; dryKg: number; losses: number[] }>;
  }
  const sums = new Map<string, Sum>();
  let newest = -Infinity;
  for (const entry of ledger.entriesFrom(0)) {
    if (entry.type !== 'harvest') continue;
    const load = ledger.effective(entry.id);
    if (!load) continue;
    const atMs = instantOf(entry.at);
    newest = Math.max(newest, atMs);
    const sum = sums.get(entry.lot) ?? { wetKg: 0, dryKg: 0, lastMs: atMs, sheets: new Map() };
    sums.set(entry.lot, sum);
    sum.wetKg += load.wetKg;
    sum.dryKg += load.dryKg;
    sum.lastMs = Math.max(sum.lastMs, atMs);
    const machine = combines.find(({ id }) => entry.to === id || entry.device?.startsWith(`${id}-`)) ?? (combines.length === 1 ? combines[0] : undefined); // prettier-ignore
    const sheet = machine && sheetAt(byMachine.get(machine.id) ?? [], atMs);
    if (!sheet) continue;
    const own = sum.sheets.get(sheet.id) ?? { wetKg: 0, dryKg: 0, losses: [] };
    sum.sheets.set(sheet.id, own);
    own.wetKg += load.wetKg;
    own.dryKg += load.dryKg;
  }
  const farm = { lot: (id: string): LotInfo | undefined => lotOf.get(id) };
  for (const { body } of living<'lossCheck'>(records.logs.lossCheck)) {
    const own = sums.get(body.lotId)?.sheets.get(body.settingsId ?? '');
    if (!own) continue;
    const check = checkOf(farm, body, records.settings.combineProfile[body.machineId]?.value, undefined);
    if (check.noResult === null) own.losses.push(check.parts.machine!.bushelsPerAcre);
  }
  return lots.flatMap((lot): YearLot[] => {
    const sum = sums.get(lot.id);
    if (!sum || sum.dryKg <= 0) return [];
    const { id: lotId, fieldId, fieldName, crop, season, variety, acres } = lot;
    const sheets = [...sum.sheets].map(([sheetId, { wetKg, dryKg, losses }]): YearSheet => {
      const { machineId, values } = byId.get(sheetId)!;
      const loss = losses.length === 0 ? null : losses.reduce((a, b) => a + b, 0) / losses.length;
      return { sheetId, machine: places.find(({ id }) => id === machineId)?.name ?? machineId, values, wetKg, dryKg, loss }; // prettier-ignore
    });
    return [{ lotId, fieldId, fieldName, crop, season, variety, acres, wetKg: sum.wetKg, dryKg: sum.dryKg, open: newest - sum.lastMs < WEEK_MS, sheets }]; // prettier-ignore
  });
}

/** What years are held against each other by. */
export const YEARS_BY = ['field', 'variety', 'moisture', 'settings'] as const;
export type YearsBy = (typeof YEARS_BY)[number];

export interface YearCell {
  readonly acres: number;
  /** at the base */
  readonly bushels: number;
  /** bu/ac; null by settings, which have no acres of their own */
  readonly perAcre: number | null;
  /** wet-basis fraction as it came off */
  readonly moisture: number;
  /** bu/ac counted, weighed by what was cut; null: nobody counted */
  readonly loss: number | null;
  readonly fields: number;
  /** a field of it may not be finished */
  readonly open: boolean;
}

export interface YearsRow {
  readonly key: string;
  /** of settings: rotor and fan that they share, by the machine's name */
  readonly name: string;
  readonly machine: string;
  readonly values: Settings;
  readonly cells: Readonly<Record<number, YearCell>>;
}

/** Moistures are put together two points at a time. */
const BAND = 0.02;
/** Settings that a sheet is known by; the rest of it moves from hour to hour. */
const MAIN = ['rotor', 'concave', 'fan'] as const;

/**
 * Years side by side, of one crop: by field, by variety, by the moisture at which fields came off, or by the settings that they were cut with.
 * Other ground and other weather lie between years: what differs is shown, and no cause is claimed.
 */
export function yearsBy(
  lots: readonly YearLot[],
  crop: string,
  by: YearsBy,
  defaults: BookDefaults,
): { readonly seasons: readonly number[]; readonly rows: readonly YearsRow[] } {
  const own = lots.filter((lot) => lot.crop === crop);
  const legal = cropOf(crop)?.legalPounds ?? 56;
  const base = baseMoistureOf(crop, defaults);
  interface Part {
    readonly row: Omit<YearsRow, 'cells'>;
    readonly season: number;
    readonly fieldId: string;
    readonly acres: number;
    readonly wetKg: number;
    readonly dryKg: number;
    readonly loss: number | null;
    readonly open: boolean;
  }
  const parts = own.flatMap((lot): Part[] => {
    const { season, fieldId, open } = lot;
    const whole = { season, fieldId, open, acres: lot.acres, wetKg: lot.wetKg, dryKg: lot.dryKg, loss: null };
    const row = (key: string, name: string): Part['row'] => ({ key, name, machine: '', values: {} });
    switch (by) {
      case 'field':
        return [{ row: row(fieldId, lot.fieldName), ...whole }];
      case 'variety':
        return [{ row: row(lot.variety, lot.variety), ...whole }];
      case 'moisture': {
        const band = Math.floor((1 - lot.dryKg / lot.wetKg) / BAND + 1e-9);
        return [{ row: row(String(band).padStart(3, '0'), String(band * BAND)), ...whole }];
      }
      case 'settings':
        return lot.sheets.map(({ machine, values, wetKg, dryKg, loss }): Part => {
          const main = Object.fromEntries(MAIN.flatMap((name) => (values[name] === undefined ? [] : [[name, values[name]]]))); // prettier-ignore
          return { row: { key: `${machine} ${JSON.stringify(main)}`, name: machine, machine, values: main }, season, fieldId, open, acres: 0, wetKg, dryKg, loss }; // prettier-ignore
        });
    }
  });
  const rows = [...groupBy(parts, ({ row }) => row.key).values()].map((of): YearsRow => {
    const cells = [...groupBy(of, ({ season }) => season)].map(([season, all]): [number, YearCell] => {
      const sum = (figure: (part: Part) => number): number => all.reduce((total, part) => total + figure(part), 0);
      const [acres, wetKg, dryKg] = [sum((part) => part.acres), sum((part) => part.wetKg), sum((part) => part.dryKg)];
      const counted = all.filter(({ loss }) => loss !== null);
      const weight = counted.reduce((total, part) => total + part.dryKg, 0);
      const bushels = dryBushels(dryKg, legal, base);
      return [
        season,
        {
          acres,
          bushels,
          perAcre: acres > 0 ? bushels / acres : null,
          moisture: 1 - dryKg / wetKg,
          loss: weight > 0 ? counted.reduce((total, part) => total + part.loss! * part.dryKg, 0) / weight : null,
          fields: new Set(all.map(({ fieldId }) => fieldId)).size,
          open: all.some((part) => part.open),
        },
      ];
    });
    return { ...of[0]!.row, cells: Object.fromEntries(cells) };
  });
  const best = ({ cells }: YearsRow): number => Math.max(...Object.values(cells).map(({ bushels }) => bushels));
  return {
    seasons: [...new Set(own.map(({ season }) => season))].sort((a, b) => b - a),
    rows: rows.sort((a, b) => (by === 'settings' ? best(b) - best(a) : inOrder(a.key, b.key))),
  };
}
