import { groupBy } from "../collections/groupBy";
import { logSum } from "../numeric/logSum";
import { reviewMemory } from "./reviewMemory";

/** A review that was: what the model took the memory for, the days since the last meeting, and whether it was recalled at the first try. */
export interface PastReview {
  readonly skillId: string;
  readonly stabilityDays: number;
  readonly elapsedDays: number;
  readonly right: boolean;
}

/** How far students, and single skills of one student, lie from what the model takes their memory for: standard deviations of log stability. */
export interface MemorySpread {
  readonly student: number;
  readonly skill: number;
}

/** What refits of such models to single learners differ by; holds until a school's own reviews say otherwise. */
export const USUAL_SPREAD: MemorySpread = { student: 0.35, skill: 0.35 };

/** Effects of a student that are looked at, and of a skill in standard deviations. */
export const STUDENT_EFFECTS: readonly number[] = Array.from({ length: 49 }, (_, n) => -2.4 + n * 0.1);
export const SKILL_DEVIATES: readonly number[] = Array.from({ length: 13 }, (_, n) => -3 + n * 0.5);

/** Logarithms of masses of one skill's effects at each student's effect: [student's effect][skill's deviate]. */
export type SkillMasses = readonly (readonly number[])[];

/**
 * Logarithm of the likelihood of reviews where memories last `exp(effect)` times as long as the model takes them to.
 * @example likelihoodOfPace([], 0.2) // 0
 */
export const likelihoodOfPace = (reviews: readonly PastReview[], effect: number): number =>
  reviews.reduce((sum, { stabilityDays, elapsedDays, right }) => {
    const recall = reviewMemory.recall(stabilityDays * Math.exp(effect), elapsedDays);
    return sum + Math.log(right ? recall : Math.max(1e-9, 1 - recall));
  }, 0);

/**
 * By skill: how likely its reviews are under each pair of effects, the skill's own normal density counted in.
 * @example massesOfSkills([], 0.35).size // 0
 */
export function massesOfSkills(reviews: readonly PastReview[], skillSpread: number): ReadonlyMap<string, SkillMasses> {
  const bySkill = groupBy(reviews, ({ skillId }) => skillId);
  return new Map(
    [...bySkill].map(([skillId, own]) => [
      skillId,
      STUDENT_EFFECTS.map((student) =>
        SKILL_DEVIATES.map(
          (deviate) => likelihoodOfPace(own, student + skillSpread * deviate) - (deviate * deviate) / 2,
        ),
      ),
    ]),
  );
}

/**
 * Logarithm of the likelihood of a student's reviews at each effect of the student, the skills' effects summed out.
 * @example likelihoodOfEffects(new Map()).every((value) => value === 0) // true
 */
export function likelihoodOfEffects(skills: ReadonlyMap<string, SkillMasses>): number[] {
  const plain = logSum(SKILL_DEVIATES.map((deviate) => (-deviate * deviate) / 2));
  return STUDENT_EFFECTS.map((_, place) =>
    [...skills.values()].reduce((sum, masses) => sum + logSum(masses[place] ?? []) - plain, 0),
  );
}
