import "server-only";
import { and, eq, inArray, lt, or } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { assignments, partItems, partSkills, parts, works } from "../schema/work";
import { deleteEvidenceOf } from "./erase";
import { among } from "./people";

/** Trial runs of somebody, and what others left before an instant. */
export async function trialsToForget(db: Queryable, personId: string, before: number) {
  return db
    .select({ id: assignments.id, workId: assignments.workId, personId: assignments.givenBy })
    .from(assignments)
    .where(and(eq(assignments.isTrial, true), or(eq(assignments.givenBy, personId), lt(assignments.givenAt, before))));
}

/** Takes trial runs away with everything that came of them; whoever tried has no evidence but of trials. */
export async function forgetTrials(
  tx: Queryable,
  trials: readonly { readonly id: string; readonly workId: string; readonly personId: string }[],
): Promise<void> {
  if (trials.length === 0) return;
  for (const personId of new Set(trials.map((trial) => trial.personId))) await deleteEvidenceOf(tx, personId);
  const workIds = trials.map(({ workId }) => workId);
  const own = tx.select({ id: parts.id }).from(parts).where(among(parts.workId, workIds));
  await tx.delete(assignments).where(
    among(
      assignments.id,
      trials.map(({ id }) => id),
    ),
  );
  await tx.delete(partItems).where(inArray(partItems.partId, own));
  await tx.delete(partSkills).where(inArray(partSkills.partId, own));
  await tx.delete(parts).where(among(parts.workId, workIds));
  await tx.delete(works).where(among(works.id, workIds));
}
