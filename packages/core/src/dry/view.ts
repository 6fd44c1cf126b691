import { cropOf, CROPS } from '../crops/index.js';
import { baseMoistureOf, type BookDefaults, type FarmBook, instantOf } from '../ledger/index.js';

/** Grain of a place that is wetter than it may stay, a layer at a time. */
export interface WetLayer {
  readonly crop: string;
  readonly wetKg: number;
  /** wet-basis fraction */
  readonly moisture: number;
  /** kg wet by lot */
  readonly wetLots: Readonly<Record<string, number>>;
  /** When it was cut: the first of it and its mean by weight, ms; null where no load tells. */
  readonly cutFirstMs: number | null;
  readonly cutMeanMs: number | null;
}

/** A place that holds wet grain, its layers from the oldest on. */
export interface WetPlace {
  readonly placeId: string;
  readonly kind: string;
  readonly layers: readonly WetLayer[];
}

/** Grain may be so much above its base before it is called wet: the scatter of a tester. */
export const WET_ABOVE = 0.005;

/**
 * Everything on the farm that is wetter than its base, and when it was cut.
 * @param loadsOf dry kg by harvest entry of a layer of a place: the way back of the book
 */
export function wetView(
  { ledger, places, lots }: Pick<FarmBook, 'ledger' | 'places' | 'lots'>,
  defaults: Pick<BookDefaults, 'bases'>,
  loadsOf: (placeId: string, layer: number) => Readonly<Record<string, number>>,
): WetPlace[] {
  const cropOfLot = new Map(lots.map((lot) => [lot.id, lot.crop]));
  const cutAt = new Map(
    ledger.arrivals.flatMap((entry) => (entry.type === 'harvest' ? [[entry.id, instantOf(entry.at)] as const] : [])),
  );
  return places.flatMap(({ id, kind }): WetPlace[] => {
    if (kind === 'buyer') return [];
    const layers = ledger.layers(id).flatMap((layer, i): WetLayer[] => {
      if (!(layer.wetKg > 1)) return [];
      const lot = Object.entries(layer.wetLots).sort((a, b) => b[1] - a[1])[0]?.[0] ?? '';
      const crop = cropOfLot.get(lot) ?? '';
      const base = baseMoistureOf((cropOf(crop) ?? CROPS.corn).id, defaults);
      if (layer.moisture <= base + WET_ABOVE) return [];
      let [first, sum, weight] = [Infinity, 0, 0];
      for (const [entry, dryKg] of Object.entries(loadsOf(id, i))) {
        const ms = cutAt.get(entry);
        // A crumb of an old load that was swept along is not what is in it.
        if (ms === undefined || dryKg < 0.01 * layer.wetKg * (1 - layer.moisture)) continue;
        first = Math.min(first, ms);
        sum += ms * dryKg;
        weight += dryKg;
      }
      return [
        {
          crop,
          wetKg: layer.wetKg,
          moisture: layer.moisture,
          wetLots: layer.wetLots,
          cutFirstMs: weight > 0 ? first : null,
          cutMeanMs: weight > 0 ? sum / weight : null,
        },
      ];
    });
    return layers.length === 0 ? [] : [{ placeId: id, kind, layers }];
  });
}
