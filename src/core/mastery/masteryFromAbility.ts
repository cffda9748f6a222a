import { beliefFromAbility } from "./beliefFromAbility";
import { chanceOfMastery } from "./chanceOfMastery";

/** A single estimate must neither decide nor exclude mastery. */
const LEAST = 0.02;
const MOST = 0.98;

/**
 * Chance of mastery of a skill given an ability with its error (logits), within 0.02 to 0.98. Seeds a skill after a diagnostic.
 * @throws CoreError "bad-argument", where this does not hold: An ability needs an error above 0.
 * @example masteryFromAbility({ theta: 0, se: 0.3 }, 0).toFixed(2) // "0.15"
 */
export function masteryFromAbility(
  ability: { readonly theta: number; readonly se: number },
  skillDifficulty: number,
): number {
  return Math.min(MOST, Math.max(LEAST, chanceOfMastery(beliefFromAbility(ability, skillDifficulty))));
}
