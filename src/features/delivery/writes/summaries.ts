import "server-only";
import { priorMastery } from "@/core/mastery/priorMastery";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import type { Queryable } from "@/db/connection";
import {
  type AnswerRow,
  addMisconceptionSign,
  addToSkillDay,
  answersAfter,
  clearSummaries,
  saveSkillState,
} from "@/db/queries/delivery";
import type { Runtime } from "@/server/runtime/runtime";

type LoggedAnswer = Omit<AnswerRow, "serial">;

/** A skill's summary after one logged answer; everything it needs stands in the answer's row. */
export function stateAfter(state: SkillState | null, answer: LoggedAnswer): SkillState {
  return updateSkillState(
    state,
    priorMastery(answer.grade, answer.skillDifficulty),
    {
      right: answer.right,
      tryNumber: answer.tryNumber,
      hintsUsed: answer.hintsUsed,
      modelId: answer.modelId,
      item: { a: answer.a, b: answer.b, c: answer.c },
      day: answer.day,
    },
    answer.skillDifficulty,
  );
}

/** Takes one answer into all summaries; returns the new state of its skill. */
export async function summarise(tx: Queryable, state: SkillState | null, answer: LoggedAnswer): Promise<SkillState> {
  const { personId, skillId, day } = answer;
  const next = stateAfter(state, answer);
  await saveSkillState(tx, { personId, skillId, ...next, modelIds: [...next.modelIds] });
  const first = answer.tryNumber === 1;
  await addToSkillDay(tx, {
    personId,
    skillId,
    day,
    answered: first ? 1 : 0,
    right: first && answer.right ? 1 : 0,
    milliseconds: answer.milliseconds,
  });
  if (answer.misconceptionId)
    await addMisconceptionSign(tx, { personId, skillId, misconceptionId: answer.misconceptionId, day });
  return next;
}

const ANSWERS_AT_ONCE = 2000;

/** Makes all summaries anew from the log, in one transaction; returns the number of answers read. */
export async function rebuildSummaries(runtime: Runtime): Promise<number> {
  return runtime.db.write(async (tx) => {
    await clearSummaries(tx);
    const states = new Map<string, SkillState>();
    let last = 0;
    let count = 0;
    for (;;) {
      const slice = await answersAfter(tx, last, ANSWERS_AT_ONCE);
      if (slice.length === 0) return count;
      for (const answer of slice) {
        const key = `${answer.personId} ${answer.skillId}`;
        states.set(key, await summarise(tx, states.get(key) ?? null, answer));
        last = answer.serial;
        count++;
      }
    }
  });
}
