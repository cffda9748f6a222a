import type { Certainty, PracticeEnd, ReleaseTime, RetakeRule } from "./work";

/** How a test is taken. */
export interface TestTaking {
  readonly goBack: boolean;
  readonly shuffle: boolean;
  readonly calculator: boolean;
  /** Null for no limit. */
  readonly minutes: number | null;
  /** Neighbours get different forms. */
  readonly neighbours: boolean;
  /** Printed, and typed in afterwards. */
  readonly onPaper: boolean;
}

/** Rules of work that hold whenever it is given. */
export interface LastingRules {
  readonly onlyAtSchool: boolean;
  readonly goesFirst: boolean;
  readonly score: ReleaseTime;
  readonly answers: ReleaseTime;
  readonly explanations: ReleaseTime;
  /** Null for none. */
  readonly cutPercent: number | null;
  /** What follows a test below its cut. */
  readonly follows: "nothing" | "itself" | "word";
  readonly alsoAtCut: boolean;
  readonly category: string;
  /** Which mark counts where somebody tried again. */
  readonly retake: RetakeRule;
}

/** Settings of work that a teacher keeps under a name: everything but what it goes over, to whom, and on which days. */
export interface WorkPreset {
  /** What it is, as the page for giving work names it. */
  readonly made: string;
  readonly items: number;
  readonly certainty: Certainty;
  readonly end: PracticeEnd;
  /** Due so many days after the day on which it opens. */
  readonly dueAfterDays: number;
  readonly test: TestTaking;
  readonly rules: LastingRules;
}
