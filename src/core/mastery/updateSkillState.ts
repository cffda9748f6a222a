import { information } from "../measurement/information";
import { passageWeight } from "../measurement/passageEffect";
import { LEVEL_CUTS } from "../model/levels";
import { gradeOfRecall } from "../review/gradeOfRecall";
import { reviewMemory } from "../review/reviewMemory";
import { beliefAfter } from "./beliefAfter";
import { beliefOn } from "./beliefOn";
import { chanceOfMastery } from "./chanceOfMastery";
import { guessAndSlip } from "./guessAndSlip";
import { isSnag } from "./isSnag";
import { LEARNING } from "./learningModel";
import { learnOnce } from "./learnOnce";
import { MASTERY_BOUNDARY } from "./masteryBoundary";
import { masteryReached } from "./masteryReached";
import type { SkillBelief } from "./skillBelief";
import type { AnswerEvidence, SkillState } from "./skillState";

/** A hint makes its item so much easier, in logits: right says little then, and wrong says more than without. */
export const HINT_HELP = 1.5;
/** Evidence of a second try against a first. */
export const SECOND_TRY_WEIGHT = 0.25;

/**
 * The summary after one more answer. First tries count fully and bring an opportunity to learn; second tries are weak
 * evidence and bring none, since the first try of the same item already did. `state` is null before the first answer; then `prior` is what
 * is believed to start from.
 */
export function updateSkillState(
  state: SkillState | null,
  prior: SkillBelief,
  given: AnswerEvidence,
  skillDifficulty: number,
): SkillState {
  // An answer that waited on a device may be older than what was answered elsewhere meanwhile: time does not run back.
  const answer = { ...given, day: Math.max(given.day, state?.lastDay ?? given.day) };
  const before: SkillState = state ?? emptyState(prior, answer);
  const first = answer.tryNumber === 1;
  const right = answer.share === 1;
  const { a, b, c } = answer.item;
  const asAsked = { a, b: answer.hintsUsed > 0 ? b - HINT_HELP : b, c };
  const zero = skillDifficulty + MASTERY_BOUNDARY;
  const { guess, slip } = guessAndSlip(asAsked, skillDifficulty);
  const believed = beliefOn(before, answer.day);
  const passage =
    answer.ofPassage === undefined ? 1 : passageWeight(answer.ofPassage, information(zero + believed.mean, asAsked));
  const belief = beliefAfter(believed, {
    share: answer.share,
    item: asAsked,
    skillDifficulty,
    weight: passage * (first ? 1 : SECOND_TRY_WEIGHT),
    mayHaveChanged: first && state !== null,
  });
  const mastery = chanceOfMastery(belief);
  const after: SkillState = {
    ...before,
    ...belief,
    mastery,
    learning: first ? learnOnce(before.learning) : before.learning,
    ...(first ? memoryAfter(state, answer) : {}),
    evidence: before.evidence + 1,
    scoredAnswers: before.scoredAnswers + (first ? 1 : 0),
    unaidedAnswers: before.unaidedAnswers + (first && answer.hintsUsed === 0 ? 1 : 0),
    rightFirstTries: before.rightFirstTries + (first && right ? 1 : 0),
    rightIfMastered: before.rightIfMastered + (first ? 1 - slip : 0),
    rightIfNot: before.rightIfNot + (first ? guess : 0),
    itemIds:
      first && !before.itemIds.includes(answer.itemId) ? [...before.itemIds, answer.itemId].sort() : before.itemIds,
    lastDay: answer.day,
    missesInRow: first ? (right ? 0 : before.missesInRow + 1) : before.missesInRow,
  };
  return { ...after, ...masteryAfter(after, answer.day), ...snagAfter(after, answer.day) };
}

/** Reached by the end rule; lost once answers bring the chance under Secure, until the rule is met again. */
function masteryAfter(state: SkillState, day: number): Pick<SkillState, "masteredDay" | "lostDay"> {
  if (masteryReached(state)) return { masteredDay: state.masteredDay ?? day, lostDay: null };
  const isLost = state.masteredDay !== null && state.lostDay === null && state.mastery < LEVEL_CUTS.secure;
  return { masteredDay: state.masteredDay, lostDay: isLost ? day : state.lostDay };
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
function snagAfter(state: SkillState, day: number): Pick<SkillState, "snagDay" | "snagClearedDay" | "snagTimes"> {
  const { snagDay, snagClearedDay, snagTimes } = state;
  const open = snagDay !== null && snagClearedDay === null;
  if (open && state.mastery >= LEVEL_CUTS.secure) return { snagDay, snagClearedDay: day, snagTimes };
  if (!open && isSnag(state)) return { snagDay: day, snagClearedDay: null, snagTimes: snagTimes + 1 };
  return { snagDay, snagClearedDay, snagTimes };
}

function emptyState(prior: SkillBelief, answer: AnswerEvidence): SkillState {
  const { stabilityDays, difficulty } = reviewMemory.first(
    gradeOfRecall({ ...answer, right: answer.share === 1, timeShare: null }),
  );
  const chance = chanceOfMastery(prior);
  return {
    ...prior,
    mastery: chance,
    learning: LEARNING.shareLearning,
    prior: chance,
    evidence: 0,
    scoredAnswers: 0,
    unaidedAnswers: 0,
    rightFirstTries: 0,
    rightIfMastered: 0,
    rightIfNot: 0,
    itemIds: [],
    firstDay: answer.day,
    lastDay: answer.day,
    stabilityDays,
    memoryDifficulty: difficulty,
    masteredDay: null,
    lostDay: null,
    missesInRow: 0,
    snagDay: null,
    snagClearedDay: null,
    snagTimes: 0,
  };
}
