import { chanceWithin } from "../mastery/chanceWithin";
import type { WhyFacts } from "../model/whyFacts";
import { USUAL_VISIT, type Visit, type WorkableSkill } from "../selection/expectedGain";

/**
 * Why a skill is worth doing: what a visit is expected to bring, whether the student is ready, and whether later skills build on it.
 * @example whyWorthDoing({ mastery: 0.4, learning: 0.5, ready: 0.9, unlockedWeight: 0.3 }).unlocks // true
 */
export function whyWorthDoing(skill: WorkableSkill, visit: Visit = USUAL_VISIT): WhyFacts["worthDoing"] {
  return {
    before: skill.mastery,
    after: chanceWithin(skill, visit.answers),
    minutes: visit.minutes,
    answers: visit.answers,
    ready: skill.ready,
    unlocks: skill.unlockedWeight > 0,
  };
}
