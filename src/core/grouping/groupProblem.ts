import { CoreError, demandThat } from "../model/fail";

export type Pair = readonly [string, string];

export interface Fixed {
  readonly studentId: string;
  readonly skillId: string;
}

/** Who needs what, and the limits within which groups are made. Need is at least 0; 0 or less means "do not group". */
export interface GroupProblem {
  readonly studentIds: readonly string[];
  readonly skillIds: readonly string[];
  /** need[student][skill] in the order of the ids. */
  readonly need: readonly (readonly number[])[];
  readonly smallest: number;
  readonly largest: number;
  /** Most groups. */
  readonly slots: number;
  /** Pairs of students who must not share a group, and who are in the same group or in none. */
  readonly keepApart?: readonly Pair[];
  readonly keepTogether?: readonly Pair[];
  /** Students who are away: in no group. */
  readonly absent?: readonly string[];
  /** Students who are to be in the group of a skill, whatever they need. */
  readonly fixed?: readonly Fixed[];
  /** What a group costs for each unit by which its members' chances of mastery, in whole tenths, lie apart; chances like `need`. */
  readonly spread?: { readonly penalty: number; readonly chances: readonly (readonly number[])[] };
}

export interface PlannedGroup {
  readonly skillId: string;
  readonly studentIds: readonly string[];
  /** Sum of its members' needs for its skill. */
  readonly needServed: number;
}

export interface GroupPlan {
  readonly groups: readonly PlannedGroup[];
  readonly needServed: number;
  /** Need served less what the groups' spread costs: what is made as large as can be. */
  readonly value: number;
  /** "optimal": proven best; "good": the best found in time; "greedy": found without the solver. */
  readonly quality: "optimal" | "good" | "greedy";
}

/**
 * Throws "bad-argument" when sizes, slots or the shape of a table make no sense, and "contradiction" when wishes cannot all be met: two
 * students are to be kept both together and apart (also by way of others, or of the groups that they are fixed in), more must stay
 * together than a group may hold, somebody who is away is fixed in a group, somebody is fixed in two, or more groups have somebody
 * fixed than there are. The values say whom it is about.
 */
export function demandGroupProblem(problem: GroupProblem): void {
  const { smallest, largest, slots, need, studentIds, skillIds, spread } = problem;
  const table = (rows: readonly (readonly number[])[]) =>
    rows.length === studentIds.length &&
    rows.every((row) => row.length === skillIds.length && row.every(Number.isFinite));
  demandThat(
    Number.isInteger(smallest) &&
      Number.isInteger(largest) &&
      smallest >= 1 &&
      largest >= smallest &&
      Number.isInteger(slots) &&
      slots >= 0 &&
      table(need) &&
      (!spread || (spread.penalty >= 0 && table(spread.chances))),
    "Groups need 1 <= smallest <= largest, slots >= 0 and a finite need for each student and skill.",
    { smallest, largest, slots },
  );
  for (const together of unitsOf(problem)) {
    const apart = (problem.keepApart ?? []).find(([one, other]) => together.includes(one) && together.includes(other));
    if (apart) contradiction("together-and-apart", apart);
    if (together.length > largest) contradiction("too-many-together", together);
    if (new Set(fixedOf(problem, together).map(({ skillId }) => skillId)).size > 1)
      contradiction("fixed-in-two", together);
  }
  demandFixed(problem);
}

/** Why wishes cannot all be met. */
export type Contradiction =
  | "together-and-apart"
  | "too-many-together"
  | "fixed-in-two"
  | "fixed-and-away"
  | "fixed-and-apart"
  | "too-many-fixed"
  | "too-many-groups-fixed";

function contradiction(wish: Contradiction, students: readonly string[]): never {
  throw new CoreError("contradiction", "Wishes for groups contradict each other.", { wish, students });
}

const fixedOf = ({ fixed = [] }: GroupProblem, studentIds: readonly string[]) =>
  fixed.filter(({ studentId }) => studentIds.includes(studentId));

function demandFixed(problem: GroupProblem): void {
  const { fixed = [], absent = [], keepApart = [], largest, slots } = problem;
  const away = fixed.find(({ studentId }) => absent.includes(studentId));
  if (away) contradiction("fixed-and-away", [away.studentId]);
  const skills = new Set(fixed.map(({ skillId }) => skillId));
  if (skills.size > slots)
    contradiction(
      "too-many-groups-fixed",
      fixed.map(({ studentId }) => studentId),
    );
  for (const skillId of skills) {
    const own = fixedMembers(problem, skillId);
    const apart = keepApart.find(([one, other]) => own.includes(one) && own.includes(other));
    if (apart) contradiction("fixed-and-apart", apart);
    if (own.length > largest) contradiction("too-many-fixed", own);
  }
}

/** Whoever is fixed in the group of a skill, with those who are to be kept together with them. */
export function fixedMembers(problem: GroupProblem, skillId: string): string[] {
  const fixed = (problem.fixed ?? []).filter((one) => one.skillId === skillId).map(({ studentId }) => studentId);
  return unitsOf(problem)
    .filter((unit) => unit.some((id) => fixed.includes(id)))
    .flat();
}

/** Students present, joined into units that can only be grouped as a whole. */
export function unitsOf({ studentIds, keepTogether = [], absent = [] }: GroupProblem): string[][] {
  const units = new Map(studentIds.filter((id) => !absent.includes(id)).map((id) => [id, [id]]));
  for (const [one, other] of keepTogether) {
    const [first, second] = [units.get(one), units.get(other)];
    if (!first || !second || first === second) continue;
    first.push(...second);
    for (const id of second) units.set(id, first);
  }
  return [...new Set(units.values())];
}
