import {
  calendarDay,
  type FieldRecords,
  type FieldRow,
  type LossWarning,
  type SampleFactor,
  type SamplePlace,
} from '@fanega/core';
import type { Farm } from '../../data/farm';

export { settingText, SHOWN } from '../../widgets/setting-words';

/** What every page of Cut is given. */
export interface CutGiven {
  readonly farm: Farm;
  readonly notebook: FieldRecords;
  readonly rows: readonly FieldRow[];
  readonly machineId: string;
}

/** The farm's day, like 2026-09-08. */
export const farmDay = (farm: Farm): string => calendarDay(farm.data.now, farm.data.farm.timeZone);

/** Beside every advice to change a setting. */
export const ADVICE_CAUTION =
  'One change, then count again. Before anyone reaches in or looks inside: stop the machine, engine off, key out, wait until everything has stopped. Follow the operator’s manual.';

export const SAMPLE_WORDS: Readonly<Record<SampleFactor, string>> = {
  fines: 'Fines',
  cracked: 'Cracked',
  foreign: 'Foreign',
};
export const TAKEN_WORDS: Readonly<Record<SamplePlace, string>> = {
  tank: 'The tank',
  screen: 'The dryer’s screen',
  tester: 'The tester',
};

export const LOSS_WARNING_WORDS: Record<LossWarning, string> = {
  fewerAtHeaderThanBefore: 'fewer kernels at the header than before harvest: count again',
  fewerBehindThanBefore: 'fewer kernels behind the machine than before harvest: count again',
  fewerBehindThanAtHeader: 'fewer kernels behind the machine than at the header: count again',
  headerScaledWithSpread: 'header loss was not counted apart: scaled with the spread as if it left the back',
  nothingBefore: 'nothing counted before harvest: all kernels are put on the machine',
};
