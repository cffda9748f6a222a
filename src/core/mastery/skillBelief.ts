/**
 * What is believed of a student's ability in one skill: a normal distribution, its mean in logits above the skill's boundary of mastery
 * (`MASTERY_BOUNDARY`), and its standard deviation.
 */
export interface SkillBelief {
  readonly mean: number;
  readonly spread: number;
}

/** How far ability in a single skill lies from ability as a whole, in logits: a standard deviation. */
export const SKILL_SPREAD = 0.65;
