import type { Entry, Method } from './model.js';

type KindOf = (place: string) => string | undefined;

/** How a weight was most likely got, when nobody says; common practice, no source. */
export function likelyMethod(
  entry: { readonly type: Entry['type']; readonly to?: string; readonly grossKg?: number | undefined },
  kindOf: KindOf,
): Method {
  const to = entry.to === undefined ? undefined : kindOf(entry.to);
  if (entry.type === 'measure') return 'volume';
  if (entry.type === 'loss') return 'estimate';
  if (entry.type === 'move' && to === 'buyer') return 'ticket';
  if (entry.grossKg !== undefined) return 'bridge';
  return entry.type === 'harvest' && to === 'combine' ? 'monitor' : 'cartScale';
}

/** What likely weighed the same grain too: the buyer's ticket that came late, the display beside the cart, the cart. */
export function likelyWitness(entry: Entry, kindOf: KindOf): Method {
  if (entry.type === 'move' && kindOf(entry.to) === 'buyer' && entry.method !== 'ticket') return 'ticket';
  return entry.type === 'harvest' && entry.method !== 'monitor' ? 'monitor' : 'cartScale';
}
