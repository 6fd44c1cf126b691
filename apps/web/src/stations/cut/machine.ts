import type { FieldRow, LossBody, MachineProfile, Notebook, SettingsBody, SheetOf } from '@fanega/contract';
import { areaRate, cropOf, CROPS, lossCheck, type LossCheck, metresPerSecondToMph, mphToMetresPerSecond, type Setting, SETTINGS, type Settings } from '@fanega/core';
import { acresToHa } from '../../data/field-facts';
import type { Farm } from '../../data/farm';
import { calendarDay } from '../../widgets/time';

/** What every page of Cut is given. */
export interface CutGiven {
  readonly farm: Farm;
  readonly notebook: Notebook;
  readonly rows: readonly FieldRow[];
  readonly machineId: string;
}

/** The farm's day, like 2026-09-08. */
export const farmDay = (farm: Farm): string => calendarDay(farm.data.now, farm.data.farm.timeZone);

interface Shown {
  readonly label: string;
  readonly unit: string;
  readonly show: (value: number) => number;
  readonly read: (shown: number) => number;
}

const same = (value: number): number => value;
const capital = (text: string): string => text[0]!.toUpperCase() + text.slice(1);

/** A setting as people see it: ground speed in mph, everything else as the machine's own display has it. */
export const SHOWN: Readonly<Record<Setting, Shown>> = Object.fromEntries(
  (Object.keys(SETTINGS) as Setting[]).map((name): [Setting, Shown] => {
    const { name: label, unit } = SETTINGS[name];
    if (name !== 'speed') return [name, { label: capital(label), unit, show: same, read: same }];
    return [name, { label: capital(label), unit: 'mph', show: metresPerSecondToMph, read: mphToMetresPerSecond }];
  }),
) as Record<Setting, Shown>;

const round = (value: number): number => Math.round(value * 10) / 10;

export const settingText = (name: Setting, value: number | null | undefined): string =>
  value === null || value === undefined ? '–' : `${round(SHOWN[name].show(value)).toLocaleString('en-US')} ${SHOWN[name].unit}`.trim();

export interface SheetNote {
  readonly body: SettingsBody;
  readonly by: string;
}

/** Settings sheets of a machine, newest first. */
export function sheetsOf(notebook: Notebook, machineId: string): SheetNote[] {
  return notebook.notes.flatMap((note) => (note.kind === 'settings' && !note.voided && note.body.machineId === machineId ? [{ body: note.body, by: note.by }] : []));
}

export interface CheckNote {
  readonly body: LossBody;
  readonly by: string;
  readonly check: LossCheck;
}

/** Loss checks, newest first, worked out; `areaRate` from the speed they were counted at. */
export function checksOf(farm: Farm, notebook: Notebook, machineId: string | null): CheckNote[] {
  const sheets = new Map(notebook.notes.flatMap((note) => (note.kind === 'settings' ? [[note.body.id, note.body] as const] : [])));
  return notebook.notes.flatMap((note): CheckNote[] => {
    if (note.kind !== 'loss' || note.voided || (machineId !== null && note.body.machineId !== machineId)) return [];
    const { body, by } = note;
    const speed = sheets.get(body.settingsId ?? '')?.values.speed;
    return [{ body, by, check: checkOf(farm, body, notebook.machines[body.machineId]?.sheet, speed) }];
  });
}

/** A loss check's bushels and dollars, by the core. */
export function checkOf(farm: Farm, body: LossBody, profile: MachineProfile | undefined, speed: number | undefined): LossCheck {
  const crop = cropOf(farm.lot(body.lotId)?.crop ?? '') ?? CROPS.corn;
  return lossCheck({
    behind: body.behind,
    before: body.before.length > 0 ? body.before : 0,
    ...(body.atHeader.length > 0 ? { atHeader: body.atHeader } : {}),
    ...(body.unthreshed === undefined ? {} : { unthreshedShare: body.unthreshed }),
    ...(body.spreadWidth !== undefined && body.headWidth !== undefined ? { spread: { discharge: body.spreadWidth, header: body.headWidth } } : {}),
    kernelGrams: body.kernelGrams,
    legalPounds: crop.legalPounds,
    pricePerBu: body.pricePerBu,
    ...(profile && speed !== undefined && speed > 0 ? { areaRate: areaRate(speed, profile.headWidth, profile.fieldEfficiency) } : {}),
    ...(body.acresLeft === undefined ? {} : { areaLeft: acresToHa(body.acresLeft) }),
  });
}

/** The field that a machine is in: that of its last sheet or check, or what is being cut. */
export function likelyLot(farm: Farm, notebook: Notebook, rows: readonly FieldRow[], machineId: string): string {
  const cutting = rows.filter((row) => row.lastCut && (farm.data.flow.cut[row.lot.id] ?? 0) > 0).sort((a, b) => (a.lastCut! < b.lastCut! ? 1 : -1))[0]?.lot.id;
  return cutting ?? sheetsOf(notebook, machineId)[0]?.body.lotId ?? farm.data.lots.at(-1)?.id ?? '';
}

export const NO_PROFILE: SheetOf<MachineProfile> = {
  revision: 0,
  sheet: { kind: 'rotary', headWidth: 9.144, headConfirmed: '', goodRate: 0, speedLimit: mphToMetresPerSecond(6.5), tankBu: 300, fieldEfficiency: 0.7, ranges: {} },
};

export const rangesOf = (profile: MachineProfile | undefined): Readonly<Partial<Record<Setting, readonly [number, number]>>> => profile?.ranges ?? {};

/** Values that a sheet shows, in the order of the core's list. */
export const valuesOf = (values: Settings): [Setting, number][] =>
  (Object.keys(SETTINGS) as Setting[]).flatMap((name) => (values[name] === undefined ? [] : [[name, values[name]]]));
