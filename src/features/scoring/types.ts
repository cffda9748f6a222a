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

/** A test on paper as a grid of students by items. */
export interface PaperGridView {
  readonly workId: string;
  readonly title: string;
  readonly className: string;
  readonly forms: readonly {
    readonly form: string;
    readonly items: readonly { readonly points: number; readonly stem: string }[];
  }[];
  readonly rows: readonly PaperRow[];
}

export interface PaperRow {
  readonly studentId: string;
  readonly name: string;
  readonly form: string;
  readonly absent: boolean;
  /** By the place of the item in the student's form; null where nothing was entered. */
  readonly points: readonly (number | null)[];
  /** Whole per cent once every item has its points; null before. */
  readonly markPercent: number | null;
}

/** A mark before and after a change of scores, whole per cent. */
export interface MarkChange {
  readonly name: string;
  readonly before: number | null;
  readonly after: number | null;
}

/** The items of a test as they were given. */
export interface WorkItemsView {
  readonly workId: string;
  readonly title: string;
  readonly className: string;
  readonly items: readonly WorkItemLine[];
}

export interface WorkItemLine {
  readonly id: string;
  readonly itemId: string;
  /** The part that it stands in, where there are several. */
  readonly part: string;
  readonly form: string;
  readonly place: number;
  readonly stem: string;
  readonly key: string;
  /** Weighs nothing any more. */
  readonly dropped: boolean;
  readonly answered: number;
  readonly right: number;
  /** The library has a later version, which the viewer may apply to earlier answers. */
  readonly newerKey: boolean;
}
