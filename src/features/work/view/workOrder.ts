import type { WorkListEntry } from "../types";

type Needing = Pick<
  WorkListEntry,
  "stuck" | "joinedCount" | "toShow" | "toScore" | "notStarted" | "isDueSoon" | "dueAt"
>;

/** What waits for the teacher before what only waits for students; what is due soon and not begun lies between. */
function need({ stuck, joinedCount, toShow, toScore, notStarted, isDueSoon }: Needing): number {
  if (stuck > 0) return 1;
  if (isDueSoon && notStarted > 0) return 2;
  return toScore > 0 || joinedCount > 0 || toShow > 0 ? 3 : 4;
}

/** What is due first comes first; what has no due time comes last. */
export const byDay = (one: Pick<Needing, "dueAt">, other: Pick<Needing, "dueAt">): number =>
  (one.dueAt ?? Number.POSITIVE_INFINITY) - (other.dueAt ?? Number.POSITIVE_INFINITY) || 0;
/** What needs the teacher comes first, then what is due first. */
export const byNeed = (one: Needing, other: Needing): number => need(one) - need(other) || byDay(one, other);
