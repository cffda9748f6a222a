import { demandGroupProblem, fixedMembers, type GroupPlan, type GroupProblem, unitsOf } from "./groupProblem";
import { planOf } from "./planOf";
import { valueOfGroup } from "./valueOfGroup";

/**
 * A good grouping without a solver: again and again opens the skill whose neediest free students (up to the largest size,
 * none kept apart, those to be kept together as one) add most value, until the slots are used or no group of the smallest
 * size is left. Groups in which somebody is fixed come first. Every group has a skill of its own. Fast enough to show while the exact answer is worked out.
 */
export function groupsGreedily(problem: GroupProblem): GroupPlan {
  demandGroupProblem(problem);
  const fixed = new Map(
    problem.skillIds
      .map((skillId) => [skillId, fixedMembers(problem, skillId)] as const)
      .filter(([, own]) => own.length > 0),
  );
  const fixedIds = new Set([...fixed.values()].flat());
  let free = unitsOf(problem).filter((unit) => !unit.some((id) => fixedIds.has(id)));
  const groups = new Map<string, readonly string[]>();
  for (const [skillId, own] of fixed) {
    const members = bestMembers(problem, skillId, free, own);
    groups.set(skillId, members);
    free = free.filter(([first]) => !members.includes(first ?? ""));
  }
  while (groups.size < problem.slots) {
    const best = problem.skillIds
      .filter((skillId) => !groups.has(skillId))
      .map((skillId) => ({ skillId, members: bestMembers(problem, skillId, free, []) }))
      .map((group) => ({ ...group, value: valueOfGroup(problem, group.skillId, group.members).value }))
      .reduce<{ skillId: string; members: readonly string[]; value: number } | null>(
        (most, group) => (group.value > (most?.value ?? 0) ? group : most),
        null,
      );
    if (!best) break;
    groups.set(best.skillId, best.members);
    free = free.filter(([first]) => !best.members.includes(first ?? ""));
  }
  return planOf(problem, groups, "greedy");
}

/**
 * Whoever is fixed in a group for a skill, and the neediest units that fit. Nobody when they do not reach the smallest size, unless somebody is
 * fixed: then those stay, and the group is smaller than wished.
 */
function bestMembers(
  problem: GroupProblem,
  skillId: string,
  free: readonly (readonly string[])[],
  fixed: readonly string[],
): string[] {
  const skill = problem.skillIds.indexOf(skillId);
  const needOf = (id: string) => problem.need[problem.studentIds.indexOf(id)]?.[skill] ?? 0;
  const meanNeed = (unit: readonly string[]) => unit.reduce((sum, id) => sum + needOf(id), 0) / unit.length;
  const needy = free.filter((unit) => unit.every((id) => needOf(id) > 0)).sort((x, y) => meanNeed(y) - meanNeed(x));
  let members: string[] = [...fixed];
  for (const unit of needy) {
    const joined = [...members, ...unit];
    if (joined.length > problem.largest || unit.some((id) => clashes(problem, id, members))) continue;
    const worse = valueOfGroup(problem, skillId, joined).value < valueOfGroup(problem, skillId, members).value;
    if (worse && members.length >= problem.smallest) continue;
    members = joined;
  }
  return members.length >= problem.smallest || fixed.length > 0 ? members : [];
}

function clashes({ keepApart = [] }: GroupProblem, id: string, members: readonly string[]): boolean {
  return keepApart.some(
    ([one, other]) => (one === id && members.includes(other)) || (other === id && members.includes(one)),
  );
}
