import type { WhyFacts } from "@/core/model/whyFacts";
import type {
  Certainty,
  CheckVerdict,
  OpeningRule,
  PartSettings,
  Released,
  ReleaseRules,
  RetakeRule,
  StrandReport,
  Tally,
  WorkKind,
} from "@/core/model/work";
import type { WorkPreset } from "@/core/model/workPreset";
import type { LeaveOut } from "@/core/roster/leftOutOfTests";
import type { RunState } from "@/core/work/stateOfRun";
import type { TestItem } from "./testTypes";

export interface WorkListEntry {
  readonly id: string;
  readonly title: string;
  /** Of its first part. */
  readonly kind: WorkKind;
  readonly partCount: number;
  readonly className: string;
  /** Names, each with the code of its standard. */
  readonly skills: readonly string[];
  /** Null where it has no due day. */
  readonly due: string | null;
  readonly state: "open" | "late" | "over" | "later" | "prepared";
  readonly given: number;
  readonly notStarted: number;
  readonly working: number;
  readonly stuck: number;
  readonly finished: number;
  /** Came into the class or the group since, and were not given it. */
  readonly joinedCount: number;
  /** Tests handed in of which students see nothing yet. */
  readonly toShow: number;
  /** Written answers that wait to be scored. */
  readonly toScore: number;
  /** For the order; null without a due time. */
  readonly dueAt: number | null;
  /** Whether it is due within a day, by the server's clock. */
  readonly isDueSoon: boolean;
}

export interface WorkRowView {
  readonly studentId: string;
  readonly name: string;
  readonly status: RunState;
  /** Skills of the work in which the student is held up, and why that is said. */
  readonly snags: readonly { readonly skill: string; readonly why: WhyFacts["snag"] }[];
  /** Skills of finished work that are not mastered today, with the chance of mastery in whole per cent and why. */
  readonly open: readonly { readonly skill: string; readonly percent: number; readonly why: WhyFacts["mastery"] }[];
  /** 0 to 1. */
  readonly progress: number;
  readonly itemsDone: number;
  readonly itemsRight: number;
  /** The mark so far in whole per cent, rounded down, where items were partly right; null where the counts say it all. */
  readonly markPercent: number | null;
  readonly lastWorked: string | null;
  /** Answers that wait for a person to score them. */
  readonly toScore: number;
  /** Answers that came too late to count. */
  readonly tooLate: number;
  readonly now: boolean;
  /** Came in after the due time. */
  readonly late: boolean;
  /** Granted beyond what everybody has, in words; empty for nothing. */
  readonly granted: readonly string[];
  /** Was not there when it was done on paper. */
  readonly absent: boolean;
  /** Why it need not be done; null where it has to be. */
  readonly excused: string | null;
  /** Where the student is with each part, in order; a single part is the row itself. */
  readonly parts: readonly PartOfRow[];
  /** From a test before to one after; null while one of them is missing. */
  readonly gain: OwnGain | null;
  /** Whether the mark reaches the cut; null without a cut or a mark. */
  readonly passed: boolean | null;
  readonly form: string;
  /** The mark of each finished try at the part by which it is marked, in whole per cent, rounded down. */
  readonly tries: readonly number[];
  /** What was written on it, in order. */
  readonly comments: readonly string[];
}

/** Where a diagnostic places a student in a strand. */
export interface PlacedView {
  readonly strandId: string;
  /** In logits, with its standard error. */
  readonly theta: number;
  readonly se: number;
  /** The skill that the student is at, and those within a standard error to both sides. */
  readonly nearest: string;
  readonly nearestGrade: number;
  readonly from: string;
  readonly to: string;
  /** Answered or set aside, and of these set aside as not learned yet. */
  readonly items: number;
  readonly setAside: number;
  readonly ended: StrandReport["ended"];
}

/** What came out of a run besides a mark. */
export interface OutcomeView {
  readonly placed: readonly PlacedView[];
  readonly verdicts: readonly { readonly skill: string; readonly verdict: CheckVerdict }[];
  readonly contrast: { readonly alone: Tally; readonly mixed: Tally } | null;
}

/** What came of a test before and one after. Marks and gains in whole per cent points. */
export interface GainView {
  readonly both: number;
  readonly onlyBefore: number;
  readonly onlyAfter: number;
  /** Means of those who have both; null for nobody. */
  readonly before: number | null;
  readonly after: number | null;
  readonly points: number | null;
  /** Of the mean gain, 95 %; null for fewer than two. */
  readonly interval: { readonly low: number; readonly high: number } | null;
  /** By target. */
  readonly students: ReadonlyMap<string, OwnGain>;
}

/** One student's gain; "within-error": it may be chance. */
export interface OwnGain {
  readonly points: number;
  readonly change: "up" | "down" | "within-error";
}

/** A strand of a diagnostic, for the head of its column: how hard its skills are by grade, in logits. */
export interface StrandColumn {
  readonly id: string;
  readonly name: string;
  readonly grades: readonly { readonly grade: number; readonly from: number; readonly to: number }[];
}

/** A part of a piece of work for one student. */
export interface PartOfRow {
  readonly state: "done" | "begun" | "open" | "locked" | "not-needed";
  /** Whole per cent, rounded down; null where there is none. */
  readonly markPercent: number | null;
  readonly passed: boolean | null;
  readonly outcome: OutcomeView;
}

/** A part of a piece of work, for the head of its column. */
export interface PartOfWork {
  readonly id: string;
  readonly title: string;
  readonly kind: WorkKind;
  /** Whether students see its results only once they are released. */
  readonly isTest: boolean;
  /** Done on paper: its results are typed in. */
  readonly onPaper: boolean;
  /** Waits for a teacher's word. */
  readonly waitsForWord: boolean;
}

