/** How skills come into review by themselves: once they are mastered, or only by somebody's choice. */
export const ENTERING = ["mastered", "chosen"] as const;
export type Entering = (typeof ENTERING)[number];

/** How a class, or one student of it, keeps what was learned. */
export interface ReviewSettings {
  readonly minutesADay: number;
  readonly entering: Entering;
  /** A skill is asked again once its chance of recall has fallen to this: between 0 and 1. */
  readonly wantedRecall: number;
  /** Share of the skills in review that is to be remembered on any day. */
  readonly target: number;
}

/** What a student has that differs from the class. */
export type OwnReviewSettings = Partial<ReviewSettings>;

/** Where a skill was put by hand: asked, no longer asked though its memory counts, or taken out. */
export const REVIEW_PLACES = ["in", "resting", "dropped"] as const;
export type ReviewPlace = (typeof REVIEW_PLACES)[number];

/** Why something is proposed for a skill in review. */
export type ReviewReason =
  | { readonly by: "everybody-secure"; readonly students: number }
  | { readonly by: "contained"; readonly within: string; readonly because: "prerequisite" | "standards" }
  | { readonly by: "too-hard"; readonly accuracy: number; readonly answers: number };
