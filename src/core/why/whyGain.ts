import type { StudentGain } from "../measurement/gain";
import type { WhyFacts } from "../model/whyFacts";

/**
 * What a gain stands on: how far two tests of the same student may lie apart by the error of both alone.
 * @example whyGain({ difference: 6, se: 2, low: 2, high: 10, change: "up", normalised: null }).byLuck // 4
 */
export const whyGain = ({ difference, high, change }: StudentGain): WhyFacts["gain"] => ({
  difference,
  byLuck: high - difference,
  change,
});
