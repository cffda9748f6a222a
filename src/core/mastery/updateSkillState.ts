import { LEVEL_CUTS } from "../model/levels";
import { gradeOfRecall } from "../review/gradeOfRecall";
import { reviewMemory } from "../review/reviewMemory";
import { guessAndSlip } from "./guessAndSlip";
import { isSnag } from "./isSnag";
import { LEARNING, type LearnerState } from "./learningModel";
import { learnOnce } from "./learnOnce";
import { masteryReached } from "./masteryReached";
import { masteryToday } from "./masteryToday";
import type { AnswerEvidence, SkillState } from "./skillState";
import { traceAnswer } from "./traceAnswer";

/** Evidence of a right first try after a hint, and of a second try, against an unaided first try. */
export const HINT_WEIGHT = 0.5;
export const SECOND_TRY_WEIGHT = 0.25;
/** However many the answers, this much doubt stays. */
const LEAST_MASTERY = 0.03;
const MOST_MASTERY = 0.99;

/**
 * The summary after one more answer. First tries count fully (half after a hint) and bring the chance of learning; second
 * tries are weak evidence and bring none, since the first try of the same item already did. `state` is null before the
 * first answer; then `prior` is the chance of mastery to start from.
 */
export function updateSkillState(
  state: SkillState | null,
  prior: number,
  given: AnswerEvidence,
  skillDifficulty: number,
): SkillState {
  // An answer that waited on a device may be older than what was answered elsewhere meanwhile: time does not run back.
  const answer = { ...given, day: Math.max(given.day, state?.lastDay ?? given.day) };
  const before: SkillState = state ?? emptyState(prior, answer);
  const first = answer.tryNumber === 1;
  const right = answer.share === 1;
  const weight = first ? (answer.hintsUsed > 0 ? HINT_WEIGHT : 1) : SECOND_TRY_WEIGHT;
  const judged = {
    mastery: traceAnswer(masteryToday(before, answer.day), {
      ...guessAndSlip(answer.item, skillDifficulty),
      share: answer.share,
      learn: 0,
      weight,
    }),
    learning: before.learning,
  };
  const after: SkillState = {
    ...before,
    ...withDoubt(first ? learnOnce(judged) : judged),
    ...(first ? memoryAfter(state, answer) : {}),
    evidence: before.evidence + 1,
    scoredAnswers: before.scoredAnswers + (first ? 1 : 0),
    rightFirstTries: before.rightFirstTries + (first && right ? 1 : 0),
    itemIds:
      first && !before.itemIds.includes(answer.itemId) ? [...before.itemIds, answer.itemId].sort() : before.itemIds,
    lastDay: answer.day,
    missesInRow: first ? (right ? 0 : before.missesInRow + 1) : before.missesInRow,
  };
  const masteredDay = after.masteredDay ?? (masteryReached(after) ? answer.day : null);
  return { ...after, masteredDay, ...snagAfter(after, answer.day) };
}

/** Without these bounds ten right answers cannot make up for an early row of wrong ones, nor the other way round. */
function withDoubt({ mastery, learning }: LearnerState): LearnerState {
  return { mastery: Math.min(MOST_MASTERY, Math.max(LEAST_MASTERY, mastery)), learning };
}

/**
 * Memory after a first try. The first day sets it by the grade that the day's last answer ends with; on a later day only the
 * first answer tells how much was recalled, the others come right after it.
 */
function memoryAfter(
  state: SkillState | null,
  answer: AnswerEvidence,
): Pick<SkillState, "stabilityDays" | "memoryDifficulty"> | object {
  const grade = gradeOfRecall({ ...answer, right: answer.share === 1, timeShare: null });
  if (state && answer.day > state.firstDay && answer.day <= state.lastDay) return {};
  const { stabilityDays, difficulty } =
    state && answer.day > state.firstDay
      ? reviewMemory.next(
          { stabilityDays: state.stabilityDays, difficulty: state.memoryDifficulty },
          answer.day - state.lastDay,
          grade,
        )
      : reviewMemory.first(grade);
  return { stabilityDays, memoryDifficulty: difficulty };
}

/** A snag opens when practice is seen not to help and is cleared when the student comes to Secure. */
function snagAfter(state: SkillState, day: number): Pick<SkillState, "snagDay" | "snagClearedDay"> {
  const open = state.snagDay !== null && state.snagClearedDay === null;
  if (open && state.mastery >= LEVEL_CUTS.secure) return { snagDay: state.snagDay, snagClearedDay: day };
  if (!open && isSnag(state)) return { snagDay: day, snagClearedDay: null };
  return { snagDay: state.snagDay, snagClearedDay: state.snagClearedDay };
}

function emptyState(prior: number, answer: AnswerEvidence): SkillState {
  const { stabilityDays, difficulty } = reviewMemory.first(
    gradeOfRecall({ ...answer, right: answer.share === 1, timeShare: null }),
  );
  return {
    mastery: prior,
    learning: LEARNING.shareLearning,
    prior,
    evidence: 0,
    scoredAnswers: 0,
    rightFirstTries: 0,
    itemIds: [],
    firstDay: answer.day,
    lastDay: answer.day,
    stabilityDays,
    memoryDifficulty: difficulty,
    masteredDay: null,
    missesInRow: 0,
    snagDay: null,
    snagClearedDay: null,
  };
}
