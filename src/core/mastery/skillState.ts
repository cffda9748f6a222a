import type { ItemParameters } from "../measurement/item";
import type { LearnerState } from "./learningModel";
import type { SkillBelief } from "./skillBelief";

/** The running summary of what one student's answers say about one skill; a pure function of the scores in force. */
export interface SkillState extends LearnerState, SkillBelief {
  /** Chance of mastery right after the last answer; `masteryToday` gives today's. */
  readonly mastery: number;
  /** Chance of learning at present, if not mastered. */
  readonly learning: number;
  /** Chance of mastery before the first answer. */
  readonly prior: number;
  /** Ability in the skill right after the last answer: logits above the boundary of mastery, and their standard deviation. */
  readonly mean: number;
  readonly spread: number;
  /** Scores taken in, those of second tries too. */
  readonly evidence: number;
  /** First tries on items of the skill, those of them without a hint, and those that were right. */
  readonly scoredAnswers: number;
  readonly unaidedAnswers: number;
  readonly rightFirstTries: number;
  /** Right first tries that somebody with the skill would be expected to have on these items, and somebody without. */
  readonly rightIfMastered: number;
  readonly rightIfNot: number;
  /** Different items that were answered, sorted. */
  readonly itemIds: readonly string[];
  /** Day numbers of the first and the last answer. */
  readonly firstDay: number;
  readonly lastDay: number;
  /** Memory of the skill: days after which recall falls to 90 %, and how hard it is to fix (1 to 10). */
  readonly stabilityDays: number;
  readonly memoryDifficulty: number;
  /** Day number on which the end rule was first met; null before. */
  readonly masteredDay: number | null;
  /** Day number on which answers took mastery back; null before it was reached, and while it holds. */
  readonly lostDay: number | null;
  /** Wrong first tries since the last right one. */
  readonly missesInRow: number;
  /** Day on which the last snag began, and on which it was cleared; null without one, or while it is open. */
  readonly snagDay: number | null;
  readonly snagClearedDay: number | null;
  /** How many snags there have been, the last one counted. */
  readonly snagTimes: number;
}

/** What one score contributes; `tryNumber` 1 is the one that counts in full. */
export interface AnswerEvidence {
  /** What was earned of what was possible, 0 to 1; only all of it counts as right. */
  readonly share: number;
  readonly tryNumber: number;
  readonly hintsUsed: number;
  readonly itemId: string;
  readonly item: ItemParameters;
  readonly day: number;
  /** Which answer to its passage this is, from 1; absent where the item hangs on none. */
  readonly ofPassage?: number;
}
