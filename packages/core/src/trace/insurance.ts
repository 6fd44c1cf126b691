import { cropOf } from '../crops/index.js';
import {
  calendarDay,
  dayAfter,
  daysBetween,
  type Formula,
  naturally,
  quantity,
  requireInRange,
  within,
} from '../kernel/index.js';
import { type FarmBook, instantOf, isBuyer, kgPerBushelOf, type LotInfo } from '../ledger/index.js';
import { Kind } from '../ledger/records.js';
import {
  type Appraisal,
  type BinMeasurement,
  type InsurancePolicy,
  type InsuranceUnit,
  living,
  type LossNotice,
  type TraceRecords,
} from '../records/index.js';
import { BUSHELS, MOISTURE, roundToStep, SHARE, volumeBushels } from '../units/index.js';

const YIELD = quantity('yield', 0, 2000, 'bu/ac');
const ACRES = quantity('acres', 0, 1e6, 'ac');

export const PRODUCTION_TO_COUNT: Formula = {
  id: 'production-to-count',
  title: 'Production to count and indemnity',
  standing: 'common practice',
  source: 'Common practice, no source: the policy’s own text and tables rule',
  equation:
    'guarantee = approved yield × coverage × acres; to count = (tickets + measured + unmeasured) × quality + appraised; indemnity = max(0, guarantee − to count) × price × share',
  inputs: [YIELD, ACRES, SHARE, BUSHELS],
  note: 'An estimate for the agent. Tickets and measured bins are what adjusters take; grain by the farm’s own scales counts until its bin is measured.',
};

export const MOISTURE_OF_POLICY: Formula = {
  id: 'policy-moisture',
  title: 'Bushels at the policy’s moisture',
  standing: 'common practice',
  source:
    'The policy’s own table; without one, a factor for each tenth of a point (0.12 % from memory, enter the policy’s)',
  equation: 'factor = the table’s row of the moisture to the tenth; or 1 − tenths above the base × per tenth',
  inputs: [MOISTURE],
  note: 'Nothing is added for grain that is drier than the base.',
};

/** Of a tenth of a point above the base, where neither a table nor a figure is entered. From memory. */
export const USUAL_PER_TENTH = 0.0012;

/** A moisture beyond the policy's own table: nobody can say what it counts. */
export class BeyondTable extends Error {
  constructor(readonly moisture: number) {
    super(`the policy’s table ends before ${(100 * moisture).toFixed(1)} %`);
    this.name = 'BeyondTable';
  }
}

/**
 * By what bushels are multiplied for their moisture.
 * @param moisture wet-basis fraction @throws BeyondTable above the last row of the policy's own table
 */
export function moistureFactor(
  policy: Pick<InsurancePolicy, 'base' | 'perTenth' | 'moistureFactors'>,
  moisture: number,
): number {
  const tenth = roundToStep(within(MOISTURE, moisture), 0.001, 'halfUp');
  const rows = policy.moistureFactors ?? [];
  if (tenth <= policy.base + 1e-9) return 1;
  if (rows.length === 0) {
    const tenths = Math.round((tenth - policy.base) * 1000);
    return Math.max(0, 1 - tenths * (policy.perTenth ?? USUAL_PER_TENTH));
  }
  if (tenth > rows.at(-1)!.moisture + 1e-9) throw new BeyondTable(moisture);
  const after = rows.findIndex((row) => row.moisture >= tenth - 1e-9);
  const next = rows[after]!;
  // Between the base and the first row, and between rows, by a straight line.
  const before = after === 0 ? { moisture: policy.base, factor: 1 } : rows[after - 1]!;
  if (next.moisture <= before.moisture) return next.factor;
  return (
    before.factor + ((next.factor - before.factor) * (tenth - before.moisture)) / (next.moisture - before.moisture)
  );
}

