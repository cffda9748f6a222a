import { masteryReached, wantedChance } from "../mastery/masteryReached";
import { exactScore } from "../measurement/exactScore";
import type { Rational } from "../numeric/rational";
import { demandEndRule, type EndRule } from "./endRule";

/** What one skill of a piece of work shows now. */
export interface SkillHistory {
  /** Scored answers within this work, the latest last: right or not. */
  readonly answers: readonly boolean[];
  /** Chance of mastery now and when this work began. */
  readonly mastery: number;
  readonly masteryAtStart: number;
  /** Scored answers and different items over all work. */
  readonly scoredAnswers: number;
  /** Those of them without a hint. */
  readonly unaidedAnswers: number;
  readonly itemIds: readonly string[];
}

export interface SkillEnd {
  /** 0 to 1; full only when the rule is met. */
  readonly progress: number;
  readonly done: boolean;
  readonly reason: EndRule["kind"] | null;
  /** Exact share right within this work; null before the first answer. */
  readonly score: Rational | null;
}

/** A skill mastered before still needs this many answers here, or old evidence would end new work unopened. */
export const LEAST_ANSWERS_HERE = 2;
/** Progress of a skill that is nearly there: full is kept for the rule itself. */
const NEARLY = 0.9;

/**
 * How far work on one skill has come by its end rule: by confidence, how far the chance has come from where this work began
 * towards the rule's; by run, right answers still wanted; by amount, the share of the items. Throws for a senseless rule.
 */
export function endOfSkill(rule: EndRule, history: SkillHistory): SkillEnd {
  demandEndRule(rule);
  const { answers } = history;
  const right = answers.filter(Boolean).length;
  const score = answers.length > 0 ? exactScore(right, answers.length) : null;
  const progress = progressBy(rule, history);
  return { progress, done: progress === 1, reason: progress === 1 ? rule.kind : null, score };
}

function progressBy(rule: EndRule, history: SkillHistory): number {
  const { answers } = history;
  switch (rule.kind) {
    case "amount":
      return Math.min(1, answers.length / rule.items);
    case "run": {
      const last = answers.slice(-rule.of).filter(Boolean).length;
      // In a row, what came before a miss is lost; of the last n, it still counts.
      const kept = rule.right === rule.of ? answers.length - 1 - answers.lastIndexOf(false) : last;
      return Math.min(1, kept / rule.right);
    }
    case "confidence": {
      if (answers.length >= LEAST_ANSWERS_HERE && masteryReached(history, rule)) return 1;
      const way = wantedChance(rule, history.scoredAnswers) - history.masteryAtStart;
      return way <= 0 ? 0 : Math.min(NEARLY, Math.max(0, (history.mastery - history.masteryAtStart) / way));
    }
  }
}
