import "server-only";
import { number, object, string } from "yup";
import { personById } from "@/db/queries/people";
import { enrollmentsOf } from "@/db/queries/roster";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import { demand } from "@/server/access/demand";
import { studentSubject } from "@/server/access/studentSubject";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { uuid, validated } from "@/server/runtime/validated";
import { inUniqueWords } from "./inUniqueWords";

const own = {
  givenName: string().trim().min(1).max(60, "A name has at most 60 letters.").required("The given name is missing."),
  familyName: string().trim().min(1).max(60, "A name has at most 60 letters.").required("The family name is missing."),
  studentNumber: string().trim().min(1).max(40).required("The student number is missing."),
  grade: number()
    .integer()
    .min(0, "The grade runs from 0 to 12.")
    .max(12, "The grade runs from 0 to 12.")
    .required("Choose a grade."),
  email: string()
    .trim()
    .lowercase()
    .transform((text) => (text === "" ? null : text))
    .email("This is no email address.")
    .nullable()
    .default(null),
  birthYear: number()
    .transform((value: number, given: unknown) => (given === "" ? null : value))
    .integer()
    .min(1990, "A birth year lies after 1990.")
    .max(2035, "A birth year lies before 2035.")
    .nullable()
    .default(null),
};

/** Adds one student to a class. */
export async function addStudent(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const { studentId, classId, ...values } = validated(
    object({ studentId: uuid(), classId: string().required(), ...own }),
    raw,
  );
  const { runtime, actor } = context;
  await demandClasses(context, "enroll", [classId]);
  const today = await todayOf(runtime, actor.schoolId);
  return runtime.db.write(async (tx) => {
    if (await personById(tx, studentId)) return { changeId: null };
    const { schoolId } = actor;
    const rows: RowChange[] = [
      added("people", { id: studentId, schoolId, kind: "student", ...values }),
      added("roles", { id: runtime.newId(), personId: studentId, schoolId, role: "student", fromDay: today }),
      added("enrollments", { id: runtime.newId(), classId, personId: studentId, fromDay: today }),
    ];
    const facts = { personId: studentId };
    return {
      changeId: await inUniqueWords(tx, schoolId, rows, () =>
        recordChange(tx, context, { kind: "student-added", facts, classId, rows }),
      ),
    };
  });
}

/** Corrects a student's own data. */
export async function correctStudent(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { studentId, ...values } = validated(object({ studentId: string().required(), ...own }), raw);
  const { subject, classes } = await studentSubject(context.runtime, studentId);
  demand(context.actor, "change", subject);
  return context.runtime.db.write(async (tx) => {
    const person = await personById(tx, studentId);
    if (!person) throw new Refusal("not-found", "This student is not known any more.");
    const differing = Object.fromEntries(
      Object.entries(values).filter(([column, value]) => person[column as keyof typeof person] !== value),
    );
    if (Object.keys(differing).length === 0) throw new Refusal("invalid", "Nothing is different.");
    const rows = [changed("people", person, differing)];
    const facts = { personId: studentId, fields: Object.keys(differing).length };
    const change = { kind: "student-corrected" as const, facts, classId: classes[0]?.id ?? null, rows };
    return { changeId: await inUniqueWords(tx, person.schoolId, change.rows, () => recordChange(tx, context, change)) };
  });
}

const oneStudent = object({ studentId: string().required() });

/** A student who leaves the school: out of all classes, evidence kept and reportable. */
export async function archiveStudent(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { studentId } = validated(oneStudent, raw);
  const { runtime, actor } = context;
  const { subject, classes } = await studentSubject(runtime, studentId);
  demand(actor, "manage", { kind: "school", schoolId: subject.schoolId });
  const today = await todayOf(runtime, actor.schoolId);
  return runtime.db.write(async (tx) => {
    const person = await personById(tx, studentId);
    if (!person || person.archivedAt !== null) throw new Refusal("conflict", "This student has left already.");
    const present = (await enrollmentsOf(tx, studentId, today)).filter(({ holds }) => holds);
    const rows = [
      ...present.map(({ enrollment }) => changed("enrollments", enrollment, { untilDay: today })),
      changed("people", person, { archivedAt: runtime.now() }),
    ];
    const facts = { personId: studentId };
    const change = { kind: "student-left" as const, facts, classId: classes[0]?.id ?? null, rows };
    return { changeId: await recordChange(tx, context, change) };
  });
}

/** Somebody who left comes back, into a class where one is named. */
export async function restoreStudent(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { studentId } = validated(oneStudent, raw);
  const { runtime } = context;
  const { subject } = await studentSubject(runtime, studentId);
  demand(context.actor, "manage", { kind: "school", schoolId: subject.schoolId });
  return runtime.db.write(async (tx) => {
    const person = await personById(tx, studentId);
    if (!person || person.archivedAt === null) throw new Refusal("conflict", "This student is here already.");
    const rows = [changed("people", person, { archivedAt: null })];
    const facts = { personId: studentId };
    return { changeId: await recordChange(tx, context, { kind: "student-came-back", facts, classId: null, rows }) };
  });
}
