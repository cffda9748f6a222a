import type { Certainty } from "@/core/model/work";
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
  readonly certainty: Certainty;
}

/** The ways in which work that is given to a class ends. */
export const ENDS = {
  practice: {
    choice: "when the skills are mastered",
    before: "or after at most",
    isWhenSure: true,
    note: "Mastered takes 4 answers without a hint, on 2 kinds of item, and enough of them right.",
  },
  amount: {
    choice: "after a number of items",
    before: "after",
    isWhenSure: false,
    note: "Everybody gets items as hard as everybody else's. The first try counts; the mark is the share right.",
  },
} as const;
/** How sure practice has to be, with what follows from it as `npm run prove` finds it. */
export const SURE: Readonly<Record<Certainty, { readonly choice: string; readonly note: string }>> = {
  quicker: {
    choice: "quicker",
    note: "Of 100 who can't do it yet about 7 pass, 17 if the items are easier than thought. Half of those who pass do so within 8 items.",
  },
  usual: {
    choice: "as usual",
    note: "Of 100 who can't do it yet about 2 pass, 9 if the items are easier than thought. Half of those who pass do so within 10 items.",
  },
  stricter: {
    choice: "stricter",
    note: "Of those who can't do it yet hardly anybody passes. Half of those who pass need 18 items or more.",
  },
};

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
