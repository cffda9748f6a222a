import { demandThat } from "../model/fail";
import type { GoalUnit } from "../model/goal";
import { distribution } from "../numeric/distribution";
import { mean } from "../numeric/mean";
import { sampleVariance } from "../numeric/sampleVariance";

export interface Goal {
  readonly unit: GoalUnit | "facts";
  /** Quantity to be reached by the deadline, above 0. */
  readonly target: number;
  /** School days from the goal's start to its deadline, and those already past. */
  readonly schoolDays: number;
  readonly daysPast: number;
}

export interface GoalProjection {
  readonly reached: number;
  /** Value expected at the deadline if things go on as they have, with its 80 % band; null in the first days. */
  readonly projected: number | null;
  readonly low: number | null;
  readonly high: number | null;
  /** "reached", or by where the projection lies: at or over the target, the band around it, or all under it. */
  readonly course: "reached" | "on-course" | "open" | "behind" | "too-early";
}

/** Days of evidence before anything is projected, and the level of the band. */
const LEAST_DAYS = 3;
const LEVEL = 0.8;

/**
 * How a goal stands: what each school day so far brought (`perDay`, one value a day past, 0 or more) is carried on to the
 * deadline. The band is Student's prediction interval for the sum of the days left: t * s * sqrt(m + m^2 / n) for m days
 * left after n seen. Throws "bad-argument" when days do not add up.
 */
export function projectGoal(goal: Goal, perDay: readonly number[]): GoalProjection {
  const { target, schoolDays, daysPast } = goal;
  demandThat(
    target > 0 &&
      daysPast >= 0 &&
      schoolDays >= daysPast &&
      perDay.length === daysPast &&
      perDay.every((value) => value >= 0),
    "A goal needs a target above 0 and one value of 0 or more for each day past.",
    { target, schoolDays, daysPast, values: perDay.length },
  );
  const reached = perDay.reduce((sum, value) => sum + value, 0);
  const left = schoolDays - daysPast;
  if (reached >= target) return { reached, projected: reached, low: reached, high: reached, course: "reached" };
  if (daysPast < LEAST_DAYS && left > 0)
    return { reached, projected: null, low: null, high: null, course: "too-early" };
  const rate = perDay.length > 0 ? mean(perDay) : 0;
  const projected = reached + left * rate;
  const spread = perDay.length > 1 ? Math.sqrt(sampleVariance(perDay)) : 0;
  const deviate = perDay.length > 1 ? distribution.studentQuantile(1 - (1 - LEVEL) / 2, perDay.length - 1) : 0;
  const half = deviate * spread * Math.sqrt(left + left ** 2 / Math.max(1, perDay.length));
  // What is reached cannot be lost again.
  const [low, high] = [Math.max(reached, projected - half), projected + half];
  const course = projected >= target ? "on-course" : high >= target ? "open" : "behind";
  return { reached, projected, low, high, course };
}
