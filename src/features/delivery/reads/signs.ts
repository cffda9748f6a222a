import "server-only";
import { openLinesOf, signsOfSitting } from "@/db/queries/live";
import type { Queryable } from "@/db/queryable";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { LineView, SignsView } from "../types";

/** What a student's page at work is told from time to time; nothing is written. */
export async function signsView(context: Context, sittingId: string): Promise<SignsView> {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const found = await signsOfSitting(db, sittingId);
  if (!found) throw new Refusal("not-found", "This work is not on your list.");
  const { personId, classId, pausedAt, endsAt, finished } = found;
  demand(actor, "work-on", { kind: "sitting", personId, classId, schoolId: actor.schoolId });
  return { paused: pausedAt !== null, endsAt, finished, lines: await linesOf(db, personId) };
}

/** Lines to a student that are still to be read, the latest first. */
export async function linesOf(db: Queryable, personId: string): Promise<LineView[]> {
  const open = await openLinesOf(db, personId);
  return open.map(({ id, kind, text, assignmentId, fromGivenName, fromFamilyName }) => ({
    id,
    kind,
    text,
    workId: assignmentId,
    from: `${fromGivenName} ${fromFamilyName}`,
  }));
}
