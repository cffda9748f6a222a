import { LEVEL_CUTS } from "../model/levels";
import type { MasteryMark } from "../model/masteryMark";
import type { SkillState } from "./skillState";

/**
 * The mark of a skill, given today's chance of mastery: mastered as long as no answers took it back and it is Secure today.
 * @example masteryMark({ masteredDay: 90, lostDay: null }, 0.7) // "faded"
 */
export function masteryMark(
  { masteredDay, lostDay }: Pick<SkillState, "masteredDay" | "lostDay">,
  chanceToday: number,
): MasteryMark {
  if (masteredDay === null) return "never";
  if (lostDay !== null) return "lost";
  return chanceToday >= LEVEL_CUTS.secure ? "now" : "faded";
}
