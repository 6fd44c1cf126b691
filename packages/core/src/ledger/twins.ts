import { inOrder } from '../kernel/index.js';
import { instantOf } from './instant.js';
import type { Entry, MoveEntry } from './model.js';

/** Two devices recorded what may be one load. */
export interface TwinPair {
  /** The one that stays: first by (at, id). */
  readonly first: MoveEntry;
  readonly second: MoveEntry;
  /** |difference| of the two weights over the first; null where one was not weighed and nobody knows what "all of it" was. */
  readonly difference: number | null;
  /** At most 1 %: one load, joined without asking. Beyond that both stay and somebody is asked. */
  readonly same: boolean;
}

export interface TwinRules {
  /** Relative difference up to which two records are one load. */
  readonly tolerance: number;
  /** The same loading: not further apart than this, minutes. */
  readonly withinMinutes: number;
}

export const TWIN_RULES: TwinRules = { tolerance: 0.01, withinMinutes: 20 };

/**
 * Finds moves of the same vehicle, in the same loading, recorded by two devices. The same loading: the same places, not
 * further apart than the rule says, and the vehicle neither loaded at another place nor emptied in between.
 * Each entry is in one pair at most. Voided entries are left out by the caller.
 * @param heldKg what the book has in a place just before a move: a record without a weight says "all of it", so that is its weight,
 * unless grain came in between the two. Left out, such pairs are asked about.
 */
export function findTwins(
  entries: readonly Entry[],
  rules: TwinRules = TWIN_RULES,
  heldKg?: (move: MoveEntry) => number,
): TwinPair[] {
  const moves = entries
    .map((entry) => ({ entry, ms: instantOf(entry.at) }))
    .sort((a, b) => a.ms - b.ms || inOrder(a.entry.id, b.entry.id));
  const taken = new Set<string>();
  const pairs: TwinPair[] = [];
  moves.forEach(({ entry: first, ms }, i) => {
    if (first.type !== 'move' || taken.has(first.id) || !first.device) return;
    for (let j = i + 1; j < moves.length; j++) {
      const { entry: second, ms: later } = moves[j]!;
      if (later - ms > rules.withinMinutes * 60000) break;
      if (second.type === 'move' && second.from === first.to) break;
      if (second.type !== 'move' || second.from !== first.from || second.to !== first.to || taken.has(second.id))
        continue;
      if (!second.device || second.device === first.device) continue;
      const unweighed = first.wetKg === undefined || second.wetKg === undefined;
      const refilled =
        unweighed &&
        moves
          .slice(i + 1, j)
          .some(({ entry }) => (entry.type === 'harvest' || entry.type === 'move') && entry.to === first.from);
      const all = unweighed && !refilled && heldKg ? heldKg(first) : null;
      const a = first.wetKg ?? all;
      const b = second.wetKg ?? all;
      const difference = a === null || b === null || a === 0 ? null : Math.abs(a - b) / a;
      pairs.push({ first, second, difference, same: difference !== null && difference <= rules.tolerance });
      taken.add(first.id).add(second.id);
      break;
    }
  });
  return pairs;
}

/**
 * The two entries that join twins: the second record is voided and speaks on as a witness of the first. Voiding both
 * brings the second back.
 */
export function joinTwins(
  pair: TwinPair,
  stamp: { voidId: string; witnessId: string; at: string; by: string; device: string },
): Entry[] {
  const { second, first } = pair;
  const common = { recordedAt: stamp.at, by: stamp.by, device: stamp.device };
  return [
    { type: 'void', id: stamp.voidId, at: stamp.at, voids: second.id, note: `same load as ${first.id}`, ...common },
    {
      type: 'witness',
      id: stamp.witnessId,
      at: second.at,
      of: first.id,
      ...(second.wetKg === undefined ? {} : { wetKg: second.wetKg }),
      ...(second.moisture === undefined ? {} : { moisture: second.moisture }),
      ...(second.method === undefined ? {} : { method: second.method }),
      note: `twin ${second.id} by ${second.by ?? 'unknown'} on ${second.device ?? 'unknown'}`,
      ...common,
    },
  ];
}
