import type { ChainLever, ChainLink, TruckState } from '@fanega/core';
import { say } from '../words';

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
export const because = (link: ChainLink): string =>
  say(
    `because_${link.replace(' ', '_')}` as `because_${'field' | 'combine' | 'cart' | 'trucks' | 'line' | 'hours' | 'pit' | 'wet_bin' | 'dryer' | 'bin_room'}`,
  );
export const DELAY_LINKS = ['combine', 'cart', 'trucks', 'line', 'dryer'] as const satisfies readonly ChainLink[];
/** A reported delay, in words; of a link that none is reported of its own name. */
export const delayWords = (link: string): string =>
  (DELAY_LINKS as readonly string[]).includes(link) ? say(`delay_${link as (typeof DELAY_LINKS)[number]}`) : link;
