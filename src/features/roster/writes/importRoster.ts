import "server-only";
import { mixed, number, object, string } from "yup";
import { spreadPlan } from "@/core/calendar/spreadPlan";
import { guessColumns } from "@/core/roster/guessColumns";
import type { RosterEntry } from "@/core/roster/rosterDifference";
import { ROSTER_FIELDS } from "@/core/roster/rosterField";
import type { Queryable } from "@/db/connection";
import { classByCode } from "@/db/queries/people";
import { draftById, insertDraft, type RosterDraftRow, updateDraft } from "@/db/queries/rosterDrafts";
import { added, changeById, changed, rowsOfTable } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { readSheet } from "@/formats/table/readSheet";
import { demand, demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { recordChange } from "@/server/runtime/history";
import { libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { previewOf } from "../reads";

/** More rows than any class has. */
const MOST_STUDENTS = 400;
/** School days that a new class's plan gives to each skill. */
const DAYS_PER_SKILL = 6;

const upload = object({
  classId: string().nullable().default(null),
  newClassName: string().trim().max(40, "The name of a class has at most 40 letters.").nullable().default(null),
  newClassGrade: number()
    .integer()
    .min(1, "The grade runs from 1 to 12.")
    .max(12, "The grade runs from 1 to 12.")
    .nullable()
    .default(null),
  fileName: string().max(200).required(),
  bytes: mixed<Uint8Array>((value): value is Uint8Array => value instanceof Uint8Array).required(
    "Choose a file first.",
  ),
});

/** Reads a roster file and keeps it as a draft with guessed columns; nothing in the roster changes. Returns the draft's id. */
export async function beginImport(context: Context, input: unknown): Promise<string> {
  const staff = demandStaff(context.actor);
  const { classId, newClassName, newClassGrade, fileName, bytes } = validated(upload, input);
  if (classId !== null) demand(staff, "change", { kind: "class", classId });
  else if (!newClassName || newClassGrade === null)
    throw new Refusal("invalid", "Give the new class a name and a grade.");
  const sheet = readSheet(bytes, MOST_STUDENTS);
  if (!sheet.ok) throw new Refusal("invalid", sheet.message);
  const id = context.runtime.newId();
  await context.runtime.db.write((tx) =>
    insertDraft(tx, {
      id,
      ownerId: staff.personId,
      classId,
      newClassName: classId === null ? newClassName : null,
      newClassGrade: classId === null ? newClassGrade : null,
      fileName,
      headers: [...sheet.headers],
      rows: sheet.rows.map((row) => [...row]),
      notes: [...sheet.notes],
      mapping: guessColumns(sheet.headers),
      createdAt: context.runtime.now(),
    }),
  );
  return id;
}

const mappingInput = object({
  draftId: string().required(),
  field: string().oneOf(ROSTER_FIELDS).required(),
  column: number().integer().min(0).nullable().defined(),
});

/** Says by hand which column holds a field. */
export async function setColumn(context: Context, input: unknown): Promise<void> {
  const { draftId, field, column } = validated(mappingInput, input);
  await context.runtime.db.write(async (tx) => {
    const draft = await openDraft(tx, context, draftId);
    await updateDraft(tx, draftId, { mapping: { ...draft.mapping, [field]: column } });
  });
}

const applyInput = object({ draftId: string().required(), fingerprint: string().required() });

/**
 * Applies a draft as one change that can be undone as one. Refused when the roster has changed since the preview that the
 * fingerprint stands for. Applying twice gives the first result.
 */
export async function applyImport(context: Context, input: unknown): Promise<{ changeId: string; classId: string }> {
  const { draftId, fingerprint } = validated(applyInput, input);
  const [school, library] = await Promise.all([
    schoolOf(context.runtime, context.actor.schoolId),
    libraryOf(context.runtime),
  ]);
  return context.runtime.db.write(async (tx) => {
    const { runtime } = context;
    const earlier = await draftById(tx, draftId);
    if (earlier?.changeId && earlier.appliedAt !== null && earlier.ownerId === context.actor.personId) {
      const change = await changeById(tx, earlier.changeId);
      if (change?.classId) return { changeId: change.id, classId: change.classId };
    }
    const draft = await openDraft(tx, context, draftId);
    const preview = await previewOf(tx, context, draft);
    if (preview.fingerprint !== fingerprint)
      throw new Refusal(
        "conflict",
        "The roster changed since this preview was made. Look at it once more; nothing was changed.",
      );
    const usable = preview.entries.filter((entry) => entry.kind === "added" || entry.kind === "changed");
    if (usable.length === 0) throw new Refusal("invalid", "There is nothing to add or change in this file.");
    const today = dayAt(school, runtime.now());
    const rows: RowChange[] = [];
    let classId = draft.classId;
    if (classId === null) {
      classId = runtime.newId();
      const term =
        school.terms.find(({ startDay, endDay }) => startDay <= today && today <= endDay) ?? school.terms.at(-1);
      if (!term) throw new Refusal("conflict", "The school has no term yet, so no class can be made.");
      const plan = spreadPlan(
        library.skills.map(({ id }) => id),
        term.startDay,
        DAYS_PER_SKILL,
        school.calendar,
      );
      const name = draft.newClassName ?? "";
      rows.push(
        added("classes", {
          id: classId,
          schoolId: school.id,
          termId: term.id,
          name,
          subject: "Mathematics",
          grade: draft.newClassGrade ?? 6,
          code: await freeCode(tx, runtime.random),
          archivedAt: null,
        }),
        added("classStaff", { id: runtime.newId(), classId, personId: context.actor.personId, role: "teacher" }),
        ...plan.map((span, place) =>
          added("planEntries", { ...span, id: runtime.newId(), classId: classId as string, place }),
        ),
      );
    }
    for (const entry of usable) rows.push(...(await rowsOf(tx, context, entry, classId, today)));
    const counts = `${usable.filter(({ kind }) => kind === "added").length} added, ${usable.filter(({ kind }) => kind === "changed").length} changed`;
    const changeId = await recordChange(tx, context, {
      kind: "roster-import",
      summary: `Imported ${draft.fileName} into ${preview.className}: ${counts}`,
      classId,
      rows: [...rows, changed("rosterDrafts", draft, { appliedAt: runtime.now() })],
    });
    await updateDraft(tx, draftId, { changeId });
    return { changeId, classId };
  });
}

async function openDraft(tx: Queryable, context: Context, draftId: string): Promise<RosterDraftRow> {
  const draft = await draftById(tx, draftId);
  if (!draft) throw new Refusal("not-found", "This import is not known. Choose the file again.");
  demand(context.actor, "change", { kind: "draft", ownerId: draft.ownerId });
  if (draft.appliedAt !== null)
    throw new Refusal("conflict", "This file was applied already. It can be undone from the class's history.");
  return draft;
}

async function rowsOf(
  tx: Queryable,
  context: Context,
  entry: Extract<RosterEntry, { kind: "added" | "changed" }>,
  classId: string,
  today: string,
): Promise<RowChange[]> {
  const { newId } = context.runtime;
  const { studentNumber, givenName, familyName, grade, email } = entry.values;
  const enroll = (personId: string) =>
    added("enrollments", { id: newId(), classId, personId, fromDay: today, untilDay: null });
  if (entry.kind === "added") {
    const id = newId();
    const person = {
      id,
      schoolId: context.actor.schoolId,
      kind: "student" as const,
      givenName,
      familyName,
      studentNumber,
      grade,
      email,
      archivedAt: null,
    };
    return [added("people", person), enroll(id)];
  }
  const [person] = await rowsOfTable(tx, "people", [entry.id]);
  if (!person) throw new Refusal("conflict", "A student of this file is gone. Choose the file again.");
  const fields = entry.changes.flatMap(({ field }) => (field === "enrolled" ? [] : [field]));
  const values = Object.fromEntries(fields.map((field) => [field, entry.values[field]]));
  return [
    ...(fields.length > 0 ? [changed("people", person, values)] : []),
    ...(entry.changes.some(({ field }) => field === "enrolled") ? [enroll(entry.id)] : []),
  ];
}

/** Letters that a child does not mix up when copying them from the board. */
const CODE_LETTERS = "ACDEFHJKLMNPRTUWXY";

async function freeCode(tx: Queryable, random: () => number): Promise<string> {
  for (;;) {
    const code = Array.from({ length: 6 }, () => CODE_LETTERS[Math.floor(random() * CODE_LETTERS.length)]).join("");
    if (!(await classByCode(tx, code))) return code;
  }
}
