import type { WhyFacts } from "../model/whyFacts";
import type { ReviewStanding } from "../review/reviewStanding";

/**
 * Why a skill is asked again, or not yet.
 * @example whyReview({ skillId: "a", recall: 0.86, due: true, overdueDays: 3, daysSinceMet: 20 }).overdueDays // 3
 */
export const whyReview = ({ recall, daysSinceMet, overdueDays, due }: ReviewStanding): WhyFacts["review"] => ({
  recall,
  daysSinceMet,
  overdueDays,
  due,
});
