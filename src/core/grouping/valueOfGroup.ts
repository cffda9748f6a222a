import type { GroupProblem } from "./groupProblem";
import { tenthOf } from "./tenthOf";

/** Need that a group for a skill would serve, and its value: that less the cost of its spread, counted in tenths. 0 for nobody. */
export function valueOfGroup(
  problem: GroupProblem,
  skillId: string,
  studentIds: readonly string[],
): { readonly needServed: number; readonly value: number } {
  if (studentIds.length === 0) return { needServed: 0, value: 0 };
  const skill = problem.skillIds.indexOf(skillId);
  const places = studentIds.map((id) => problem.studentIds.indexOf(id));
  const needServed = places.reduce((sum, student) => sum + (problem.need[student]?.[skill] ?? 0), 0);
  const tenths = places.map((student) => tenthOf(problem, student, skill));
  const range = (Math.max(...tenths) - Math.min(...tenths)) / 10;
  return { needServed, value: needServed - (problem.spread?.penalty ?? 0) * range };
}
