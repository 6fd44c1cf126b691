import { currentSeason, type FarmBook, type HarvestEntry, instantOf } from '../ledger/index.js';
import { type HarvestedLoad, monitorLoads, type MonitorOnly, type MonitorPair } from './monitor-book.js';

/** What a combine's display showed and what scales weighed, out of the book. */
export interface MonitorView {
  /** The combine's place, or the device that wrote the entries. */
  readonly machine: string;
  readonly name: string;
  readonly pairs: readonly MonitorPair[];
  /** Loads that nothing but the display measured, with their entries, so that they can be made again. */
  readonly only: readonly (MonitorOnly & { readonly entry: HarvestEntry })[];
}

/** Displays against scales, by combine: of the newest season and the one before. Older loads say nothing of a display that was set since. */
export function monitorsView({ ledger, places, lots }: FarmBook): MonitorView[] {
  const combines = places.filter((place) => place.kind === 'combine');
  const season = currentSeason(lots) ?? 0;
  const crops = new Map(lots.filter((lot) => lot.season >= season - 1).map((lot) => [lot.id, lot.crop]));
  const entries = new Map<string, HarvestEntry>();
  const loads = ledger.arrivals.flatMap((entry): HarvestedLoad[] => {
    if (entry.type !== 'harvest' || !crops.has(entry.lot) || ledger.isVoided(entry.id)) return [];
    entries.set(entry.id, entry);
    // Grain is dumped from the tank into the cart: then the tablet of the combine tells whose display it was, or there is only one.
    const combine =
      combines.find((place) => place.id === entry.to) ??
      combines.find((place) => entry.device?.startsWith(`${place.id}-`)) ??
      (combines.length === 1 ? combines[0] : undefined);
    const own = { method: entry.method ?? 'estimate', wetKg: entry.wetKg };
    const others = ledger
      .witnessesOf(entry.id)
      .flatMap((w) =>
        'wetKg' in w && w.wetKg !== undefined ? [{ method: w.method ?? 'estimate', wetKg: w.wetKg }] : [],
      );
    return [
      {
        id: entry.id,
        machine: combine?.id ?? entry.device ?? '',
        lot: entry.lot,
        crop: crops.get(entry.lot) ?? '',
        atMs: instantOf(entry.at),
        measured: [own, ...others],
        note: entry.note ?? '',
      },
    ];
  });
  return [...monitorLoads(loads)].map(([machine, { pairs, only }]) => ({
    machine,
    name: combines.find((place) => place.id === machine)?.name ?? machine,
    pairs,
    only: only.map((load) => ({ ...load, entry: entries.get(load.id)! })),
  }));
}
