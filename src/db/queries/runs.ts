import "server-only";
import { and, asc, eq, getTableColumns } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { sittings } from "../schema/sittings";
import { assignmentTargets, completions, parts } from "../schema/work";
import { among } from "./people";
import { ownCompletion } from "./work";

/** Everybody who was given some work, with how it stands for them: who is excused, who was not there, when they were through. */
export async function targetsOf(db: Queryable, assignmentIds: readonly string[]) {
  if (assignmentIds.length === 0) return [];
  return db
    .select({ ...getTableColumns(assignmentTargets), throughAt: completions.at })
    .from(assignmentTargets)
    .leftJoin(completions, ownCompletion)
    .where(among(assignmentTargets.assignmentId, assignmentIds));
}
export type TargetWithEnd = Awaited<ReturnType<typeof targetsOf>>[number];

/** Every run at every part of some work, in the order of the tries; without what only its conductor remembers. */
export async function runsOfAssignments(db: Queryable, assignmentIds: readonly string[]) {
  if (assignmentIds.length === 0) return [];
  const { state: _state, ...run } = getTableColumns(sittings);
  return db
    .select({
      ...run,
      assignmentId: assignmentTargets.assignmentId,
      personId: assignmentTargets.personId,
      kind: parts.kind,
      place: parts.place,
    })
    .from(assignmentTargets)
    .innerJoin(sittings, eq(sittings.targetId, assignmentTargets.id))
    .innerJoin(parts, eq(parts.id, sittings.partId))
    .where(and(among(assignmentTargets.assignmentId, assignmentIds)))
    .orderBy(asc(parts.place), asc(sittings.attempt));
}
export type RunAt = Awaited<ReturnType<typeof runsOfAssignments>>[number];
