import type { ProposedApproach } from "@/core/grouping/nextApproach";
import type { OutcomeVerdict } from "@/core/grouping/reteachOutcome";
import type { ReteachPlan, SkillTeaching } from "@/core/model/content";
import type { Level } from "@/core/model/levels";
import type { Approach, OwnParts, WorkedFigures, WorkedVerdict } from "@/core/model/reteach";
import type { GroupStage } from "./stage";

export interface Chip {
  readonly id: string;
  readonly name: string;
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  /** The evidence in a few words. */
  readonly evidence: string;
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
  /** Somebody in it comes round again. */
  readonly goesOn: boolean;
}

export interface MemberView extends Chip {
  /** Was taught with the group and is not in it any more. */
  readonly left: boolean;
  /** Is there to explain to the others. */
  readonly explains: boolean;
  /** Whether they are part of the round that is shown. */
  readonly taught: boolean;
  readonly there: boolean | null;
  readonly chanceBefore: number | null;
  /** When the check was handed in; until then, today's. */
  readonly chanceAfter: number;
  readonly check: { readonly right: number; readonly answered: number; readonly of: number } | null;
  readonly practice: string | null;
  readonly verdict: OutcomeVerdict | null;
  readonly misconceptions: readonly { readonly name: string; readonly times: number }[];
}

/** One time that a group was taught again. */
export interface RoundView {
  readonly id: string;
  readonly approach: Approach;
  /** What lies under the skill, where it went one step down. */
  readonly lowerName: string | null;
  readonly minutes: number;
  readonly practiceWorkId: string;
  readonly checkWorkId: string;
  readonly when: string;
  readonly by: string | null;
  readonly judgedDay: string | null;
  readonly worked: WorkedVerdict | null;
  readonly figures: WorkedFigures | null;
  /** Students who do the check for comparison: how many have, of how many. */
  readonly compared: { readonly done: number; readonly of: number };
}

/** A round that is over, or was on another skill. */
export interface EarlierRound extends Pick<RoundView, "id" | "approach" | "when" | "by" | "worked"> {
  readonly skillName: string;
  readonly learned: number;
  readonly closer: number;
  readonly again: number;
  readonly open: number;
}

/** What was tried with one student in the group's skill, in whichever group. */
export interface TriedView {
  readonly id: string;
  readonly name: string;
  readonly tries: readonly {
    readonly day: string;
    readonly approach: Approach;
    readonly by: string | null;
    readonly there: boolean | null;
    readonly verdict: OutcomeVerdict;
    readonly before: number;
    readonly after: number | null;
  }[];
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
  readonly round: RoundView | null;
  readonly earlier: readonly EarlierRound[];
  readonly outcome: {
    readonly learned: number;
    readonly closer: number;
    readonly again: number;
    readonly open: number;
    readonly away: number;
    readonly meanBefore: number;
    readonly meanAfter: number;
    /** Those who were taught. */
    readonly students: number;
  } | null;
  /** Who comes round again, and why; everybody where nothing was taught yet. */
  readonly next: {
    readonly students: readonly {
      readonly id: string;
      readonly name: string;
      readonly why: "again" | "away" | "new";
    }[];
    readonly approach: ProposedApproach;
    readonly approaches: readonly { readonly approach: Approach; readonly inVain: number }[];
    readonly lowerName: string | null;
    /** Students enough like them for a comparison. */
    readonly similar: number;
  };
  readonly tried: readonly TriedView[];
  /** Lessons of the week when the group meets. */
  readonly slots: readonly string[];
  readonly today: string;
  readonly practiceDue: string;
  readonly checkOpens: string;
  readonly checkDue: string;
}

/** A wrong answer to look at. */
export interface WrongAnswer {
  readonly name: string;
  readonly stem: string;
  readonly given: string;
  readonly answer: string;
  readonly misconception: string | null;
}

/** What is taught to a group in one lesson, by an approach. */
export interface LessonView {
  readonly approach: Approach;
  /** Where the gap lies, where that is not the group's own skill. */
  readonly lower: { readonly id: string; readonly name: string; readonly grade: number } | null;
  readonly plan: ReteachPlan;
  /** Names of the misconceptions behind the plan's wrong answers to look at. */
  readonly lookedAt: readonly string[];
  readonly steps: { readonly task: string; readonly steps: readonly string[] } | null;
  readonly model: SkillTeaching["model"];
  readonly talk: readonly string[];
  readonly wrongAnswers: readonly WrongAnswer[];
  /** Items on which the mistakes of the group would show. */
  readonly items: readonly {
    readonly itemId: string;
    readonly stem: string;
    readonly answer: string;
    readonly mistakes: readonly string[];
  }[];
  readonly own: { readonly parts: OwnParts; readonly shared: boolean; readonly changedAt: number | null };
  readonly colleagues: readonly { readonly by: string; readonly parts: OwnParts; readonly day: string }[];
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
