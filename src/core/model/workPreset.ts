import type { Certainty, PracticeEnd, ReleaseTime, RetakeRule } from "./work";

/** Settings of work that a teacher keeps under a name: everything but what it goes over, to whom, and on which days. */
export interface WorkPreset {
  /** What it is, as the page for giving work names it. */
  readonly made: string;
  readonly items: number;
  readonly certainty: Certainty;
  readonly end: PracticeEnd;
  /** Due so many days after the day on which it opens. */
  readonly dueAfterDays: number;
  readonly test: {
    readonly goBack: boolean;
    readonly shuffle: boolean;
    readonly calculator: boolean;
    readonly minutes: number | null;
    readonly neighbours: boolean;
    readonly onPaper: boolean;
  };
  readonly rules: {
    readonly onlyAtSchool: boolean;
    readonly goesFirst: boolean;
    readonly score: ReleaseTime;
    readonly answers: ReleaseTime;
    readonly explanations: ReleaseTime;
    readonly cutPercent: number | null;
    readonly follows: "nothing" | "itself" | "word";
    readonly alsoAtCut: boolean;
    readonly category: string;
    readonly retake: RetakeRule;
  };
}
