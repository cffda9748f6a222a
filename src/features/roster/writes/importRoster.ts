import "server-only";
import { array, boolean, mixed, number, object, string } from "yup";
import { termAround } from "@/core/calendar/termOn";
import type { RosterEntry } from "@/core/roster/rosterEntry";
import { ROSTER_FIELDS } from "@/core/roster/rosterField";
import type { RosterFile } from "@/core/roster/rosterRecord";
import { classByCode, classesById } from "@/db/queries/people";
import {
  deleteDraftsBefore,
  deleteWaitingDrafts,
  insertDraft,
  type RosterDraftRow,
  updateDraft,
} from "@/db/queries/rosterDrafts";
import { added } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { isWorkbook, isZip } from "@/formats/table/isWorkbook";
import { demand, demandStaff } from "@/server/access/demand";
import { lend } from "@/server/access/lending";
import type { StaffActor } from "@/server/access/policy";
import { studentSubject } from "@/server/access/studentSubject";
import { demandClasses } from "@/server/access/subjects";
import { recordBigChange } from "@/server/history/bigChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";
import { remarkWords } from "@/words/staff/rosterWords";
import { fingerprintOf, isApplied, jobOf, openDraft, stopJob } from "../reads/drafts";
import { warningKey } from "../reads/importView";
import { newClassCode } from "./apply/newClassCode";
import { planRows } from "./apply/planRows";
import { rowsOfEntries } from "./apply/rowsOfEntries";

const MOST_BYTES = 60_000_000;
/** Files that were brought in are forgotten after 30 days. */
const KEPT_MILLISECONDS = 30 * 86_400_000;
/** Those that were not are forgotten sooner, and of one person only so many wait beside a new one. */
const WAITING_MILLISECONDS = 7 * 86_400_000;
const WAITING = { mostKept: 9, mostBytes: 180_000_000 };

const upload = object({
  /** A class; null for a new class, or for the whole school when no new class is named. */
  classId: string().nullable().default(null),
  newClassName: string().trim().max(40, "The name of a class has at most 40 letters.").nullable().default(null),
  newClassGrade: number()
    .integer()
    .min(0, "The grade runs from 0 (kindergarten) to 12.")
    .max(12, "The grade runs from 0 (kindergarten) to 12.")
    .nullable()
    .default(null),
  wholeSchool: mixed<boolean>().default(false),
  fileName: string().max(200).required(),
  bytes: mixed<Uint8Array>((value): value is Uint8Array => value instanceof Uint8Array).required(
    "Choose a file first.",
  ),
});

/** Keeps a roster file as a draft; nothing in the roster changes. Returns the draft's id. */
export async function beginImport(context: Context, input: unknown): Promise<string> {
  const staff = demandStaff(context.actor);
  const { classId, newClassName, newClassGrade, fileName, bytes, wholeSchool } = validated(upload, input);
  if (bytes.length === 0)
    throw new Refusal("invalid", "The file is empty. Choose the sheet with one row for each student.");
  if (bytes.length > MOST_BYTES)
    throw new Refusal("invalid", `The file is larger than ${MOST_BYTES / 1_000_000} MB. Is it the right file?`);
  const kind = kindOf(bytes);
  const whole = wholeSchool || kind === "package";
  if (whole) {
    if (!staff.coordinates.includes(staff.schoolId))
      throw new Refusal("not-allowed", "A file of the whole school is for coordinators. Choose a sheet of one class.");
  } else if (classId !== null) await demandClasses(context, "enroll", [classId]);
  else if (!newClassName || newClassGrade === null)
    throw new Refusal("invalid", "Give the new class a name and a grade.");
  const id = context.runtime.newId();
  const isNew = !whole && classId === null;
  await context.runtime.db.write(async (tx) => {
    const now = context.runtime.now();
    await deleteDraftsBefore(tx, now - KEPT_MILLISECONDS);
    await deleteWaitingDrafts(tx, { ...WAITING, ownerId: staff.personId, before: now - WAITING_MILLISECONDS });
    await insertDraft(tx, {
      id,
      ownerId: staff.personId,
      schoolId: staff.schoolId,
      kind,
      classId: whole ? null : classId,
      newClassName: isNew ? newClassName : null,
      newClassGrade: isNew ? newClassGrade : null,
      fileName,
      bytes: Buffer.from(bytes),
      mapping: {},
      repairs: {},
      links: {},
      createdAt: context.runtime.now(),
    });
  });
  return id;
}

