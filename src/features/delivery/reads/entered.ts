import "server-only";
import { assignmentById, type GivenWork, type TargetRow, targetOf } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { type OwnPart, partsOfTargets } from "@/server/classroom/partsOfTargets";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";

/** What the asking student was given, with its parts. */
export interface Entered {
  readonly work: GivenWork;
  readonly target: TargetRow;
  readonly parts: readonly OwnPart[];
}

/** What the asking student was given. Refused for anybody else, and for what is not open to them. */
export async function enter(db: Queryable, context: Context, assignmentId: string): Promise<Entered> {
  const { runtime, actor } = context;
  const work = await assignmentById(db, assignmentId);
  if (actor.kind !== "student" && !work?.isTrial)
    throw new Refusal("not-allowed", "Only students work on this. To try it out, open it on your desk.");
  const target = await targetOf(db, assignmentId, actor.personId);
  if (!work || !target || work.withdrawnAt !== null || work.isPrepared)
    throw new Refusal("not-found", "This work is not on your list.");
  if (runtime.now() < work.opensAt) throw new Refusal("closed", "This work is not open yet.");
  const parts = (await partsOfTargets(db, work, [target.id], runtime.now())).get(target.id) ?? [];
  return { work, target, parts };
}

/** The run at a part that is gone on with; null where one is to be begun, the first or a further try. */
export const runThatStands = ({ run, again }: OwnPart): OwnPart["run"] =>
  run !== null && again !== null && run.attempt < again.attempt ? null : run;

/** A part of what was given by its id; the first where none is named, or none goes by that name. */
export const ownPart = ({ parts }: Entered, partId: string | null): OwnPart | undefined =>
  parts.find(({ part }) => part.id === partId) ?? parts[0];
