import { inOrder } from '../kernel/index.js';
import { cropOf, CROPS } from '../crops/index.js';
import { baseMoistureOf, type FarmView } from '../ledger/index.js';
import type { FieldZone } from '../records/index.js';
import { dryBushels } from '../units/index.js';
import type { FieldRow, ZoneCut } from './view.js';
import type { FarmZones } from './zones.js';

/** A part of a field with what its loads brought; the rest of the field is a part too. */
export interface FieldPart {
  /** null: what is in none of them */
  readonly zoneId: string | null;
  readonly zone: FieldZone | null;
  readonly acres: number;
  /** null: no load names it */
  readonly cut: ZoneCut | null;
}

const isOf = ({ lot }: FieldRow, zone: FieldZone): boolean =>
  zone.fieldId === lot.fieldId && zone.season === lot.season && !zone.gone;

/**
 * Parts of a field and the rest of it. Loads that name a part which was taken out count to the rest, so the parts always add up to the
 * field.
 */
export function partsOf(row: FieldRow, zones: FarmZones): FieldPart[] {
  const own = Object.entries(zones).filter(([, { value }]) => isOf(row, value));
  const known = new Set(own.map(([id]) => id));
  const cuts = row.cutByZone ?? [];
  const cutOf = new Map(cuts.map((cut) => [cut.zoneId, cut]));
  const others = cuts.filter(({ zoneId }) => zoneId === null || !known.has(zoneId));
  const byTime = [...others].sort((a, b) => inOrder(a.last, b.last));
  const sum = (key: 'wetKg' | 'dryKg'): number => others.reduce((kg, one) => kg + one[key], 0);
  const rest: ZoneCut | null =
    cuts.length === 0 && row.cutWetKg > 0
      ? { zoneId: null, wetKg: row.cutWetKg, dryKg: row.cutDryKg, first: row.firstCut!, last: row.lastCut!, lastMoisture: 1 - row.cutDryKg / row.cutWetKg } // prettier-ignore
      : byTime.length === 0
        ? null
        : { ...byTime.at(-1)!, zoneId: null, wetKg: sum('wetKg'), dryKg: sum('dryKg'), first: others.reduce((first, one) => (one.first < first ? one.first : first), byTime[0]!.first) }; // prettier-ignore
  return [
    ...own.map(([zoneId, { value: zone }]) => ({ zoneId, zone, acres: zone.acres, cut: cutOf.get(zoneId) ?? null })),
    {
      zoneId: null,
      zone: null,
      acres: Math.max(0, row.lot.acres - own.reduce((acres, [, { value }]) => acres + value.acres, 0)),
      cut: rest,
    },
  ];
}

/** What a part brought. */
export interface PartYield {
  readonly part: FieldPart;
  /** bushels at the crop's base moisture */
  readonly bushels: number;
  /** wet-basis fraction of all of it; null where no load names it */
  readonly moisture: number | null;
  /** bushels an acre; null while it is being cut, or where nobody measured it */
  readonly perAcre: number | null;
}

/**
 * What each part of a field brought, as its loads say. An acre's yield is told of a part that is cut whole: one marked so, or any of a field
 * that is done.
 * @param done nothing of the field is left
 */
export function yieldByPart(farm: Pick<FarmView, 'data'>, row: FieldRow, zones: FarmZones, done: boolean): PartYield[] {
  const crop = cropOf(row.lot.crop) ?? CROPS.corn;
  const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
  return partsOf(row, zones).map((part): PartYield => {
    const bushels = part.cut === null ? 0 : dryBushels(part.cut.dryKg, crop.legalPounds, base);
    const whole = done || part.zone?.cutOn !== undefined;
    return {
      part,
      bushels,
      moisture: part.cut !== null && part.cut.wetKg > 0 ? 1 - part.cut.dryKg / part.cut.wetKg : null,
      perAcre: whole && part.cut !== null && part.acres > 0 ? bushels / part.acres : null,
    };
  });
}

/** A variety over all ground that is cut whole. */
export interface VarietyYield {
  /** '' where nobody told */
  readonly variety: string;
  readonly crop: string;
  readonly acres: number;
  readonly bushels: number;
  readonly perAcre: number;
  /** wet-basis fraction as it came off */
  readonly moisture: number;
  readonly fields: number;
}

/**
 * Yield by variety, the best of each crop first. Different ground and different days: what stands beside each other here is no trial.
 * @param done whether nothing of a field is left
 */
export function yieldByVariety(
  farm: Pick<FarmView, 'data'>,
  rows: readonly FieldRow[],
  zones: FarmZones,
  done: (row: FieldRow) => boolean,
): VarietyYield[] {
  const found = new Map<string, { wetKg: number; dryKg: number; fields: Set<string> } & Omit<VarietyYield, 'fields' | 'perAcre' | 'moisture'>>(); // prettier-ignore
  for (const row of rows)
    for (const { part, bushels, perAcre } of yieldByPart(farm, row, zones, done(row))) {
      if (perAcre === null || part.cut === null) continue;
      const [variety, crop] = [part.zone?.variety ?? row.lot.variety ?? '', row.lot.crop];
      const key = JSON.stringify([crop, variety]);
      const before = found.get(key) ?? { variety, crop, acres: 0, bushels: 0, wetKg: 0, dryKg: 0, fields: new Set() };
      found.set(key, {
        ...before,
        acres: before.acres + part.acres,
        bushels: before.bushels + bushels,
        wetKg: before.wetKg + part.cut.wetKg,
        dryKg: before.dryKg + part.cut.dryKg,
        fields: new Set([...before.fields, row.lot.fieldId]),
      });
    }
  return [...found.values()]
    .map(({ wetKg, dryKg, fields, ...rest }) => ({
      ...rest,
      perAcre: rest.bushels / rest.acres,
      moisture: wetKg > 0 ? 1 - dryKg / wetKg : 0,
      fields: fields.size,
    }))
    .sort((a, b) => (a.crop < b.crop ? -1 : a.crop > b.crop ? 1 : b.perAcre - a.perAcre));
}
