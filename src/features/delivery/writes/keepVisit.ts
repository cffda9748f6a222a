import "server-only";
import { number, object, string } from "yup";
import { keepLessonVisit } from "@/db/queries/lessonVisits";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";
import { freshRun } from "../reads/keptRuns";
import { ownSkillsOf } from "../reads/ownSkills";
import { subjectOfRun } from "../reads/run";

/** A lid closed over a lesson would count as hours of reading. */
const MOST_MILLISECONDS = 30 * 60_000;
const MOST_MOVES = 10_000;
/** A visit that waited on a device longer than this is taken for one of that day. */
const MOST_WAIT = 14 * 86_400_000;

const milliseconds = () => number().min(0).required();
const visitInput = object({
  key: uuid(),
  /** Null for one that was looked up by itself. */
  sittingId: string().nullable().default(null),
  skillId: string().required(),
  /** How long ago it was opened, by the device's own reckoning. */
  agoMilliseconds: milliseconds(),
  milliseconds: milliseconds(),
  modelMilliseconds: milliseconds(),
  modelMoves: number().integer().min(0).required(),
});

/** Keeps that a student read a lesson of the work and how long; also later, when it waited on a device. Sent twice, it is kept once. */
export async function keepVisit(context: Context, input: unknown): Promise<{ readonly kept: true }> {
  const visit = validated(visitInput, input);
  const { runtime, actor } = context;
  const since =
    visit.sittingId === null
      ? await lookedUp(context, visit.skillId)
      : await ofWork(context, visit.sittingId, visit.skillId);
  const now = runtime.now();
  const openedAt = Math.max(since, now - Math.round(visit.agoMilliseconds));
  const shown = Math.min(Math.round(visit.milliseconds), MOST_MILLISECONDS, now - openedAt);
  await runtime.db.write((tx) =>
    keepLessonVisit(tx, {
      key: visit.key,
      personId: actor.personId,
      sittingId: visit.sittingId,
      skillId: visit.skillId,
      openedAt,
      milliseconds: shown,
      modelMilliseconds: Math.min(Math.round(visit.modelMilliseconds), shown),
      modelMoves: Math.min(visit.modelMoves, MOST_MOVES),
    }),
  );
  return { kept: true };
}

/** The earliest at which a lesson of a run can have been read. */
async function ofWork({ runtime, actor }: Context, sittingId: string, skillId: string): Promise<number> {
  const run = await freshRun(runtime, sittingId);
  if (!run) throw new Refusal("not-found", "This work is not on your list.");
  demand(actor, "work-on", subjectOfRun(run));
  if (!run.shelves.has(skillId)) throw new Refusal("not-found", "This lesson does not belong to the work.");
  return run.sitting.startedAt;
}

/** The same of a lesson that a student looked up. */
async function lookedUp(context: Context, skillId: string): Promise<number> {
  const { standings } = await ownSkillsOf(context.runtime.db.read, context);
  if (!standings.has(skillId)) throw new Refusal("not-found", "This lesson is not open to you.");
  return context.runtime.now() - MOST_WAIT;
}
