import { demandThat } from "../model/fail";
import { LEARNING, type LearnerState } from "./learningModel";

/**
 * Chance of mastery now or within a number of further opportunities (0 or more), were the practice to go on as it is.
 * @throws CoreError "bad-argument", where this does not hold: Opportunities are a whole number from 0.
 * @example chanceWithin({ mastery: 0.5, learning: 0.1 }, 2).toFixed(3) // "0.515"
 */
export function chanceWithin({ mastery, learning }: LearnerState, opportunities: number): number {
  demandThat(Number.isInteger(opportunities) && opportunities >= 0, "Opportunities are a whole number from 0.", {
    opportunities,
  });
  return mastery + (1 - mastery) * learning * (1 - (1 - LEARNING.chance) ** opportunities);
}
