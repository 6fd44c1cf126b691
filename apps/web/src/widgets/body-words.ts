import type { TruckBody } from '@fanega/core';

/** How a truck is emptied. */
export const BODY_WORDS: Readonly<Record<TruckBody, { readonly one: string; readonly many: string }>> = {
  hopper: { one: 'hopper bottom', many: 'hopper bottoms' },
  endDump: { one: 'end dump', many: 'end dumps' },
  sideDump: { one: 'side dump', many: 'side dumps' },
  liveFloor: { one: 'live floor', many: 'live floors' },
  wagon: { one: 'gravity wagon', many: 'gravity wagons' },
};
