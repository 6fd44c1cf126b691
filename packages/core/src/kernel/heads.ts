/** A head without what sets its words apart. */
const plainHead = (head: string): string => head.trim().toLowerCase().replace(/[_./-]+/g, ' ').replace(/\s+/g, ' ').trim(); // prettier-ignore

/**
 * Which column of a file is which: as somebody matched them before, else by what its head says, the plainest names of all columns before the
 * vaguer ones ("check date" is a date before it is a check).
 * @param patterns of each column, the plainest first @param plain a head as the patterns expect it
 */
export function matchHeads<C extends string>(
  heads: readonly string[],
  patterns: Readonly<Record<C, readonly RegExp[]>>,
  before?: Readonly<Partial<Record<C, string>>>,
  plain: (head: string) => string = plainHead,
): Partial<Record<C, string>> {
  const match: Partial<Record<C, string>> = {};
  const used = new Set<string>();
  const take = (column: C, head: string | undefined): void => {
    if (head === undefined || used.has(head)) return;
    match[column] = head;
    used.add(head);
  };
  const columns = Object.keys(patterns) as C[];
  for (const column of columns) {
    const named = before?.[column];
    if (named !== undefined) take(column, heads.find((head) => plain(head) === plain(named))); // prettier-ignore
  }
  const depths = Math.max(...columns.map((column) => patterns[column].length));
  for (let depth = 0; depth < depths; depth++)
    for (const column of columns) {
      const pattern = patterns[column][depth];
      if (match[column] === undefined && pattern) take(column, heads.find((head) => !used.has(head) && pattern.test(plain(head)))); // prettier-ignore
    }
  return match;
}
