import { type Setting, SETTINGS } from '@fanega/core';
import { parseNumber, plain } from '../../../quantity/quantity';
import type { Box } from '../../../ui/form/box';
import { settingText, SHOWN } from '../words';

/** What a box shows of a setting. */
export const settingTyped = (name: Setting, value: number | undefined): string =>
  value === undefined ? '' : plain(SHOWN[name].show(value), 1);

/** One setting as the machine's own display has it, or nothing; `was` left as it is shown is no change. */
export const settingBox = (
  name: Setting,
  { was, range }: { readonly was?: number | undefined; readonly range?: readonly [number, number] | undefined } = {},
): Box<number | undefined> => ({
  read: (typed) => {
    if (typed.trim() === '') return {};
    // Rounding for the screen is no change.
    if (was !== undefined && typed === settingTyped(name, was)) return { value: was };
    const value = SHOWN[name].read(parseNumber(typed));
    const [least, most] = range ?? [SETTINGS[name].least, SETTINGS[name].most];
    const slack = 1e-9 + Math.abs(most) * 1e-6;
    return value >= least - slack && value <= most + slack
      ? { value }
      : { error: `${settingText(name, least)} to ${settingText(name, most)}` };
  },
  control: { unit: SHOWN[name].unit, inputMode: 'decimal' },
});
