import { chanceWithin } from "../mastery/chanceWithin";
import { demandThat } from "../model/fail";
import { expectedGain, visitWithin, type WorkableSkill } from "../selection/expectedGain";

export interface WorthDoing {
  readonly skillId: string;
  /** Expected gain per minute, by which the skills are ranked. */
  readonly gainPerMinute: number;
  readonly minutes: number;
  /** Chance of mastery now and expected after the visit. */
  readonly before: number;
  readonly after: number;
  /** Whether it still fits into the minutes at hand after those ranked before it. */
  readonly fits: boolean;
}

/**
 * What is worth doing first for a student in the minutes at hand: skills by expected gain per minute,
 * ready * (P after - P before) * (1 + unlocked weight) / minutes. Skills with nothing to gain are left out. In fewer minutes than a usual
 * visit takes, a visit is as long as they are.
 * @throws CoreError "bad-argument", where this does not hold: Minutes at hand are 0 or more.
 * @example worthDoingFirst([{ id: "a", mastery: 0.3, learning: 0.1, ready: 1, unlockedWeight: 0 }, { id: "b", mastery: 0.3, learning: 0.1, ready: 0.1, unlockedWeight: 0 }], 10).map(({ skillId }) => skillId) // ["a", "b"]
 */
export function worthDoingFirst(
  skills: readonly (WorkableSkill & { readonly id: string })[],
  minutesAtHand: number,
): WorthDoing[] {
  demandThat(minutesAtHand >= 0, "Minutes at hand are 0 or more.", { minutesAtHand });
  const visit = visitWithin(minutesAtHand);
  const { answers, minutes } = visit;
  let left = minutesAtHand;
  return skills
    .map((skill) => ({ skill, gainPerMinute: expectedGain(skill, visit) }))
    .filter(({ gainPerMinute }) => gainPerMinute > 0)
    .sort((x, y) => y.gainPerMinute - x.gainPerMinute || (x.skill.id < y.skill.id ? -1 : 1))
    .map(({ skill, gainPerMinute }) => {
      const fits = minutes <= left;
      if (fits) left -= minutes;
      return {
        skillId: skill.id,
        gainPerMinute,
        minutes,
        before: skill.mastery,
        after: chanceWithin(skill, answers),
        fits,
      };
    });
}
