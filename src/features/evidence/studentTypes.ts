import type { TalkReason } from "@/core/model/talk";
import type { WhyFacts } from "@/core/model/whyFacts";
import type { GaugeView } from "./types";

interface Named {
  readonly id: string;
  readonly name: string;
}

/** A level on the reported scale with its error: 500 at the end of grade 6, 50 a logit. */
export interface ScaleLevel {
  readonly score: number;
  readonly se: number;
}

/** A subject as a whole: one scale each. */
export interface WholeView extends Named {
  readonly level: ScaleLevel;
  readonly place: StrandView["place"];
}

export interface StrandView extends Named {
  readonly subjectId: string;
  readonly level: ScaleLevel;
  /** About where it stands in the sequence: the skill nearest, and the outermost within one error. */
  readonly place: { readonly nearest: string; readonly from: string; readonly to: string } | null;
  readonly skills: number;
  readonly holdsDown: boolean;
  readonly carries: number;
}

/** A skill of one student, with its standards. */
export interface SkillLine extends Named {
  readonly grade: number;
  readonly codes: readonly string[];
  readonly gauge: GaugeView;
}

/** Something worth doing, for the minutes at hand. */
export interface WorthLine extends SkillLine {
  readonly minutes: number;
  readonly fits: boolean;
  readonly why: WhyFacts["worthDoing"];
  /** A question or a task to begin with. */
  readonly task: string;
}

export interface StudentReportView extends Named {
  readonly grade: number | null;
  readonly classId: string;
  readonly classNames: readonly string[];
  readonly left: boolean;
  readonly wholes: readonly WholeView[];
  readonly strands: readonly StrandView[];
  /** Levels week by week, the latest last, by subject and by strand; missing before anything was known. */
  readonly course: readonly { readonly week: string; readonly levels: Readonly<Record<string, ScaleLevel>> }[];
  readonly shown: readonly SkillLine[];
  readonly ready: readonly SkillLine[];
  /** What is missing under what is being taught: from the deepest up. */
  readonly missing: readonly (SkillLine & { readonly under: string })[];
  readonly current: Named | null;
  readonly worth: readonly WorthLine[];
  readonly minutesAtHand: number;
  readonly snags: readonly (Named & { readonly why: WhyFacts["snag"] })[];
  readonly mistakes: readonly { readonly name: string; readonly skill: string; readonly times: number }[];
  readonly works: readonly {
    readonly id: string;
    readonly title: string;
    readonly state: string;
    readonly percent: number | null;
    readonly minutes: number;
    readonly day: string;
  }[];
  readonly weeks: readonly { readonly week: string; readonly minutes: number }[];
  readonly range: {
    readonly minutes: number;
    readonly answered: number;
    readonly right: number;
    readonly words: string;
  };
  readonly supports: string;
  readonly groups: readonly Named[];
  readonly talks: readonly {
    readonly day: string;
    readonly reason: TalkReason;
    readonly skill: string;
    readonly by: string;
  }[];
  readonly tried: readonly {
    readonly day: string;
    readonly skill: string;
    readonly group: string;
    readonly by: string;
    readonly verdict: "learned" | "closer" | "round-again" | null;
    readonly before: number;
    readonly after: number | null;
  }[];
  readonly mayChange: boolean;
  readonly dueDay: string;
}