/** By what measured volume is multiplied for its test weight: the policy's row, else actual over legal. @param testWeight lb/bu */
export function testWeightFactor(
  policy: Pick<InsurancePolicy, 'testWeightFactors'>,
  testWeight: number,
  legalPounds: number,
): number {
  requireInRange('test weight', testWeight, 20, 80, 'lb/bu');
  const rows = policy.testWeightFactors ?? [];
  if (rows.length === 0) return testWeight / legalPounds;
  if (testWeight <= rows[0]!.testWeight) return rows[0]!.factor;
  const after = rows.findIndex((row) => row.testWeight >= testWeight);
  if (after < 0) return rows.at(-1)!.factor;
  const [before, next] = [rows[after - 1]!, rows[after]!];
  return before.factor + ((next.factor - before.factor) * (testWeight - before.testWeight)) / (next.testWeight - before.testWeight); // prettier-ignore
}

/** A measured bin worked out: volume, and bushels to count. */
export interface MeasuredBin {
  readonly measurement: BinMeasurement;
  readonly at: string;
  readonly by: string;
  /** m³ of level grain */
  readonly volume: number;
  /** bushels of volume */
  readonly volumeBushels: number;
  readonly testWeightFactor: number;
  readonly moistureFactor: number;
  /** bu to count, at the time of measuring */
  readonly bushels: number;
  /** What the book had there then, bu to count; null where nothing. */
  readonly booked: number | null;
  /** Dry matter by lot that the book had there then, kg. */
  readonly lots: Readonly<Record<string, number>>;
  /** Of what lay there then, how much still does by the book; above one it was filled since. */
  readonly left: number;
}

/** Bushels of a bin by tape around it and depth of level grain, counted by the policy's factors. */
export function measuredBushels(
  policy: InsurancePolicy,
  { circumference, depth, moisture, testWeight }: Pick<BinMeasurement, 'circumference' | 'depth' | 'moisture' | 'testWeight'>, // prettier-ignore
): Pick<MeasuredBin, 'volume' | 'volumeBushels' | 'testWeightFactor' | 'moistureFactor' | 'bushels'> {
  const volume = (circumference ** 2 / (4 * Math.PI)) * depth;
  const bushelsOfSpace = volumeBushels(volume);
  const legal = cropOf(policy.crop)?.legalPounds ?? 56;
  const [byWeight, byMoisture] = [testWeightFactor(policy, testWeight, legal), moistureFactor(policy, moisture)];
  return { volume, volumeBushels: bushelsOfSpace, testWeightFactor: byWeight, moistureFactor: byMoisture, bushels: bushelsOfSpace * byWeight * byMoisture }; // prettier-ignore
}

/** A field's part in its unit, bushels to count. */
export interface UnitField {
  readonly lot: LotInfo;
  /** on tickets */
  readonly sold: number;
  readonly tickets: number;
  /** in bins that are measured */
  readonly measured: number;
  /** in bins, on wheels and in piles that nobody measured */
  readonly unmeasured: number;
  /** as the farm weighed it off the field */
  readonly harvested: number;
  /** in bins with grain of another unit */
  readonly commingled: number;
}

export interface UnitProduction {
  readonly id: string;
  readonly unit: InsuranceUnit;
  readonly policyId: string;
  readonly policy: InsurancePolicy;
  readonly fields: readonly UnitField[];
  readonly acres: number;
  readonly sold: number;
  readonly measured: number;
  readonly unmeasured: number;
  readonly commingled: number;
  readonly appraisals: readonly Appraisal[];
  readonly appraised: number;
  readonly quality: number;
  readonly harvested: number;
  readonly guarantee: number;
  readonly toCount: number;
  /** bu under the guarantee; 0 above it */
  readonly shortfall: number;
  /** $ of the insured's share */
  readonly indemnity: number;
  /** bu/ac that count */
  readonly perAcre: number;
  /** Fields that are not cut to the end: no load for a week, or their acres appraised, is the end. Until then it is no account yet. */
  readonly standing: readonly string[];
  /** Grain of a moisture that the policy's table does not reach: its bushels are not counted down. */
  readonly beyondTable: number;
  /** bu/ac of the same fields and crop in other seasons, newest first, as the farm weighed it. */
  readonly history: readonly { readonly season: number; readonly acres: number; readonly perAcre: number }[];
}

