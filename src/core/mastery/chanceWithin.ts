import { demandThat } from "../model/fail";
import { LEARNING, type LearnerState } from "./learningModel";

/** Chance of mastery now or within a number of further opportunities (0 or more), were the practice to go on as it is. */
export function chanceWithin({ mastery, learning }: LearnerState, opportunities: number): number {
  demandThat(Number.isInteger(opportunities) && opportunities >= 0, "Opportunities are a whole number from 0.", {
    opportunities,
  });
  return mastery + (1 - mastery) * learning * (1 - (1 - LEARNING.chance) ** opportunities);
}
