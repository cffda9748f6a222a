import { MASTERY_BOUNDARY } from "../mastery/masteryBoundary";
import type { SkillBelief } from "../mastery/skillBelief";
import type { ItemParameters } from "../measurement/item";
import { logistic } from "../numeric/logistic";

/**
 * Predicted chance of a right first try, from what is believed of the student in the skill: the item's curve averaged over the belief, by
 * the probit approximation of the logistic (MacKay 1992), within 0.01 of the integral.
 * @example chanceOfRight({ mean: 0, spread: 1 }, { a: 1.4, b: 0.75, c: 0 }, 0) // 0.5
 */
export function chanceOfRight(
  { mean, spread }: SkillBelief,
  { a, b, c }: ItemParameters,
  skillDifficulty: number,
): number {
  const ahead = a * (mean + skillDifficulty + MASTERY_BOUNDARY - b);
  return c + (1 - c) * logistic(ahead / Math.sqrt(1 + (Math.PI / 8) * (a * spread) ** 2));
}
