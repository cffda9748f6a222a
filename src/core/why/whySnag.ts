import { chanceWithin } from "../mastery/chanceWithin";
import { isSnag, LOOK_AHEAD } from "../mastery/isSnag";
import type { SkillState } from "../mastery/skillState";
import type { WhyFacts } from "../model/whyFacts";

/**
 * What an open snag stands on, on a day; null where none is open.
 * @example whySnag({ snagDay: null, snagClearedDay: null, mastery: 0.1, learning: 0.2, scoredAnswers: 7, rightFirstTries: 1 }, 100) // null
 */
export function whySnag(
  state: Pick<SkillState, "snagDay" | "snagClearedDay" | "mastery" | "learning" | "scoredAnswers" | "rightFirstTries">,
  day: number,
): WhyFacts["snag"] | null {
  if (state.snagDay === null || state.snagClearedDay !== null) return null;
  return {
    answered: state.scoredAnswers,
    right: state.rightFirstTries,
    sinceDays: Math.max(0, day - state.snagDay),
    opportunities: LOOK_AHEAD,
    chanceThen: chanceWithin(state, LOOK_AHEAD),
    lifting: !isSnag(state),
  };
}
