import "server-only";
import { AREA_OF_CHANGE, type NamedFacts, peopleInFacts } from "@/core/model/changeFacts";
import type { SignInKind } from "@/core/model/signInKind";
import { type ChangeRow, factsOf, insertChange, insertSignIn } from "@/db/queries/history";
import type { PersonRow } from "@/db/queries/people";
import { applyRowChanges } from "@/db/queries/rowChanges";
import { unfinishedAt } from "@/db/queries/unfinishedChanges";
import type { Queryable } from "@/db/queryable";
import type { CommandName, RowChange } from "@/db/schema/history";
import type { Context } from "../runtime/context";
import { Refusal } from "../runtime/refusal";
import type { Runtime } from "../runtime/runtime";

/** A change with what the history keeps of it. */
export type Change = NamedFacts & {
  /** The class in whose history it stands; null for what concerns the whole school. */
  readonly classId: string | null;
  /** Groups, further classes, and people whom the facts only count. */
  readonly subjectIds?: readonly string[];
  readonly rows: readonly RowChange[];
};

/** Writes the rows and records the change in the same transaction; returns the entry's id, by which it can be undone. */
export async function recordChange(tx: Queryable, context: Context, change: Change): Promise<string> {
  const { schoolId, personId: actorId } = context.actor;
  await demandNoneUnfinished(tx, schoolId);
  await applyRowChanges(tx, change.rows);
  return recordEntry(tx, context.runtime, { ...change, schoolId, actorId, area: areaOf(change) });
}

/** Opens the entry of a change whose rows follow piece by piece (see `bigChange.ts`). */
export async function openEntry(tx: Queryable, context: Context, change: Change): Promise<string> {
  const { schoolId, personId: actorId } = context.actor;
  await demandNoneUnfinished(tx, schoolId);
  return recordEntry(tx, context.runtime, {
    ...change,
    rows: [],
    undoable: true,
    schoolId,
    actorId,
    area: areaOf(change),
  });
}

/** Refuses while a change of thousands of rows is under way at the school: one that built on it could not be taken back. */
export async function demandNoneUnfinished(tx: Queryable, schoolId: string): Promise<void> {
  if (await unfinishedAt(tx, schoolId))
    throw new Refusal(
      "conflict",
      "A change of the whole roster is under way at your school. Try again in a few seconds; nothing of yours was changed.",
    );
}

/** Records a change that followed from a command instead of row pairs, which takes it back; nobody need be signed in. */
export async function recordCommand(
  tx: Queryable,
  runtime: Runtime,
  change: NamedFacts & {
    readonly schoolId: string;
    readonly actorId: string | null;
    readonly command: CommandName;
    /** The class that it concerns alone; none for what goes beyond one. */
    readonly classId?: string;
  },
): Promise<string> {
  return recordEntry(tx, runtime, { ...change, classId: change.classId ?? null, rows: [], area: areaOf(change) });
}

function areaOf({ kind }: NamedFacts) {
  if (kind === "undone" || kind === "said") throw new Error("What is taken back stands under its entry's own area.");
  return AREA_OF_CHANGE[kind];
}

/** Records that a change was taken back; `actorId` is null where nobody asked for it. */
export async function recordUndone(
  tx: Queryable,
  runtime: Runtime,
  change: ChangeRow,
  actorId: string | null,
): Promise<void> {
  const { area, classId, schoolId, id: undoes } = change;
  const facts = { of: factsOf(change) };
  await recordEntry(tx, runtime, { area, kind: "undone", facts, classId, schoolId, actorId, undoes, rows: [] });
}

async function recordEntry(
  tx: Queryable,
  runtime: Runtime,
  entry: Change & {
    readonly schoolId: string;
    readonly actorId: string | null;
    readonly area: ReturnType<typeof areaOf>;
    readonly undoes?: string;
    readonly command?: CommandName;
    readonly undoable?: boolean;
  },
): Promise<string> {
  const id = runtime.newId();
  const { area, kind, facts, classId, schoolId, actorId, undoes = null, command = null, rows } = entry;
  const undoable = entry.undoable ?? (rows.length > 0 || command !== null);
  await insertChange(
    tx,
    { id, at: runtime.now(), area, kind, facts, classId, schoolId, actorId, undoes, undoable, command },
    [...(classId ? [classId] : []), ...(entry.subjectIds ?? []), ...peopleInFacts(entry)],
    rows,
  );
  return id;
}

/** Notes that somebody came in, has to wait, or changed how they sign in. */
export async function recordSignIn(
  tx: Queryable,
  runtime: Runtime,
  person: Pick<PersonRow, "id" | "schoolId">,
  what: { readonly kind: SignInKind; readonly by?: "password" | "pin" | "card"; readonly device?: string },
): Promise<void> {
  const { kind, by = null, device = "" } = what;
  await insertSignIn(tx, {
    id: runtime.newId(),
    schoolId: person.schoolId,
    personId: person.id,
    at: runtime.now(),
    kind,
    by,
    device,
  });
}
