import type { Farm } from '../../../data/farm';
import { bushels, type Read, system } from '../../../quantity/quantity';

/** What a place holds, as it is typed; its bushels are recorded, so that tonnes are of the crop that is named beside them. */
export function readCapacity(farm: Farm, text: string, was?: number | null): Read {
  const read = bushels.read(text, { per: farm.kgPerBu(undefined), least: 1, most: 10_000_000, was });
  return read.error === undefined ? read : { error: `${read.error}; like ${system() === 'us' ? '18,000' : '450'}` };
}

/** Of which crop the tonnes are; bushels of space need none. */
export const capacityHint = (): string | undefined => (system() === 'us' ? undefined : 'of corn');
