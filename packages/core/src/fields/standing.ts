import { type Crop, cropOf, CROPS } from '../crops/index.js';
import { LEAST_PAIRS, likelyBuyerReading } from '../grain/index.js';
import { baseMoistureOf, type FarmView, instantOf } from '../ledger/index.js';
import { areaOfRows } from '../cut/index.js';
import { living, type LogEntry, type RecordsOf, type RowsLeft } from '../records/index.js';
import { dryBushels, kgPerHaToBushelsPerAcre, kilogramsPerBushel, M2_PER_ACRE } from '../units/index.js';
import type { FieldRow } from './view.js';
import { acresToCut, type FarmZones, type ZoneNow } from './zones.js';
import { partsOf } from './by-part.js';

/** What a field still has, from what it was expected to bring and what it brought. */
export interface FieldFacts {
  readonly row: FieldRow;
  readonly crop: Crop;
  /** bu/ac at the crop's base; null where nobody expects anything yet. */
  readonly expected: number | null;
  /** Somebody typed what it will bring. */
  readonly typed: boolean;
  readonly acresLeft: number;
  readonly cuttingToday: boolean;
  /** rows that somebody counted from the seat, where they go before the loads */
  readonly counted: RowsLeft | null;
  /** acres that the displays counted as cut, where they go before the loads: nobody counted rows since */
  readonly shownCut: { readonly acres: number; readonly at: string } | null;
}

/** What was told of fields that stand: the farm's own facts, and rows counted from the seat where the view has them. */
export type StandingRecords = RecordsOf<never, 'nextFieldPlan'> & {
  readonly logs: { readonly rowsLeft?: readonly LogEntry<'rowsLeft'>[] };
  readonly settings: { readonly fieldZone?: FarmZones };
};

/** A rest this small is the edge of the map, not a field to go back to. */
const REST = 0.04;

export function fieldFacts(
  farm: Pick<FarmView, 'data'>,
  rows: readonly FieldRow[],
  records: StandingRecords | undefined,
): FieldFacts[] {
  const facts = records?.settings.nextFieldPlan.farm?.value.facts ?? {};
  // Newest first: the first of a lot is the one that counts.
  const counts = living<'rowsLeft'>(records?.logs.rowsLeft ?? []);
  const dry = (row: FieldRow, crop: Crop): number =>
    dryBushels(row.cutDryKg, crop.legalPounds, baseMoistureOf(crop.id, farm.data.farm.defaults));
  /** What the loads leave: a part that is cut is gone whole, whatever it brought. */
  const standing = (row: FieldRow, crop: Crop, expected: number): number => {
    const zones = records?.settings.fieldZone ?? {};
    const over = partsOf(row, zones).filter(({ zone }) => zone?.cutOn !== undefined);
    const acres = row.lot.acres - over.reduce((sum, part) => sum + part.acres, 0);
    const counted = over.reduce((sum, { cut }) => sum + (cut?.dryKg ?? 0), 0);
    const base = baseMoistureOf(crop.id, farm.data.farm.defaults);
    return Math.max(0, acres - dryBushels(Math.max(0, row.cutDryKg - counted), crop.legalPounds, base) / expected);
  };
  return rows.map((row): FieldFacts => {
    const { lot } = row;
    const crop = cropOf(lot.crop) ?? CROPS.corn;
    const cuttingToday = (farm.data.flow.cut[lot.id] ?? 0) > 0;
    const typed = facts[lot.fieldId]?.yieldKgPerHa;
    const like = rows.filter(
      (other) =>
        other.lot.crop === lot.crop &&
        other.lot.season === lot.season &&
        other.cutDryKg > 0 &&
        !farm.data.flow.cut[other.lot.id],
    );
    const acres = like.reduce((sum, other) => sum + other.lot.acres, 0);
    const expected =
      typed !== undefined
        ? kgPerHaToBushelsPerAcre(typed, crop.legalPounds)
        : acres > 0
          ? like.reduce((sum, other) => sum + dry(other, crop), 0) / acres
          : null;
    const cut = dry(row, crop);
    /** Acres that the loads since a count brought, by the yield that is expected. */
    const acresSince = ({ at }: { readonly at: string }): number =>
      expected === null
        ? 0
        : farm.data.tape.reduce(
            (sum, { entry, voided, wetLots }) =>
              voided || entry.type !== 'harvest' || instantOf(entry.at) <= instantOf(at)
                ? sum
                : sum + (wetLots[lot.id] ?? 0),
            0,
          ) /
          kilogramsPerBushel(crop.legalPounds) /
          expected;
    // Without a yield nobody knows how many of them were cut since: then they are what was counted, for that day.
    const counted =
      expected !== null || cuttingToday ? (counts.find(({ body }) => body.lotId === lot.id)?.body ?? null) : null;
    const display = row.displayArea;
    // Of two counts the newer one; a display that stood still while loads came is made up for by them.
    const shown = display && (counted === null || instantOf(display.at) > instantOf(counted.at)) ? display : null;
    const shownAcres = shown === null ? 0 : shown.m2 / M2_PER_ACRE + acresSince(shown);
    const left = shown
      ? Math.max(0, lot.acres - shownAcres)
      : counted
        ? Math.max(
            0,
            areaOfRows(counted.rows, counted.rowSpacing, counted.passLength) / M2_PER_ACRE - acresSince(counted),
          )
        : expected !== null
          ? standing(row, crop, expected)
          : cut > 0 && !cuttingToday
            ? 0
            : lot.acres;
    return {
      row,
      crop,
      expected,
      typed: typed !== undefined,
      acresLeft: !cuttingToday && left < REST * lot.acres ? 0 : left,
      cuttingToday,
      counted: shown ? null : counted,
      shownCut: shown && { acres: Math.min(lot.acres, shownAcres), at: shown.at },
    };
  });
}

