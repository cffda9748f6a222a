import "server-only";
import { createHash } from "node:crypto";
import { formatDistance } from "date-fns";
import { rosterDifference } from "@/core/roster/rosterDifference";
import { ROSTER_FIELDS, type RosterMapping } from "@/core/roster/rosterField";
import type { Queryable } from "@/db/connection";
import { type ClassRow, classesOfStaff, peopleByNumber, studentsOfClasses } from "@/db/queries/people";
import { draftById, type RosterDraftRow } from "@/db/queries/rosterDrafts";
import { demand, demandStaff } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { ImportPreview, RosterStudent, RosterView } from "./types";

export async function rosterView(context: Context, classIds: readonly string[]): Promise<RosterView> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
  const { runtime, actor } = context;
  const classes = (await classesOfStaff(runtime.db.read, actor.personId)).filter(({ id }) => classIds.includes(id));
  const students = await studentsOfClasses(runtime.db.read, classIds);
  const now = runtime.now();
  return {
    classes: classes.map(({ id, name, code }) => ({ id, name, code })),
    students: students.map(({ person, classId, hasPin, lockedUntil, lastSignInAt }): RosterStudent => {
      const locked = lockedUntil !== null && lockedUntil > now;
      return {
        id: person.id,
        name: `${person.givenName} ${person.familyName}`,
        studentNumber: person.studentNumber ?? "",
        grade: person.grade ?? 0,
        classId,
        className: classes.find(({ id }) => id === classId)?.name ?? "",
        signIn: !hasPin ? "none" : locked ? "locked" : lastSignInAt ? "used" : "never",
        lastSignIn: lastSignInAt ? formatDistance(lastSignInAt, now, { addSuffix: true }) : null,
      };
    }),
  };
}

/** What the roster station of the bend says. */
export async function rosterFigure(
  context: Context,
  classIds: readonly string[],
): Promise<{ text: string; attention: boolean }> {
  const { students } = await rosterView(context, classIds);
  const locked = students.filter(({ signIn }) => signIn === "locked").length;
  const none = students.filter(({ signIn }) => signIn === "none").length;
  if (locked > 0) return { text: `${locked} locked out`, attention: true };
  if (none > 0) return { text: `${none} without a PIN`, attention: true };
  return {
    text: students.length === 0 ? "no students yet" : `${students.length} students, all well`,
    attention: false,
  };
}

export async function importPreview(context: Context, draftId: string): Promise<ImportPreview> {
  const draft = await draftById(context.runtime.db.read, draftId);
  if (!draft) throw new Refusal("not-found", "This import is not known. Choose the file again.");
  demand(context.actor, "see", { kind: "draft", ownerId: draft.ownerId });
  return previewOf(context.runtime.db.read, context, draft);
}

/** What a draft would change at this moment. */
export async function previewOf(db: Queryable, context: Context, draft: RosterDraftRow): Promise<ImportPreview> {
  const staff = demandStaff(context.actor);
  const target = draft.classId === null ? null : await ownClass(db, staff.personId, draft.classId);
  const mapping = Object.fromEntries(
    ROSTER_FIELDS.map((field) => [field, draft.mapping[field] ?? null]),
  ) as RosterMapping;
  const numberAt = mapping.studentNumber;
  const numbers =
    numberAt === null ? [] : draft.rows.map((row) => (row[numberAt] ?? "").trim()).filter((text) => text !== "");
  const people = await peopleByNumber(db, staff.schoolId, [...new Set(numbers)]);
  const enrolled = target ? await studentsOfClasses(db, [target.id]) : [];
  const enrolledIds = new Set(enrolled.map(({ person }) => person.id));
  const known = people.map((person) => ({
    ...person,
    studentNumber: person.studentNumber ?? "",
    enrolled: enrolledIds.has(person.id),
  }));
  const entries = rosterDifference(draft.rows, mapping, known, target?.grade ?? draft.newClassGrade ?? 6);
  const inFile = new Set(entries.flatMap((entry) => ("id" in entry ? [entry.id] : [])));
  return {
    draftId: draft.id,
    fileName: draft.fileName,
    className: target?.name ?? draft.newClassName ?? "",
    isNewClass: draft.classId === null,
    headers: draft.headers,
    mapping,
    notes: draft.notes,
    entries,
    notInFile: enrolled
      .filter(({ person }) => !inFile.has(person.id))
      .map(({ person }) => `${person.givenName} ${person.familyName}`),
    fingerprint: createHash("sha256").update(JSON.stringify(entries)).digest("base64url").slice(0, 16),
    applied: draft.appliedAt !== null,
  };
}

async function ownClass(db: Queryable, staffId: string, classId: string): Promise<ClassRow> {
  const found = (await classesOfStaff(db, staffId)).find(({ id }) => id === classId);
  if (!found) throw new Refusal("not-allowed", "This class is not yours.");
  return found;
}
