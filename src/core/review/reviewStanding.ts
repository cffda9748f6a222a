import { reviewMemory } from "./reviewMemory";
import { type ReviewSkill, WANTED_RECALL } from "./reviewSkill";

/** How one skill in review stands on a day. */
export interface ReviewStanding {
  readonly skillId: string;
  readonly recall: number;
  readonly due: boolean;
  /** Days since it was due; 0 when it is not, or is due today. */
  readonly overdueDays: number;
  readonly daysSinceMet: number;
}

/** Every skill's recall today, how overdue it is and how long ago it was met; what is least remembered first. */
export function reviewStanding(
  skills: readonly ReviewSkill[],
  day: number,
  wanted: number = WANTED_RECALL,
): ReviewStanding[] {
  return skills
    .map(({ skillId, memory, lastDay }) => {
      const daysSinceMet = Math.max(0, day - lastDay);
      const dueAfter = reviewMemory.daysUntil(memory.stabilityDays, wanted);
      const due = daysSinceMet >= dueAfter;
      return {
        skillId,
        recall: reviewMemory.recall(memory.stabilityDays, daysSinceMet),
        due,
        overdueDays: due ? Math.floor(daysSinceMet - dueAfter) : 0,
        daysSinceMet,
      };
    })
    .sort((x, y) => x.recall - y.recall || (x.skillId < y.skillId ? -1 : 1));
}
