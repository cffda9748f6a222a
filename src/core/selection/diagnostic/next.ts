import { chooseItem } from "./chooseItem";
import type { DiagnosticItem, DiagnosticState } from "./diagnosticState";
import { strandStanding } from "./strandStanding";

/**
 * The item to give now, and the state that remembers it. An item that waits for its answer is given again, so that a
 * sitting goes on after any interruption where it stood. `itemId` is null and the state finished when all strands ended.
 * `random` gives numbers in [0, 1).
 */
export function next(
  state: DiagnosticState,
  pool: readonly DiagnosticItem[],
  random: () => number,
): { readonly state: DiagnosticState; readonly itemId: string | null } {
  if (state.finished) return { state, itemId: null };
  const waiting = state.records.at(-1);
  if (waiting?.outcome === null) return { state, itemId: waiting.itemId };
  let current = state;
  for (const { id } of state.strands) {
    const standing = strandStanding(current, id);
    if (standing.ended) continue;
    const item = chooseItem(standing, pool, current.settings, random);
    if (!item) {
      current = { ...current, exhausted: [...current.exhausted, id] };
      continue;
    }
    const { a, b, c, area, grade, passageId } = item;
    const record = { itemId: item.id, strandId: id, area, grade, passageId, a, b, c, outcome: null };
    return { state: { ...current, records: [...current.records, record] }, itemId: item.id };
  }
  return { state: { ...current, finished: true }, itemId: null };
}
