import { type Drill, MOST_LEARNING } from "./drill";

/**
 * The fact to ask now: one being learned that is due; otherwise a known one, into which a new unknown fact is folded when
 * fewer than three are being learned and the one before was not new. Without known facts the one due soonest. Null when
 * there is nothing at all.
 * @example nextDrillFact(startDrill([], [])) // null
 */
export function nextDrillFact(drill: Drill): string | null {
  const soonest = [...drill.learning].sort((x, y) => x.dueAt - y.dueAt)[0];
  if (soonest && soonest.dueAt <= drill.place) return soonest.factId;
  const justBegun = drill.learning.some(({ gap, dueAt }) => gap === 0 && dueAt > drill.place);
  const fresh = drill.learning.length < MOST_LEARNING && !justBegun ? drill.waiting[0] : undefined;
  return fresh ?? drill.known[0] ?? soonest?.factId ?? drill.waiting[0] ?? null;
}
