import { MASTERY_RULE, masteryReached } from "./masteryReached";

/** How a piece of practice stands; `progress` runs from 0 to 1. */
export interface PracticeProgress {
  readonly progress: number;
  readonly done: boolean;
  readonly reason: "mastered" | "budget" | null;
}

/** What one skill of the practice shows now. */
export interface PracticedSkill {
  /** Chance of mastery now and when this practice began. */
  readonly mastery: number;
  readonly masteryAtStart: number;
  readonly scoredAnswers: number;
  readonly modelIds: readonly string[];
  /** Scored answers within this practice. */
  readonly answersHere: number;
}

/** A skill mastered before still needs this many answers here, or old evidence would end new practice unopened. */
export const LEAST_ANSWERS_HERE = 2;
/** Progress of a skill that is nearly there: it is full only when the end rule is met. */
const NEARLY = 0.9;

/**
 * The end of adaptive practice "until mastered or the budget is used" (budget in items, 1 or more). Each skill contributes
 * equally: 1 when the end rule is met, otherwise how far its chance of mastery has come from where this practice began
 * towards the rule's. Half the share of the budget used is a floor, so that honest work always moves the progress.
 */
export function endOfPractice(
  skills: readonly PracticedSkill[],
  itemsDone: number,
  budgetItems: number,
): PracticeProgress {
  if (skills.length > 0 && skills.every(skillDone)) return { progress: 1, done: true, reason: "mastered" };
  if (itemsDone >= budgetItems) return { progress: 1, done: true, reason: "budget" };
  const shares = skills.map((skill) => {
    if (skillDone(skill)) return 1;
    const way = MASTERY_RULE.chance - skill.masteryAtStart;
    return way <= 0 ? 0 : Math.min(NEARLY, Math.max(0, (skill.mastery - skill.masteryAtStart) / way));
  });
  const byMastery = shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length);
  return { progress: Math.max(byMastery, itemsDone / budgetItems / 2), done: false, reason: null };
}

/** True when a skill meets the end rule with answers given in this practice. */
export function skillDone(skill: PracticedSkill): boolean {
  return skill.answersHere >= LEAST_ANSWERS_HERE && masteryReached(skill);
}
