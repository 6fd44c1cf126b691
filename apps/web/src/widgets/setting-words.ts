import { type Setting, SETTING_NAMES, SETTINGS } from '@fanega/core';
import { shortNumber, speed } from '../quantity/quantity';
import { capital } from '../words';

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
