import { checkGroupProblem, type GroupPlan, type GroupProblem, type PlannedGroup } from "./groupProblem";

/**
 * A good grouping without a solver: again and again opens the skill whose neediest free students (up to the largest size,
 * none kept apart) add most need, until the slots are used or no group of the smallest size is left. Every group has a
 * skill of its own. Fast enough to show while the exact answer is worked out.
 */
export function groupsGreedily(problem: GroupProblem): GroupPlan {
  checkGroupProblem(problem);
  const free = new Set(problem.studentIds);
  const unused = new Set(problem.skillIds);
  const groups: PlannedGroup[] = [];
  while (groups.length < problem.slots) {
    const best = [...unused]
      .map((skillId) => bestGroup(problem, skillId, free))
      .filter((group) => group !== null)
      .sort((x, y) => y.needServed - x.needServed)[0];
    if (!best) break;
    groups.push(best);
    unused.delete(best.skillId);
    for (const id of best.studentIds) free.delete(id);
  }
  return { groups, needServed: groups.reduce((sum, group) => sum + group.needServed, 0), quality: "greedy" };
}

function bestGroup(problem: GroupProblem, skillId: string, free: ReadonlySet<string>): PlannedGroup | null {
  const skill = problem.skillIds.indexOf(skillId);
  const needy = problem.studentIds
    .map((id, student) => ({ id, need: problem.need[student]?.[skill] ?? 0 }))
    .filter(({ id, need }) => free.has(id) && need > 0)
    .sort((x, y) => y.need - x.need);
  const members: { id: string; need: number }[] = [];
  for (const candidate of needy) {
    if (members.length === problem.largest) break;
    const clash = (problem.keepApart ?? []).some(
      ([one, other]) =>
        (one === candidate.id && members.some(({ id }) => id === other)) ||
        (other === candidate.id && members.some(({ id }) => id === one)),
    );
    if (!clash) members.push(candidate);
  }
  if (members.length < problem.smallest) return null;
  return {
    skillId,
    studentIds: members.map(({ id }) => id),
    needServed: members.reduce((sum, { need }) => sum + need, 0),
  };
}
