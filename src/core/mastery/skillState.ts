import type { ItemParameters } from "../measurement/item";

/** The running summary of what one student's answers say about one skill; a pure function of the answer log. */
export interface SkillState {
  /** Chance of mastery right after the last answer; `masteryToday` gives today's. */
  readonly mastery: number;
  /** Chance of mastery before the first answer. */
  readonly prior: number;
  /** First tries on items of the skill. */
  readonly scoredAnswers: number;
  readonly rightFirstTries: number;
  /** Different item models that were answered, sorted. */
  readonly modelIds: readonly string[];
  /** Day number of the last answer. */
  readonly lastDay: number;
  /** Days after which the memory of the skill falls to 90 %. */
  readonly stabilityDays: number;
  /** Day number on which the end rule was first met; null before. */
  readonly masteredDay: number | null;
  /** Wrong first tries since the last right one. */
  readonly missesInRow: number;
}

/** What one answer contributes; `tryNumber` 1 is the scored one. */
export interface AnswerEvidence {
  readonly right: boolean;
  readonly tryNumber: number;
  readonly hintsUsed: number;
  readonly modelId: string;
  readonly item: ItemParameters;
  readonly day: number;
}
