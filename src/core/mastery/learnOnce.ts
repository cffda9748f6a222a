import { LEARNING } from "./learningModel";

/**
 * The chance of learning at present after one more opportunity that did not bring mastery: whoever is learning comes to it with the learning chance,
 * so whoever has not is less likely to be: learning' = learning (1 - T) / (1 - learning T).
 * @example learnOnce(0.5).toFixed(4) // "0.4565"
 */
export function learnOnce(learning: number): number {
  return (learning * (1 - LEARNING.chance)) / (1 - learning * LEARNING.chance);
}
