import { requireFinite, toWallTime } from '../kernel/index.js';
import { rateAt } from '../cut/index.js';
import { bushelPointsAt, type DryerAbility, dryerOf } from '../dry/index.js';
import {
  asBuyer,
  buyerOffset,
  buyerSaid,
  cornDrydown,
  type Criterion,
  cuttableAcres,
  type FieldFacts,
  fieldFacts,
  fieldNow,
  type FieldRow,
  type RankedField,
  rankFields,
  type School,
  SCHOOLS,
  testersFor,
  testersOf,
  type ZoneNow,
  zonesOf,
  zonesStanding,
} from '../fields/index.js';
import { type FarmView, instantOf } from '../ledger/index.js';
import { type CuttingWindow, type FieldRecords, living, type NextFieldPlan, windowFor } from '../records/index.js';
import { acresToHectares, bushelsPerAcreToKgPerHa, kilogramsPerBushel } from '../units/index.js';
import { combineRate, cutLast } from './chain-view.js';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Chance from which on an hour counts as rain. Common practice, no source. */
const RAIN = 0.4;
/** Points a day that any corn loses at most. Common practice, no source. */
const MOST_A_DAY = 5;

/** The plan of a farm that made none. */
export const USUAL_NEXT_FIELD: NextFieldPlan = {
  school: 'steady',
  weights: { ...SCHOOLS.steady.weights },
  ownOrder: [],
  facts: {},
  mostStep: 2,
  bushelPointsPerHour: 0,
  dryTo: 0.15,
};

export interface FieldStanding {
  readonly facts: FieldFacts;
  /** parts that stay until another day */
  readonly waiting: readonly ZoneNow[];
  /** acres that can be cut today */
  readonly toCut: number;
  /** as the buyer would likely test it; null: nobody read it */
  readonly moisture: number | null;
}

export interface NextFields {
  readonly ranked: readonly RankedField[];
  /** Fields with anything left, those among them of which all that is left waits. */
  readonly left: readonly FieldStanding[];
  /** Those that can be cut today, by lot. */
  readonly standing: ReadonlyMap<string, FieldStanding>;
  /** bu/h of all combines */
  readonly combineBushelsPerHour: number;
  /** by the machines' profiles, and not typed */
  readonly byProfile: boolean;
  readonly dryer: DryerAbility | null;
  /** wet-basis fraction of the last loads off the combine; null: none in the book */
  readonly wetLoads: number | null;
  /** bu that the wet bins still take; null: there is none */
  readonly roomBushels: number | null;
  readonly rainComes: boolean;
}

/** Points a day that a field loses standing: what somebody said, or its own readings of the last month; left out where neither says it. */
function pointsADay(farm: FarmView, records: FieldRecords, facts: FieldFacts, said: number | undefined): number | undefined {
  const { lot } = facts.row;
  if (said !== undefined || lot.crop === 'soybean') return said;
  const { now } = farm.data;
  const testers = testersFor(testersOf(records), facts.crop.id, buyerSaid(records));
  const own = living<'reading'>(records.logs.reading)
    .flatMap(({ body: { fieldId, at, moisture, tester = '' } }) =>
      fieldId === lot.fieldId && moisture !== undefined ? [{ at: instantOf(at), moisture: asBuyer(moisture, buyerOffset(testers.get(tester))) }] : [],
    )
    .filter(({ at }) => at <= now && at > now - 30 * DAY_MS)
    .sort((a, b) => a.at - b.at);
  if (own.length < 2) return undefined;
  const dayOfYear = Math.min(366, 1 + Math.floor((now - Date.UTC(lot.season, 0, 1)) / DAY_MS));
  const curve = cornDrydown(own.map(({ at, moisture }) => ({ day: at / DAY_MS, moisture })), dayOfYear);
  const today = (now - own[0]!.at) / DAY_MS;
  return Math.min(MOST_A_DAY, Math.max(0, 100 * (curve.moistureAt(today) - curve.moistureAt(today + 1))));
} // prettier-ignore

/** Hours until a window closes today, 0 outside of its hours; null where none are set. */
function closesIn(window: CuttingWindow | undefined, nowMs: number, timeZone: string): number | null {
  if (window?.closesAt === undefined && window?.opensAt === undefined) return null;
  const wall = toWallTime(nowMs, timeZone);
  const hour = Number(wall.slice(11, 13)) + Number(wall.slice(14, 16)) / 60;
  const [opens, closes] = [window.opensAt ?? 0, window.closesAt ?? 24];
  return hour < opens ? 0 : Math.max(0, closes - hour);
}

/**
 * Which field next: the farm's fields in the order that a plan gives, from its readings, windows, machines and dryer.
 * @param plan as it is kept, or as somebody tries it @param today day of the farm's calendar
 * @param weather hours in their order @throws RangeRefusal for a plan whose weights rank nothing
 */
