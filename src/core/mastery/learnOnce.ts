import { LEARNING, type LearnerState } from "./learningModel";

/**
 * One opportunity to learn: those who are learning come to mastery with the learning chance. Whoever then still has not
 * is less likely to be among those who learn: learning' = learning (1 - T) / (1 - learning T).
 * @example learnOnce({ mastery: 0.5, learning: 0.1 }).mastery.toFixed(2) // "0.51"
 */
export function learnOnce({ mastery, learning }: LearnerState): LearnerState {
  const now = learning * LEARNING.chance;
  return {
    mastery: mastery + (1 - mastery) * now,
    learning: (learning * (1 - LEARNING.chance)) / (1 - now),
  };
}
