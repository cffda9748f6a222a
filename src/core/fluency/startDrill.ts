import type { Drill } from "./drill";

/**
 * A drill that folds the unknown facts in among the known ones, both by their ids, those to come first at the front.
 * @example nextDrillFact(startDrill(["6x7"], ["2x2", "2x3", "2x4"])) // "6x7"
 */
export function startDrill(unknown: readonly string[], known: readonly string[]): Drill {
  return { place: 0, learning: [], waiting: [...unknown], known: [...known] };
}
