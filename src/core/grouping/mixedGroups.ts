import { demandThat } from "../model/fail";
import { mean } from "../numeric/mean";
import type { Pair } from "./groupProblem";
import { demandGroupProblem, unitsOf } from "./groupProblem";

/** Whom to mix, and within which limits. */
export interface MixedProblem {
  /** `level`: where a student stands, on any scale of which further up is further on. */
  readonly students: readonly { readonly id: string; readonly level: number }[];
  /** How many groups; no group is larger than another by more than one, except to keep students together. */
  readonly groups: number;
  readonly keepApart?: readonly Pair[];
  readonly keepTogether?: readonly Pair[];
}

export interface MixedPlan {
  readonly groups: readonly (readonly string[])[];
  /** How far the groups' mean levels lie apart: the sum of squares of their distances from the mean of all, 0 or more; and pairs apart that could not be. */
  readonly apart: number;
  readonly broken: number;
}

type Unit = readonly { readonly id: string; readonly level: number }[];

/** Worse than any imbalance of levels. */
const BROKEN_COST = 1000;
const SIZE_COST = 100;

/**
 * Groups for a project, mixed on purpose: each holds students from everywhere in the class. Dealt out from the furthest on in turns there and
 * back, then students change places as long as that brings the groups' means nearer to each other. Deterministic.
 * @throws CoreError "contradiction" as `demandGroupProblem`; "bad-argument", where this does not hold: There are one or more groups, none of them empty.
 * @example mixedGroups({ students: [{ id: "a", level: 4 }, { id: "b", level: 3 }, { id: "c", level: 2 }, { id: "d", level: 1 }], groups: 2 }).groups // [["a", "d"], ["b", "c"]]
 */
export function mixedGroups(problem: MixedProblem): MixedPlan {
  const { students, groups: count } = problem;
  demandThat(
    Number.isInteger(count) && count >= 1 && count <= Math.max(1, students.length),
    "There are one or more groups, none of them empty.",
    { groups: count, students: students.length },
  );
  const units = joined(problem);
  const places = dealtOut(units, count);
  const cost = (where: readonly number[]) => costOf(problem, units, where);
  let best = cost(places);
  for (let better = true; better; ) {
    better = false;
    for (let one = 0; one < units.length; one++) {
      for (const tried of neighbours(places, one, units, count)) {
        const now = cost(tried);
        if (now >= best - 1e-12) continue;
        places.splice(0, places.length, ...tried);
        best = now;
        better = true;
      }
    }
  }
  const groups = Array.from({ length: count }, (_, group) =>
    units
      .flatMap((unit, place) => (places[place] === group ? unit : []))
      .sort((x, y) => y.level - x.level)
      .map(({ id }) => id),
  );
  return { groups, apart: imbalance(units, places, count), broken: brokenPairs(problem, units, places) };
}

/** Students joined into units that go together, the furthest on first. */
function joined({ students, groups, keepApart = [], keepTogether = [] }: MixedProblem): Unit[] {
  const ids = students.map(({ id }) => id);
  // The same contradictions as in groups by need: together and apart, or more together than a group has places.
  const asNeed = {
    studentIds: ids,
    skillIds: [],
    need: ids.map(() => []),
    smallest: 1,
    largest: Math.max(1, Math.ceil(ids.length / groups)),
    slots: groups,
    keepApart,
    keepTogether,
  };
  demandGroupProblem(asNeed);
  const level = (unit: Unit) => mean(unit.map((student) => student.level));
  return unitsOf(asNeed)
    .map((unit) => students.filter(({ id }) => unit.includes(id)))
    .sort((x, y) => level(y) - level(x));
}

/** There and back again: 0 1 2 2 1 0 0 1 … */
const dealtOut = (units: readonly Unit[], count: number): number[] =>
  units.map((_, place) => {
    const turn = place % (2 * count);
    return turn < count ? turn : 2 * count - 1 - turn;
  });

function* neighbours(places: readonly number[], one: number, units: readonly Unit[], count: number) {
  for (let other = one + 1; other < units.length; other++) {
    if (places[one] === places[other]) continue;
    const tried = [...places];
    [tried[one], tried[other]] = [places[other] ?? 0, places[one] ?? 0];
    yield tried;
  }
  for (let group = 0; group < count; group++)
    if (group !== places[one]) yield places.map((own, at) => (at === one ? group : own));
}

function costOf(problem: MixedProblem, units: readonly Unit[], places: readonly number[]): number {
  const sizes = sizesOf(units, places, problem.groups);
  const [smallest, largest] = [Math.min(...sizes), Math.max(...sizes)];
  return (
    imbalance(units, places, problem.groups) +
    BROKEN_COST * brokenPairs(problem, units, places) +
    SIZE_COST * Math.max(0, largest - smallest - 1)
  );
}

const membersOf = (units: readonly Unit[], places: readonly number[], group: number) =>
  units.flatMap((unit, place) => (places[place] === group ? unit : []));

const sizesOf = (units: readonly Unit[], places: readonly number[], count: number): number[] =>
  Array.from({ length: count }, (_, group) => membersOf(units, places, group).length);

function imbalance(units: readonly Unit[], places: readonly number[], count: number): number {
  const all = mean(units.flat().map(({ level }) => level));
  return Array.from({ length: count }, (_, group) => membersOf(units, places, group)).reduce(
    (sum, members) => sum + (members.length === 0 ? SIZE_COST : (mean(members.map(({ level }) => level)) - all) ** 2),
    0,
  );
}

function brokenPairs({ keepApart = [] }: MixedProblem, units: readonly Unit[], places: readonly number[]): number {
  const groupOf = new Map(units.flatMap((unit, place) => unit.map(({ id }) => [id, places[place]] as const)));
  return keepApart.filter(([one, other]) => groupOf.has(one) && groupOf.get(one) === groupOf.get(other)).length;
}
