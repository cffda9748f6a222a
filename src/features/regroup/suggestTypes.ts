import type { Contradiction, Fixed } from "@/core/grouping/groupProblem";
import type { Level } from "@/core/model/levels";
import type { GroupHabits } from "@/core/model/reteach";

/** What groups are for: the same need; mixed on purpose; some who can explain with some who need it. */
export const PURPOSES = ["need", "mixed", "explain"] as const;
export type Purpose = (typeof PURPOSES)[number];

/** What groups are about: what is near in the plan, everything, or one strand, unit, skill or known mistake. */
export type Focus =
  | { readonly on: "near" | "all" }
  | { readonly on: "strand" | "unit" | "skill" | "mistake"; readonly id: string };

/** The teacher's wishes: what the class keeps, and what the address says of this time. */
export interface Limits extends GroupHabits {
  readonly purpose: Purpose;
  readonly focus: Focus;
  readonly absent: readonly string[];
  readonly fixed: readonly Fixed[];
}

/** On what a chance of mastery stands: own answers, answers long ago, a diagnostic, a score from elsewhere, or the grade alone. */
export type Basis = "answers" | "old" | "diagnostic" | "score" | "grade";

/** One student in one skill, as far as groups need it. */
export interface NeedCell {
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  readonly basis: Basis;
  readonly right: number;
  readonly answered: number;
  readonly ready: number;
  readonly misconceptionId: string | null;
  readonly times: number;
}

export interface SuggestedSkill {
  readonly id: string;
  readonly name: string;
  readonly grade: number;
  /** Lies below the class's own grade. */
  readonly below: boolean;
  /** What comes later in the plan and builds on it. */
  readonly next: { readonly name: string; readonly fromDay: string } | null;
}

export interface SuggestedStudent {
  readonly id: string;
  readonly name: string;
  /** Mean chance over what is near, by which groups are mixed. */
  readonly place: number;
  /** Groups that the student is in already, with when they meet. */
  readonly meets: readonly { readonly slot: string; readonly group: string }[];
}

/** A group as it stands on the page. `key` names it as long as it is there. */
export interface DraftGroup {
  readonly key: string;
  readonly skillId: string | null;
  readonly explainerIds: readonly string[];
  readonly studentIds: readonly string[];
}

interface Choice {
  readonly id: string;
  readonly name: string;
}

/** Everything that suggestions are made of, and those found at once. */
export interface SuggestionView {
  readonly limits: Limits;
  readonly classIds: readonly string[];
  /** Names of the classes. */
  readonly className: string;
  readonly students: readonly SuggestedStudent[];
  readonly skills: readonly SuggestedSkill[];
  /** By student, then by skill, in the orders above; so is need. */
  readonly cells: readonly (readonly NeedCell[])[];
  readonly need: readonly (readonly number[])[];
  readonly groups: readonly DraftGroup[];
  /** Wishes that cannot all be met, and whom they are about. */
  readonly contradiction: { readonly wish: Contradiction; readonly names: readonly string[] } | null;
  readonly misconceptions: Readonly<Record<string, string>>;
  readonly choices: {
    readonly strands: readonly Choice[];
    readonly units: readonly Choice[];
    readonly skills: readonly Choice[];
    readonly mistakes: readonly Choice[];
  };
  readonly today: string;
}

/** The best groups that were found, and how well that is known. */
export interface BestGroups {
  readonly groups: readonly DraftGroup[];
  readonly quality: "optimal" | "good" | "greedy";
}
