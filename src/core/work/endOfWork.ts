import { combinedScore } from "../measurement/combinedScore";
import { demandThat } from "../model/fail";
import type { Rational } from "../numeric/rational";
import { endOfSkill, type SkillEnd, type SkillHistory } from "./endOfSkill";
import type { EndRule } from "./endRule";

/** One skill of a piece of work; weights of the skills are 1 unless stated. */
export interface WorkedSkill {
  readonly rule: EndRule;
  readonly history: SkillHistory;
  readonly weight?: number;
}

/** What may be spent on work that ends by result; a teacher can add to one student's. Null without a limit. */
export interface Budget {
  readonly items: number | null;
  readonly minutes: number | null;
}

/** How a piece of work stands; `reason` is "mastered" when every skill's rule is met by result. */
export interface WorkEnd {
  readonly progress: number;
  readonly done: boolean;
  readonly reason: "mastered" | "amount" | "budget" | null;
  readonly skills: readonly SkillEnd[];
  /** Mean of the skills' shares right by their weights, exact; null until each has an answer. */
  readonly score: Rational | null;
}

/**
 * The end of a piece of work over one or more skills: each keeps its own end, done when all are, or closed with what was
 * reached when the budget is used up. Half the share of the budget used is a floor under the progress, so that honest work
 * always moves it. Throws "bad-argument" for a budget or spending below 0.
 */
export function endOfWork(
  skills: readonly WorkedSkill[],
  spent: { readonly items: number; readonly minutes: number },
  budget: Budget,
): WorkEnd {
  demandThat(
    spent.items >= 0 && spent.minutes >= 0 && (budget.items ?? 1) > 0 && (budget.minutes ?? 1) > 0,
    "Spending is 0 or more and a budget above 0.",
    { ...spent, ...budget },
  );
  const ends = skills.map(({ rule, history }) => endOfSkill(rule, history));
  const answered = skills.flatMap(({ weight = 1 }, place) => {
    const score = ends[place]?.score;
    return score ? [{ score, weight }] : [];
  });
  const common = { skills: ends, score: answered.length === skills.length ? combinedScore(answered) : null };
  if (skills.length > 0 && ends.every(({ done }) => done)) {
    const byAmount = ends.every(({ reason }) => reason === "amount");
    return { ...common, progress: 1, done: true, reason: byAmount ? "amount" : "mastered" };
  }
  const used = Math.max(
    spent.items / (budget.items ?? Number.POSITIVE_INFINITY),
    spent.minutes / (budget.minutes ?? Number.POSITIVE_INFINITY),
  );
  if (used >= 1) return { ...common, progress: 1, done: true, reason: "budget" };
  const byRule = ends.reduce((sum, { progress }) => sum + progress, 0) / Math.max(1, ends.length);
  return { ...common, progress: Math.max(byRule, used / 2), done: false, reason: null };
}
