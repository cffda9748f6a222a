import "server-only";
import { priorMastery } from "@/core/mastery/priorMastery";
import type { SkillState } from "@/core/mastery/skillState";
import { updateSkillState } from "@/core/mastery/updateSkillState";
import { CoreError } from "@/core/model/fail";
import { type AnswerRow, answersOfPerson } from "@/db/queries/answerLog";
import {
  addMisconceptionSign,
  addToSkillDay,
  clearSummariesOf,
  peopleWithSummaries,
  saveSkillState,
} from "@/db/queries/summaries";
import type { Queryable } from "@/db/queryable";
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
  const next = stateAfter(state, answer);
  await store(tx, next, answer);
  return next;
}

async function store(tx: Queryable, next: SkillState, answer: LoggedAnswer): Promise<void> {
  const { personId, skillId, day } = answer;
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
}

/** The state after a row, or null where none can be made of it: one that was damaged must not stop the others. */
function stateIfUnderstood(state: SkillState | null, answer: LoggedAnswer): SkillState | null {
  try {
    const next = stateAfter(state, answer);
    return Number.isFinite(next.mastery) ? next : null;
  } catch (error) {
    if (error instanceof CoreError) return null;
    throw error;
  }
}

/** How much of the log was read for a rebuild, and the serials of answers that no summary can be made of. */
export interface Rebuilt {
  readonly answers: number;
  readonly left: readonly number[];
}

/**
 * Makes all summaries anew from the log, one student after another, each in one transaction: a school that is at work beside
 * it sees every student either before or after. A row that can't be understood is left out and named.
 */
export async function rebuildSummaries(runtime: Runtime): Promise<Rebuilt> {
  let answers = 0;
  const left: number[] = [];
  for (const personId of await peopleWithSummaries(runtime.db.read)) {
    const started = performance.now();
    const done = await runtime.db.write((tx) => rebuildOne(tx, personId));
    answers += done.answers;
    left.push(...done.left);
    // As long as the lock was held, it is free for others: a process that waits for it looks only now and then.
    await new Promise((resolve) => setTimeout(resolve, performance.now() - started));
  }
  return { answers, left: left.sort((x, y) => x - y) };
}

async function rebuildOne(tx: Queryable, personId: string): Promise<Rebuilt> {
  await clearSummariesOf(tx, personId);
  const states = new Map<string, SkillState>();
  const left: number[] = [];
  const log = await answersOfPerson(tx, personId);
  for (const answer of log) {
    const next = stateIfUnderstood(states.get(answer.skillId) ?? null, answer);
    if (next === null) {
      left.push(answer.serial);
      continue;
    }
    states.set(answer.skillId, next);
    await store(tx, next, answer);
  }
  return { answers: log.length - left.length, left };
}
