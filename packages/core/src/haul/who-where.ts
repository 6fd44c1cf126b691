import { type FarmView, instantOf } from '../ledger/index.js';

/** Where somebody was last, by what he recorded. */
export interface PersonSeen {
  readonly name: string;
  readonly atMs: number;
  readonly did: 'cut' | 'unloaded' | 'delivered' | 'other';
  /** The field that was cut, or the vessel that was filled or left; empty where neither is known. */
  readonly where: string;
  /** The vehicle he likely sits in: the combine or truck of the entry; null where none is told. */
  readonly vehicle: string | null;
}

/** Where a vehicle was last, by the book. */
export interface VehicleSeen {
  readonly place: string;
  readonly name: string;
  readonly kind: string;
  readonly atMs: number | null;
  /** The field or place that it was with. */
  readonly where: string;
  readonly by: string;
  readonly bushels: number;
}

export interface WhoIsWhere {
  readonly people: readonly PersonSeen[];
  readonly vehicles: readonly VehicleSeen[];
}

/** Longer ago says nothing of where somebody is now. */
const SEEN_MS = 14 * 3_600_000;
const WHEELS = ['combine', 'cart', 'truck'] as const;

/** Everybody who recorded something today and every vehicle, as the book last saw them; newest first. */
export function whoIsWhere(farm: FarmView): WhoIsWhere {
  const people = new Map<string, PersonSeen>();
  const seen = new Map<string, { atMs: number; where: string; by: string }>();
  const combineOf = (device: string | undefined): string | null =>
    farm.data.places.find((place) => place.kind === 'combine' && device?.startsWith(`${place.id}-`) === true)?.id ??
    null;
  const note = (place: string, atMs: number, where: string, by: string): void => {
    if (!seen.has(place)) seen.set(place, { atMs, where, by });
  };
  // The tape is newest first: the first that is met counts.
  for (const { entry, voided } of farm.data.tape) {
    if (voided || (entry.type !== 'harvest' && entry.type !== 'move' && entry.type !== 'condition')) continue;
    const atMs = instantOf(entry.at);
    const by = entry.by ?? '';
    const field = entry.type === 'harvest' ? (farm.lot(entry.lot)?.fieldName ?? entry.lot) : '';
    const combine = entry.type === 'harvest' ? combineOf(entry.device) : null;
    if (entry.type === 'harvest') {
      if (combine !== null) note(combine, atMs, field, by);
      note(entry.to, atMs, field, by);
    } else if (entry.type === 'move') {
      note(entry.from, atMs, farm.placeName(entry.to), by);
      note(entry.to, atMs, farm.placeName(entry.from), by);
    }
    if (by === '' || people.has(by) || farm.data.now - atMs > SEEN_MS) continue;
    const kindOf = (id: string): string | undefined => farm.place(id)?.kind;
    people.set(by, {
      name: by,
      atMs,
      did:
        entry.type === 'harvest'
          ? 'cut'
          : entry.type === 'condition'
            ? 'other'
            : kindOf(entry.to) === 'buyer'
              ? 'delivered'
              : 'unloaded',
      where:
        entry.type === 'harvest'
          ? field
          : entry.type === 'condition'
            ? farm.placeName(entry.place)
            : farm.placeName(entry.to),
      vehicle:
        entry.type === 'harvest'
          ? (combine ?? null)
          : entry.type === 'move' && kindOf(entry.from) === 'truck'
            ? entry.from
            : null,
    });
  }
  return {
    people: [...people.values()].sort((a, b) => b.atMs - a.atMs),
    vehicles: farm.data.places
      .filter(({ kind }) => (WHEELS as readonly string[]).includes(kind))
      .map(({ id, name, kind }) => ({
        place: id,
        name,
        kind,
        atMs: seen.get(id)?.atMs ?? null,
        where: seen.get(id)?.where ?? '',
        by: seen.get(id)?.by ?? '',
        bushels: farm.bushels(farm.held(id).wetLots),
      })),
  };
}
