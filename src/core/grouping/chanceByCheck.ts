import { beliefAfter } from "../mastery/beliefAfter";
import { chanceOfMastery } from "../mastery/chanceOfMastery";
import type { SkillBelief } from "../mastery/skillBelief";
import type { ItemParameters } from "../measurement/item";

/** One answer of a check: what was earned of what was possible, 0 to 1, on which item. */
export interface CheckAnswer {
  readonly share: number;
  readonly item: ItemParameters;
}

/**
 * The chance of mastery that a check alone brings, from what was believed before: what was practised between is left out, so that
 * whoever was taught and whoever was not are judged from equally many answers. Practice would pull the one towards the truth and leave
 * the other where a doubtful start put them.
 * @example chanceByCheck({ mean: -0.5, spread: 1 }, [], 0).toFixed(2) // "0.34"
 */
export function chanceByCheck(before: SkillBelief, answers: readonly CheckAnswer[], skillDifficulty: number): number {
  const after = answers.reduce<SkillBelief>(
    (belief, { share, item }) =>
      beliefAfter(belief, { share, item, skillDifficulty, weight: 1, mayHaveChanged: false }),
    // Time went by: ability may be elsewhere by now, up or down alike.
    { mean: before.mean, spread: Math.hypot(before.spread, MAY_HAVE_MOVED) },
  );
  return chanceOfMastery(after);
}

/** How far ability may have moved between a reteach and its check, in logits, one standard deviation. */
const MAY_HAVE_MOVED = 0.75;
