import type { GroupProblem } from "./groupProblem";

/** A student's chance of mastery of a skill in whole tenths, 0 to 10, by which the spread of a group is counted. */
export function tenthOf(problem: GroupProblem, student: number, skill: number): number {
  // Without the margin 0.3 / 0.1 would be 2.
  return Math.floor((problem.spread?.chances[student]?.[skill] ?? 0) * 10 + 1e-9);
}
