import type { Entering, ReviewPlace } from "../model/reviewSettings";
import { type Memory, reviewMemory } from "./reviewMemory";

/** Where somebody put a skill, and since which day. */
export interface ReviewDecision {
  readonly skillId: string;
  readonly place: ReviewPlace;
  readonly day: number;
}

/** What a student's answers say of a skill. */
export interface MetSkill {
  readonly memory: Memory;
  readonly lastDay: number;
  /** Day on which it was first mastered; null before. */
  readonly masteredDay: number | null;
}

export interface SkillInReview {
  readonly skillId: string;
  readonly place: ReviewPlace;
  readonly enteredDay: number;
  readonly memory: Memory;
  readonly lastDay: number;
  /** Put there by hand, of the student alone or of the class; null where it came by being mastered. */
  readonly chosen: "student" | "class" | null;
  readonly wasMastered: boolean;
}

/**
 * The skills that are in a student's review, rest, or were dropped. What was decided for the student goes before what was for the class, and that before
 * entering by mastery. What was chosen and never met has the memory of something barely met on the day it was chosen.
 * @example skillsInReview("chosen", { ofClass: [{ skillId: "a", place: "in", day: 5 }], ofStudent: [] }, new Map())[0]?.lastDay // 5
 */
export function skillsInReview(
  entering: Entering,
  decisions: { readonly ofClass: readonly ReviewDecision[]; readonly ofStudent: readonly ReviewDecision[] },
  met: ReadonlyMap<string, MetSkill>,
): SkillInReview[] {
  const found = new Map<string, SkillInReview>();
  if (entering === "mastered")
    for (const [skillId, { memory, lastDay, masteredDay }] of met)
      if (masteredDay !== null)
        found.set(skillId, {
          skillId,
          place: "in",
          enteredDay: masteredDay,
          memory,
          lastDay,
          chosen: null,
          wasMastered: true,
        });
  const decide = (own: readonly ReviewDecision[], chosen: "class" | "student") => {
    for (const { skillId, place, day } of own) {
      const known = met.get(skillId);
      const memory = known?.memory ?? reviewMemory.first(1);
      found.set(skillId, {
        skillId,
        place,
        enteredDay: day,
        memory,
        lastDay: known?.lastDay ?? day,
        chosen,
        wasMastered: known !== undefined && known.masteredDay !== null,
      });
    }
  };
  decide(decisions.ofClass, "class");
  decide(decisions.ofStudent, "student");
  return [...found.values()];
}