export function nextFields(
  farm: FarmView,
  records: FieldRecords,
  rows: readonly FieldRow[],
  plan: NextFieldPlan,
  at: { readonly today: string; readonly weather: readonly { readonly at: string; readonly rainChance: number }[] },
): NextFields {
  const nowMs = requireFinite('time', farm.data.now, 'ms');
  const zones = zonesStanding(records.settings.fieldZone, at.today);
  const planned = { ...records, settings: { ...records.settings, nextFieldPlan: { farm: { revision: 0, value: plan } } } }; // prettier-ignore
  const testers = testersOf(records);
  const left = fieldFacts(farm, rows, planned)
    .filter(({ acresLeft }) => acresLeft > 0)
    .map((facts): FieldStanding => {
      // Parts that stay until another day: what is left without them is what can be cut.
      const waiting = zonesOf(zones, facts.row.lot).filter(({ waits }) => waits);
      const moisture = fieldNow(facts.row, testers, buyerSaid(records))?.moisture ?? null;
      return { facts, waiting, toCut: cuttableAcres(facts, waiting), moisture };
    });
  // Where all that is left waits, nobody goes today.
  const standing = new Map(left.filter(({ toCut }) => toCut > 0).map((one) => [one.facts.row.lot.id, one]));
  const machines = Object.values(records.settings.combineProfile).map(({ value }) => value);
  const byProfile = machines.some(({ goodRate }) => goodRate > 0);
  // Where the combines stand: the field of the last load.
  const last = cutLast(rows);
  // One rate on every page: by the machines' profiles; typed in the plan only while none is written.
  const combineBushelsPerHour = byProfile ? combineRate(farm, records, rows, last?.lot.crop ?? 'corn') : (plan.combineBushelsPerHour ?? 0); // prettier-ignore
  const wetBins = farm.data.places.filter(({ kind }) => kind === 'wetBin');
  const roomBushels = wetBins.reduce(
    (sum, bin) => sum + Math.max(0, (bin.capacityBu ?? 0) - farm.bushels(farm.held(bin.id).wetLots)),
    0,
  );
  const wetLoads = last?.lastMoisture?.source === 'combine' ? last.lastMoisture.moisture : null;
  // One dryer on every page: by its own sheet; typed in the plan only while none is written.
  const sheeted = dryerOf(records);
  const able = sheeted?.setup ? sheeted : plan;
  const dryer =
    able.bushelPointsPerHour > 0 && combineBushelsPerHour > 0 && wetLoads !== null
      ? {
          bushelPointsPerHour: bushelPointsAt(able, Math.max(0, 100 * (wetLoads - able.dryTo))),
          dryTo: able.dryTo,
          combineBushelsPerHour,
          roomBushels,
          lastMoisture: wetLoads,
          mostStep: able.mostStep,
        }
      : null;
  const rain = at.weather.find((hour) => instantOf(hour.at) > nowMs && hour.rainChance >= RAIN);
  const ranked = rankFields({
    fields: [...standing.values()].map(({ facts, toCut, moisture }) => {
      const own = plan.facts[facts.row.lot.fieldId];
      const pointsPerDay = pointsADay(farm, records, facts, own?.pointsPerDay);
      const kgPerHa = bushelsPerAcreToKgPerHa(facts.expected ?? 0, facts.crop.legalPounds);
      // Thin crops are cut no faster than the ground allows.
      const bySpeed = machines.reduce((sum, m) => sum + rateAt(m.speedLimit, m.headWidth, kgPerHa) * m.fieldEfficiency, 0); // prettier-ignore
      const kgPerHour = Math.min(combineBushelsPerHour * kilogramsPerBushel(facts.crop.legalPounds), bySpeed > 0 ? bySpeed : Infinity); // prettier-ignore
      return {
        id: facts.row.lot.id,
        moisture,
        ...(pointsPerDay === undefined ? {} : { pointsPerDay }),
        base: facts.crop.baseMoisture,
        standability: own?.standability ?? 0,
        ...(own?.maturity === undefined ? {} : { maturity: own.maturity }),
        closesIn: closesIn(windowFor(records, facts.crop.id, null)?.value, nowMs, farm.data.farm.timeZone),
        distance: own?.distance ?? 0,
        area: acresToHectares(toCut),
        hours: kgPerHour > 0 ? (kgPerHa * acresToHectares(toCut)) / kgPerHour : 0,
      };
    }),
    // What a kept plan does not weigh, its school does.
    weights: { ...(SCHOOLS[plan.school as School] ?? SCHOOLS.steady).weights, ...plan.weights } as Record<Criterion, number>, // prettier-ignore
    // Another crop goes another way than through today's dryer setting.
    dryer,
    rainIn: rain ? Math.max(0, (instantOf(rain.at) - nowMs) / HOUR_MS) : null,
    ownOrder: plan.ownOrder,
  });
  return {
    ...{ ranked, left, standing, combineBushelsPerHour, byProfile, dryer: sheeted, wetLoads },
    roomBushels: wetBins.length === 0 ? null : roomBushels,
    rainComes: rain !== undefined,
  };
}
