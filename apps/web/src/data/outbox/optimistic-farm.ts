import {
  type Entry,
  type FarmState,
  type NextStep,
  optimisticBook,
  type TapeLine,
  type Withdrawal,
} from '@fanega/core';
import { isCorrection } from './book-command';

/** The farm as it will be when what waits has arrived: by the book's own replay, on what was last known. */
export function optimisticFarm<S extends FarmState & { readonly steps: readonly NextStep[] }>(
  data: S,
  waiting: readonly Entry[],
): S {
  const fresh = waiting.filter((entry) => !data.tape.some((line) => line.entry.id === entry.id));
  if (fresh.length === 0) return data;
  const places = data.places.map(({ id, kind, withdrawal }) => ({ id, kind, withdrawal: withdrawal as Withdrawal }));
  // What the old entry did is in the known state and cannot be taken out of it here: until the correction has arrived, the place shows
  // what it showed, and the new entry is listed.
  const own = new Set(fresh.map((entry) => entry.id));
  const later = new Set(
    fresh.flatMap((entry, i) =>
      entry.type === 'void' && isCorrection(fresh.slice(i, i + 2)) && !own.has(entry.voids) ? [fresh[i + 1]!.id] : [],
    ),
  );
  const { ledger } = optimisticBook(
    { defaults: data.farm.defaults, lots: data.lots, places, layers: data.layers },
    fresh.filter((entry) => !later.has(entry.id)),
  );
  const parcels = new Map(ledger.parcels().map((parcel) => [parcel.entry.id, parcel]));
  const voids = new Set(fresh.flatMap((entry) => (entry.type === 'void' ? [entry.voids] : [])));
  const lines = fresh.map((entry): TapeLine => {
    const parcel = parcels.get(entry.id);
    return {
      seq: 0,
      entry,
      voided: voids.has(entry.id),
      wetKg: parcel?.wetKg ?? null,
      dryKg: parcel?.dryKg ?? null,
      wetLots: parcel?.wetLots ?? {},
      witnesses: [],
    };
  });
  const positions = ledger.positions();
  return {
    ...data,
    positions,
    layers: Object.fromEntries(
      data.places.filter((place) => place.kind !== 'buyer').map((place) => [place.id, ledger.layers(place.id)]),
    ),
    tape: [
      ...lines.reverse(),
      ...data.tape.map((line) => (voids.has(line.entry.id) ? { ...line, voided: true } : line)),
    ],
    // What is likely next was worked out without them: what they did already is not offered again.
    steps: data.steps.filter(
      (step) =>
        !('load' in step && step.load) ||
        (positions[step.load.from]?.wetKg ?? 0) > 0.9 * (data.positions[step.load.from]?.wetKg ?? 0),
    ),
  };
}
