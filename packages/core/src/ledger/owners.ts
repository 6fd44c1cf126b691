import { inOrder, tally } from '../kernel/index.js';
import { UNKNOWN_LOT } from './model.js';

export interface Share {
  readonly owner: string;
  /** Fraction of every bushel of the lot. */
  readonly part: number;
}

export interface OwnedGrain {
  readonly owner: string;
  readonly kg: number;
  /** By lot. */
  readonly lots: Readonly<Record<string, number>>;
  /** Is it the farm's own? Grain of others is never shown as that. */
  readonly own: boolean;
}

/** Whose it is where nobody knows the field. */
export const NOBODY_KNOWS = 'not known yet';

/**
 * Splits grain by the shares of its lots: a landlord's third of one field, a neighbor's rows, a family member's bin. The parts sum to
 * the whole; grain of an unknown field has no owner until somebody answers for it.
 * @param byLot kg of each lot
 * @param sharesOf of a lot; none or an empty list is the farm's own
 * @param farm the farm's own name
 * @returns the farm first, then the others by name
 */
export function splitByOwner(
  byLot: Readonly<Record<string, number>>,
  sharesOf: (lot: string) => readonly Share[] | undefined,
  farm: string,
): OwnedGrain[] {
  const owners = new Map<string, { kg: number; lots: Record<string, number> }>();
  for (const [lot, kg] of Object.entries(byLot)) {
    const shares = lot === UNKNOWN_LOT ? [{ owner: NOBODY_KNOWS, part: 1 }] : (sharesOf(lot) ?? []);
    const parts = shares.length > 0 ? shares : [{ owner: farm, part: 1 }];
    // The shares of a lot sum to one by the book's rules; a rounding of thirds must not lose a kernel.
    const whole = parts.reduce((sum, share) => sum + share.part, 0);
    for (const { owner, part } of parts) {
      const entry = owners.get(owner) ?? { kg: 0, lots: tally<number>() };
      entry.kg += (kg * part) / whole;
      entry.lots[lot] = (entry.lots[lot] ?? 0) + (kg * part) / whole;
      owners.set(owner, entry);
    }
  }
  return [...owners]
    .map(([owner, { kg, lots }]) => ({ owner, kg, lots, own: owner === farm }))
    .sort((a, b) => Number(b.own) - Number(a.own) || inOrder(a.owner, b.owner));
}

/** What stands for somebody else's rows in the book: they are a field of their own, so that every load has its owner from the first. */
export interface NeighborRows {
  readonly fieldName: string;
  /** At most four letters. */
  readonly tag: string;
}

/**
 * Names the rows of a neighbor or a family member that are cut with the farm's own machines.
 * @param owner whose they are; one letter at least @param used names of fields and tags that the farm has already
 * @example Old Dorsey: "Old Dorsey’s rows", tag OD
 */
export function neighborRows(
  owner: string,
  used: { readonly fieldNames: readonly string[]; readonly tags: readonly string[] },
): NeighborRows {
  const words = owner.trim().split(/\s+/);
  const letters = words.length > 1 ? words.slice(0, 3).map((word) => word[0]!) : [...words[0]!].slice(0, 2);
  const initials = letters.join('').toUpperCase();
  const free = (base: string, taken: readonly string[], join: string): string => {
    if (!taken.includes(base)) return base;
    for (let n = 2; ; n++) if (!taken.includes(`${base}${join}${n}`)) return `${base}${join}${n}`;
  };
  // A name keeps room for its number in a book that has names of at most sixty letters.
  const name = owner.trim().slice(0, 50);
  return {
    fieldName: free(`${name}${name.endsWith('s') ? '’' : '’s'} rows`, used.fieldNames, ' '),
    tag: free(initials.slice(0, 2), used.tags, ''),
  };
}
