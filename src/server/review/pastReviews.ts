import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import type { PastReview } from "@/core/review/pastReviews";
import type { skillDaysOf } from "@/db/queries/summaries";

/**
 * Meetings of one student on later days, each with what the memory was taken for before it. A day counts as recalled where most of its first tries
 * were right.
 */
export function pastReviews(days: Awaited<ReturnType<typeof skillDaysOf>>): PastReview[] {
  return [...groupBy(days, ({ skillId }) => skillId)].flatMap(([skillId, own]) => {
    const rising = [...own].sort((x, y) => x.day - y.day);
    return rising.slice(1).flatMap((met, place): PastReview[] => {
      const before = rising[place];
      if (!before?.stabilityDays || met.answered === 0) return [];
      const right = met.right * 2 >= met.answered;
      return [{ skillId, stabilityDays: before.stabilityDays, elapsedDays: met.day - before.day, right }];
    });
  });
}
