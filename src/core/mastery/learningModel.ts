/**
 * What further practice brings is itself uncertain: somebody who has not mastered a skill is either learning it at present, with this chance
 * at each opportunity, or not (two classes; compare Beck & Gong 2013). Used for looking ahead; what is mastered is read from answers alone.
 */
export const LEARNING = {
  /** Chance of coming to mastery at one opportunity, for those who are learning. */
  chance: 0.16,
  /** Chance that somebody is learning, before any answer. */
  shareLearning: 0.5,
} as const;

/** Chance of mastery, and the chance of learning at present if there is no mastery yet; both 0 to 1. */
export interface LearnerState {
  readonly mastery: number;
  readonly learning: number;
}
