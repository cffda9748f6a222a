/**
 * Ids whose parents lead back to themselves; those that only hang on a circle are not in it.
 * @param parentOf The parent of each id that has one.
 * @example [...idsInCircles(new Map([["a", "b"], ["b", "a"], ["c", "a"]]))] // ["a", "b"]
 */
export function idsInCircles(parentOf: ReadonlyMap<string, string>): ReadonlySet<string> {
  const settled = new Set<string>();
  const inCircle = new Set<string>();
  for (const start of parentOf.keys()) {
    const path: string[] = [];
    const places = new Map<string, number>();
    let at: string | undefined = start;
    while (at !== undefined && !settled.has(at) && !places.has(at)) {
      places.set(at, path.length);
      path.push(at);
      at = parentOf.get(at);
    }
    const closes = at === undefined ? undefined : places.get(at);
    if (closes !== undefined) for (const id of path.slice(closes)) inCircle.add(id);
    for (const id of path) settled.add(id);
  }
  return inCircle;
}
