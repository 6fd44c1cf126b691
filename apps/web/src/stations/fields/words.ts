import type { FireLevel } from '@fanega/core';

/** What to do, by level: usual cautions, not an order. */
export const FIRE_CARE: Readonly<Record<FireLevel, readonly string[]>> = {
  low: ['Blow chaff off the machine once a day.'],
  watch: [
    'Clean chaff off at every fill of fuel.',
    'Feel for hot bearings with a hand-held thermometer, not with the hand.',
  ],
  high: [
    'Disc tractor and water stand at the field, hitched and full.',
    'Check bearings each hour; an extinguisher in the cab and one at the ground.',
    'Agree who calls and which two ways lead out.',
  ],
  stop: ['Stop where the local authority’s limit is reached.', 'Park on bare ground, away from standing crop.'],
};
