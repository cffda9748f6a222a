import { array, boolean, number, object, string } from "yup";

/** Something that a written answer is looked at for. */
export interface RubricCriterion {
  /** Stable within the part; ratings go by it. */
  readonly id: string;
  /** Empty where the answer is looked at as a whole. */
  readonly name: string;
  /** What earns 0, 1, 2 and so on points; a level may have no words. Two levels or more. */
  readonly levels: readonly string[];
  /** What the criterion weighs beside the others; 1 unless stated. */
  readonly weight?: number;
}

/** How much is to be written, as space on the screen and on paper. */
export const ANSWER_LENGTHS = ["sentence", "paragraph", "page"] as const;
export type AnswerLength = (typeof ANSWER_LENGTHS)[number];

/** An answer in one's own words, scored by a person by a rubric. */
export interface WrittenBody {
  readonly length: AnswerLength;
  readonly criteria: readonly RubricCriterion[];
  /** Whether students see what the answer is looked at for. */
  readonly showCriteria: boolean;
  /** An answer that earns everything, for whoever scores; slots are filled. */
  readonly sample: string;
}

export interface DrawnWritten {
  /** The sample answer. */
  readonly keyText: string;
  readonly length: AnswerLength;
  readonly criteria: readonly RubricCriterion[];
  readonly showCriteria: boolean;
}

export interface ShownWritten {
  readonly length: AnswerLength;
  /** Empty where students are not told. */
  readonly criteria: readonly { readonly name: string; readonly levels: readonly string[] }[];
}

/** An answer as it was typed. */
export interface WrittenResponse {
  readonly text: string;
}

/** Letters that an answer may have: several pages. */
export const MOST_LETTERS = 12_000;
/** Lines of paper for each length. */
export const LINES: Readonly<Record<AnswerLength, number>> = { sentence: 2, paragraph: 7, page: 22 };
const MOST_LEVELS = 11;

export const writtenSchema = object({
  length: string()
    .oneOf([...ANSWER_LENGTHS])
    .required(),
  criteria: array(
    object({
      id: string().required(),
      name: string().defined(),
      levels: array(string().defined()).min(2).max(MOST_LEVELS).required(),
      weight: number().positive().optional(),
    }).noUnknown(),
  )
    .min(1)
    .test(
      "criteria-differ",
      ({ path }) => `${path}: criteria-differ`,
      (all = []) => new Set(all.map(({ id }) => id)).size === all.length,
    )
    .required(),
  showCriteria: boolean().required(),
  sample: string().defined(),
});
