import "server-only";
import type { Queryable } from "@/db/connection";
import {
  applyRowChanges,
  changeById,
  firstRowChangedSince,
  insertChange,
  inverse,
  markUndone,
} from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { may } from "@/server/access/policy";
import type { Context } from "./context";
import { Refusal } from "./refusal";

export interface NamedChange {
  readonly kind: string;
  /** What happened, as one sentence for the class's history. */
  readonly summary: string;
  readonly classId: string;
  readonly rows: readonly RowChange[];
}

/** Writes the rows and records the change in the same transaction; returns the change's id, by which it can be undone. */
export async function recordChange(tx: Queryable, context: Context, change: NamedChange): Promise<string> {
  const id = context.runtime.newId();
  await applyRowChanges(tx, change.rows);
  await insertChange(tx, {
    id,
    schoolId: context.actor.schoolId,
    classId: change.classId,
    actorId: context.actor.personId,
    at: context.runtime.now(),
    kind: change.kind,
    summary: change.summary,
    rows: [...change.rows],
  });
  return id;
}

/**
 * Takes a recorded change back, whole or not at all: refused when a row has changed since, or when something that must not
 * be lost (a student's answers) hangs on a row that the change made.
 */
export async function undoChange(context: Context, changeId: string): Promise<string> {
  return context.runtime.db.write(async (tx) => {
    const change = await changeById(tx, changeId);
    if (!change) throw new Refusal("not-found", "This change is not in the history.");
    if (!change.classId || !may(context.actor, "change", { kind: "class", classId: change.classId })) {
      throw new Refusal("not-allowed", "Only teachers of the class can undo this.");
    }
    if (change.undoneAt !== null) throw new Refusal("conflict", "This was undone already.");
    if (change.rows.length === 0) throw new Refusal("conflict", `“${change.summary}” can't be undone.`);
    const touched = await firstRowChangedSince(tx, change.rows);
    if (touched)
      throw new Refusal(
        "conflict",
        `“${change.summary}” can't be undone: something it changed was changed again since. Undo the later change first.`,
      );
    try {
      await applyRowChanges(tx, inverse(change.rows));
    } catch (error) {
      if (/FOREIGN KEY/i.test(`${error} ${(error as { cause?: unknown }).cause}`)) {
        throw new Refusal(
          "conflict",
          `“${change.summary}” can't be undone any more: students have worked since, and their answers are kept.`,
        );
      }
      throw error;
    }
    await markUndone(tx, changeId, context.runtime.now());
    return change.summary;
  });
}