/** A zip that is no workbook is a package of the roster standard; everything else is read as a sheet. */
const kindOf = (bytes: Uint8Array): "package" | "sheet" => (isZip(bytes) && !isWorkbook(bytes) ? "package" : "sheet");

const mappingInput = object({
  draftId: string().required(),
  field: string().oneOf(ROSTER_FIELDS).required(),
  column: number().integer().min(0).nullable().defined(),
});

/** Says by hand which column holds a field. */
export async function setColumn(context: Context, input: unknown): Promise<void> {
  const { draftId, field, column } = validated(mappingInput, input);
  await changeDraft(context, draftId, (draft) => ({ mapping: { ...draft.mapping, [field]: column } }));
}

const MOST_REPAIRS = 5_000;
const repairInput = object({
  draftId: string().required(),
  cells: array(
    object({
      file: string().max(40).required(),
      row: number().integer().min(1).required(),
      column: string().max(120).required(),
      text: string().max(500, "A cell has at most 500 letters.").defined(),
    }),
  )
    .min(1)
    .max(MOST_REPAIRS)
    .required(),
});

/** Types cells of the file anew; the file itself stays as it is. */
export async function repairCells(context: Context, input: unknown): Promise<void> {
  const { draftId, cells } = validated(repairInput, input);
  await changeDraft(context, draftId, (draft) => {
    const repairs = { ...draft.repairs };
    for (const { file, row, column, text } of cells) repairs[`${file} ${row} ${column}`] = text.trim();
    if (Object.keys(repairs).length > MOST_REPAIRS)
      throw new Refusal("invalid", "So many repairs are easier made in the file itself. Choose it again afterwards.");
    return { repairs };
  });
}

const linkInput = object({
  draftId: string().required(),
  key: string().max(300).required(),
  knownId: string().nullable().defined(),
});

/** Makes the classes that a school's sheet names and nobody knows, or refuses them again. */
export async function setMakeClasses(context: Context, input: unknown): Promise<void> {
  const { draftId, make } = validated(object({ draftId: string().required(), make: boolean().required() }), input);
  await changeDraft(context, draftId, () => ({ makeClasses: make }));
}

/** Says that a person or class of the file is one known already, or takes that back. */
export async function linkSame(context: Context, input: unknown): Promise<void> {
  const { draftId, key, knownId } = validated(linkInput, input);
  const draft = await openDraft(context.runtime.db.read, context, draftId);
  const whole = draft.classId === null && draft.newClassName === null;
  // A link lets the file write over what is known: a teacher's sheet may do so for the teacher's own students only.
  if (knownId !== null && !whole) {
    const { subject } = await studentSubject(context.runtime, knownId);
    demand(context.actor, "change", subject);
  }
  await changeDraft(context, draftId, (draft) => {
    const { [key]: _, ...others } = draft.links;
    return { links: knownId === null ? others : { ...others, [key]: knownId } };
  });
}

async function changeDraft(
  context: Context,
  draftId: string,
  change: (draft: RosterDraftRow) => Partial<RosterDraftRow>,
): Promise<void> {
  await context.runtime.db.write(async (tx) => {
    const draft = await unappliedDraft(tx, context, draftId);
    await updateDraft(tx, draftId, change(draft));
  });
}

async function unappliedDraft(tx: Queryable, context: Context, draftId: string): Promise<RosterDraftRow> {
  const draft = await openDraft(tx, context, draftId);
  if (await isApplied(tx, draft))
    throw new Refusal("conflict", "This file was applied already. It can be undone from the history.");
  return draft;
}

/** Stops reading a file that takes too long. The draft stays; reading begins anew when it is opened. */
export async function stopReading(context: Context, input: unknown): Promise<void> {
  const { draftId } = validated(object({ draftId: string().required() }), input);
  await openDraft(context.runtime.db.read, context, draftId);
  stopJob(context, draftId);
}

const applyInput = object({
  draftId: string().required(),
  fingerprint: string().required(),
  /** Keys of the warnings that were read and confirmed. */
  confirmed: array(string().required()).default([]),
});

