import type { PLACE_KINDS, WITHDRAWALS } from '@fanega/core';

export const KIND_WORDS: Record<(typeof PLACE_KINDS)[number], string> = {
  bin: 'Bin',
  combine: 'Combine tank',
  cart: 'Grain cart',
  truck: 'Truck',
  pit: 'Pit',
  wetBin: 'Wet bin',
  dryer: 'Dryer',
  overhead: 'Overhead tank',
  pile: 'Ground pile',
  buyer: 'Buyer',
};
export const OUT_WORDS: Record<(typeof WITHDRAWALS)[number], string> = {
  mixed: 'mixed (stirred, side draw, on wheels)',
  firstIn: 'oldest first (hopper bottom)',
  lastIn: 'newest first (flat floor, center sump)',
};

/** Where grain can come out in more than one way. */
export const ORDERED_PLACES: readonly string[] = ['bin', 'wetBin', 'pit', 'overhead'];
