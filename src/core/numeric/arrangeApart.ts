/**
 * Orders members so that two of a kind follow each other only where nothing else is left: always the most frequent kind
 * that was not just used (ties in the order given), members of a kind in their own order. Keeps the given order where it can.
 * @example arrangeApart(["a1", "a2", "b1"], (member) => member[0]) // ["a1", "b1", "a2"]
 */
export function arrangeApart<T>(members: readonly T[], kindOf: (member: T) => string): T[] {
  const kinds = new Map<string, T[]>();
  for (const member of members) kinds.set(kindOf(member), [...(kinds.get(kindOf(member)) ?? []), member]);
  const result: T[] = [];
  let last: string | null = null;
  while (result.length < members.length) {
    const left = [...kinds].filter(([, own]) => own.length > 0);
    const allowed = left.filter(([kind]) => kind !== last);
    const [kind, own] = mostFrequent(allowed.length > 0 ? allowed : left);
    result.push(own.shift() as T);
    last = kind;
  }
  return result;
}

function mostFrequent<T>(kinds: readonly (readonly [string, T[]])[]): readonly [string, T[]] {
  return kinds.reduce((most, next) => (next[1].length > most[1].length ? next : most));
}
