import { chanceWithin } from "../mastery/chanceWithin";
import type { WhyFacts } from "../model/whyFacts";
import { USUAL_VISIT, type WorkableSkill } from "../selection/expectedGain";

/**
 * Why a skill is worth doing: what a usual visit is expected to bring, whether the student is ready, and whether later skills build on it.
 * @example whyWorthDoing({ mastery: 0.4, learning: 0.5, ready: 0.9, unlockedWeight: 0.3 }).unlocks // true
 */
export function whyWorthDoing(skill: WorkableSkill): WhyFacts["worthDoing"] {
  return {
    before: skill.mastery,
    after: chanceWithin(skill, USUAL_VISIT.answers),
    minutes: USUAL_VISIT.minutes,
    answers: USUAL_VISIT.answers,
    ready: skill.ready,
    unlocks: skill.unlockedWeight > 0,
  };
}
