import { demandThat } from "../model/fail";
import { MASTERY_BOUNDARY } from "./masteryBoundary";
import { SKILL_SPREAD, type SkillBelief } from "./skillBelief";

/**
 * What an ability with its error (logits) says of a skill: single skills lie around it, so that the skill is less certain than the ability.
 * @throws CoreError "bad-argument", where this does not hold: An ability needs an error above 0.
 * @example beliefFromAbility({ theta: 1, se: 0.3 }, 0).mean // 0.25
 */
export function beliefFromAbility(
  { theta, se }: { readonly theta: number; readonly se: number },
  skillDifficulty: number,
): SkillBelief {
  demandThat(
    se > 0 && Number.isFinite(theta) && Number.isFinite(skillDifficulty),
    "An ability needs an error above 0.",
    { theta, se, skillDifficulty },
  );
  return { mean: theta - skillDifficulty - MASTERY_BOUNDARY, spread: Math.hypot(se, SKILL_SPREAD) };
}
