import "server-only";
import { array, number, object, string } from "yup";
import { dayBefore } from "@/core/calendar/dayBefore";
import { termAround } from "@/core/calendar/termOn";
import { movedFacts } from "@/core/model/changeFacts";
import { lasts } from "@/core/roster/lasts";
import { classByCode, classesById, personById } from "@/db/queries/people";
import { classNamed, courseOf, enrollmentsOf, staffOfClasses } from "@/db/queries/roster";
import { added, changed, rowsOfTable } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demand, demandStaff } from "@/server/access/demand";
import { demandNoneLent, lend } from "@/server/access/lending";
import { may } from "@/server/access/policy";
import { studentSubject } from "@/server/access/studentSubject";
import { archivedSubject, demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf, todayOf } from "@/server/runtime/school";
import { optionalDay, uuid, validated } from "@/server/runtime/validated";
import { newClassCode } from "./apply/newClassCode";
import { planRows } from "./apply/planRows";

const name = () =>
  string()
    .trim()
    .min(1, "Give the class a name.")
    .max(40, "The name of a class has at most 40 letters.")
    .required("Give the class a name.");

const makeInput = object({
  /** Made by the browser, so that sending twice makes one class. */
  classId: uuid(),
  name: name(),
  subject: string().trim().min(1, "Name the subject.").max(60).required("Name the subject."),
  grade: number().integer().min(0, "The grade runs from 0 to 12.").max(12, "The grade runs from 0 to 12.").required(),
  untilDay: optionalDay(),
  studentIds: array(string().required()).max(400).default([]),
});

/** Makes a class of the teacher's own: some students of several classes, for some weeks or for good. */
export async function makeClass(context: Context, raw: unknown): Promise<{ classId: string; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(makeInput, raw);
  const { runtime } = context;
  const school = await schoolOf(runtime, staff.schoolId);
  const today = dayAt(school, runtime.now());
  const term = termAround(school.terms, today);
  if (!term) throw new Refusal("conflict", "The school has no term yet, so no class can be made.");
  if (input.untilDay !== null && input.untilDay < today) throw new Refusal("invalid", "The last day lies in the past.");
  for (const id of input.studentIds) demand(staff, "change", (await studentSubject(runtime, id)).subject);
  const plan = await planRows(runtime, school);
  return runtime.db.write(async (tx) => {
    const [known] = await classesById(tx, [input.classId]);
    if (known) return { classId: known.id, changeId: null };
    await demandFreeName(tx, staff.schoolId, input.name, "");
    const course = await courseOf(tx, staff.schoolId, input.subject);
    const courseId = course?.id ?? runtime.newId();
    const draw = newClassCode(runtime.random, new Set());
    let code = draw();
    while (await classByCode(tx, code)) code = draw();
    const { classId, subject } = input;
    const rows: RowChange[] = [
      ...(course ? [] : [added("courses", { id: courseId, schoolId: staff.schoolId, title: subject, subject })]),
      added("classes", {
        id: classId,
        schoolId: staff.schoolId,
        termId: term.id,
        name: input.name,
        subject,
        grade: input.grade,
        code,
        kind: "own",
        courseId,
        untilDay: input.untilDay,
      }),
      added("classStaff", { id: runtime.newId(), classId, personId: staff.personId, role: "teacher" }),
      ...input.studentIds.map((personId) =>
        added("enrollments", { id: runtime.newId(), classId, personId, fromDay: today }),
      ),
      ...plan({ id: classId, schoolId: school.id, name: input.name, subject, grade: input.grade }),
    ];
    return {
      classId,
      changeId: await recordChange(tx, context, {
        kind: "class-made",
        facts: { name: input.name, grade: input.grade, students: input.studentIds.length },
        classId,
        rows: await lend(tx, staff, rows, { today }),
      }),
    };
  });
}

async function demandFreeName(tx: Queryable, schoolId: string, wanted: string, notId: string): Promise<void> {
  if (await classNamed(tx, schoolId, wanted, notId))
    throw new Refusal("conflict", `There is a class “${wanted}” already. Add a word, so that nobody mixes them up.`);
}