/** By when the insurer is to be told, and of what. */
export interface NoticeDue {
  readonly policyId: string;
  readonly what: 'loss' | 'end';
  readonly noticeId: string | null;
  readonly cause: string;
  /** day of the farm's calendar */
  readonly by: string;
  /** whole days from today; negative when it is over */
  readonly days: number;
}

export interface Insurance {
  readonly units: readonly UnitProduction[];
  readonly bins: readonly MeasuredBin[];
  readonly notices: readonly NoticeDue[];
  /** Units whose policy is not there. */
  readonly withoutPolicy: readonly string[];
  /** Lots of an insured crop that are in no unit. */
  readonly inNoUnit: readonly LotInfo[];
  /** Lots that stand in several units of one policy. */
  readonly inSeveral: readonly LotInfo[];
}

const DAY = 86_400_000;

/**
 * Guarantee, production to count and indemnity of a season's units, out of tickets, measured bins and the book. An estimate for the agent.
 * Range and source: {@link PRODUCTION_TO_COUNT}.
 * @param now ms since 1970
 */
export function insuranceOf(
  book: FarmBook,
  records: TraceRecords,
  season: number,
  timeZone: string,
  now: number,
): Insurance {
  const { ledger, lots } = book;
  const lotOf = new Map(lots.map((lot) => [lot.id, lot]));
  const policies = new Map(Object.entries(records.settings.insurancePolicy).filter(([, { value }]) => value.season === season).map(([id, { value }]) => [id, value])); // prettier-ignore
  const units = Object.entries(records.settings.insuranceUnit).map(([id, { value }]) => ({ id, unit: value }));
  const own = units.filter(({ unit }) => policies.has(unit.policy));
  const withoutPolicy = units.filter(({ unit }) => !Object.hasOwn(records.settings.insurancePolicy, unit.policy)).map(({ id }) => id); // prettier-ignore

  const unitsOf = new Map<string, string[]>();
  for (const { id, unit } of own) for (const lot of unit.lots) unitsOf.set(lot, [...(unitsOf.get(lot) ?? []), id]);
  const policyOfUnit = new Map(own.map(({ id, unit }) => [id, policies.get(unit.policy)!]));
  const policyOfLot = (lot: string): InsurancePolicy | undefined => policyOfUnit.get(unitsOf.get(lot)?.[0] ?? '');

  let beyond = 0;
  const factors = new Map<InsurancePolicy, Map<number, number>>();
  /** Bushels to count of grain at its moisture. */
  const counted = (policy: InsurancePolicy, wetKg: number, moisture: number): number => {
    const bushels = wetKg / kgPerBushelOf(policy.crop);
    try {
      // A ticket's moisture is that of all its fields.
      let factor = factors.get(policy)?.get(moisture);
      if (factor === undefined) {
        factor = moistureFactor(policy, moisture);
        const own = factors.get(policy) ?? new Map<number, number>();
        factors.set(policy, own.set(moisture, factor));
      }
      return bushels * factor;
    } catch (error) {
      if (!(error instanceof BeyondTable)) throw error;
      beyond += bushels;
      return bushels;
    }
  };

  // The newest measurement of each bin, with what the book had there at that moment.
  const newest = new Map<string, { body: BinMeasurement; by: string }>();
  for (const { body, by } of living<'binMeasurement'>(records.logs.binMeasurement)) {
    if (body.cropYear !== season) continue;
    const kept = newest.get(body.placeId);
    if (!kept || instantOf(body.at) > instantOf(kept.body.at)) newest.set(body.placeId, { body, by });
  }
  const positions = ledger.positions();
  const bins = [...newest.values()].flatMap(({ body, by }): MeasuredBin[] => {
    const then = ledger.positions(instantOf(body.at))[body.placeId];
    if (!then) return [];
    const main = Object.entries(then.lots).sort((a, b) => b[1] - a[1]).map(([lot]) => policyOfLot(lot)).find(Boolean); // prettier-ignore
    if (!main) return [];
    const found = measuredBushels(main, body);
    const nowKg = positions[body.placeId]?.dryKg ?? 0;
    return [
      {
        measurement: body,
        at: body.at,
        by,
        ...found,
        booked: then.moisture === null ? null : counted(main, then.wetKg, then.moisture),
        lots: then.lots,
        left: then.dryKg > 0 ? nowKg / then.dryKg : 0,
      },
    ];
  });
  const binOf = new Map(bins.map((bin) => [bin.measurement.placeId, bin]));

  interface Sum {
    sold: number;
    tickets: number;
    measured: number;
    unmeasured: number;
    commingled: number;
    harvested: number;
    beyond: number;
  }
  const sums = new Map<string, Sum>();
  const sumOf = (lot: string): Sum => {
    let sum = sums.get(lot);
    if (!sum) sums.set(lot, (sum = { sold: 0, tickets: 0, measured: 0, unmeasured: 0, commingled: 0, harvested: 0, beyond: 0 })); // prettier-ignore
    return sum;
  };
  const add = (lot: string, key: 'sold' | 'unmeasured' | 'harvested', policy: InsurancePolicy, wetKg: number, moisture: number): void => {
    const sum = sumOf(lot);
    beyond = 0;
    sum[key] += counted(policy, wetKg, moisture);
    if (key !== 'harvested') sum.beyond += beyond;
  }; // prettier-ignore

  const cutOf = new Map<string, Cut>();
  const { records: rows } = ledger;
  const policyOf = rows.lotIds.map(policyOfLot);
  const buys = rows.header.places.map(isBuyer);
  ledger.visitParcels(0, ledger.steps, (r, slot, stock) => {
    const [kind, wetKg] = [rows.kind[r], stock.wet[slot]!];
    const moisture = 1 - stock.dryFraction[slot]!;
    if (kind === Kind.Harvest) {
      // A load off the field is of one lot.
      const [number, dryKg] = [rows.source[r]!, stock.dryKg(slot)];
      const lot = rows.lotIds[number]!;
      const cut = cutOf.get(lot);
      cutOf.set(lot, { dryKg: (cut?.dryKg ?? 0) + dryKg, lastMs: Math.max(cut?.lastMs ?? 0, rows.atMs[r]!) });
      const policy = policyOf[number];
      if (policy && wetKg > 0) add(lot, 'harvested', policy, wetKg, moisture);
    }
    if ((kind === Kind.Move || kind === Kind.Harvest) && buys[rows.target[r]!])
      stock.lotsOf(slot, (number, _, kg) => {
        const policy = policyOf[number];
        if (!policy) return;
        const lot = rows.lotIds[number]!;
        add(lot, 'sold', policy, kg, moisture);
        sumOf(lot).tickets++;
      });
  });
  for (const [placeId, position] of Object.entries(positions)) {
    if (position.moisture === null) continue;
    const there = Object.keys(position.lots).filter((lot) => position.lots[lot]! > 1e-6 * position.dryKg);
    const several = new Set(there.map((lot) => (unitsOf.get(lot) ?? ['none'])[0])).size > 1;
    const bin = binOf.get(placeId);
    const then = bin ? Object.values(bin.lots).reduce((a, b) => a + b, 0) : 0;
    for (const lot of there) {
      const policy = policyOfLot(lot);
      if (!policy) continue;
      const sum = sumOf(lot);
      const before = sum.measured + sum.unmeasured;
      // What was measured counts by its measure as long as it lies there; what came since by the farm's own scales.
      const measuredPart = bin && then > 0 ? Math.min(1, (bin.lots[lot] ?? 0) / position.lots[lot]!) : 0;
      if (bin && then > 0) sum.measured += (bin.bushels * position.lots[lot]! * measuredPart) / then;
      if (measuredPart < 1)
        add(lot, 'unmeasured', policy, position.wetLots[lot]! * (1 - measuredPart), position.moisture);
      if (several) sum.commingled += sum.measured + sum.unmeasured - before;
    }
  }

  const productions = own.map(({ id, unit }): UnitProduction => {
    const policy = policies.get(unit.policy)!;
    const fields = unit.lots.flatMap((lotId): UnitField[] => {
      const lot = lotOf.get(lotId);
      if (!lot) return [];
      const { sold, tickets, measured, unmeasured, harvested, commingled } = sumOf(lotId);
      return [{ lot, sold, tickets, measured, unmeasured, harvested, commingled }];
    });
    const total = (key: 'sold' | 'measured' | 'unmeasured' | 'harvested' | 'commingled'): number => fields.reduce((sum, field) => sum + field[key], 0); // prettier-ignore
    const acres = unit.acres ?? fields.reduce((sum, { lot }) => sum + lot.acres, 0);
    const appraisals = living<'appraisal'>(records.logs.appraisal).map(({ body }) => body).filter((one) => one.unit === id); // prettier-ignore
    const appraised = appraisals.reduce((sum, one) => sum + one.acres * one.perAcre, 0);
    const quality = unit.quality ?? 1;
    const account = indemnityOf({
      approvedYield: unit.approvedYield,
      coverage: policy.coverage,
      acres,
      harvested: total('sold') + total('measured') + total('unmeasured'),
      quality,
      appraised,
      price: policy.price,
      share: unit.share,
    });
    return {
      id,
      unit,
      policyId: unit.policy,
      policy,
      fields,
      acres,
      sold: total('sold'),
      measured: total('measured'),
      unmeasured: total('unmeasured'),
      commingled: total('commingled'),
      appraisals,
      appraised,
      quality,
      harvested: total('harvested'),
      ...account,
      standing: appraisals.some(({ why }) => why === 'unharvested')
        ? []
        : unit.lots.filter((lot) => now - (cutOf.get(lot)?.lastMs ?? now) < OVER_AFTER),
      beyondTable: fields.reduce((sum, { lot }) => sum + sumOf(lot.id).beyond, 0),
      history: history(lots, fields, policy, cutOf),
    };
  });
  const insuredCrops = new Set([...policies.values()].map(({ crop }) => crop));
  const ofSeason = lots.filter((lot) => lot.season === season);
  return {
    units: productions.sort((a, b) => naturally(a.unit.number, b.unit.number)),
    bins,
    notices: noticesOf(cutOf, records, policies, productions, timeZone, now),
    withoutPolicy,
    inNoUnit: ofSeason.filter((lot) => insuredCrops.has(lot.crop as never) && lot.acres > 0 && !unitsOf.has(lot.id)),
    inSeveral: ofSeason.filter((lot) => (unitsOf.get(lot.id)?.length ?? 0) > 1),
  };
}

