import {
  calendarDay,
  type FieldRecords,
  type FieldRow,
  type LossWarning,
  type Setting,
  SETTING_NAMES,
  SETTINGS,
} from '@fanega/core';
import type { Farm } from '../../data/farm';
import { shortNumber, speed } from '../../quantity/quantity';
import { capital } from '../../words';

/** What every page of Cut is given. */
export interface CutGiven {
  readonly farm: Farm;
  readonly notebook: FieldRecords;
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

/** A setting as people see it: ground speed in the reader's unit, everything else as the machine's own display has it. */
export const SHOWN: Readonly<Record<Setting, Shown>> = Object.fromEntries(
  SETTING_NAMES.map((name): [Setting, Shown] => {
    const { name: label, unit } = SETTINGS[name];
    if (name !== 'speed') return [name, { label: capital(label), unit, show: same, read: same }];
    return [
      name,
      {
        label: capital(label),
        get unit() {
          return speed.unit;
        },
        show: speed.shown,
        read: speed.kept,
      },
    ];
  }),
) as Record<Setting, Shown>;

export const settingText = (name: Setting, value: number | null | undefined): string =>
  value === null || value === undefined ? '–' : `${shortNumber(SHOWN[name].show(value))} ${SHOWN[name].unit}`.trim();

/** Beside every advice to change a setting. */
export const ADVICE_CAUTION =
  'One change, then count again. Before anyone reaches in or looks inside: stop the machine, engine off, key out, wait until everything stands. The machine’s book rules.';

export const LOSS_WARNING_WORDS: Record<LossWarning, string> = {
  fewerAtHeaderThanBefore: 'fewer kernels at the header than before harvest: count again',
  fewerBehindThanBefore: 'fewer kernels behind the machine than before harvest: count again',
  fewerBehindThanAtHeader: 'fewer kernels behind the machine than at the header: count again',
  headerScaledWithSpread: 'header loss was not counted apart: scaled with the spread as if it left the back',
  nothingBefore: 'nothing counted before harvest: all kernels are put on the machine',
};
