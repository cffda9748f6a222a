import type { Gauge } from "../mastery/gaugeOf";
import type { WhyFacts } from "../model/whyFacts";

/**
 * What a gauge stands on, on a day: right answers against those that somebody who has the skill, and somebody who has not, would have
 * on the very items.
 * @example whyMastery({ rightFirstTries: 8, scoredAnswers: 12, rightIfMastered: 10.9, rightIfNot: 7.2, lastDay: 100, mark: "never" }, 120).ifMastered // 11
 */
export function whyMastery(
  gauge: Pick<Gauge, "rightFirstTries" | "scoredAnswers" | "rightIfMastered" | "rightIfNot" | "lastDay" | "mark">,
  day: number,
): WhyFacts["mastery"] {
  const isKept = gauge.rightIfMastered > 0;
  return {
    right: gauge.rightFirstTries,
    answered: gauge.scoredAnswers,
    ifMastered: isKept ? Math.round(gauge.rightIfMastered) : null,
    ifNot: isKept ? Math.round(gauge.rightIfNot) : null,
    daysAgo: gauge.lastDay === null ? null : Math.max(0, day - gauge.lastDay),
    mark: gauge.mark,
  };
}
