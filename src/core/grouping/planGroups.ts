import type { SolveLinearModel } from "../model/linearModel";
import { groupModel, memberName } from "./groupModel";
import { demandGroupProblem, type GroupPlan, type GroupProblem } from "./groupProblem";
import { groupsGreedily } from "./groupsGreedily";
import { planOf } from "./planOf";

/**
 * The grouping of most value (need served less the cost of spread) within the limits: a student in at most one group, one
 * group a skill, sizes within the limits, at most `slots` groups, pairs kept apart or together, absent students left out.
 * Proven best when the solver finishes within `limitSeconds`; otherwise the better of what it had and the greedy answer,
 * and the plan says so. Where a group in which somebody is fixed cannot reach the smallest size, the greedy answer stands, smaller than wished. Throws as
 * `demandGroupProblem` does.
 */
export async function planGroups(
  problem: GroupProblem,
  solve: SolveLinearModel,
  limitSeconds: number,
): Promise<GroupPlan> {
  demandGroupProblem(problem);
  const greedy = groupsGreedily(problem);
  if (greedy.groups.length === 0 && (problem.slots === 0 || !problem.need.flat().some((need) => need > 0)))
    return { ...greedy, quality: "optimal" };
  const solution = await solve(groupModel(problem), limitSeconds);
  const members = new Map(
    problem.skillIds.map((skillId, skill) => [
      skillId,
      problem.studentIds.filter((_, student) => solution.chosen.has(memberName(student, skill))),
    ]),
  );
  if (solution.status === "optimal") return planOf(problem, members, "optimal");
  const found = planOf(problem, members, "good");
  return solution.status === "time-limit" && found.value > greedy.value ? found : greedy;
}
