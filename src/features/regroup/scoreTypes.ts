import type { WrittenScore } from "@/core/roster/readScores";

/** What a column of scores may be about beside single strands: a whole subject, named by this and its id. */
export const WHOLE_SUBJECT = "whole:";

/** What a column can be about: a strand, or a whole subject. */
export interface ScoreAbout {
  readonly id: string;
  readonly name: string;
  readonly whole: boolean;
}

export interface ScoredStudent {
  readonly id: string;
  readonly name: string;
  readonly studentNumber: string;
}

/** Scores of a test taken elsewhere that count for students of the class. */
export interface KeptScores {
  readonly id: string;
  readonly title: string;
  readonly onDay: string;
  readonly by: string;
  readonly columns: readonly { readonly key: string; readonly name: string }[];
  readonly lines: readonly {
    readonly studentId: string;
    readonly name: string;
    /** By column; null for none. */
    readonly scores: readonly (WrittenScore | null)[];
  }[];
}

export interface ScoresView {
  readonly classIds: readonly string[];
  readonly className: string;
  readonly today: string;
  readonly students: readonly ScoredStudent[];
  readonly about: readonly ScoreAbout[];
  readonly lists: readonly KeptScores[];
}
