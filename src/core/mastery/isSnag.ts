import { chanceWithin } from "./chanceWithin";
import type { LearnerState } from "./learningModel";

/** Answers before anything is said, opportunities looked ahead, and the chance under which more of the same will not help. */
const LEAST_ANSWERS = 5;
export const LOOK_AHEAD = 10;
const UNLIKELY = 0.25;

/**
 * True when more of the same practice is unlikely to help: after 5 or more scored answers with feedback, the chance of
 * mastery within the next 10 opportunities is under 0.25.
 * @example isSnag({ mastery: 0.2, learning: 0.02, scoredAnswers: 12 }) // true
 */
export function isSnag(state: LearnerState & { readonly scoredAnswers: number }): boolean {
  return state.scoredAnswers >= LEAST_ANSWERS && chanceWithin(state, LOOK_AHEAD) < UNLIKELY;
}
