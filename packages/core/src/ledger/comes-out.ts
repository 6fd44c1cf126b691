import type { Withdrawal } from './model.js';

/** What says which grain of a place comes out first. */
export interface Emptying {
  readonly withdrawal: Withdrawal | (string & {});
  /** strata, oldest first */
  readonly layers: readonly { readonly moisture: number }[];
  /** wet-basis fraction of all of it; null where it holds nothing */
  readonly moisture: number | null;
}

/**
 * Moisture of what comes out of a place first, wet-basis fraction: by the way it empties its top, its bottom or the mean of all; through a
 * spout in its wall its top, whatever it empties by else. Null where it holds nothing. Common practice, no source.
 */
export function comesOutFirst({ withdrawal, layers, moisture }: Emptying, sideDraw = false): number | null {
  if (layers.length < 2) return moisture;
  if (sideDraw || withdrawal === 'lastIn') return layers.at(-1)!.moisture;
  return withdrawal === 'firstIn' ? layers[0]!.moisture : moisture;
}
