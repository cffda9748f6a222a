import "server-only";
import { eq } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { assignments, assignmentTargets, parts } from "../schema/work";
import { among } from "./people";
import type { AssignmentRow } from "./work";

/** Every giving of a piece of work, what was withdrawn too. */
export async function assignmentsOfWork(db: Queryable, workId: string): Promise<AssignmentRow[]> {
  return db.select().from(assignments).where(eq(assignments.workId, workId));
}

/** Assignments by their own ids, by those of their targets, or by parts of their work. */
export async function assignmentIdsOf(
  db: Queryable,
  ids: {
    readonly assignments: readonly string[];
    readonly targets: readonly string[];
    readonly parts: readonly string[];
  },
): Promise<string[]> {
  const [ofTargets, ofParts] = await Promise.all([
    ids.targets.length === 0
      ? []
      : db
          .selectDistinct({ id: assignmentTargets.assignmentId })
          .from(assignmentTargets)
          .where(among(assignmentTargets.id, ids.targets)),
    ids.parts.length === 0
      ? []
      : db
          .selectDistinct({ id: assignments.id })
          .from(assignments)
          .innerJoin(parts, eq(parts.workId, assignments.workId))
          .where(among(parts.id, ids.parts)),
  ]);
  return [...new Set([...ids.assignments, ...[...ofTargets, ...ofParts].map(({ id }) => id)])];
}
