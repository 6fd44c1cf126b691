import { EMPTY_KG, type TapeLine } from '../ledger/index.js';
import { requireFinite } from '../kernel/index.js';

/** What came into a place, left it and was lost from it since it was last empty. */
export interface PlaceHistory {
  readonly inKg: number;
  readonly loadsIn: number;
  readonly outKg: number;
  readonly loadsOut: number;
  readonly lost: readonly { readonly reason: string; readonly kg: number }[];
  /** A level, a scale or an empty floor said so much more (less, where negative) than the book had. */
  readonly restatedKg: number;
  readonly remainsKg: number;
  /** When the first of it came; null where nothing did. */
  readonly sinceMs: number | null;
}

/**
 * The history of a place by its lines on the tape; what is there now and was neither brought nor taken nor lost was restated.
 * @param lines of the place, in any order @param heldKg by the book
 */
export function placeHistory(lines: readonly TapeLine[], placeId: string, heldKg: number): PlaceHistory {
  requireFinite('what it holds', heldKg, 'kg');
  const ordered = lines
    .filter(({ voided, wetKg }) => !voided && wetKg !== null)
    .sort((a, b) => Date.parse(a.entry.at) - Date.parse(b.entry.at) || a.seq - b.seq);
  const fresh = () => ({
    inKg: 0,
    loadsIn: 0,
    outKg: 0,
    loadsOut: 0,
    lost: new Map<string, number>(),
    sinceMs: null as number | null,
  });
  let history = fresh();
  for (const { entry, wetKg } of ordered) {
    const kg = wetKg!;
    // Swept clean: what comes now is another pile.
    if (entry.type === 'measure' && entry.place === placeId && entry.wetKg <= EMPTY_KG) {
      history = fresh();
      continue;
    }
    const comes = (entry.type === 'harvest' || entry.type === 'move') && entry.to === placeId;
    if (comes) {
      history.sinceMs ??= Date.parse(entry.at);
      history.inKg += kg;
      history.loadsIn += 1;
    } else if (entry.type === 'move' && entry.from === placeId) {
      history.outKg += kg;
      history.loadsOut += 1;
      if (history.inKg > 0 && history.inKg - history.outKg - sum(history.lost) <= EMPTY_KG) history = fresh();
    } else if (entry.type === 'loss' && entry.place === placeId)
      history.lost.set(entry.reason, (history.lost.get(entry.reason) ?? 0) + kg);
  }
  const { lost, ...rest } = history;
  return {
    ...rest,
    lost: [...lost].map(([reason, kg]) => ({ reason, kg })).sort((a, b) => b.kg - a.kg),
    restatedKg: heldKg - (history.inKg - history.outKg - sum(lost)),
    remainsKg: heldKg,
  };
}

const sum = (by: ReadonlyMap<string, number>): number => [...by.values()].reduce((a, b) => a + b, 0);