/** Acres that can be cut today: what is left, less the parts that wait. Rows that somebody counted are there to be cut, whatever waits beside them. */
export const cuttableAcres = ({ acresLeft, counted }: FieldFacts, zones: readonly ZoneNow[]): number =>
  counted === null ? acresToCut(acresLeft, zones) : acresLeft;

export interface Tester {
  readonly name: string;
  readonly pairs: readonly {
    readonly tester: number;
    readonly buyer: number;
    readonly at: string;
    readonly id: string;
    /** Left out: nobody said which. */
    readonly crop?: string;
    readonly buyerId?: string;
  }[];
  /** Newest first. */
  readonly newest: string;
}

/** Pairs of each tester and the buyer's test, by the tester's name. */
export function testersOf(records: RecordsOf<'testerPair'> | undefined): Map<string, Tester> {
  const testers = new Map<string, Tester>();
  for (const { body } of living(records?.logs.testerPair ?? [])) {
    const { tester, testerMoisture, buyerMoisture, at, id, crop, buyerId } = body;
    const own = testers.get(tester) ?? { name: tester, pairs: [], newest: at };
    const pair = {
      tester: testerMoisture,
      buyer: buyerMoisture,
      at,
      id,
      ...(crop === undefined ? {} : { crop }),
      ...(buyerId === undefined ? {} : { buyerId }),
    };
    testers.set(tester, { ...own, pairs: [...own.pairs, pair] });
  }
  return testers;
}

/**
 * What the testers are worth for one crop, and for one buyer where he has tested enough: a meter reads each crop by its own curve, and two
 * buyers' testers differ. Pairs of another crop never count; those of another buyer only while this one has fewer than three.
 */
export function testersFor(
  testers: ReadonlyMap<string, Tester>,
  crop: string,
  buyerId: string | null,
): Map<string, Tester> {
  return new Map(
    [...testers].map(([name, tester]) => {
      const ofCrop = tester.pairs.filter((pair) => pair.crop === undefined || pair.crop === crop);
      const ofBuyer = ofCrop.filter((pair) => pair.buyerId === buyerId);
      const pairs = buyerId !== null && ofBuyer.length >= LEAST_PAIRS ? ofBuyer : ofCrop;
      const newest = pairs.reduce((last, { at }) => (at > last ? at : last), '');
      return [name, { name, pairs, newest: newest === '' ? tester.newest : newest }];
    }),
  );
}

/** The buyer to whom the loads go, as somebody said it; null for home, or where nobody did. */
export const buyerSaid = (records: RecordsOf<never, 'haulPlan'> | undefined): string | null =>
  records?.settings.haulPlan.farm?.value.buyerId ?? null;

/** What the buyer likely reads above a tester, as a fraction; 0 where it has too few pairs. */
export function buyerOffset(tester: Tester | undefined): number {
  const { offsetPoints } = likelyBuyerReading(0.15, tester?.pairs ?? []);
  return (offsetPoints ?? 0) / 100;
}

/** A reading as the buyer would likely test it; the reading itself where its tester has too few pairs. */
export const asBuyer = (moisture: number, offset: number): number => Math.min(0.6, Math.max(0, moisture + offset));
