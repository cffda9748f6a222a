/**
 * Things by a key of theirs, in the order in which they came.
 * @example groupBy([3, 4, 5], (n) => n % 2 === 0).get(false) // [3, 5]
 */
export function groupBy<T, K>(things: readonly T[], keyOf: (thing: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group) group.push(thing);
    else groups.set(key, [thing]);
  }
  return groups;
}
