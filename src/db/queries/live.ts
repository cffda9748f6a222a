import "server-only";
import { and, asc, desc, eq, gte, inArray, isNull, ne } from "drizzle-orm";
import type { Queryable } from "../queryable";
import { people } from "../schema/people";
import { answers, sittingItems, sittings } from "../schema/sittings";
import { assignments, assignmentTargets, completions, studentLines } from "../schema/work";
import { among } from "./people";
import { ownCompletion } from "./work";

/** The items that some runs have shown, in order, with the active time of each first answer; null before it. */
export async function itemsAtWork(db: Queryable, sittingIds: readonly string[]) {
  if (sittingIds.length === 0) return [];
  return db
    .select({
      sittingId: sittingItems.sittingId,
      state: sittingItems.state,
      tries: sittingItems.tries,
      earned: sittingItems.earned,
      possible: sittingItems.possible,
      setAside: sittingItems.setAside,
      milliseconds: answers.milliseconds,
    })
    .from(sittingItems)
    .leftJoin(answers, and(eq(answers.sittingItemId, sittingItems.id), eq(answers.tryNumber, 1)))
    .where(and(among(sittingItems.sittingId, sittingIds), ne(sittingItems.state, "reserve")))
    .orderBy(asc(sittingItems.sittingId), asc(sittingItems.place));
}

/** What a student's page at work asks for from time to time: whether their work is held up, and until when it runs. */
export async function signsOfSitting(db: Queryable, sittingId: string) {
  const [row] = await db
    .select({
      personId: assignmentTargets.personId,
      classId: assignments.classId,
      pausedAt: assignments.pausedAt,
      withdrawnAt: assignments.withdrawnAt,
      endsAt: sittings.endsAt,
      finished: sittings.finishReason,
    })
    .from(sittings)
    .innerJoin(assignmentTargets, eq(assignmentTargets.id, sittings.targetId))
    .innerJoin(assignments, eq(assignments.id, assignmentTargets.assignmentId))
    .where(eq(sittings.id, sittingId));
  return row ?? null;
}

/** Lines to a student that are still to be read: reminders no longer once their work is done. */
export async function openLinesOf(db: Queryable, personId: string) {
  const rows = await db
    .select({
      id: studentLines.id,
      kind: studentLines.kind,
      text: studentLines.text,
      at: studentLines.at,
      assignmentId: studentLines.assignmentId,
      fromGivenName: people.givenName,
      fromFamilyName: people.familyName,
      doneAt: completions.at,
    })
    .from(studentLines)
    .innerJoin(people, eq(people.id, studentLines.fromId))
    .leftJoin(
      assignmentTargets,
      and(
        eq(assignmentTargets.assignmentId, studentLines.assignmentId),
        eq(assignmentTargets.personId, studentLines.personId),
      ),
    )
    .leftJoin(completions, ownCompletion)
    .where(and(eq(studentLines.personId, personId), isNull(studentLines.readAt)))
    .orderBy(desc(studentLines.at));
  return rows.filter(({ kind, doneAt }) => kind !== "reminder" || doneAt === null);
}

/** Notes that a student has read some of their lines. */
export async function markLinesRead(tx: Queryable, personId: string, ids: readonly string[], at: number) {
  await tx
    .update(studentLines)
    .set({ readAt: at })
    .where(and(eq(studentLines.personId, personId), inArray(studentLines.id, [...ids]), isNull(studentLines.readAt)));
}

/** Comments on a piece of work, in the order in which they were written. */
export async function commentsOn(db: Queryable, assignmentId: string) {
  return db
    .select({ personId: studentLines.personId, text: studentLines.text })
    .from(studentLines)
    .where(and(eq(studentLines.assignmentId, assignmentId), eq(studentLines.kind, "comment")))
    .orderBy(asc(studentLines.at));
}

/** Comments on what a student did, whatever work it was. */
export async function commentsTo(db: Queryable, personId: string) {
  return db
    .select({ assignmentId: studentLines.assignmentId, text: studentLines.text })
    .from(studentLines)
    .where(and(eq(studentLines.personId, personId), eq(studentLines.kind, "comment")))
    .orderBy(asc(studentLines.at));
}

/** Who of some students was sent praise since an instant. */
export async function praisedSince(
  db: Queryable,
  personIds: readonly string[],
  since: number,
): Promise<ReadonlySet<string>> {
  if (personIds.length === 0) return new Set();
  const rows = await db
    .selectDistinct({ personId: studentLines.personId })
    .from(studentLines)
    .where(and(among(studentLines.personId, personIds), eq(studentLines.kind, "praise"), gte(studentLines.at, since)));
  return new Set(rows.map(({ personId }) => personId));
}
