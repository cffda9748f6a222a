import { logSum } from "../numeric/logSum";
import {
  likelihoodOfEffects,
  type MemorySpread,
  massesOfSkills,
  type PastReview,
  STUDENT_EFFECTS,
  USUAL_SPREAD,
} from "./pastReviews";

const CANDIDATES = Array.from({ length: 20 }, (_, n) => 0.05 * (n + 1));
/** What is believed of the spread before: its logarithm is normal around that of the usual one. */
const PRIOR_SD = 0.3;

/**
 * How far a school's students lie apart in memory, from all their reviews: the root of the posterior mean variance, each student's effect summed out
 * (empirical Bayes; Morris 1983). Without reviews it is the usual one. One list of reviews a student.
 * @example memorySpread([]).student.toFixed(1) // "0.4"
 */
export function memorySpread(students: readonly (readonly PastReview[])[]): MemorySpread {
  const { skill } = USUAL_SPREAD;
  const likelihoods = students.map((reviews) => likelihoodOfEffects(massesOfSkills(reviews, skill)));
  const heights = CANDIDATES.map((spread) => {
    const density = STUDENT_EFFECTS.map((effect) => -((effect / spread) ** 2) / 2);
    const plain = logSum(density);
    const ofAll = likelihoods.reduce(
      (sum, likelihood) => sum + logSum(density.map((height, place) => height + (likelihood[place] ?? 0))) - plain,
      0,
    );
    // On an even grid a density of the logarithm is one of the spread over the spread.
    return ofAll - (Math.log(spread / USUAL_SPREAD.student) / PRIOR_SD) ** 2 / 2 - Math.log(spread);
  });
  const total = logSum(heights);
  // What the next student may differ by has the mean of the variances.
  const variance = CANDIDATES.reduce(
    (sum, spread, place) => sum + spread ** 2 * Math.exp((heights[place] ?? 0) - total),
    0,
  );
  return { student: Math.sqrt(variance), skill };
}
