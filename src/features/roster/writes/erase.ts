import "server-only";
import { object, string } from "yup";
import { eraseEvidenceOf, forgetPerson } from "@/db/queries/erase";
import { piecesAbout, replacePiece } from "@/db/queries/history";
import { personById } from "@/db/queries/people";
import { deleteDraftsOfSchool } from "@/db/queries/rosterDrafts";
import { decideErasure, erasureById, insertErasure, openErasures } from "@/db/queries/students";
import type { RowChange } from "@/db/schema/history";
import { demand } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { uuid, validated } from "@/server/runtime/validated";

const requestInput = object({
  erasureId: uuid(),
  studentId: string().required(),
  reason: string().trim().min(5, "Say who asked for it and when.").max(300).required("Say who asked for it and when."),
});

/** Asks for a student to be erased. Nothing happens before a second person confirms it. */
export async function requestErasure(context: Context, raw: unknown): Promise<void> {
  const { erasureId, studentId, reason } = validated(requestInput, raw);
  const { runtime, actor } = context;
  const { subject } = await studentSubject(runtime, studentId);
  demand(actor, "erase", subject);
  await runtime.db.write(async (tx) => {
    if (await erasureById(tx, erasureId)) return;
    if ((await openErasures(tx, [subject.schoolId])).some(({ person }) => person.id === studentId))
      throw new Refusal("conflict", "It was asked for already and waits for a second person.");
    const { schoolId } = subject;
    await insertErasure(tx, {
      id: erasureId,
      schoolId,
      personId: studentId,
      reason,
      requestedBy: actor.personId,
      requestedAt: runtime.now(),
    });
    const facts = { personId: studentId };
    await recordChange(tx, context, { kind: "erasure-asked", facts, classId: null, rows: [] });
  });
}

const decideInput = object({
  erasureId: string().required(),
  outcome: string()
    .oneOf(["erased", "declined"] as const)
    .required(),
  /** The student's family name typed once more: nothing brings the data back. */
  typedName: string().trim().default(""),
});

/**
 * Confirms or declines an erasure; the one who asked cannot confirm. Name, number, address, supports, interests, sign-in and
 * all answers go; what is left is a row without a name, so that totals of classes and items stay true. It cannot be undone.
 */
export async function decideOnErasure(context: Context, raw: unknown): Promise<void> {
  const { erasureId, outcome, typedName } = validated(decideInput, raw);
  const { runtime, actor } = context;
  const found = await erasureById(runtime.db.read, erasureId);
  if (!found || found.decidedAt !== null) throw new Refusal("not-found", "This request was decided already.");
  const { subject } = await studentSubject(runtime, found.personId);
  demand(actor, "erase", subject);
  if (outcome === "erased" && found.requestedBy === actor.personId)
    throw new Refusal("not-allowed", "A second person has to confirm it: ask another coordinator.");
  await runtime.db.write(async (tx) => {
    const open = await erasureById(tx, erasureId);
    const person = await personById(tx, found.personId);
    if (!open || open.decidedAt !== null || !person) throw new Refusal("conflict", "This request was decided already.");
    if (outcome === "erased") {
      if (typedName.toLowerCase() !== person.familyName.toLowerCase())
        throw new Refusal(
          "invalid",
          "Type the student's family name to confirm. Nothing brings the data back afterwards.",
        );
      for (const piece of await piecesAbout(tx, person.id))
        await replacePiece(tx, piece.id, withoutPerson(piece.rows, person.id));
      // A roster file that is still kept may name the student.
      await deleteDraftsOfSchool(tx, person.schoolId);
      await eraseEvidenceOf(tx, person.id);
      await forgetPerson(tx, person.id, runtime.now());
    }
    await decideErasure(tx, erasureId, { outcome, decidedBy: actor.personId, decidedAt: runtime.now() });
    const kind = outcome === "erased" ? "erased" : "erasure-declined";
    await recordChange(tx, context, { kind, facts: { personId: person.id }, classId: null, rows: [] });
  });
}

/** What the history says of a person is cut down to ids: who did what when stays, what it said of the person goes. */
function withoutPerson(rows: readonly RowChange[], personId: string): RowChange[] {
  return rows.map((row) => {
    if (!JSON.stringify(row).includes(personId)) return row;
    const bare = (values: RowChange["before"]) =>
      values === null
        ? null
        : Object.fromEntries(
            Object.entries(values).filter(([column]) => /(^id|Id|Day|At)$/.test(column) && column !== "sourcedId"),
          );
    return { ...row, before: bare(row.before), after: bare(row.after) };
  });
}
