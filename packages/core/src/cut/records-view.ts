import { type Crop, type CropId, cropOf, CROPS } from '../crops/index.js';
import { type FarmView, instantOf } from '../ledger/index.js';
import {
  type CombineProfile,
  living,
  type LogEntry,
  type LossCount,
  type RecordsOf,
  type Setting,
  SETTING_NAMES,
  type SettingEntry,
  type Settings,
} from '../records/index.js';
import { acresToHectares, bushelsPerAcreToKgPerHa, mphToMetresPerSecond } from '../units/index.js';
import { type LossCheck, lossCheck } from './losses.js';
import type { MonitorPair } from './monitor-book.js';
import { areaRate } from './speed.js';

/** Records that the settings and losses of a combine are worked out from. */
export type CutRecords = RecordsOf<'settingsEntry' | 'lossCheck', 'combineProfile'>;

/** Settings entries of a machine, newest first. */
export const settingsEntriesOf = (
  records: RecordsOf<'settingsEntry'>,
  machineId: string,
): readonly LogEntry<'settingsEntry'>[] =>
  living(records.logs.settingsEntry).filter(({ body }) => body.machineId === machineId);

export interface CheckedLoss {
  readonly body: LossCount;
  readonly by: string;
  readonly check: LossCheck;
}

/** Loss checks, newest first, worked out; of one machine, or of all (null). */
export function checksOf(farm: FarmView, records: CutRecords, machineId: string | null): CheckedLoss[] {
  const entries = new Map(records.logs.settingsEntry.map(({ body }) => [body.id, body]));
  return living(records.logs.lossCheck).flatMap(({ body, by }): CheckedLoss[] => {
    if (machineId !== null && body.machineId !== machineId) return [];
    const speed = entries.get(body.settingsId ?? '')?.values.speed;
    return [{ body, by, check: checkOf(farm, body, records.settings.combineProfile[body.machineId]?.value, speed) }];
  });
}

/** A loss check's bushels and dollars; with the speed that it was counted at, in an hour too. */
export function checkOf(
  farm: Pick<FarmView, 'lot'>,
  body: Omit<LossCount, 'id' | 'at'>,
  profile: CombineProfile | undefined,
  speed: number | undefined,
): LossCheck {
  const crop = cropOf(farm.lot(body.lotId)?.crop ?? '') ?? CROPS.corn;
  return lossCheck({
    behind: body.behind,
    before: body.before.length > 0 ? body.before : 0,
    ...(body.atHeader.length > 0 ? { atHeader: body.atHeader } : {}),
    ...(body.unthreshed === undefined ? {} : { unthreshedShare: body.unthreshed }),
    ...(body.spreadWidth !== undefined && body.headWidth !== undefined
      ? { spread: { discharge: body.spreadWidth, header: body.headWidth } }
      : {}),
    kernelGrams: body.kernelGrams,
    legalPounds: crop.legalPounds,
    pricePerBu: body.pricePerBu,
    ...(profile && speed !== undefined && speed > 0
      ? { areaRate: areaRate(speed, profile.headWidth, profile.fieldEfficiency) }
      : {}),
    ...(body.acresLeft === undefined ? {} : { areaLeft: acresToHectares(body.acresLeft) }),
  });
}

/** The field that a machine is in: the one that is cut, or that of its last settings entry. */
export function likelyLot(
  farm: FarmView,
  records: RecordsOf<'settingsEntry'>,
  rows: readonly { readonly lot: { readonly id: string }; readonly lastCut: string | null }[],
  machineId: string,
): string {
  const cutting = rows
    .filter((row) => row.lastCut && (farm.data.flow.cut[row.lot.id] ?? 0) > 0)
    .sort((a, b) => (a.lastCut! < b.lastCut! ? 1 : -1))[0]?.lot.id;
  return cutting ?? settingsEntriesOf(records, machineId)[0]?.body.lotId ?? farm.data.lots.at(-1)?.id ?? '';
}

/** A combine of which nobody wrote anything down yet; common practice, no source. */
export const USUAL_PROFILE: SettingEntry<'combineProfile'> = {
  revision: 0,
  value: {
    kind: 'rotary',
    headWidth: 9.144,
    headConfirmed: '',
    goodRate: 0,
    speedLimit: mphToMetresPerSecond(6.5),
    tankBu: 300,
    fieldEfficiency: 0.7,
    ranges: {},
  },
};
/** Loss that a farm accepts where it did not say: a bushel an acre; common practice, no source. */
const USUAL_ACCEPTED_BU = 1;
/** Loss of a crop that a farm accepts with a machine, kg/ha. */
export const acceptedLoss = (profile: CombineProfile | undefined, crop: Crop): number =>
  profile?.acceptedLoss?.[crop.id as CropId] ?? bushelsPerAcreToKgPerHa(USUAL_ACCEPTED_BU, crop.legalPounds);

export const rangesOf = (
  profile: CombineProfile | undefined,
): Readonly<Partial<Record<Setting, readonly [number, number]>>> =>
  (profile?.ranges ?? {}) as Readonly<Partial<Record<Setting, readonly [number, number]>>>;

/** Values that an entry shows, in the order of the list of settings. */
export const valuesOf = (values: Settings): [Setting, number][] =>
  SETTING_NAMES.flatMap((name): [Setting, number][] => (values[name] === undefined ? [] : [[name, values[name]]]));

/** Pairs of display and scale that somebody knew and typed, as the book's own. */
export const displayPairs = (records: RecordsOf<'displayCheck'>, machineId: string): MonitorPair[] =>
  living(records.logs.displayCheck)
    .filter(({ body }) => body.machineId === machineId)
    .map(({ body }) => ({
      id: body.id,
      lot: '',
      crop: body.crop,
      atMs: instantOf(body.at),
      monitorKg: body.displayKg,
      scaleKg: body.scaleKg,
      ...(body.flow === undefined ? {} : { flow: body.flow }),
    }));
