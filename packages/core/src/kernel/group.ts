/** Lists by a key, keys and lists in the order in which they came. */
export function groupBy<T, K>(all: Iterable<T>, keyOf: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of all) {
    const key = keyOf(one);
    const same = groups.get(key);
    if (same === undefined) groups.set(key, [one]);
    else same.push(one);
  }
  return groups;
}
