import { chanceWithin } from "../mastery/chanceWithin";
import type { LearnerState } from "../mastery/learningModel";
import { demandThat } from "../model/fail";
import { LEVEL_CUTS } from "../model/levels";

/** One skill of the goal, for one student. */
export interface AimedSkill extends LearnerState {
  readonly skillId: string;
  /** Enough is known to say that it stands where it stands. */
  readonly isKnown: boolean;
}

/** Where a skill is likely to stand on the last day. Chances are 0 to 1. */
export interface ProjectedSkill {
  readonly skillId: string;
  readonly now: number;
  readonly later: number;
  readonly course: "there" | "on-course" | "behind";
}

/** More likely than not: whoever has mastered a skill shows it in further answers, and their chance passes every cut. */
const EVEN = 0.5;

/**
 * Which skills of a goal a student is likely to have at a level on its last day: what is there already stays; the answers of the days left, as many
 * a day as so far, fall evenly on the skills that are not there yet, each an opportunity to learn (`chanceWithin`). A projection, not a promise:
 * whoever answers nothing gets nowhere. On course is what is then mastered more likely than not.
 * @param answersADay Answers a school day so far, 0 or more.
 * @param daysLeft School days left, with today, 0 or more.
 * @throws CoreError "bad-argument", where this does not hold: Answers and days are 0 or more.
 * @example projectLevels([{ skillId: "a", mastery: 0.9, learning: 0.5, isKnown: true }], { level: "secure", answersADay: 0, daysLeft: 0 })[0].course // "there"
 */
export function projectLevels(
  skills: readonly AimedSkill[],
  goal: { readonly level: keyof typeof LEVEL_CUTS; readonly answersADay: number; readonly daysLeft: number },
): ProjectedSkill[] {
  const { level, answersADay, daysLeft } = goal;
  demandThat(answersADay >= 0 && daysLeft >= 0, "Answers and days are 0 or more.", { answersADay, daysLeft });
  const cut = LEVEL_CUTS[level];
  const likely = Math.min(cut, EVEN);
  const isThere = ({ mastery, isKnown }: AimedSkill) => isKnown && mastery >= cut;
  const open = skills.filter((skill) => !isThere(skill)).length;
  const opportunities = open === 0 ? 0 : Math.floor((answersADay * daysLeft) / open);
  return skills.map((skill) => {
    const { skillId, mastery } = skill;
    if (isThere(skill)) return { skillId, now: mastery, later: mastery, course: "there" };
    // Without an answer to come, what nobody knows stays unknown.
    const later = opportunities === 0 ? mastery : chanceWithin(skill, opportunities);
    return { skillId, now: mastery, later, course: opportunities > 0 && later >= likely ? "on-course" : "behind" };
  });
}
