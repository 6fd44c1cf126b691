/** Sets what stands newest in a map, and forgets what was set longest ago where there are more than so many. */
export function setBounded<K, V>(map: Map<K, V>, key: K, value: V, most: number): void {
  map.delete(key);
  map.set(key, value);
  if (map.size > most) map.delete(map.keys().next().value!);
}
