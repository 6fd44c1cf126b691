import type { FirstStepName } from '@fanega/core';

/** Steps of the first hour, and what each asks. */
export const FIRST_NAMES: Readonly<Record<FirstStepName, string>> = {
  fields: 'Fields',
  machines: 'Machines',
  bins: 'Bins',
  buyers: 'Buyers',
  load: 'First load',
};
export const FIRST_QUESTIONS: Readonly<Record<FirstStepName, string>> = {
  fields: 'What stands on the farm?',
  machines: 'What cuts, carries and dries?',
  bins: 'Where does grain lie?',
  buyers: 'Who buys it?',
  load: 'Ready for the first load',
};
/** Where a step is taken. */
export const startAddress = (name: FirstStepName): string => (name === 'fields' ? '/start' : `/start/${name}`);
