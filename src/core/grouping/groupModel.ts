import type { LinearConstraint, LinearModel, LinearTerm } from "../model/linearModel";
import { type GroupProblem, unitsOf } from "./groupProblem";

export const memberName = (student: number, skill: number) => `x_${student}_${skill}`;
const openName = (skill: number) => `y_${skill}`;
const highName = (skill: number) => `high_${skill}`;
const lowName = (skill: number) => `low_${skill}`;

interface Place {
  readonly student: number;
  readonly skill: number;
}

const one = (variable: string): LinearTerm => ({ variable, factor: 1 });

/** The grouping as a model: x = student in the group of a skill, y = the skill has a group, high and low = its chances' ends. */
export function groupModel(problem: GroupProblem): LinearModel {
  const skills = problem.skillIds.map((_, skill) => skill);
  const places = placesOf(problem);
  const students = [...new Set(places.map(({ student }) => student))];
  const constraints: LinearConstraint[] = [
    ...students.map((student): LinearConstraint => {
      const own = places.filter((place) => place.student === student);
      return { terms: own.map(({ skill }) => one(memberName(student, skill))), relation: "<=", bound: 1 };
    }),
    ...skills.flatMap((skill) => sizeConstraints(problem, places, skill)),
    { terms: skills.map((skill) => one(openName(skill))), relation: "<=", bound: problem.slots },
    ...pairConstraints(problem, places),
  ];
  const binaries = [...places.map(({ student, skill }) => memberName(student, skill)), ...skills.map(openName)];
  const maximise = places.map(({ student, skill }) => ({
    variable: memberName(student, skill),
    factor: problem.need[student]?.[skill] ?? 0,
  }));
  const penalty = problem.spread?.penalty ?? 0;
  if (penalty === 0) return { maximise, constraints, binaries };
  return {
    maximise: [
      ...maximise,
      ...skills.flatMap((skill) => [
        { variable: highName(skill), factor: -penalty },
        { variable: lowName(skill), factor: penalty },
      ]),
    ],
    constraints: [...constraints, ...skills.flatMap((skill) => spreadConstraints(problem, places, skill))],
    binaries,
    continuous: skills.flatMap((skill) =>
      [highName(skill), lowName(skill)].map((variable) => ({ variable, low: 0, high: 1 })),
    ),
  };
}

/** Where a student may be placed: somebody present with a need, and whoever must come along has one too. */
function placesOf(problem: GroupProblem): Place[] {
  return unitsOf(problem).flatMap((unit) => {
    const own = unit.map((id) => problem.studentIds.indexOf(id));
    return problem.skillIds.flatMap((_, skill) =>
      own.every((student) => (problem.need[student]?.[skill] ?? 0) > 0)
        ? own.map((student) => ({ student, skill }))
        : [],
    );
  });
}

function sizeConstraints(problem: GroupProblem, places: readonly Place[], skill: number): LinearConstraint[] {
  const members = places.filter((place) => place.skill === skill).map(({ student }) => one(memberName(student, skill)));
  const open = openName(skill);
  return [
    { terms: [...members, { variable: open, factor: -problem.largest }], relation: "<=", bound: 0 },
    { terms: [...members, { variable: open, factor: -problem.smallest }], relation: ">=", bound: 0 },
    // Without x <= y for each student the relaxation is weak and a class of 40 takes minutes.
    ...members.map(
      (member): LinearConstraint => ({ terms: [member, { variable: open, factor: -1 }], relation: "<=", bound: 0 }),
    ),
  ];
}

function pairConstraints(problem: GroupProblem, places: readonly Place[]): LinearConstraint[] {
  const known = new Set(places.map(({ student, skill }) => memberName(student, skill)));
  const both = (pair: readonly [string, string], skill: number) =>
    pair.map((id) => memberName(problem.studentIds.indexOf(id), skill)) as [string, string];
  return problem.skillIds.flatMap((_, skill) => [
    ...(problem.keepApart ?? []).flatMap((pair): LinearConstraint[] => {
      const [first, second] = both(pair, skill);
      const possible = known.has(first) && known.has(second);
      return possible ? [{ terms: [one(first), one(second)], relation: "<=", bound: 1 }] : [];
    }),
    ...(problem.keepTogether ?? []).flatMap((pair): LinearConstraint[] => {
      const [first, second] = both(pair, skill);
      const possible = known.has(first) && known.has(second) && first !== second;
      return possible ? [{ terms: [one(first), { variable: second, factor: -1 }], relation: "=", bound: 0 }] : [];
    }),
  ]);
}

/** The ends of the chances in a skill's group: high at least each member's, low at most each member's, low 0 without a group. */
function spreadConstraints(problem: GroupProblem, places: readonly Place[], skill: number): LinearConstraint[] {
  const open = one(openName(skill));
  const ends = places
    .filter((place) => place.skill === skill)
    .flatMap(({ student }): LinearConstraint[] => {
      const chance = problem.spread?.chances[student]?.[skill] ?? 0;
      const member = memberName(student, skill);
      return [
        { terms: [one(highName(skill)), { variable: member, factor: -chance }], relation: ">=", bound: 0 },
        { terms: [one(lowName(skill)), { variable: member, factor: 1 - chance }], relation: "<=", bound: 1 },
      ];
    });
  return [...ends, { terms: [one(lowName(skill)), { ...open, factor: -1 }], relation: "<=", bound: 0 }];
}