/**
 * Guarantee, production to count and indemnity. {@link PRODUCTION_TO_COUNT}.
 * @param input.approvedYield bu/ac @param input.harvested bu @param input.appraised bu @param input.price $/bu
 */
export function indemnityOf(input: {
  readonly approvedYield: number;
  readonly coverage: number;
  readonly acres: number;
  readonly harvested: number;
  readonly quality: number;
  readonly appraised: number;
  readonly price: number;
  readonly share: number;
}): Pick<UnitProduction, 'guarantee' | 'toCount' | 'shortfall' | 'indemnity' | 'perAcre'> {
  const acres = within(ACRES, input.acres);
  requireInRange('coverage', input.coverage, 0, 1, '');
  requireInRange('quality', input.quality, 0, 1, '');
  requireInRange('price', input.price, 0, 1000, '$/bu');
  requireInRange('harvested', input.harvested, 0, 1e9, 'bu');
  requireInRange('appraised', input.appraised, 0, 1e9, 'bu');
  requireInRange('share', input.share, 0, 1, '');
  const guarantee = within(YIELD, input.approvedYield) * input.coverage * acres;
  const toCount = input.harvested * input.quality + input.appraised;
  const shortfall = Math.max(0, guarantee - toCount);
  return { guarantee, toCount, shortfall, indemnity: shortfall * input.price * input.share, perAcre: acres > 0 ? toCount / acres : 0 }; // prettier-ignore
}

