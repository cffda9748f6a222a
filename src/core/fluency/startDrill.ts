import type { Drill } from "./drill";

/** A drill that folds the unknown facts in among the known ones, both by their ids, those to come first at the front. */
export function startDrill(unknown: readonly string[], known: readonly string[]): Drill {
  return { place: 0, learning: [], waiting: [...unknown], known: [...known] };
}
