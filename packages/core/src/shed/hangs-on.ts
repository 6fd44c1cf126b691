import { inOrder } from '../kernel/index.js';
import type { PartTree } from '../records/index.js';

const plain = (name: string): string => name.trim().toLowerCase().replaceAll(/\s+/g, ' ');

/** What a part hangs on, the nearest first: its belt, its shaft, the bearing of that. A list that goes in a circle ends where it meets itself. */
export function hangsOn(tree: PartTree, part: string): string[] {
  const on = new Map(tree.hangs.map((one) => [plain(one.part), one.on.trim()]));
  const chain: string[] = [];
  const met = new Set([plain(part)]);
  for (let next = on.get(plain(part)); next !== undefined && !met.has(plain(next)); next = on.get(plain(next))) {
    chain.push(next);
    met.add(plain(next));
  }
  return chain;
}

/** Everything that hangs on a part, directly or through another, in the order of the list. */
export const hangOn = (tree: PartTree, part: string): string[] =>
  tree.hangs.map((one) => one.part.trim()).filter((one) => hangsOn(tree, one).some((on) => plain(on) === plain(part)));

export interface CommonCause {
  /** the part that they all hang on, or that is one of them */
  readonly part: string;
  readonly explains: readonly string[];
}

/**
 * One part that explains what was noticed on several: the one that most of them hang on, of equals the nearest to them. A squeak here and
 * a dead control there may be one bearing.
 * @param noticed parts on which something is the matter
 * @returns null where no two have anything in common. Common practice, no source.
 */
export function commonCause(tree: PartTree, noticed: readonly string[]): CommonCause | null {
  const parts = [...new Map(noticed.map((part) => [plain(part), part.trim()])).values()];
  const found = new Map<string, { part: string; explains: string[]; far: number }>();
  for (const part of parts)
    [part, ...hangsOn(tree, part)].forEach((on, far) => {
      const one = found.get(plain(on)) ?? { part: on, explains: [], far: 0 };
      found.set(plain(on), { part: one.part, explains: [...one.explains, part], far: one.far + far });
    });
  const [best] = [...found.values()]
    .filter(({ explains }) => explains.length > 1)
    .sort((a, b) => b.explains.length - a.explains.length || a.far - b.far || inOrder(a.part, b.part));
  return best ? { part: best.part, explains: best.explains } : null;
}