/** What came off a lot: dry kg, and when the last load did, ms since 1970. */
interface Cut {
  readonly dryKg: number;
  readonly lastMs: number;
}

function history(
  lots: readonly LotInfo[],
  fields: readonly UnitField[],
  policy: InsurancePolicy,
  cutOf: ReadonlyMap<string, Cut>,
): UnitProduction['history'] {
  const ids = new Set(fields.map(({ lot }) => lot.fieldId));
  const seasons = new Map<number, { acres: number; dryKg: number }>();
  for (const lot of lots) {
    const cut = cutOf.get(lot.id);
    if (!ids.has(lot.fieldId) || lot.crop !== policy.crop || lot.season === policy.season || !cut || lot.acres <= 0) continue; // prettier-ignore
    const sum = seasons.get(lot.season) ?? { acres: 0, dryKg: 0 };
    seasons.set(lot.season, { acres: sum.acres + lot.acres, dryKg: sum.dryKg + cut.dryKg });
  }
  const per = kgPerBushelOf(policy.crop) * (1 - policy.base);
  return [...seasons]
    .map(([season, { acres, dryKg }]) => ({ season, acres, perAcre: dryKg / per / acres }))
    .sort((a, b) => b.season - a.season)
    .slice(0, 10);
}

function noticesOf(
  cutOf: ReadonlyMap<string, Cut>,
  records: TraceRecords,
  policies: ReadonlyMap<string, InsurancePolicy>,
  units: readonly UnitProduction[],
  timeZone: string,
  now: number,
): NoticeDue[] {
  const today = calendarDay(now, timeZone);
  const notices = living<'lossNotice'>(records.logs.lossNotice).map(({ body }) => body);
  const due: NoticeDue[] = notices
    .filter(({ policy, toldOn }) => policies.has(policy) && toldOn === undefined)
    .map((notice: LossNotice) => {
      const by = dayAfter(notice.seenOn, policies.get(notice.policy)!.noticeDays);
      return { policyId: notice.policy, what: 'loss' as const, noticeId: notice.id, cause: notice.cause, by, days: daysBetween(today, by) }; // prettier-ignore
    });
  for (const [policyId, policy] of policies) {
    const own = units.filter((unit) => unit.policyId === policyId);
    const short = own.some(({ shortfall }) => shortfall > 0);
    const told = notices.some((notice) => notice.policy === policyId && notice.toldOn !== undefined);
    const over = today > policy.periodEnds;
    if (told || !short || !(over || own.every(({ standing }) => standing.length === 0))) continue;
    const last = own.flatMap(({ unit }) => unit.lots).reduce<number | null>((latest, lot) => Math.max(latest ?? 0, cutOf.get(lot)?.lastMs ?? 0) || null, null); // prettier-ignore
    const end = last === null || over ? policy.periodEnds : [calendarDay(last, timeZone), policy.periodEnds].sort()[0]!;
    const by = dayAfter(end, policy.noticeAfterEnd);
    due.push({ policyId, what: 'end', noticeId: null, cause: '', by, days: daysBetween(today, by) });
  }
  return due.sort((a, b) => a.days - b.days);
}

/** Days without a load after which a unit's harvest is held to be over. */
const OVER_AFTER = 7 * DAY;
