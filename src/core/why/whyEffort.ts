import type { Effort } from "../measurement/effort";
import type { WhyFacts } from "../model/whyFacts";

/**
 * What a share of effort stands on.
 * @example whyEffort({ share: 0.5, rapid: [true, false], n: 2 }) // { rapid: 1, answers: 2 }
 */
export const whyEffort = ({ rapid, n }: Effort): WhyFacts["effort"] => ({
  rapid: rapid.filter(Boolean).length,
  answers: n,
});
