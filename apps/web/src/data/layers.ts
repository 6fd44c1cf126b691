import type { LayersAnswer } from '@fanega/contract';
import type { Layer } from '@fanega/core';
import { get, isEarly, keptSince } from './api';
import { ANSWERS } from './held';
import { LAYERS } from './opening-paths';

const known = new Map<string, LayersAnswer>();

/** Strata of all places. Only those of places that changed are sent again: a level check of one bin moves none of the others. */
export async function keptLayers(
  farmId: string,
): Promise<{ readonly seq: number; readonly layers: Readonly<Record<string, readonly Layer[]>> }> {
  const before = known.get(farmId);
  let told: LayersAnswer;
  // Whole and newest, where it was asked for a moment ago: what has changed since need not be asked for.
  if (before && !isEarly(LAYERS, { path: { farmId } })) {
    const have = Object.entries(before.places).map(([place, { mark }]) => `${place}:${mark}`);
    const news: LayersAnswer = await get(LAYERS, { path: { farmId }, query: { have: have.join(',') } });
    told = { seq: news.seq, places: { ...before.places, ...news.places } };
    void keep(farmId, told);
  } else told = await get(LAYERS, { path: { farmId } });
  // An answer of before the signal was lost is asked for whole again when it is back.
  if (keptSince(LAYERS) === undefined) known.set(farmId, told);
  return {
    seq: told.seq,
    layers: Object.fromEntries(Object.entries(told.places).map(([place, { layers }]) => [place, layers])),
  };
}

/** The whole answer, for a page that is opened without a signal. */
async function keep(farmId: string, told: LayersAnswer): Promise<void> {
  if (!('serviceWorker' in navigator) || !navigator.serviceWorker.controller || typeof caches === 'undefined') return;
  const headers = { 'content-type': 'application/json', 'x-fanega-kept': String(Date.now()) };
  const cache = await caches.open(ANSWERS);
  await cache
    .put(LAYERS.replace('{farmId}', farmId), new Response(JSON.stringify(told), { headers }))
    .catch(() => undefined);
}
