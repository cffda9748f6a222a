import type { Level } from "@/core/model/levels";
import type { MasteryMark } from "@/core/model/masteryMark";
import type { TalkReason } from "@/core/model/talk";
import type { WhyFacts } from "@/core/model/whyFacts";

export interface GaugeView {
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  readonly old: boolean;
  readonly mark: MasteryMark;
  readonly answered: number;
  readonly right: number;
  /** What it stands on. */
  readonly why: WhyFacts["mastery"];
}

export interface MapSkill {
  readonly id: string;
  readonly name: string;
  readonly grade: number;
  readonly statement: string;
  readonly buildsOn: readonly string[];
  readonly blocks: readonly string[];
  /** Where the plan has it: "until 4 Dec", "from 14 Dec"; null when it is not planned. */
  readonly planned: string | null;
  /** Its place in the order in which skills build on one another; the map itself stands in the plan's. */
  readonly learningPlace: number;
  readonly isCurrent: boolean;
}

/** Columns of the map that are read as one. */
export interface MapGroup {
  readonly id: string;
  readonly name: string;
  readonly title: string;
  /** Places of its skills. */
  readonly places: readonly number[];
}

/** A way to gather the columns, by what the framework calls that level. */
export interface MapGrouping {
  readonly key: string;
  readonly name: string;
  readonly groups: readonly MapGroup[];
}

export interface MapStudent {
  readonly id: string;
  readonly name: string;
  readonly className: string;
  /** One gauge for each skill, in the order of the skills. */
  readonly gauges: readonly GaugeView[];
}

export interface ShownMisconception {
  readonly skillId: string;
  readonly misconceptionId: string;
  readonly name: string;
  readonly explanation: string;
  /** Those who showed it and are not Secure in the skill today. */
  readonly students: readonly { readonly id: string; readonly name: string; readonly times: number }[];
  /** How many showed it and have become Secure since. */
  readonly secureSince: number;
}

export interface MasteryMapView {
  readonly strand: string;
  readonly skills: readonly MapSkill[];
  /** From the widest to the narrowest. */
  readonly groupings: readonly MapGrouping[];
  readonly students: readonly MapStudent[];
  readonly misconceptions: readonly ShownMisconception[];
  readonly currentSkillId: string;
  readonly manyClasses: boolean;
}

/** Where everybody stood on an earlier day. */
export interface MapSince {
  /** The day in words. */
  readonly words: string;
  /** Chances of mastery as they were on that day, by student and skill; missing where nothing was known. */
  readonly chances: Readonly<Record<string, Readonly<Record<string, number>>>>;
}

export interface AnswerView {
  readonly key: string;
  readonly when: string;
  readonly work: string;
  readonly stem: string;
  readonly given: string;
  readonly answer: string;
  readonly right: boolean;
  /** What it earned of what was possible ("2 of 3"); null for all or nothing. */
  readonly partly: string | null;
  readonly tryNumber: number;
  readonly hintsUsed: number;
  readonly seconds: number;
  readonly misconception: string | null;
}

export interface CellView {
  readonly studentName: string;
  readonly skillName: string;
  readonly gauge: GaugeView;
  /** What tells of the skill while there is no answer; null for the grade alone. */
  readonly start: "diagnostic" | "score" | null;
  readonly answers: readonly AnswerView[];
  /** Answers beyond those listed. */
  readonly more: number;
  /** How often and how long the lesson was read while working; null where it never was. */
  readonly lesson: {
    readonly times: number;
    readonly seconds: number;
    /** Moving its model. */
    readonly modelSeconds: number;
    readonly modelMoves: number;
    readonly last: string;
  } | null;
}

export interface StudentSheetView {
  readonly id: string;
  readonly name: string;
  readonly grade: number | null;
  readonly classNames: readonly string[];
  readonly gauges: readonly (GaugeView & { readonly skillId: string; readonly name: string })[];
  /** Weakest skill on the way to the current one, with the reason. */
  readonly firstGap: {
    readonly skillId: string;
    readonly name: string;
    readonly beingTaught: boolean;
    readonly why: WhyFacts["worthDoing"];
  } | null;
  /** Skills in which more of the same is unlikely to help, and why that is said. */
  readonly snags: readonly { readonly skillId: string; readonly name: string; readonly why: WhyFacts["snag"] }[];
  readonly misconceptions: readonly { readonly name: string; readonly skillName: string; readonly times: number }[];
  readonly works: readonly {
    readonly title: string;
    readonly state: string;
    readonly itemsDone: number;
    readonly itemsRight: number;
  }[];
  readonly groups: readonly string[];
  /** Why things went wrong, as noted after talks, with how often. */
  readonly talks: readonly { readonly reason: TalkReason; readonly times: number }[];
  /** In words; "none". */
  readonly supports: string;
  /** Left the school; what was shown stays readable. */
  readonly left: boolean;
  /** Minutes of practice in each of the last eight weeks, oldest first. */
  readonly weeks: readonly { readonly week: string; readonly minutes: number }[];
}