/** Applies the difference that was looked at, whole or not at all and as one entry of the history. */
export async function applyImport(
  context: Context,
  input: unknown,
): Promise<{ changeId: string; classId: string | null }> {
  const staff = demandStaff(context.actor);
  const { draftId, fingerprint, confirmed } = validated(applyInput, input);
  const { runtime } = context;
  const before = await openDraft(runtime.db.read, context, draftId);
  // Sent twice, it is applied once.
  if (await isApplied(runtime.db.read, before)) return { changeId: before.changeId ?? "", classId: before.classId };
  const changedSince = new Refusal(
    "conflict",
    "The roster changed since this preview was made. Look at it once more; nothing was changed.",
  );
  const school = await schoolOf(runtime, before.schoolId);
  const today = dayAt(school, runtime.now());
  if ((await fingerprintOf(runtime.db.read, staff, before, today)) !== fingerprint) throw changedSince;
  const { known, preview, supports, memberships } = await (await jobOf(context, before)).done;
  if (!preview.ok) throw new Refusal("invalid", remarkWords(preview.why));
  const { entries } = preview.difference;
  if (entries.length === 0) throw new Refusal("invalid", "There is nothing to add or change in this file.");
  if (preview.warnings.some((warning) => !confirmed.includes(warningKey(warning))))
    throw new Refusal("invalid", `Please confirm first: ${preview.warnings.map(remarkWords).join(" ")}`);
  const plan = await planRows(runtime, school);
  const term = termAround(school.terms, today);
  const rows = await rowsOfEntries(entries, {
    roster: known.rows,
    supports,
    memberships,
    keyOf: known.keyOf,
    links: before.links,
    schoolId: before.schoolId,
    timeZone: school.timeZone,
    termId: term?.id ?? null,
    now: runtime.now(),
    today,
    newId: runtime.newId,
    newCode: newClassCode(runtime.random, new Set(known.rows.classes.map(({ code }) => code))),
    withClass: plan,
  });
  const made = before.newClassName === null ? null : (rows.find(({ table }) => table === "classes")?.id ?? null);
  const classId = before.classId ?? made;
  const changeId = await recordBigChange(context, {
    prepare: async (tx) => {
      const draft = await unappliedDraft(tx, context, draftId);
      // Asked again inside the transaction: of two imports at once the second one must not be applied unseen.
      if ((await fingerprintOf(tx, staff, draft, today)) !== fingerprint) throw changedSince;
      if (made) await demandFreeCodes(tx, rows);
      return {
        kind: "roster-imported",
        facts: { file: draft.fileName, into: await into(tx, draft), entries: entries.length, ...countsOf(entries) },
        classId,
        rows: await lend(tx, staff, [...rows, ...teacherOf(made, staff, runtime.newId)], { today, fromFile: true }),
      };
    },
    finish: (tx, id) => updateDraft(tx, draftId, { appliedAt: runtime.now(), changeId: id }),
  });
  stopJob(context, draftId);
  return { changeId, classId };
}

/** Codes are drawn against the codes of this school; another school in the same database may have one of them. */
async function demandFreeCodes(tx: Queryable, rows: readonly RowChange[]): Promise<void> {
  for (const { table, after } of rows)
    if (table === "classes" && after?.code && (await classByCode(tx, String(after.code))))
      throw new Refusal("conflict", "A class code was taken in the meantime. Please apply once more.");
}

/** Whoever makes a class from a sheet teaches it, except coordinators who teach nothing. */
function teacherOf(classId: string | null, staff: StaffActor, newId: () => string): RowChange[] {
  if (classId === null || (staff.coordinates.length > 0 && staff.classIds.length === 0)) return [];
  return [added("classStaff", { id: newId(), classId, personId: staff.personId, role: "teacher" })];
}

/** The name of the one class that a file is for. */
async function into(tx: Queryable, draft: RosterDraftRow): Promise<string | null> {
  if (draft.newClassName !== null) return draft.newClassName;
  const [target] = draft.classId === null ? [] : await classesById(tx, [draft.classId]);
  return target?.name ?? null;
}

function countsOf(entries: readonly RosterEntry[]) {
  const count = (file: RosterFile, what: RosterEntry["what"]) =>
    entries.filter((entry) => entry.file === file && entry.what === what).length;
  const counted = (file: RosterFile) => ({
    added: count(file, "added"),
    changed: count(file, "changed"),
    inactive: count(file, "inactive"),
    restored: count(file, "restored"),
  });
  return { people: counted("users"), places: counted("enrollments") };
}
