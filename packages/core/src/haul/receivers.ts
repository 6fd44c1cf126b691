import type { HolderNow } from '../ledger/index.js';

/** Less than this is dust in the corners. */
export const EMPTY_BU = 1;
/** A vessel with less room than this takes no other dump. */
const LEAST_ROOM_BU = 20;

export const roomOf = ({ capacityBu = Infinity, bushels }: HolderNow): number => capacityBu - bushels;
export const takesADump = (holder: HolderNow): boolean => roomOf(holder) > LEAST_ROOM_BU;

/** Where all of it fits: the one that was begun first; where it does not: the one that takes most. */
export const byRoomFor =
  (bushels: number) =>
  (a: HolderNow, b: HolderNow): number => {
    const [allA, allB] = [roomOf(a) >= bushels, roomOf(b) >= bushels];
    return Number(allB) - Number(allA) || (allA ? b.bushels - a.bushels : roomOf(b) - roomOf(a));
  };

/**
 * Vessels of a kind that take what another one holds, the likeliest first: empty, or of the same crop with room. One answer for Today and
 * for the cab. Common practice, no source.
 */
export const receiversOf = (holders: readonly HolderNow[], kind: string, from: HolderNow): HolderNow[] =>
  holders
    .filter((holder) => holder.kind === kind && holder.id !== from.id && takesADump(holder))
    .filter((holder) => holder.bushels < EMPTY_BU || holder.crop === from.crop)
    .sort(byRoomFor(from.bushels));

/** What goes over, all of it or what there is room for. */
export function dumpOf(
  from: HolderNow,
  to: HolderNow,
  kgPerBushel: (crop: string | undefined) => number,
): { readonly from: string; readonly to: string; readonly staysKg: number; readonly wetKg?: number } {
  const limit = roomOf(to) * kgPerBushel(from.crop);
  const staysKg = Math.max(0, from.wetKg - limit);
  return { from: from.id, to: to.id, staysKg, ...(staysKg > 0 ? { wetKg: limit } : {}) };
}
