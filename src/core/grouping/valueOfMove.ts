import type { GroupPlan, GroupProblem } from "./groupProblem";
import { planOf } from "./planOf";

/** A teacher's move of one student into the group of a skill, or out of all (null). */
export interface GroupMove {
  readonly studentId: string;
  readonly toSkillId: string | null;
}

export type BrokenLimit = "too-small" | "too-large" | "kept-apart" | "kept-together" | "too-many-groups" | "absent";

export interface MovedPlan {
  readonly plan: GroupPlan;
  /** Value lost by the move, in need; negative when it gains. */
  readonly lost: number;
  /** Limits that no longer hold; the teacher may break them, but sees it. */
  readonly broken: readonly BrokenLimit[];
}

/** What a manual move costs and which limits it breaks. The plan after it keeps the other groups as they were. */
export function valueOfMove(problem: GroupProblem, plan: GroupPlan, move: GroupMove): MovedPlan {
  const members = new Map(
    plan.groups.map(({ skillId, studentIds }) => [skillId, studentIds.filter((id) => id !== move.studentId)]),
  );
  if (move.toSkillId !== null) members.set(move.toSkillId, [...(members.get(move.toSkillId) ?? []), move.studentId]);
  const moved = planOf(problem, members, "greedy");
  return { plan: moved, lost: plan.value - moved.value, broken: brokenLimits(problem, moved) };
}

function brokenLimits(problem: GroupProblem, { groups }: GroupPlan): BrokenLimit[] {
  const groupOf = (id: string) => groups.find(({ studentIds }) => studentIds.includes(id))?.skillId ?? null;
  const broken: readonly (readonly [BrokenLimit, boolean])[] = [
    ["too-small", groups.some(({ studentIds }) => studentIds.length < problem.smallest)],
    ["too-large", groups.some(({ studentIds }) => studentIds.length > problem.largest)],
    [
      "kept-apart",
      (problem.keepApart ?? []).some(([one, other]) => groupOf(one) !== null && groupOf(one) === groupOf(other)),
    ],
    ["kept-together", (problem.keepTogether ?? []).some(([one, other]) => groupOf(one) !== groupOf(other))],
    ["too-many-groups", groups.length > problem.slots],
    ["absent", (problem.absent ?? []).some((id) => groupOf(id) !== null)],
  ];
  return broken.flatMap(([limit, breaks]) => (breaks ? [limit] : []));
}
