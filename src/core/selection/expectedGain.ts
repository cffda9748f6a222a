/** Scored answers that one visit to a skill usually takes, and minutes for each. */
const ANSWERS_PER_VISIT = 6;
const MINUTES_PER_ANSWER = 0.9;

/**
 * Expected gain per minute of working on a skill now: ready * (P after - P before) * (1 + weight of what it unlocks) /
 * minutes. P after lets the learning chance act once for each answer of a usual visit. `ready` and `mastery` in [0, 1],
 * `unlockedWeight` >= 0; result per minute, >= 0.
 */
export function expectedGain(skill: {
  readonly mastery: number;
  readonly ready: number;
  readonly unlockedWeight: number;
  readonly learningChance: number;
}): number {
  const after = 1 - (1 - skill.mastery) * (1 - skill.learningChance) ** ANSWERS_PER_VISIT;
  return (
    (skill.ready * (after - skill.mastery) * (1 + skill.unlockedWeight)) / (ANSWERS_PER_VISIT * MINUTES_PER_ANSWER)
  );
}