const renameInput = object({ classId: string().required(), name: name(), untilDay: optionalDay() });

/** Changes a class's name and its last day. */
export async function changeClass(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const input = validated(renameInput, raw);
  await demandClasses(context, "share", [input.classId]);
  return context.runtime.db.write(async (tx) => {
    const found = await classOf(tx, input.classId);
    await demandFreeName(tx, found.schoolId, input.name, found.id);
    const rows = [changed("classes", found, { name: input.name, untilDay: input.untilDay })];
    const facts = { before: found.name, name: input.name, untilDay: input.untilDay };
    return { changeId: await recordChange(tx, context, { kind: "class-changed", facts, classId: found.id, rows }) };
  });
}

async function classOf(tx: Queryable, classId: string) {
  const [found] = await classesById(tx, [classId]);
  if (!found) throw new Refusal("not-found", "This class is not there any more.");
  return found;
}

/** Puts a class away. Students, work and evidence stay and come back with it. */
export async function archiveClass(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classId } = validated(object({ classId: string().required() }), raw);
  await demandClasses(context, "share", [classId]);
  return setArchived(context, classId, context.runtime.now(), "class-put-away");
}

export async function restoreClass(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classId } = validated(object({ classId: string().required() }), raw);
  demand(context.actor, "restore", await archivedSubject(context.runtime.db.read, context.actor, classId));
  return setArchived(context, classId, null, "class-brought-back");
}

async function setArchived(
  context: Context,
  classId: string,
  archivedAt: number | null,
  kind: "class-put-away" | "class-brought-back",
) {
  return context.runtime.db.write(async (tx) => {
    const found = await classOf(tx, classId);
    if ((found.archivedAt === null) === (archivedAt === null)) throw new Refusal("conflict", "This was done already.");
    if (archivedAt === null) await demandFreeName(tx, found.schoolId, found.name, found.id);
    const rows = [changed("classes", found, { archivedAt })];
    return { changeId: await recordChange(tx, context, { kind, facts: { name: found.name }, classId, rows }) };
  });
}

const shareInput = object({
  classId: string().required(),
  personId: string().required("Choose a colleague."),
  role: string()
    .oneOf(["teacher", "co-teacher", "substitute", "specialist"] as const)
    .required(),
  untilDay: optionalDay(),
});

/** Gives a colleague a role in a class, for good or until a day. */
export async function shareClass(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const input = validated(shareInput, raw);
  const { runtime } = context;
  await demandClasses(context, "share", [input.classId]);
  const today = await todayOf(runtime, context.actor.schoolId);
  if (input.untilDay !== null && input.untilDay < today) throw new Refusal("invalid", "The last day lies in the past.");
  if (input.role === "substitute" && input.untilDay === null)
    throw new Refusal("invalid", "A substitute needs a last day; access ends by itself after it.");
  return runtime.db.write(async (tx) => {
    const found = await classOf(tx, input.classId);
    const colleague = await personById(tx, input.personId);
    if (colleague?.kind !== "staff" || colleague.schoolId !== found.schoolId || colleague.archivedAt !== null)
      throw new Refusal("not-found", "This colleague is not at the school any more.");
    await demandNoneLent(tx, { classId: found.id }, today);
    const present = (await staffOfClasses(tx, [found.id])).filter(
      ({ row }) => row.personId === colleague.id && lasts(row, today),
    );
    if (present.some(({ row }) => row.role === input.role && row.untilDay === input.untilDay))
      throw new Refusal("conflict", "This colleague has that access already.");
    await demandTeacherLeft(
      tx,
      found.id,
      present.map(({ row }) => row.id),
      input.role === "teacher",
      today,
    );
    const { personId, role, untilDay } = input;
    const rows: RowChange[] = [
      ...present.map(({ row }) => changed("classStaff", row, { untilDay: dayBefore(today) })),
      added("classStaff", { id: runtime.newId(), classId: found.id, personId, role, fromDay: today, untilDay }),
    ];
    const facts = { personId, role, name: found.name, untilDay };
    return { changeId: await recordChange(tx, context, { kind: "class-shared", facts, classId: found.id, rows }) };
  });
}

