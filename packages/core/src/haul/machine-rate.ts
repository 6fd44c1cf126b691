import { CROPS, cropOf } from '../crops/index.js';
import {
  acceptedLoss,
  checksOf,
  type CutRecords,
  type LossByRate,
  lossByRate,
  type LossCheck,
  rateAt,
} from '../cut/index.js';
import { fieldFacts, type FieldRow } from '../fields/index.js';
import type { FarmView } from '../ledger/index.js';
import type { RecordsOf } from '../records/index.js';
import { bushelsPerAcreToKgPerHa } from '../units/index.js';

/** A loss count of a machine with the rate at which it was driving. */
export interface CountedRate {
  readonly id: string;
  readonly at: string;
  readonly lotId: string;
  /** m/s */
  readonly speed: number;
  /** kg/h while cutting, by the speed, the head and the yield that is expected there */
  readonly rate: number;
  readonly check: LossCheck;
}

/** The counts of a machine in a crop whose rate is known and that mean something, newest first. */
export function countedRatesOf(
  farm: FarmView,
  records: CutRecords & RecordsOf<never, 'nextFieldPlan'>,
  rows: readonly FieldRow[],
  machineId: string,
  crop: string,
): CountedRate[] {
  const profile = records.settings.combineProfile[machineId]?.value;
  if (!profile) return [];
  const facts = new Map(fieldFacts(farm, rows, records).map((fact) => [fact.row.lot.id, fact]));
  const entries = new Map(records.logs.settingsEntry.map(({ body }) => [body.id, body]));
  return checksOf(farm, records, machineId).flatMap(({ body, check }): CountedRate[] => {
    const fact = facts.get(body.lotId);
    const speed = entries.get(body.settingsId ?? '')?.values.speed;
    if (fact?.crop.id !== crop || fact.expected === null || speed === undefined || check.noResult !== null) return [];
    const kgPerHa = bushelsPerAcreToKgPerHa(fact.expected, fact.crop.legalPounds);
    return [
      {
        id: body.id,
        at: body.at,
        lotId: body.lotId,
        speed,
        rate: rateAt(speed, profile.headWidth, kgPerHa),
        check,
      },
    ];
  });
}

/** The rate at which a machine cuts a crop here: one figure for every page. */
export interface MachineRate {
  /** kg/h while it cuts: the good rate, or less where the accepted loss sets less. */
  readonly cutting: number;
  /** kg/h over the hours in the field, turns and waiting in it. */
  readonly inField: number;
  readonly good: number;
  readonly byLoss: LossByRate | null;
  /** Loss counts that it is read from. */
  readonly counts: number;
  /** The counted loss passes what is accepted below the good rate. */
  readonly limitedByLoss: boolean;
}

/** Null where nobody wrote the machine's profile, or its good rate. */
export function machineRate(
  farm: FarmView,
  records: CutRecords & RecordsOf<never, 'nextFieldPlan'>,
  rows: readonly FieldRow[],
  machineId: string,
  crop: string,
): MachineRate | null {
  const profile = records.settings.combineProfile[machineId]?.value;
  if (!profile || !(profile.goodRate > 0)) return null;
  const counts = countedRatesOf(farm, records, rows, machineId, crop).map(({ rate, check }) => ({
    rate,
    loss: check.parts.machine!.kgPerHa,
  }));
  const byLoss = lossByRate(counts, acceptedLoss(profile, cropOf(crop) ?? CROPS.corn));
  const { goodRate: good } = profile;
  // Where even the slowest count is too much, slower than it is the only direction: it is the most that may be driven.
  const most = byLoss === null || byLoss.uncountedBeyond ? Infinity : (byLoss.most ?? byLoss.course[0]!.rate);
  const cutting = Math.min(good, most);
  return {
    cutting,
    inField: cutting * profile.fieldEfficiency,
    good,
    byLoss,
    counts: counts.length,
    limitedByLoss: most < good,
  };
}
