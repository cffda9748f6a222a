import type { OutcomeVerdict } from "@/core/grouping/reteachOutcome";
import type { ReteachPlan } from "@/core/model/content";
import type { Level } from "@/core/model/levels";
import type { GroupStage } from "./stage";

/** The teacher's limits, as they stand in the address. */
export interface Limits {
  readonly slots: number;
  readonly smallest: number;
  readonly largest: number;
  /** "near": skills that are past, taught now or next; "all": the whole strand. */
  readonly scope: "near" | "all";
  readonly apart: readonly (readonly [string, string])[];
}

export interface Chip {
  readonly id: string;
  readonly name: string;
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  /** The evidence in a few words. */
  readonly evidence: string;
}

export interface SuggestedGroup {
  readonly skillId: string;
  readonly skillName: string;
  readonly grade: number;
  readonly because: string;
  readonly members: readonly Chip[];
  /** Need served as a share of all need that the same students have, 0 to 1. */
  readonly needMet: number;
  readonly suggestedName: string;
}

export interface Suggestions {
  readonly limits: Limits;
  readonly groups: readonly SuggestedGroup[];
  readonly quality: "optimal" | "good" | "greedy";
  readonly notGrouped: readonly { readonly id: string; readonly name: string }[];
  readonly students: readonly { readonly id: string; readonly name: string }[];
}

export interface GroupListEntry {
  readonly id: string;
  readonly name: string;
  readonly label: string;
  readonly skillName: string;
  readonly className: string;
  readonly members: readonly string[];
  readonly stage: GroupStage;
  readonly stageText: string;
}

export interface MemberView extends Chip {
  /** Was taught with the group and is not in it any more. */
  readonly left: boolean;
  readonly chanceBefore: number | null;
  /** When the check was handed in; until then, today's. */
  readonly chanceAfter: number;
  readonly check: { readonly right: number; readonly answered: number; readonly of: number } | null;
  readonly practice: string | null;
  readonly verdict: OutcomeVerdict | null;
  readonly misconceptions: readonly { readonly name: string; readonly times: number }[];
}

export interface GroupView {
  readonly id: string;
  readonly name: string;
  readonly because: string;
  readonly classId: string;
  readonly skillId: string;
  readonly skillName: string;
  readonly grade: number;
  readonly members: readonly MemberView[];
  readonly plan: ReteachPlan;
  /** Names of the misconceptions behind the plan's wrong answers to look at. */
  readonly lookedAt: readonly string[];
  readonly reteach: { readonly practiceWorkId: string; readonly checkWorkId: string; readonly when: string } | null;
  readonly outcome: {
    readonly learned: number;
    readonly closer: number;
    readonly again: number;
    readonly open: number;
    readonly meanBefore: number;
    readonly meanAfter: number;
    /** Those who were taught. */
    readonly students: number;
  } | null;
  readonly today: string;
  readonly practiceDue: string;
  readonly checkOpens: string;
  readonly checkDue: string;
  readonly wrongAnswers: readonly {
    readonly name: string;
    readonly stem: string;
    readonly given: string;
    readonly answer: string;
    readonly misconception: string | null;
  }[];
}

/** The group board: students of the chosen classes beside the groups. */
export interface BoardView {
  readonly students: readonly BoardStudent[];
  readonly groups: readonly BoardGroup[];
  readonly skills: readonly { readonly id: string; readonly name: string }[];
  readonly classes: readonly { readonly id: string; readonly name: string }[];
  readonly colleagues: readonly { readonly id: string; readonly name: string }[];
  /** The skill by whose need the students are ordered; null for none. */
  readonly skillId: string | null;
  readonly today: string;
}

export interface BoardStudent {
  readonly id: string;
  readonly name: string;
  readonly studentNumber: string;
  readonly grade: number | null;
  readonly classNames: string;
  readonly classIds: readonly string[];
  /** Chance of mastery of the chosen skill; null without a skill or enough evidence. */
  readonly chance: number | null;
  readonly level: Level | null;
  readonly needs: boolean;
}

export interface BoardGroup {
  readonly id: string;
  readonly name: string;
  readonly label: string;
  readonly purpose: string;
  readonly subject: string;
  readonly skillId: string | null;
  readonly fromDay: string;
  readonly untilDay: string | null;
  readonly slots: readonly string[];
  readonly ownerName: string;
  readonly memberIds: readonly string[];
  /** Members whom the chosen classes do not show. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly clashes: readonly string[];
  readonly past: readonly string[];
  readonly shares: readonly { readonly id: string; readonly name: string; readonly until: string | null }[];
  readonly mayChange: boolean;
  readonly mayShare: boolean;
}
