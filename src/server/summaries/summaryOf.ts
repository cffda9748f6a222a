import "server-only";
import { beliefFromAbility } from "@/core/mastery/beliefFromAbility";
import { priorBelief } from "@/core/mastery/priorBelief";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import type { SummaryStep } from "@/db/queries/answering";
import type { EvidenceRow } from "@/db/queries/answerLog";

/** What a score and its answer say; everything that the summaries are made of. */
export type Evidence = Pick<
  EvidenceRow,
  | "personId"
  | "part"
  | "skillId"
  | "earned"
  | "possible"
  | "misconceptionId"
  | "grade"
  | "skillDifficulty"
  | "a"
  | "b"
  | "c"
  | "startTheta"
  | "startSe"
  | "tryNumber"
  | "hintsUsed"
  | "milliseconds"
  | "day"
  | "itemId"
>;

/** A skill's summary after one more score. */
export function stateAfter(state: SkillState | null, evidence: Evidence): SkillState {
  const { earned, possible, tryNumber, hintsUsed, itemId, a, b, c, day, grade, skillDifficulty, startTheta, startSe } =
    evidence;
  const isPlaced = startTheta !== null && startSe !== null;
  return updateSkillState(
    state,
    isPlaced
      ? beliefFromAbility({ theta: startTheta, se: startSe }, skillDifficulty)
      : priorBelief(grade, skillDifficulty),
    { share: earned / possible, tryNumber, hintsUsed, itemId, item: { a, b, c }, day },
    skillDifficulty,
  );
}

/** The summaries after the scores of one answer, and the steps that take them there. */
export function summaryOf(
  states: ReadonlyMap<string, SkillState>,
  scores: readonly Evidence[],
): { readonly states: ReadonlyMap<string, SkillState>; readonly steps: readonly SummaryStep[] } {
  const after = new Map(states);
  for (const score of scores) after.set(score.skillId, stateAfter(after.get(score.skillId) ?? null, score));
  const skillIds = [...new Set(scores.map(({ skillId }) => skillId))];
  return {
    states: after,
    steps: [
      ...skillIds.map((skillId) => stateStep(scores[0] as Evidence, skillId, states, after)),
      ...scores.flatMap((score) =>
        countsOf(score, { withTime: score === firstOf(scores), after: after.get(score.skillId) as SkillState }),
      ),
    ],
  };
}

function stateStep(
  { personId }: Evidence,
  skillId: string,
  before: ReadonlyMap<string, SkillState>,
  after: ReadonlyMap<string, SkillState>,
): SummaryStep {
  const { itemIds, ...state } = after.get(skillId) as SkillState;
  const evidenceBefore = before.get(skillId)?.evidence ?? 0;
  return { kind: "state", row: { personId, skillId, ...state, itemIds: [...itemIds], evidenceBefore } };
}

/** The score that an answer's time is counted with: time is spent once, however many skills it tells about. */
export const firstOf = <Score extends Pick<Evidence, "part" | "skillId">>(
  scores: readonly Score[],
): Score | undefined =>
  [...scores].sort((x, y) => (x.part < y.part ? -1 : x.part > y.part ? 1 : x.skillId < y.skillId ? -1 : 1))[0];

/** What one score adds to the counts of its day, which keeps how the skill stands after it, and to the signs of misconceptions. */
export function countsOf(
  score: Evidence,
  { withTime, after }: { readonly withTime: boolean; readonly after: SkillState },
): SummaryStep[] {
  const { personId, skillId, day, misconceptionId } = score;
  const first = score.tryNumber === 1 ? 1 : 0;
  return [
    {
      kind: "day",
      row: {
        personId,
        skillId,
        day,
        answered: first,
        right: score.earned === score.possible ? first : 0,
        milliseconds: withTime ? score.milliseconds : 0,
        mastery: after.mastery,
        stabilityDays: after.stabilityDays,
        mean: after.mean,
        spread: after.spread,
        answeredUntil: after.scoredAnswers,
        rightUntil: after.rightFirstTries,
      },
    },
    ...(misconceptionId === null
      ? []
      : [
          { kind: "sign" as const, row: { personId, skillId, misconceptionId, times: 1, lastDay: day } },
          { kind: "sign-day" as const, row: { personId, skillId, misconceptionId, day, times: 1 } },
        ]),
  ];
}
