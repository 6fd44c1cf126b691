import { PLACE_NAMES } from '@fanega/core';
import type { Farm } from '../data/farm';
import { bushels, system } from '../quantity/quantity';
import type { Box } from '../ui/form/box';
import { figureOrNone } from './record-boxes';

/** What a place holds, as it is typed; its bushels are recorded, so that tonnes are of the crop that is named beside them. */
export function capacityBox(farm: Farm, was?: number | null): Box<number | undefined> {
  const box = figureOrNone(PLACE_NAMES.capacityBu, bushels, { per: farm.kgPerBu(undefined), was });
  return {
    ...box,
    read: (typed) => {
      const { value, error } = box.read(typed);
      return error === undefined ? { value } : { error: `${error}; like ${system() === 'us' ? '18,000' : '450'}` };
    },
  };
}

/** Of which crop the tonnes are; bushels of space need none. */
export const capacityHint = (): string | undefined => (system() === 'us' ? undefined : 'of corn');