const unshareInput = object({ classId: string().required(), staffRowId: string().required() });

/** Ends a colleague's role in a class at once. */
export async function endShare(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { classId, staffRowId } = validated(unshareInput, raw);
  const { runtime } = context;
  await demandClasses(context, "share", [classId]);
  const today = await todayOf(runtime, context.actor.schoolId);
  return runtime.db.write(async (tx) => {
    const [row] = await rowsOfTable(tx, "classStaff", [staffRowId]);
    if (row?.classId !== classId) throw new Refusal("not-found", "This access is over already.");
    await demandTeacherLeft(tx, classId, [row.id], false, today);
    const rows = [changed("classStaff", row, { untilDay: dayBefore(today) })];
    const facts = { personId: row.personId, role: row.role };
    return { changeId: await recordChange(tx, context, { kind: "class-share-ended", facts, classId, rows }) };
  });
}

/** A class that loses its last teacher by sharing would be nobody's. */
async function demandTeacherLeft(
  tx: Queryable,
  classId: string,
  leaving: readonly string[],
  teacherComes: boolean,
  today: string,
): Promise<void> {
  const teachers = (await staffOfClasses(tx, [classId])).filter(
    ({ row }) => row.role === "teacher" && lasts(row, today),
  );
  const losesOne = teachers.some(({ row }) => leaving.includes(row.id));
  if (losesOne && !teacherComes && teachers.every(({ row }) => leaving.includes(row.id)))
    throw new Refusal("conflict", "The class would have no teacher. Name another teacher first.");
}

const placeInput = object({
  studentIds: array(string().required()).min(1, "Choose at least one student.").max(400).required(),
  /** The class that they join; null when they only leave. */
  toClassId: string().nullable().defined(),
  /** The class that they leave; null when they only join. */
  fromClassId: string().nullable().defined(),
});

/** Puts students into a class, takes them out, or moves them. Work and evidence stay with them. */
export async function placeStudents(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { studentIds, toClassId, fromClassId } = validated(placeInput, raw);
  const { runtime, actor } = context;
  const staff = demandStaff(actor);
  if (toClassId === fromClassId) throw new Refusal("invalid", "Choose another class.");
  for (const classId of [toClassId, fromClassId])
    if (classId !== null) await demandClasses(context, "enroll", [classId]);
  const today = await todayOf(runtime, actor.schoolId);
  for (const id of studentIds) {
    const { subject } = await studentSubject(runtime, id);
    const verb = toClassId === null ? "see" : "change";
    if (!may(actor, verb, subject)) demand(actor, "manage", { kind: "school", schoolId: subject.schoolId });
  }
  return runtime.db.write(async (tx) => {
    const to = toClassId === null ? null : await classOf(tx, toClassId);
    const from = fromClassId === null ? null : await classOf(tx, fromClassId);
    const rows: RowChange[] = [];
    for (const personId of new Set(studentIds)) {
      const present = (await enrollmentsOf(tx, personId, today)).filter(({ holds }) => holds);
      const leaving = present.find(({ enrollment }) => enrollment.classId === fromClassId)?.enrollment;
      if (leaving) rows.push(changed("enrollments", leaving, { untilDay: today }));
      if (to && !present.some(({ enrollment }) => enrollment.classId === to.id))
        rows.push(added("enrollments", { id: runtime.newId(), classId: to.id, personId, fromDay: today }));
    }
    if (rows.length === 0) throw new Refusal("conflict", "They are there already; nothing was changed.");
    const changeId = await recordChange(tx, context, {
      kind: "students-placed",
      facts: movedFacts(studentIds, from, to),
      classId: to?.id ?? from?.id ?? null,
      subjectIds: [...studentIds, ...(from ? [from.id] : [])],
      rows: await lend(tx, staff, rows, { today }),
    });
    return { changeId };
  });
}
