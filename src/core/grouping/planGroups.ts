import type { LinearConstraint, LinearModel, LinearTerm, SolveLinearModel } from "../model/linearModel";
import { checkGroupProblem, type GroupPlan, type GroupProblem } from "./groupProblem";
import { groupsGreedily } from "./groupsGreedily";

/**
 * The grouping that serves most need within the limits: a student in at most one group, one group a skill, sizes within
 * the limits, at most `slots` groups, pairs kept apart. Proven best when the solver finishes within `limitSeconds`;
 * otherwise the better of the greedy answer and what the solver had.
 */
export async function planGroups(
  problem: GroupProblem,
  solve: SolveLinearModel,
  limitSeconds: number,
): Promise<GroupPlan> {
  checkGroupProblem(problem);
  const greedy = groupsGreedily(problem);
  if (greedy.groups.length === 0) return { ...greedy, quality: "optimal" };
  const solution = await solve(groupModel(problem), limitSeconds);
  if (solution.status === "infeasible") return greedy;
  const groups = problem.skillIds.flatMap((skillId, skill) => {
    const members = problem.studentIds
      .map((id, student) => ({
        id,
        need: problem.need[student]?.[skill] ?? 0,
        chosen: solution.chosen.has(memberName(student, skill)),
      }))
      .filter(({ chosen }) => chosen)
      .sort((x, y) => y.need - x.need);
    const needServed = members.reduce((sum, { need }) => sum + need, 0);
    return members.length > 0 ? [{ skillId, studentIds: members.map(({ id }) => id), needServed }] : [];
  });
  groups.sort((x, y) => y.needServed - x.needServed);
  const plan: GroupPlan = {
    groups,
    needServed: groups.reduce((sum, group) => sum + group.needServed, 0),
    quality: solution.status === "optimal" ? "optimal" : "greedy",
  };
  return plan.needServed >= greedy.needServed || plan.quality === "optimal" ? plan : greedy;
}

const memberName = (student: number, skill: number) => `x_${student}_${skill}`;
const openName = (skill: number) => `y_${skill}`;

/** The grouping as a model: x = student in the group of a skill, y = the skill has a group. */
function groupModel(problem: GroupProblem): LinearModel {
  const students = problem.studentIds.map((_, place) => place);
  const skills = problem.skillIds.map((_, place) => place);
  const needs = (student: number, skill: number) => problem.need[student]?.[skill] ?? 0;
  const pairs = students.flatMap((student) =>
    skills.filter((skill) => needs(student, skill) > 0).map((skill) => ({ student, skill })),
  );
  const one = (variable: string): LinearTerm => ({ variable, factor: 1 });
  const constraints: LinearConstraint[] = [];
  for (const student of students) {
    const terms = pairs.filter((pair) => pair.student === student).map((pair) => one(memberName(student, pair.skill)));
    if (terms.length > 0) constraints.push({ terms, relation: "<=", bound: 1 });
  }
  for (const skill of skills) {
    const members = pairs.filter((pair) => pair.skill === skill).map((pair) => one(memberName(pair.student, skill)));
    const open = openName(skill);
    constraints.push({ terms: [...members, { variable: open, factor: -problem.largest }], relation: "<=", bound: 0 });
    constraints.push({ terms: [...members, { variable: open, factor: -problem.smallest }], relation: ">=", bound: 0 });
    // Without x <= y for each student the relaxation is weak and a class of 40 takes minutes.
    for (const member of members)
      constraints.push({ terms: [member, { variable: open, factor: -1 }], relation: "<=", bound: 0 });
  }
  constraints.push({ terms: skills.map((skill) => one(openName(skill))), relation: "<=", bound: problem.slots });
  for (const [first, second] of problem.keepApart ?? []) {
    const [a, b] = [problem.studentIds.indexOf(first), problem.studentIds.indexOf(second)];
    for (const skill of skills) {
      if (a >= 0 && b >= 0 && needs(a, skill) > 0 && needs(b, skill) > 0) {
        constraints.push({ terms: [one(memberName(a, skill)), one(memberName(b, skill))], relation: "<=", bound: 1 });
      }
    }
  }
  return {
    maximise: pairs.map(({ student, skill }) => ({
      variable: memberName(student, skill),
      factor: needs(student, skill),
    })),
    constraints,
    binaries: [...pairs.map(({ student, skill }) => memberName(student, skill)), ...skills.map(openName)],
  };
}
