import { leftToCut, type LeftToCut, tankOverWay } from '../cut/index.js';
import {
  cuttableAcres,
  fieldFacts,
  type FieldFacts,
  type FieldRow,
  type ZoneNow,
  zonesOf,
  zonesStanding,
} from '../fields/index.js';
import { machineRate } from '../haul/index.js';
import type { FarmView } from '../ledger/index.js';
import { type FieldRecords, living } from '../records/index.js';
import { acresToHectares, bushelsPerAcreToKgPerHa, kilogramsPerBushel } from '../units/index.js';

/** What a field still has, as the one who cuts it asks. */
export interface FieldLeft {
  readonly facts: FieldFacts;
  /** that stand and can be cut today */
  readonly acres: number;
  /** zones that still stand, those first that wait */
  readonly zones: readonly ZoneNow[];
  /** where the acres are from: rows counted from the seat, the display's count, what the loads brought, or the field's own acres */
  readonly by: 'rows' | 'display' | 'loads' | 'field';
  /** m, of the last count in this field, or as the field's facts have it; null: nobody told */
  readonly passLength: number | null;
  /** m, of the head that is on; null where it is no row head */
  readonly rowSpacing: number | null;
  readonly left: LeftToCut;
  /** a pass there and back against the tank; null where something of it is not known */
  readonly round: { readonly wayKg: number; readonly makesIt: boolean; readonly fullAfter: number | null } | null;
}

/**
 * What is left of the field that a machine cuts. Rows that somebody counted go before the loads, less what was cut since.
 * @param today day of the farm's calendar
 * @param inTankKg what is in its tank now
 * @returns null for a field that is not in the season, or a machine without a profile
 */
export function fieldLeft(
  farm: FarmView,
  records: FieldRecords,
  rows: readonly FieldRow[],
  at: { readonly machineId: string; readonly lotId: string; readonly today: string; readonly inTankKg: number },
): FieldLeft | null {
  const facts = fieldFacts(farm, rows, records).find(({ row }) => row.lot.id === at.lotId);
  const profile = records.settings.combineProfile[at.machineId]?.value;
  if (!facts || !profile) return null;
  const { lot } = facts.row;
  const perBu = kilogramsPerBushel(facts.crop.legalPounds);
  const yieldKgPerHa = facts.expected === null ? null : bushelsPerAcreToKgPerHa(facts.expected, facts.crop.legalPounds);
  // Newest first: of this season or of another, a row of this field is as long.
  const told = living(records.logs.rowsLeft).find(({ body }) => farm.lot(body.lotId)?.fieldId === lot.fieldId)?.body;
  const zones = zonesOf(zonesStanding(records.settings.fieldZone, at.today), lot);
  const acres = cuttableAcres(facts, zones);
  const head = profile.heads?.find(({ name }) => name === profile.headOn);
  const rowSpacing = head?.rows ? head.width / head.rows : (told?.rowSpacing ?? null);
  const passLength =
    told?.passLength ?? records.settings.nextFieldPlan.farm?.value.facts[lot.fieldId]?.passLength ?? null;
  const trucks = farm.data.places.filter(({ kind, capacityBu }) => kind === 'truck' && capacityBu !== null);
  const loadKg =
    trucks.length === 0 ? null : (perBu * trucks.reduce((sum, { capacityBu }) => sum + capacityBu!, 0)) / trucks.length;
  const rate = machineRate(farm, records, rows, at.machineId, lot.crop)?.inField ?? null;
  return {
    facts,
    acres,
    zones,
    by:
      facts.counted !== null
        ? 'rows'
        : facts.shownCut !== null
          ? 'display'
          : facts.row.cutDryKg > 0 && facts.expected !== null
            ? 'loads'
            : 'field',
    passLength,
    rowSpacing,
    left: leftToCut({
      area: acresToHectares(acres) * 10_000,
      headWidth: profile.headWidth,
      passLength,
      rowSpacing,
      yieldKgPerHa,
      rate,
      loadKg,
    }),
    round:
      passLength === null || yieldKgPerHa === null
        ? null
        : tankOverWay({
            inTankKg: Math.max(0, at.inTankKg),
            tankKg: profile.tankBu * perBu,
            width: profile.headWidth,
            wayLength: 2 * passLength,
            yieldKgPerHa,
          }),
  };
}
