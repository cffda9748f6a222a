import type { LinearConstraint, LinearModel, LinearTerm } from "../model/linearModel";
import { fixedMembers, type GroupProblem, unitsOf } from "./groupProblem";
import { tenthOf } from "./tenthOf";

/**
 * @example memberName(2, 0) // "x_2_0"
 */
export const memberName = (student: number, skill: number) => `x_${student}_${skill}`;
const openName = (skill: number) => `y_${skill}`;

interface Place {
  readonly student: number;
  readonly skill: number;
}

const one = (variable: string): LinearTerm => ({ variable, factor: 1 });

/** The grouping as a model: x = student in the group of a skill, y = the skill has a group, w = the range its chances lie in. */
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
    ...skills.flatMap((skill) =>
      fixedMembers(problem, problem.skillIds[skill] ?? "").map(
        (id): LinearConstraint => ({
          terms: [one(memberName(problem.studentIds.indexOf(id), skill))],
          relation: "=",
          bound: 1,
        }),
      ),
    ),
  ];
  const binaries = [...places.map(({ student, skill }) => memberName(student, skill)), ...skills.map(openName)];
  const maximise = places.map(({ student, skill }) => ({
    variable: memberName(student, skill),
    factor: problem.need[student]?.[skill] ?? 0,
  }));
  const penalty = problem.spread?.penalty ?? 0;
  if (penalty === 0) return { maximise, constraints, binaries };
  const windows = skills.flatMap((skill) => windowsOf(problem, places, skill));
  return {
    maximise: [
      ...maximise,
      ...windows
        .filter(({ low, high }) => high > low)
        .map(({ name, low, high }) => ({ variable: name, factor: (-penalty * (high - low)) / 10 })),
    ],
    constraints: [...constraints, ...skills.flatMap((skill) => windowConstraints(problem, places, windows, skill))],
    binaries: [...binaries, ...windows.map(({ name }) => name)],
  };
}

/** A range of tenths within which all chances of a skill's group lie. */
interface Window {
  readonly skill: number;
  readonly low: number;
  readonly high: number;
  readonly name: string;
}

/**
 * Every range that could be a group's: one of them is chosen for each open group. Ends of the range as continuous variables
 * would say the same, but bound so loosely that a class of 28 takes minutes.
 */
function windowsOf(problem: GroupProblem, places: readonly Place[], skill: number): Window[] {
  const own = places.filter((place) => place.skill === skill);
  const tenths = [...new Set(own.map(({ student }) => tenthOf(problem, student, skill)))].sort((x, y) => x - y);
  return tenths.flatMap((low) =>
    tenths.filter((high) => high >= low).map((high) => ({ skill, low, high, name: `w_${skill}_${low}_${high}` })),
  );
}

function windowConstraints(
  problem: GroupProblem,
  places: readonly Place[],
  windows: readonly Window[],
  skill: number,
): LinearConstraint[] {
  const own = windows.filter((window) => window.skill === skill);
  if (own.length === 0) return [];
  const members = places.filter((place) => place.skill === skill);
  return [
    {
      terms: [...own.map(({ name }) => one(name)), { variable: openName(skill), factor: -1 }],
      relation: "=",
      bound: 0,
    },
    ...members.map(({ student }): LinearConstraint => {
      const tenth = tenthOf(problem, student, skill);
      const around = own.filter(({ low, high }) => low <= tenth && tenth <= high);
      return {
        terms: [one(memberName(student, skill)), ...around.map(({ name }) => ({ variable: name, factor: -1 }))],
        relation: "<=",
        bound: 0,
      };
    }),
  ];
}

/** Where a student may be placed: somebody present with a need, and whoever must come along has one too; whoever is fixed, only there. */
function placesOf(problem: GroupProblem): Place[] {
  const fixed = problem.skillIds.map((skillId) => fixedMembers(problem, skillId));
  return unitsOf(problem).flatMap((unit) => {
    const own = unit.map((id) => problem.studentIds.indexOf(id));
    const place = fixed.findIndex((members) => members.includes(unit[0] ?? ""));
    if (place >= 0) return own.map((student) => ({ student, skill: place }));
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
