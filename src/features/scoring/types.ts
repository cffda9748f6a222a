/** One student's answer to a part that a person scores. */
export interface AnswerToScore {
  readonly serial: number;
  readonly studentId: string;
  readonly name: string;
  readonly text: string;
  /** The question with this student's own numbers, where it is not as the others have it. */
  readonly ownQuestion: string | null;
  readonly given: string;
  /** By criterion; null until somebody has scored it. */
  readonly points: readonly number[] | null;
  /** Who scored it last; null where nobody has, or the reader did. */
  readonly by: string | null;
}

/** A part of an item with all answers to it. */
export interface PartToScore {
  readonly key: string;
  readonly part: string;
  readonly question: string;
  readonly criteria: readonly { readonly id: string; readonly name: string; readonly levels: readonly string[] }[];
  readonly sample: string;
  readonly answers: readonly AnswerToScore[];
}

export interface ScoringView {
  readonly workId: string;
  readonly title: string;
  readonly className: string;
  readonly parts: readonly PartToScore[];
}
