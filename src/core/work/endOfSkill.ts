import { masteryReached, wantedChance } from "../mastery/masteryReached";
import { type Rational, rational } from "../numeric/rational";
import { demandEndRule, type EndRule } from "./endRule";

/** What one skill of a piece of work shows now. */
export interface SkillHistory {
  /** Scored answers within this work, the latest last: what each earned of what was possible, 0 to 1, exact. */
  readonly answers: readonly Rational[];
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
 * towards the rule's; by run, right answers still wanted; by net score, what of the target is reached; by amount, the share of the items. Part of what was possible counts with that part,
 * but in a row only all of it does. Throws for a senseless rule.
 */
export function endOfSkill(rule: EndRule, history: SkillHistory): SkillEnd {
  demandEndRule(rule);
  const { answers } = history;
  const score = answers.length > 0 ? sumOf(answers).div(answers.length) : null;
  const progress = progressBy(rule, history);
  return { progress, done: progress === 1, reason: progress === 1 ? rule.kind : null, score };
}

function progressBy(rule: EndRule, history: SkillHistory): number {
  const { answers } = history;
  switch (rule.kind) {
    case "amount":
      return Math.min(1, answers.length / rule.items);
    case "run": {
      // In a row, what came before a miss is lost; of the last n, it still counts.
      const kept = rule.right === rule.of ? rightSinceMiss(answers) : sumOf(answers.slice(-rule.of)).valueOf();
      return Math.min(1, kept / rule.right);
    }
    case "net":
      return Math.min(1, netScore(answers, rule.penalty) / rule.target);
    case "confidence": {
      if (answers.length >= LEAST_ANSWERS_HERE && masteryReached(history, rule)) return 1;
      const way = wantedChance(rule, history.scoredAnswers) - history.masteryAtStart;
      return way <= 0 ? 0 : Math.min(NEARLY, Math.max(0, (history.mastery - history.masteryAtStart) / way));
    }
  }
}

const sumOf = (shares: readonly Rational[]): Rational => shares.reduce((sum, share) => sum.add(share), rational(0));

/** What was earned, less the penalty for what was missed of each answer; never under nought on the way. */
const netScore = (shares: readonly Rational[], penalty: number): number =>
  shares.reduce((net, share) => {
    const earned = share.valueOf();
    return Math.max(0, net + earned - penalty * (1 - earned));
  }, 0);

const rightSinceMiss = (shares: readonly Rational[]): number =>
  shares.length - 1 - shares.findLastIndex((share) => !share.equals(1));
