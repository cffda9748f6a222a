import type { AssignForm } from "../types";

/** What is filled in when work is given. */
export interface AssignFields {
  readonly classId: string;
  readonly skillIds: readonly string[];
  readonly studentIds: readonly string[];
  /** Empty for the names of the skills. */
  readonly title: string;
  readonly instructions: string;
  readonly opensDay: string;
  readonly dueDay: string;
  readonly kind: keyof typeof ENDS;
  readonly items: number;
}

/** The ways in which work that is given to a class ends. */
export const ENDS = {
  practice: {
    choice: "when the skills are mastered",
    before: "or after at most",
    note: "Mastered means a chance of 95 % or more after at least 4 answers on 2 kinds of item; most students need 5 to 9.",
  },
  amount: {
    choice: "after a number of items",
    before: "after",
    note: "Everybody gets items as hard as everybody else's. The first try counts; the mark is the share right.",
  },
} as const;
export const ENDS_IN_ORDER = ["practice", "amount"] as const satisfies readonly (keyof typeof ENDS)[];

export const BOX = "bg-field border-ink border-[1.5px] px-2 py-1.5";
export const LABEL = "mb-1 block text-[15px] font-semibold";

/** What is ticked in a group of boxes; of a single box the form knows the value alone, or that there is none. */
export const ticksOf = (ticks: readonly string[] | string | false): string[] =>
  typeof ticks === "string" ? [ticks] : ticks === false ? [] : [...ticks];

/** Students of a class who are ticked to begin with: all, or those who were pulled out. */
export const usualStudents = (
  chosen: AssignForm["classes"][number] | undefined,
  pulledIds: ReadonlySet<string> | null,
): string[] => (chosen?.students ?? []).map(({ id }) => id).filter((id) => pulledIds === null || pulledIds.has(id));
