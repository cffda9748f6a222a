import { mean as meanOf } from "../numeric/mean";
import { gradePrior } from "./gradePrior";

/** The grades that content is made for: somebody of unknown grade may be in any of them. */
const GRADES = [1, 2, 3, 4, 5, 6, 7, 8] as const;

/**
 * What is believed of somebody who may be in any of some grades, each as likely as the others, before any answer: the mean of their abilities in
 * logits, and the spread of all of them. Without a known grade (null) it is any of 1 to 8.
 * @example mixedPrior([6]) // { mean: -0.25, sd: 1 }
 */
export function mixedPrior(grades: readonly (number | null)[]): ReturnType<typeof gradePrior> {
  const known = grades.filter((grade) => grade !== null);
  const priors = (known.length > 0 ? known : GRADES).map(gradePrior);
  const mean = meanOf(priors.map((one) => one.mean));
  return { mean, sd: Math.sqrt(meanOf(priors.map((one) => one.sd ** 2 + (one.mean - mean) ** 2))) };
}
