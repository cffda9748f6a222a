import { demandThat } from "../model/fail";
import { distribution } from "../numeric/distribution";
import { MASTERY_BOUNDARY } from "./masteryBoundary";

/** A single estimate must neither decide nor exclude mastery. */
const LEAST = 0.02;
const MOST = 0.98;

/**
 * Chance of mastery of a skill given an ability with its error (logits): the share of the normal distribution that lies
 * above the skill's boundary, within 0.02 to 0.98. Seeds a skill after a diagnostic.
 * @throws CoreError "bad-argument", where this does not hold: An ability needs an error above 0.
 * @example masteryFromAbility({ theta: 0, se: 0.3 }, 0).toFixed(2) // "0.02"
 */
export function masteryFromAbility(
  { theta, se }: { readonly theta: number; readonly se: number },
  skillDifficulty: number,
): number {
  demandThat(
    se > 0 && Number.isFinite(theta) && Number.isFinite(skillDifficulty),
    "An ability needs an error above 0.",
    {
      theta,
      se,
      skillDifficulty,
    },
  );
  const share = distribution.normalBelow((theta - skillDifficulty - MASTERY_BOUNDARY) / se);
  return Math.min(MOST, Math.max(LEAST, share));
}
