/** A name as it is compared: however it was spaced and whatever its letters' case. */
export const plainName = (name: string): string => name.trim().toLowerCase().replace(/\s+/g, ' ');

/** By their letters as they are: ids, and days and instants that are written year first. */
export const inOrder = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** Digits, or what stands between them. */
const PARTS = /\d+|\D+/g;
const ACCENTS = /\p{M}+/gu;

/**
 * Names as people put them in order: "Bin 9" before "Bin 10", "ash" with "Ash", "Élan" with "elan". Without the platform's tables of languages,
 * whose opening takes longer than the sorting.
 */
export function naturally(a: string, b: string): number {
  const [left, right] = [a, b].map((name) => name.normalize('NFD').replace(ACCENTS, '').toLowerCase().match(PARTS) ?? []); // prettier-ignore
  for (let i = 0; i < Math.min(left!.length, right!.length); i++) {
    const [x, y] = [left![i]!, right![i]!];
    const order = /^\d/.test(x) && /^\d/.test(y) ? Number(x) - Number(y) : inOrder(x, y);
    if (order !== 0) return order;
  }
  return left!.length - right!.length;
}
