import type { GroupPlan, GroupProblem } from "./groupProblem";
import { planOf } from "./planOf";

/** A group that is to stay as it is. */
export interface LockedGroup {
  readonly skillId: string;
  readonly studentIds: readonly string[];
}

/**
 * What is left to be grouped beside groups that stay: their students and skills are taken, and so are their slots. Wishes that concern
 * a taken student hold no more; they were the teacher's own to break.
 * @example besideLocked({ studentIds: ["a"], skillIds: ["k"], need: [[1]], smallest: 1, largest: 2, slots: 2 }, [{ skillId: "k", studentIds: ["a"] }]).slots // 1
 */
export function besideLocked(problem: GroupProblem, locked: readonly LockedGroup[]): GroupProblem {
  const taken = new Set(locked.flatMap(({ studentIds }) => studentIds));
  const skills = problem.skillIds.flatMap((id, place) => (locked.some(({ skillId }) => skillId === id) ? [] : [place]));
  const students = problem.studentIds.flatMap((id, place) => (taken.has(id) ? [] : [place]));
  const cut = (table: readonly (readonly number[])[]) =>
    students.map((student) => skills.map((skill) => table[student]?.[skill] ?? 0));
  const skillIds = skills.flatMap((place) => problem.skillIds[place] ?? []);
  const untaken = (ids: readonly string[]) => !ids.some((id) => taken.has(id));
  return {
    ...problem,
    studentIds: students.flatMap((place) => problem.studentIds[place] ?? []),
    skillIds,
    need: cut(problem.need),
    slots: Math.max(0, problem.slots - locked.length),
    keepApart: (problem.keepApart ?? []).filter(untaken),
    keepTogether: (problem.keepTogether ?? []).filter(untaken),
    absent: (problem.absent ?? []).filter((id) => !taken.has(id)),
    fixed: (problem.fixed ?? []).filter(({ studentId, skillId }) => untaken([studentId]) && skillIds.includes(skillId)),
    ...(problem.spread ? { spread: { ...problem.spread, chances: cut(problem.spread.chances) } } : {}),
  };
}

/**
 * The whole plan again: the groups that stay, and those made beside them.
 * @example withLocked({ studentIds: ["a"], skillIds: ["k"], need: [[1]], smallest: 1, largest: 2, slots: 2 }, [{ skillId: "k", studentIds: ["a"] }], { groups: [], needServed: 0, value: 0, quality: "optimal" }).needServed // 1
 */
export function withLocked(problem: GroupProblem, locked: readonly LockedGroup[], rest: GroupPlan): GroupPlan {
  return planOf(
    problem,
    new Map([...locked, ...rest.groups].map(({ skillId, studentIds }) => [skillId, studentIds])),
    rest.quality,
  );
}