export interface WorkView extends WorkListEntry {
  readonly classId: string;
  readonly instructions: string;
  readonly opens: string;
  /** Empty where it has none. */
  readonly dueDay: string;
  /** Items that end it, or the most that may be spent. */
  readonly items: number;
  /** How sure practice has to be that a skill is mastered. */
  readonly certainty: Certainty;
  readonly rows: readonly WorkRowView[];
  /** Answers that wait for a person to score them, and whether there are any that a person scores. */
  readonly scoring: { readonly waiting: number; readonly any: boolean };
  readonly leftOut: readonly string[];
  readonly joined: readonly { readonly id: string; readonly name: string }[];
  /** A due day for those who come later. */
  readonly usualDueDay: string;
  readonly parts: readonly PartOfWork[];
  /** Of a test before and one after; null for other work. */
  readonly gain: Omit<GainView, "students"> | null;
  /** Of a single diagnostic; empty for other work. */
  readonly strands: readonly StrandColumn[];
  /** What students may see by a teacher's word, and what each part of the rules says. */
  readonly released: readonly Released[];
  readonly release: ReleaseRules;
  readonly cutPercent: number | null;
  /** Until when late work is taken; null for not at all. */
  readonly closes: string | null;
  readonly onlyAtSchool: boolean;
  readonly unlockCode: string | null;
  readonly goesFirst: boolean;
  readonly isPrepared: boolean;
  /** Kept to be found again; null where somebody else made it. */
  readonly isKept: boolean | null;
  readonly forms: readonly string[];
  /** Mean of the marks so far, in whole per cent rounded down, and of how many; null before there is one. */
  readonly average: { readonly percent: number; readonly students: number } | null;
  /** Of its tests, whoever has which; 1 for what has no forms. */
  readonly formCount: number;
  /** Which mark counts where somebody tried again. */
  readonly retake: RetakeRule;
}

/** A student to whom work may go. */
export interface ComposeStudent {
  readonly id: string;
  readonly name: string;
  /** Times the usual time that they need, by their supports. */
  readonly timeFactor: number;
  /** Why they are left out of tests, in which subject (null for all) and until which day (null for no end); null where they are not. */
  readonly leftOut: (LeaveOut & { readonly reason: string }) | null;
  /** The share of the items of practice that they are given, by their supports; 1 for all. */
  readonly itemShare: number;
}

/** Work that was given, to put something new together from. */
export interface Again {
  readonly title: string;
  readonly instructions: string;
  readonly kind: WorkKind;
  readonly onPaper: boolean;
  /** Two tests with practice between. */
  readonly isPair: boolean;
  readonly settings: PartSettings;
  readonly skillIds: readonly string[];
  /** Items picked by hand that are no test; empty where they are drawn. */
  readonly picked: readonly TestItem[];
  /** Forms of its tests, one after the other, without what was retired since. */
  readonly forms: readonly (readonly { readonly item: TestItem; readonly points: number }[])[];
  readonly cutPercent: number | null;
  readonly release: ReleaseRules;
  readonly retake: RetakeRule;
  /** What opened its main part. */
  readonly opening: readonly OpeningRule[];
  /** Parts before and after the main thing. */
  readonly extras: readonly {
    readonly kind: "lesson" | "practice" | "amount" | "sequential" | "contrast";
    readonly skillIds: readonly string[];
    readonly items: number;
    readonly isBefore: boolean;
    readonly opening: readonly OpeningRule[];
  }[];
}

/** Settings that somebody keeps under a name. */
export interface PresetView {
  readonly id: string;
  readonly name: string;
  readonly settings: WorkPreset;
}

/** What the page for giving work starts from. */
export interface ComposeView {
  readonly presets: readonly PresetView[];
  readonly classes: readonly {
    readonly id: string;
    readonly name: string;
    readonly students: readonly ComposeStudent[];
  }[];
  readonly groups: readonly {
    readonly id: string;
    readonly name: string;
    readonly classId: string;
    readonly students: readonly ComposeStudent[];
  }[];
  readonly skills: readonly {
    readonly id: string;
    readonly name: string;
    readonly grade: number;
    readonly strand: string;
    readonly strandId: string;
    readonly subjectId: string;
    /** Of the standard that it belongs to; empty for none. */
    readonly code: string;
    /** Of all frameworks that lead here, by their own standards or by a crosswalk. */
    readonly codes: readonly string[];
    readonly secure: Readonly<Record<string, number>>;
    readonly planned: boolean;
  }[];
  /** Days off, as day numbers. */
  readonly holidays: readonly number[];
  readonly today: string;
  readonly dueDay: string;
  readonly suggestedSkillId: string | null;
  /** Null where something is put together from nothing. */
  readonly again: Again | null;
  /** Items that were gathered in the library, each as one draw that everybody gets. */
  readonly picked: readonly {
    readonly itemId: string;
    readonly skillId: string;
    readonly seed: number;
    readonly line: string;
  }[];
  /** Work of these classes with picked items that nobody has begun: they may be added to it. */
  readonly addable: readonly {
    readonly id: string;
    readonly title: string;
    readonly className: string;
    readonly items: number;
  }[];
  /** Places, from 1, of two of them of which one gives the other away. */
  readonly clashes: readonly (readonly [number, number])[];
}

/** Work that is kept to be given again. */
export interface KeptWork {
  readonly workId: string;
  /** By which it was given last. */
  readonly assignmentId: string;
  readonly title: string;
  /** Of its first part. */
  readonly kind: WorkKind;
  readonly parts: number;
  readonly skills: readonly string[];
  readonly isMine: boolean;
  readonly owner: string;
  readonly isShared: boolean;
  readonly givenTimes: number;
}
