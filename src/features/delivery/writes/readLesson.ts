import "server-only";
import { object, string } from "yup";
import { moveSitting } from "@/db/queries/answering";
import { demand } from "@/server/access/demand";
import { keepThrough } from "@/server/classroom/keepThrough";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { validated } from "@/server/runtime/validated";
import { forgetRunOf, freshRun } from "../reads/keptRuns";
import { subjectOfRun } from "../reads/run";

const input = object({ sittingId: string().required(), skillId: string().required() });

/** Notes that the asking student has read a lesson that was given; the last one ends the part. Said twice, it is noted once. */
export async function readLesson(context: Context, raw: unknown): Promise<{ readonly done: boolean }> {
  const { sittingId, skillId } = validated(input, raw);
  const { runtime, actor } = context;
  const run = await freshRun(runtime, sittingId);
  if (!run) throw new Refusal("not-found", "This work is not on your list.");
  demand(actor, "work-on", subjectOfRun(run));
  const { conductor, sitting, situation } = run;
  if (!conductor.isRead || !situation.skillIds.includes(skillId))
    throw new Refusal("not-found", "This lesson does not belong to the work.");
  const read = sitting.state.read ?? [];
  if (sitting.finishedAt !== null || read.includes(skillId)) return { done: sitting.finishedAt !== null };
  if (run.work.withdrawnAt !== null) throw new Refusal("closed", "Your teacher has taken this work back.");
  const now = runtime.now();
  const state = { ...sitting.state, read: [...read, skillId] };
  const { done, reason, progress } = conductor.end({ ...situation, state });
  const isKept = await runtime.db.write(async (tx) => {
    const moved = await moveSitting(tx, {
      ...sitting,
      state,
      lastAt: now,
      progressPermille: Math.round(1000 * progress),
      ...(done ? { finishedAt: now, finishReason: reason } : {}),
    });
    if (moved && done) await keepThrough(tx, runtime, run);
    return moved;
  });
  forgetRunOf(runtime, run.personId);
  if (!isKept) throw new Refusal("conflict", "This was open in another window too. Try again.");
  return { done };
}
