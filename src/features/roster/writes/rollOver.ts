import "server-only";
import { array, number, object, string } from "yup";
import { rosterVersion } from "@/db/queries/history";
import { classesOfSchools, termsOf } from "@/db/queries/people";
import { presentEnrollments, staffOfClasses, studentsOfSchools } from "@/db/queries/roster";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demand, demandStaff } from "@/server/access/demand";
import { recordBigChange } from "@/server/history/bigChange";
import type { Change } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, schoolOf } from "@/server/runtime/school";
import { day, validated } from "@/server/runtime/validated";
import { newClassCode } from "./apply/newClassCode";
import { planRows } from "./apply/planRows";
import { rollOverRows } from "./rollOverRows";

const input = object({
  termName: string().trim().min(1, "Name the new term.").max(40).required("Name the new term."),
  startDay: day(),
  endDay: day(),
  /** What becomes of each class: its students leave the school, or go on in a class of a name and grade. */
  lines: array(
    object({
      classId: string().required(),
      what: string()
        .oneOf(["leaves", "moves"] as const)
        .required(),
      grade: number().integer().min(0).max(12).required(),
      className: string()
        .trim()
        .max(40, "The name of a class has at most 40 letters.")
        .required("Name each new class."),
    }),
  )
    .min(1, "There is no class to roll over.")
    .max(2_000)
    .required(),
  /** Students who do not go the way of their class. */
  exceptions: array(
    object({
      studentId: string().required(),
      what: string()
        .oneOf(["stays", "leaves"] as const)
        .required(),
    }),
  )
    .max(5_000)
    .default([]),
  /** What teachers do: they stay with the name of their class, go up with their students, or are named later. */
  teachers: string()
    .oneOf(["by-name", "with-students", "later"] as const)
    .required(),
  version: string().defined(),
});

/**
 * Closes the term and opens the next: classes are put away with their work and evidence, the leaving ones leave, everybody
 * else goes up into new classes. One transaction, one entry of the history, undone as one.
 */
export async function rollOver(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const staff = demandStaff(context.actor);
  const plan = validated(input, raw);
  const { schoolId } = staff;
  demand(staff, "manage", { kind: "school", schoolId });
  if (plan.endDay <= plan.startDay) throw new Refusal("invalid", "The new term ends before it begins.");
  const { runtime } = context;
  const now = runtime.now();
  const school = await schoolOf(runtime, schoolId);
  const today = dayAt(school, now);
  const prepare = async (tx: Queryable): Promise<Change> => {
    if ((await rosterVersion(tx, [schoolId])) !== plan.version)
      throw new Refusal(
        "conflict",
        "The roster changed since this page was opened. Look at it once more; nothing was changed.",
      );
    const classes = await classesOfSchools(tx, [schoolId], false);
    const known = new Set(classes.map(({ id }) => id));
    if (plan.lines.some(({ classId }) => !known.has(classId)))
      throw new Refusal("conflict", "A class of this page is not there any more. Open it again.");
    const closing = await openTerm(termsOf(tx, schoolId), today);
    const { termName: name, startDay, endDay } = plan;
    const termId = runtime.newId();
    const staffRows = await staffOfClasses(tx, [...known]);
    const rolled = rollOverRows(plan, {
      classes,
      enrollments: await presentEnrollments(tx, [schoolId], today),
      students: new Map((await studentsOfSchools(tx, [schoolId])).map(({ person }) => [person.id, person])),
      classStaff: staffRows.map(({ row }) => row),
      termId,
      today,
      now,
      newId: runtime.newId,
      newCode: newClassCode(runtime.random, new Set(classes.map(({ code }) => code))),
      planOf: await planRows(runtime, { ...school, terms: [{ id: termId, name, startDay, endDay, closedAt: null }] }),
    });
    const rows: RowChange[] = [
      ...(closing ? [changed("terms", closing, { closedAt: now, endDay: earlier(closing.endDay, today) })] : []),
      added("terms", { id: termId, schoolId, name, startDay, endDay, kind: closing?.kind ?? "term" }),
      ...rolled.rows,
    ];
    const { movedUp, left, made, putAway } = rolled;
    const facts = { term: name, movedUp, left, made, putAway };
    return { kind: "rolled-over", facts, classId: null, rows };
  };
  return { changeId: await recordBigChange(context, { prepare, finish: async () => {} }) };
}

const earlier = (one: string, other: string) => (one < other ? one : other);

async function openTerm(terms: ReturnType<typeof termsOf>, today: string) {
  const open = (await terms).filter(({ closedAt, archivedAt }) => closedAt === null && archivedAt === null);
  return open.filter(({ startDay }) => startDay <= today).at(-1) ?? open.at(-1) ?? null;
}
