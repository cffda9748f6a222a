import "server-only";
import { type AnswerPlace, placeAnswer } from "@/core/work/placeAnswer";
import { keepUncounted } from "@/db/queries/answering";
import { answerByKey, scoresOfAnswers } from "@/db/queries/answerLog";
import type { SittingItemRow } from "@/db/queries/sittings";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { schoolOf } from "@/server/runtime/school";
import { freshRun } from "../reads/keptRuns";
import { drawnOf, type Run } from "../reads/run";
import { type GivenAnswer, sittingChange } from "../reads/sittingView";
import type { AnswerOutcome, AnswerReply, NotCounted } from "../types";
import { feedbackOn } from "../words";
import type { Answer } from "./answerMessage";

const HOUR = 3_600_000;

export interface Source {
  /** Taken from memory: another process may have moved on, so that nothing is refused by it alone. */
  readonly isKept: boolean;
  readonly generation: number;
}

/** When the answer was given, as far as the server believes it. */
export async function placeOf({ runtime }: Context, run: Run, answer: Answer, notBefore: number): Promise<AnswerPlace> {
  const { lateGraceHours } = await schoolOf(runtime, run.schoolId);
  return placeAnswer({
    now: runtime.now(),
    agoMilliseconds: answer.agoMilliseconds ?? 0,
    notBefore,
    dueAt: run.sitting.endsAt ?? run.window.closesAt,
    keptOnDevice: answer.offline,
    graceMilliseconds: lateGraceHours * HOUR,
  });
}

export interface Aside {
  readonly place: AnswerPlace;
  readonly reason: NotCounted;
  readonly message: string;
}

/** An answer that came before is answered as it was then; any other that can't count is kept with its reason. */
export async function notCounted(
  { runtime }: Context,
  run: Run,
  item: SittingItemRow,
  answer: Answer,
  { place, reason, message }: Aside,
): Promise<AnswerReply> {
  const again = await givenBefore(runtime, run, item, answer);
  if (again) return again;
  const { key, presentationId, response } = answer;
  await runtime.db.write((tx) =>
    keepUncounted(tx, {
      key,
      personId: run.personId,
      sittingItemId: item.id,
      sent: JSON.stringify(response),
      reason,
      givenAt: place.givenAt,
      recordedAt: runtime.now(),
    }),
  );
  return replyOf(runtime.now(), run, { status: "not-counted", presentationId, reason, message }, null, answer);
}

/** The reply to an answer that is in the log already; null when it is not. */
export async function givenBefore(
  runtime: Runtime,
  run: Run,
  item: SittingItemRow,
  answer: Answer,
): Promise<AnswerReply | null> {
  const known = await answerByKey(runtime.db.read, answer.key);
  if (!known) return null;
  // A foreign answer with this key can only be a forgery: keys are random.
  if (known.personId !== run.personId) throw new Refusal("not-allowed", "This answer belongs to somebody else.");
  const current = (await freshRun(runtime, run.sitting.id)) ?? run;
  const given = { ...known, scores: await scoresOfAnswers(runtime.db.read, [known.serial]) };
  return replyOf(runtime.now(), current, outcomeOf(current, itemOf(current, item), given), given, answer);
}

export const itemOf = (run: Run, item: SittingItemRow): SittingItemRow =>
  run.items.find(({ id }) => id === item.id) ?? item;

export function replyOf(
  now: number,
  run: Run,
  outcome: AnswerOutcome,
  last: GivenAnswer | null,
  { holds = [] }: Answer,
): AnswerReply {
  return { outcome, sitting: sittingChange(run, last, now, holds) };
}

export function outcomeOf(run: Run, item: SittingItemRow, answer: GivenAnswer): AnswerOutcome {
  if (!run.conductor.tells.verdict) return { status: "taken", presentationId: item.id };
  const itemOver = item.state === "done";
  const feedback = feedbackOn(drawnOf(run, item), run.library, { answer, itemOver });
  return { status: "scored", presentationId: item.id, feedback, itemOver };
}
