import type { ChainLever, ChainLink, TruckState } from '@fanega/core';

/** Where a truck is, in words. */
export const TRUCK_WORDS: Readonly<Record<TruckState, string>> = {
  empty: 'stands empty',
  loading: 'is being loaded',
  loaded: 'waits loaded',
  out: 'on the way out',
  unloading: 'in line or unloading',
  back: 'on the way back',
  down: 'is down',
};

/** What somebody could change, in words. */
export const LEVER_WORDS: Readonly<Record<ChainLever['what'], string>> = {
  truckMore: 'one truck more',
  cartMore: 'one cart more',
  shorterLine: 'a line 15 min shorter',
  openLonger: 'the buyer open an hour longer',
  fasterDryer: 'a dryer 10 % faster',
  dryerRuns: 'the dryer running again now',
  cutSlower: 'cutting a tenth slower',
  elsewhere: 'loads to another place',
};

/** What holds the grain back, in words. */
export const BECAUSE: Readonly<Record<ChainLink, string>> = {
  field: 'the field',
  combine: 'the combine itself',
  cart: 'the carts',
  trucks: 'trucks on the road',
  line: 'the line at the buyer',
  hours: 'the buyer’s closing',
  pit: 'the pit',
  'wet bin': 'the wet bin and the dryer behind it',
  dryer: 'the dryer that stands',
  'bin room': 'full bins',
};
export const DELAY_LINKS: readonly ChainLink[] = ['combine', 'cart', 'trucks', 'line', 'dryer'];
export const DELAY_WORDS: Partial<Record<ChainLink, string>> = {
  combine: 'Combine idle',
  cart: 'A cart stands',
  trucks: 'A truck is late',
  line: 'The line is longer',
  dryer: 'The dryer stands',
};
