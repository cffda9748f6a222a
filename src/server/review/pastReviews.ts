import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import type { PastReview } from "@/core/review/pastReviews";
import type { skillDaysOf } from "@/db/queries/summaries";

/**
 * Meetings of one student on later days with what was mastered before, each with what the memory was taken for: what was not learned yet can't be
 * forgotten, and says nothing of memory. A day counts as recalled where most of its first tries were right.
 * @param masteredDay the day on which a skill was first mastered; undefined before
 */
export function pastReviews(
  days: Awaited<ReturnType<typeof skillDaysOf>>,
  masteredDay: (skillId: string) => number | null | undefined,
): PastReview[] {
  return [...groupBy(days, ({ skillId }) => skillId)].flatMap(([skillId, own]) => {
    const mastered = masteredDay(skillId) ?? null;
    if (mastered === null) return [];
    const rising = [...own].sort((x, y) => x.day - y.day);
    return rising.slice(1).flatMap((met, place): PastReview[] => {
      const before = rising[place];
      if (!before?.stabilityDays || met.answered === 0 || met.day <= mastered) return [];
      const right = met.right * 2 >= met.answered;
      return [{ skillId, stabilityDays: before.stabilityDays, elapsedDays: met.day - before.day, right }];
    });
  });
}
