import { sharesOfLogs } from "../numeric/sharesOfLogs";
import { likelihoodOfPace, type PastReview } from "./pastReviews";

/** Paces that are looked at, as effects on the logarithm of stability: from a quarter as long to twice as long. */
const EFFECTS = Array.from({ length: 12 }, (_, n) => -1.5 + n * 0.2);
/** What is believed before: normal around the model. Students differ by 0.35, and a school's from the model by about as much again. */
const PRIOR_SD = 0.5;

/**
 * How much longer (above 1) or shorter a student remembers than the model takes them to, by their past reviews: the posterior mean on the logarithm
 * of stability. With it the queue asks as early as this student needs. Without reviews it is 1.
 * @example ownPace([]).toFixed(2) // "1.00"
 */
export function ownPace(reviews: readonly PastReview[]): number {
  if (reviews.length === 0) return 1;
  const shares = sharesOfLogs(
    EFFECTS.map((effect) => likelihoodOfPace(reviews, effect) - (effect / PRIOR_SD) ** 2 / 2),
  );
  return Math.exp(EFFECTS.reduce((sum, effect, place) => sum + (shares[place] ?? 0) * effect, 0));
}
