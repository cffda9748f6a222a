import type { GroupPlan, GroupProblem } from "./groupProblem";
import { valueOfGroup } from "./valueOfGroup";

/** A plan from who is in which skill's group, groups and members by what they need most. Empty groups are left out. */
export function planOf(
  problem: GroupProblem,
  members: ReadonlyMap<string, readonly string[]>,
  quality: GroupPlan["quality"],
): GroupPlan {
  const needOf = (id: string, skillId: string) =>
    problem.need[problem.studentIds.indexOf(id)]?.[problem.skillIds.indexOf(skillId)] ?? 0;
  const groups = [...members]
    .filter(([, studentIds]) => studentIds.length > 0)
    .map(([skillId, studentIds]) => ({
      skillId,
      studentIds: [...studentIds].sort((x, y) => needOf(y, skillId) - needOf(x, skillId)),
      ...valueOfGroup(problem, skillId, studentIds),
    }))
    .sort((x, y) => y.needServed - x.needServed);
  return {
    groups: groups.map(({ skillId, studentIds, needServed }) => ({ skillId, studentIds, needServed })),
    needServed: groups.reduce((sum, group) => sum + group.needServed, 0),
    value: groups.reduce((sum, group) => sum + group.value, 0),
    quality,
  };
}
