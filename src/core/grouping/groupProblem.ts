import { CoreError } from "../model/fail";

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
  /** Pairs of students who must not share a group. */
  readonly keepApart?: readonly (readonly [string, string])[];
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
  /** "optimal": proven best; "greedy": good, found without the solver. */
  readonly quality: "optimal" | "greedy";
}

/** Throws "bad-argument" when sizes, slots or the shape of the need table make no sense. */
export function checkGroupProblem(problem: GroupProblem): void {
  const { smallest, largest, slots, need, studentIds, skillIds } = problem;
  const sizesFit = Number.isInteger(smallest) && Number.isInteger(largest) && smallest >= 1 && largest >= smallest;
  const shapeFits = need.length === studentIds.length && need.every((row) => row.length === skillIds.length);
  if (
    !sizesFit ||
    !Number.isInteger(slots) ||
    slots < 0 ||
    !shapeFits ||
    need.flat().some((value) => !Number.isFinite(value))
  ) {
    throw new CoreError(
      "bad-argument",
      "Groups need 1 <= smallest <= largest, slots >= 0 and a finite need for each student and skill.",
      {
        smallest,
        largest,
        slots,
      },
    );
  }
}
