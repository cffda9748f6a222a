import type { Level } from "../model/levels";
import type { MasteryMark } from "../model/masteryMark";
import { LEARNING } from "./learningModel";
import { levelOf } from "./levelOf";
import { masteryMark } from "./masteryMark";
import { masteryToday } from "./masteryToday";
import type { SkillState } from "./skillState";

/** Fewer scored answers than this say too little to name a level. */
export const LEAST_EVIDENCE = 3;
/** Evidence older than this many days is marked as old. */
export const OLD_AFTER_DAYS = 60;

/** One cell of the mastery map: a chance is never without its evidence and its age. */
export interface Gauge {
  /** Chance of mastery on the day asked for, 0 to 1. */
  readonly chance: number;
  readonly level: Level;
  readonly tooLittle: boolean;
  readonly old: boolean;
  readonly mark: MasteryMark;
  readonly scoredAnswers: number;
  readonly rightFirstTries: number;
  /** Right first tries that somebody with the skill would be expected to have on these items, and somebody without. */
  readonly rightIfMastered: number;
  readonly rightIfNot: number;
  /** Chance of learning at present, if not mastered. */
  readonly learning: number;
  /** Day number of the last answer; null when the skill was never met. */
  readonly lastDay: number | null;
}

/**
 * The gauge of one student in one skill on a day. `secureBeyondGrade` tells whether the student is Secure in a skill that
 * builds on this one and lies beyond the student's grade, which makes a mastered skill Extending.
 * @example gaugeOf(null, 0.3, 20000, false).tooLittle // true
 */
export function gaugeOf(state: SkillState | null, prior: number, day: number, secureBeyondGrade: boolean): Gauge {
  const chance = state ? masteryToday(state, day) : prior;
  const mark = state ? masteryMark(state, chance) : "never";
  return {
    chance,
    level: levelOf(chance, mark === "now" && secureBeyondGrade),
    tooLittle: (state?.scoredAnswers ?? 0) < LEAST_EVIDENCE,
    old: state !== null && day - state.lastDay > OLD_AFTER_DAYS,
    mark,
    scoredAnswers: state?.scoredAnswers ?? 0,
    rightFirstTries: state?.rightFirstTries ?? 0,
    rightIfMastered: state?.rightIfMastered ?? 0,
    rightIfNot: state?.rightIfNot ?? 0,
    learning: state?.learning ?? LEARNING.shareLearning,
    lastDay: state?.lastDay ?? null,
  };
}
