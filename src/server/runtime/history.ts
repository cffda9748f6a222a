import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import type { ChangeArea } from "@/core/model/changeArea";
import { errorKind } from "@/db/errorKind";
import {
  type ChangeRow,
  changeById,
  insertChange,
  laterChangeOf,
  rowsOfChange,
  subjectsOfChanges,
  wasUndone,
} from "@/db/queries/history";
import { firstReference } from "@/db/queries/references";
import { applyRowChanges, firstRowChangedSince, inverse } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { type Actor, may } from "@/server/access/policy";
import type { Context } from "./context";
import { namesForEntries, withNames } from "./entryWords";
import { Refusal } from "./refusal";
import type { Runtime } from "./runtime";
import { schoolOf } from "./school";

export interface NamedChange {
  readonly area: ChangeArea;
  readonly kind: string;
  /** What happened, as one sentence; people stand in it as `{person:id}` (see `person`). */
  readonly summary: string;
  /** The class in whose history it stands; null for what concerns the whole school. */
  readonly classId: string | null;
  /** People, groups and further classes that it is about. */
  readonly subjectIds?: readonly string[];
  readonly rows: readonly RowChange[];
  /** False for what can't be taken back though rows are kept, such as an erasure. */
  readonly undoable?: boolean;
}

/** A person's place in a summary; the name of the day is put in when the entry is read. */
export const person = (id: string) => `{person:${id}}`;

/** Writes the rows and records the change in the same transaction; returns the entry's id, by which it can be undone. */
export async function recordChange(tx: Queryable, context: Context, change: NamedChange): Promise<string> {
  await applyRowChanges(tx, change.rows);
  return recordEvent(tx, context.runtime, {
    ...change,
    schoolId: context.actor.schoolId,
    actorId: context.actor.personId,
    undoable: change.undoable ?? change.rows.length > 0,
  });
}

/** Records what happened without writing rows: a sign-in, an export. */
export async function recordEvent(
  tx: Queryable,
  runtime: Runtime,
  event: Omit<NamedChange, "rows"> & {
    readonly rows?: readonly RowChange[];
    readonly schoolId: string;
    readonly actorId: string | null;
    readonly undoes?: string;
  },
): Promise<string> {
  const id = runtime.newId();
  const { area, kind, summary, classId, schoolId, actorId } = event;
  const mentioned = [...summary.matchAll(/\{person:([^}]+)\}/g)].map((match) => match[1] ?? "");
  const entry = { id, at: runtime.now(), area, kind, summary, classId, schoolId, actorId };
  await insertChange(
    tx,
    { ...entry, undoes: event.undoes ?? null, undoable: event.undoable ?? false },
    [...(classId ? [classId] : []), ...(event.subjectIds ?? []), ...mentioned],
    event.rows ?? [],
  );
  return id;
}

/** Whether the actor may take an entry back: what was done about rights, only who may give them. */
export function mayUndo(actor: Actor, change: ChangeOfHistory, subjectIds: readonly string[]): boolean {
  const { schoolId, classId, actorId: authorId, area } = change;
  const verb = area === "rights" || area === "privacy" ? "undo-rights" : "undo";
  // Ids are never used twice, so those that are no group of the actor's say nothing.
  return may(actor, verb, { kind: "entry", schoolId, classId, groupIds: subjectIds, authorId });
}

type ChangeOfHistory = Pick<ChangeRow, "schoolId" | "classId" | "actorId" | "area">;

/** What students' work leaves behind: it is never taken away by an undo. */
const EVIDENCE: readonly string[] = [
  "sittings",
  "answers",
  "uncounted_answers",
  "skill_states",
  "skill_days",
  "misconception_signs",
];

/** The refusal that names the later change which stands in the way of an undo. */
async function inTheWay(tx: Queryable, context: Context, change: ChangeRow, rowId: string): Promise<Refusal> {
  const later = await laterChangeOf(tx, change, rowId);
  if (!later)
    return new Refusal(
      "conflict",
      "This can't be undone: what it changed is not as it left it any more, and no entry of the history says why.",
    );
  const names = await namesForEntries(tx, [later.summary], later.actorId === null ? [] : [later.actorId]);
  const { timeZone } = await schoolOf(context.runtime, change.schoolId);
  const when = format(new TZDate(later.at, timeZone), "d MMM, HH:mm");
  const who = later.actorId === null ? "" : `, by ${names.get(later.actorId) ?? "somebody"}`;
  return new Refusal(
    "conflict",
    `This can't be undone while a later change builds on it. Undo that one first: ${withNames(later.summary, names)} (${when}${who}).`,
  );
}

/**
 * Takes a recorded change back, whole or not at all: refused when a row has changed since, or when something that must not
 * be lost (a student's answers) hangs on a row that the change made. Returns the summary of what was taken back.
 */
export async function undoChange(context: Context, changeId: string): Promise<string> {
  return context.runtime.db.write(async (tx) => {
    const change = await changeById(tx, changeId);
    if (!change) throw new Refusal("not-found", "This change is not in the history.");
    const { schoolId, classId, summary } = change;
    const subjectIds = (await subjectsOfChanges(tx, [changeId])).get(changeId) ?? [];
    if (!mayUndo(context.actor, change, subjectIds))
      throw new Refusal("not-allowed", "Only teachers of the class, or a coordinator, can undo this.");
    if (await wasUndone(tx, changeId)) throw new Refusal("conflict", "This was undone already.");
    if (!change.undoable)
      throw new Refusal("conflict", "This can't be undone: it changed nothing that can be put back.");
    const rows = await rowsOfChange(tx, changeId);
    const changedSince = await firstRowChangedSince(tx, rows);
    if (changedSince) throw await inTheWay(tx, context, change, changedSince.id);
    const back = inverse(rows);
    try {
      await applyRowChanges(tx, back);
    } catch (error) {
      if (errorKind(error) !== "foreign-key") throw error;
      const reference = await firstReference(tx, back, EVIDENCE);
      throw reference && !EVIDENCE.includes(reference.table) && reference.id !== null
        ? await inTheWay(tx, context, change, reference.id)
        : new Refusal(
            "conflict",
            "This can't be undone any more: students have worked since, and their answers are kept.",
          );
    }
    await recordEvent(tx, context.runtime, {
      area: change.area,
      kind: "undo",
      summary: `Undone: ${summary}`,
      classId,
      schoolId,
      actorId: context.actor.personId,
      undoes: changeId,
    });
    return withNames(summary, await namesForEntries(tx, [summary], []));
  });
}
