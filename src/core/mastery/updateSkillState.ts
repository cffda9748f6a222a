import { guessAndSlip } from "./guessAndSlip";
import { masteryReached } from "./masteryReached";
import { masteryToday } from "./masteryToday";
import type { AnswerEvidence, SkillState } from "./skillState";
import { traceAnswer } from "./traceAnswer";

/** Chance of learning the skill from one item worked with feedback. */
export const LEARNING_CHANCE = 0.08;
/** Evidence of a right first try after a hint, and of a second try, against an unaided first try. */
export const HINT_WEIGHT = 0.5;
export const SECOND_TRY_WEIGHT = 0.25;
/** Memory of a skill first met, in days, and what a new day with a right first try makes of it. */
const FIRST_STABILITY_DAYS = 20;
const STABILITY_GROWTH = 1.5;
const MOST_STABILITY_DAYS = 365;

/**
 * The summary after one more answer. First tries count fully (half after a hint) and bring the chance of learning; second
 * tries are weak evidence and bring none, since the first try of the same item already did. `state` is null before the
 * first answer; then `prior` is the chance of mastery to start from.
 */
export function updateSkillState(
  state: SkillState | null,
  prior: number,
  answer: AnswerEvidence,
  skillDifficulty: number,
): SkillState {
  const before: SkillState = state ?? emptyState(prior, answer.day);
  const first = answer.tryNumber === 1;
  const weight = first ? (answer.hintsUsed > 0 ? HINT_WEIGHT : 1) : SECOND_TRY_WEIGHT;
  const mastery = traceAnswer(masteryToday(before, answer.day), {
    ...guessAndSlip(answer.item, skillDifficulty),
    right: answer.right,
    learn: first ? LEARNING_CHANCE : 0,
    weight,
  });
  const recalledOnNewDay = first && answer.right && before.scoredAnswers > 0 && answer.day > before.lastDay;
  const after: SkillState = {
    mastery,
    prior: before.prior,
    scoredAnswers: before.scoredAnswers + (first ? 1 : 0),
    rightFirstTries: before.rightFirstTries + (first && answer.right ? 1 : 0),
    modelIds:
      first && !before.modelIds.includes(answer.modelId)
        ? [...before.modelIds, answer.modelId].sort()
        : before.modelIds,
    lastDay: answer.day,
    stabilityDays: recalledOnNewDay
      ? Math.min(MOST_STABILITY_DAYS, before.stabilityDays * STABILITY_GROWTH)
      : before.stabilityDays,
    masteredDay: before.masteredDay,
    missesInRow: first ? (answer.right ? 0 : before.missesInRow + 1) : before.missesInRow,
  };
  return after.masteredDay === null && masteryReached(after) ? { ...after, masteredDay: answer.day } : after;
}

function emptyState(prior: number, day: number): SkillState {
  return {
    mastery: prior,
    prior,
    scoredAnswers: 0,
    rightFirstTries: 0,
    modelIds: [],
    lastDay: day,
    stabilityDays: FIRST_STABILITY_DAYS,
    masteredDay: null,
    missesInRow: 0,
  };
}
