/** How a part of a piece of work runs. Each has a conductor of its own (`core/work/conductors`). */
export const WORK_KINDS = [
  "practice",
  "check",
  "amount",
  "quiz",
  "diagnostic",
  "sequential",
  "contrast",
  "paper",
  "depth",
  "lesson",
  "review",
] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/**
 * Why a run at a piece of work is over. "handed-in": by the student; "time-up": by itself, at the end of its time or of the work's;
 * "placed": a diagnostic knows enough, or has nothing more to ask; "decided": a sequential check has its verdicts; "read": every
 * lesson of it was read.
 */
export const FINISH_REASONS = [
  "mastered",
  "budget",
  "amount",
  "handed-in",
  "time-up",
  "placed",
  "decided",
  "read",
] as const;
export type FinishReason = (typeof FINISH_REASONS)[number];

/** How sure practice has to be before it calls a skill mastered. */
export const CERTAINTIES = ["quicker", "usual", "stricter"] as const;
export type Certainty = (typeof CERTAINTIES)[number];

/** How practice on a skill ends by result: when we are sure of mastery, after a run of right answers, or at a net score. */
export type PracticeEnd =
  | { readonly by: "sure" }
  /** `right` of the last `of`; the same number twice is that many in a row. */
  | { readonly by: "run"; readonly right: number; readonly of: number }
  /** A right answer adds one, a wrong one takes off the penalty, never under nought. */
  | { readonly by: "net"; readonly target: number; readonly penalty: number };

/** What a kind of work asks of whoever sets it up. Each kind reads its own part of it. */
export interface PartSettings {
  /** Items that end it, or the most that may be spent. */
  readonly items: number;
  /** Of practice that ends with mastery; usual where it is missing. */
  readonly certainty?: Certainty;
  /** Of practice; by being sure where it is missing. */
  readonly end?: PracticeEnd;
  /** Minutes after which it ends: of practice its budget, of a test the time that everybody has. No limit where it is missing. */
  readonly minutes?: number;
  /** Of a test: whether one may go back to what was answered and change it until it is handed in. */
  readonly goBack?: boolean;
  /** Of a test: each student gets its items in another order. */
  readonly shuffle?: boolean;
  /** Tries at an item, where that can be set. */
  readonly tries?: number;
  readonly calculator?: boolean;
  /** Its skills are those that the student missed in another part, for each their own. */
  readonly missedIn?: MissedIn;
  /** Of a diagnostic, and of practice at own depth. */
  readonly scope?: DiagnosticScope;
}

/** What a diagnostic goes over: strands, in the order in which they are asked, and grades above and below a student's own. */
export interface DiagnosticScope {
  readonly strandIds: readonly string[];
  readonly above: number;
  readonly below: number;
}

/** What a follow-up follows. */
export interface MissedIn {
  readonly partId: string;
  /** Whether those who reached the cut follow up too what they missed. */
  readonly alsoAtCut: boolean;
}

/** What has to hold before a student may begin a part. */
export type OpeningRule =
  /** Another part is done. */
  | { readonly by: "done"; readonly partId: string }
  /** The mark of another part reaches so many per cent, or lies below. */
  | { readonly by: "reached" | "below"; readonly partId: string; readonly percent: number }
  /** From an instant on. */
  | { readonly by: "day"; readonly at: number }
  /** A teacher's word, for each student or for all. */
  | { readonly by: "word" };

/** What is released of a piece of work: the score, the student's own answers with the right ones, explanations. */
export const RELEASED = ["score", "answers", "explanations"] as const;
export type Released = (typeof RELEASED)[number];

/** When it is released: as soon as the student is done, when the work is closed for all, or at the teacher's word. */
export const RELEASE_TIMES = ["done", "closed", "word"] as const;
export type ReleaseTime = (typeof RELEASE_TIMES)[number];

/** What is missing waits for the teacher's word. */
export type ReleaseRules = Readonly<Partial<Record<Released, ReleaseTime>>>;

/** Which mark counts where somebody tried again. */
export const RETAKE_RULES = ["latest", "best", "mean"] as const;
export type RetakeRule = (typeof RETAKE_RULES)[number];

/** What a conductor remembers of the beginning. */
export interface SittingState {
  /** Chance of mastery by skill id. */
  readonly chancesAtStart?: Readonly<Record<string, number>>;
  /** Skills of this student alone, where the part follows another or is a review. */
  readonly skillIds?: readonly string[];
  /** Of a review: the skills that are asked, in order (the others lie underneath), and the minutes that it may take. */
  readonly asked?: readonly string[];
  readonly minutes?: number;
  /** Skills that the student missed, the least sure first; known once a test is handed in. */
  readonly missed?: readonly string[];
  /** Of a diagnostic: what was believed of each strand at the beginning, in logits. */
  readonly priors?: Readonly<Record<string, { readonly mean: number; readonly sd: number }>>;
  /** Of a diagnostic: where each strand stands, once it is over. */
  readonly placed?: readonly StrandReport[];
  /** Of lessons: the skills whose lesson was read. */
  readonly read?: readonly string[];
  /** Of a sequential check: its verdict on each skill, once it is over. */
  readonly verdicts?: Readonly<Record<string, CheckVerdict>>;
  /** Of a contrast set: right at the first try of those answered, where each skill stood alone and where they were mixed. */
  readonly contrast?: { readonly alone: Tally; readonly mixed: Tally };
}

/** "undecided": neither within the most items. */
export type CheckVerdict = "mastered" | "not-mastered" | "undecided";

export interface Tally {
  readonly right: number;
  readonly of: number;
}

/** Where a diagnostic leaves a student in one strand. */
export interface StrandReport {
  readonly strandId: string;
  /** In logits, with its standard error; with no scored answer (`n` is 0) what was believed before. */
  readonly ability: { readonly theta: number; readonly se: number; readonly n: number };
  /** Items answered or set aside. */
  readonly length: number;
  /** Why it ended; "stopped" when the sitting was closed before. */
  readonly ended: "precise" | "length" | "pool" | "stopped";
  /** Areas in which items were set aside as not learned, with their number. */
  readonly notYetTaught: Readonly<Record<string, number>>;
}

/** What a teacher's line to a student is: a word while they work, a reminder of work, praise, or a comment on what they did, which stays with it. */
export const LINE_KINDS = ["word", "reminder", "praise", "comment"] as const;
export type LineKind = (typeof LINE_KINDS)[number];
