import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { errorKind } from "@/db/errorKind";
import { banksById } from "@/db/queries/banks";
import {
  type ChangeRow,
  changeById,
  factsOf,
  laterChangeOf,
  pieceCount,
  rowsOfChange,
  rowsOfPiece,
  subjectsOfChanges,
  wasUndone,
} from "@/db/queries/history";
import { firstReference } from "@/db/queries/references";
import { applyRowChanges, firstRowChangedSince, inverse } from "@/db/queries/rowChanges";
import { sharedPlanById } from "@/db/queries/sharedPlans";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demandBank } from "@/server/access/bankSubject";
import { demandPlan } from "@/server/access/planSubject";
import { type Actor, may } from "@/server/access/policy";
import { changeWords } from "@/words/staff/historyWords";
import { renewTouched } from "../classroom/renewTouched";
import type { Context } from "../runtime/context";
import { Refusal } from "../runtime/refusal";
import { schoolOf } from "../runtime/school";
import { beginBigUndo, goOnWithUndo } from "./bigChange";
import { TAKE_BACK } from "./commands";
import { nameOfPeople } from "./peopleNames";
import { demandNoneUnfinished, recordUndone } from "./recordChange";

/** Whether the actor may take an entry back: what was done about rights, only who may give them. */
export function mayUndo(actor: Actor, change: ChangeOfHistory, subjectIds: readonly string[]): boolean {
  const { schoolId, classId, actorId: authorId, area } = change;
  if (area === "library") return may(actor, "undo", { kind: "library entry", schoolId, authorId });
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
  "lesson_visits",
  "ratings",
  "plan_works",
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
  const facts = factsOf(later);
  const nameOf = await nameOfPeople(tx, [facts], later.actorId === null ? [] : [later.actorId]);
  const { timeZone } = await schoolOf(context.runtime, change.schoolId);
  const when = format(new TZDate(later.at, timeZone), "d MMM, HH:mm");
  const who = later.actorId === null ? "" : `, by ${nameOf(later.actorId)}`;
  return new Refusal(
    "conflict",
    `This can't be undone while a later change builds on it. Undo that one first: ${changeWords(facts, nameOf)} (${when}${who}).`,
  );
}

/**
 * Takes a recorded change back, whole or not at all: refused when a row has changed since, or when something that must not
 * be lost (a student's answers) hangs on a row that the change made. Returns the sentence of what was taken back.
 */
export async function undoChange(context: Context, changeId: string): Promise<string> {
  const { runtime, actor } = context;
  const { change, isBig } = await runtime.db.write(async (tx) => {
    const found = await undoableChange(tx, context, changeId);
    if (await beginBigUndo(tx, runtime, found)) return { change: found, isBig: true };
    if (found.command !== null) await TAKE_BACK[found.command](tx, runtime, found);
    else await putRowsBack(tx, context, found);
    await recordUndone(tx, runtime, found, actor.personId);
    return { change: found, isBig: false };
  });
  if (isBig) await undoBig(context, change);
  const facts = factsOf(change);
  return changeWords(facts, await nameOfPeople(runtime.db.read, [facts]));
}

/** The entry, when the actor may take it back and nothing speaks against it that can be told by the entry alone. */
async function undoableChange(tx: Queryable, context: Context, changeId: string): Promise<ChangeRow> {
  const change = await changeById(tx, changeId);
  if (!change) throw new Refusal("not-found", "This change is not in the history.");
  const subjectIds = (await subjectsOfChanges(tx, [changeId])).get(changeId) ?? [];
  if (!mayUndo(context.actor, change, subjectIds))
    throw new Refusal("not-allowed", "Only teachers of the class, or a coordinator, can undo this.");
  if (change.area === "library") {
    await demandBanks(tx, context, subjectIds);
    await demandPlans(tx, context, subjectIds);
  }
  if (await wasUndone(tx, changeId)) throw new Refusal("conflict", "This was undone already.");
  if (!change.undoable) throw new Refusal("conflict", "This can't be undone: it changed nothing that can be put back.");
  await demandNoneUnfinished(tx, change.schoolId);
  return change;
}

/** What was done with a bank is taken back only by those who may still change it; one put away is asked about as if it were not. */
async function demandBanks(tx: Queryable, context: Context, bankIds: readonly string[]): Promise<void> {
  for (const { id, archivedAt } of await banksById(tx, bankIds))
    if (archivedAt === null) await demandBank(context, "change", id, tx);
}

/** The same for plans that are no class's own. */
async function demandPlans(tx: Queryable, context: Context, planIds: readonly string[]): Promise<void> {
  for (const id of planIds) {
    const plan = await sharedPlanById(tx, id);
    if (plan && plan.archivedAt === null) await demandPlan(context, "change", id, tx);
  }
}

async function putRowsBack(tx: Queryable, context: Context, change: ChangeRow): Promise<void> {
  const rows = await rowsOfChange(tx, change.id);
  const changedSince = await firstRowChangedSince(tx, rows);
  if (changedSince) throw await inTheWay(tx, context, change, changedSince.id);
  const back = inverse(rows);
  try {
    await applyRowChanges(tx, back);
    await renewTouched(tx, back);
  } catch (error) {
    throw await whatHangsOn(tx, context, change, back, error);
  }
}

/** The same for a change of thousands of rows. */
async function undoBig(context: Context, change: ChangeRow): Promise<void> {
  const db = context.runtime.db.read;
  try {
    await goOnWithUndo(context, change, async () => {
      const changedSince = await firstChangedOfPieces(db, change.id);
      if (changedSince) throw await inTheWay(db, context, change, changedSince.id);
    });
  } catch (error) {
    if (errorKind(error) !== "foreign-key") throw error;
    throw await whatHangsOn(db, context, change, inverse(await rowsOfChange(db, change.id)), error);
  }
}

/** The first row that is not as the change left it, looked for piece by piece. */
async function firstChangedOfPieces(db: Queryable, changeId: string): Promise<RowChange | null> {
  // Of two changes of one row in the same entry, only the last one's result is in the table.
  const seen = new Set<string>();
  for (let place = (await pieceCount(db, changeId)) - 1; place >= 0; place--) {
    const latest = (await rowsOfPiece(db, changeId, place)).filter(({ table, id }) => !seen.has(`${table} ${id}`));
    const changedSince = await firstRowChangedSince(db, latest);
    if (changedSince) return changedSince;
    for (const { table, id } of latest) seen.add(`${table} ${id}`);
  }
  return null;
}

/** What a failed undo is told as: what hangs on one of the rows, or the failure itself. */
async function whatHangsOn(
  db: Queryable,
  context: Context,
  change: ChangeRow,
  back: readonly RowChange[],
  error: unknown,
): Promise<unknown> {
  if (errorKind(error) !== "foreign-key") return error;
  const reference = await firstReference(db, back, EVIDENCE);
  return reference && !EVIDENCE.includes(reference.table) && reference.id !== null
    ? inTheWay(db, context, change, reference.id)
    : new Refusal("conflict", "This can't be undone any more: students have worked since, and their answers are kept.");
}
