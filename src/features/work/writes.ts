import "server-only";
import { array, number, object, string } from "yup";
import { studentsOfClasses } from "@/db/queries/people";
import { changed } from "@/db/queries/rowChanges";
import { workById } from "@/db/queries/work";
import { demand, demandStaff } from "@/server/access/demand";
import { workRows } from "@/server/classroom/workRows";
import type { Context } from "@/server/runtime/context";
import { recordChange } from "@/server/runtime/history";
import { libraryOf } from "@/server/runtime/library";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, schoolOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";

const assignInput = object({
  /** Made by the browser, so that sending twice assigns once. */
  workId: uuid(),
  classId: string().required(),
  title: string()
    .trim()
    .min(1, "Give the work a title.")
    .max(80, "A title has at most 80 letters.")
    .required("Give the work a title."),
  instructions: string().trim().max(500, "Instructions have at most 500 letters.").defined(),
  skillIds: array(string().required())
    .min(1, "Choose at least one skill.")
    .max(6, "Choose at most six skills.")
    .required(),
  studentIds: array(string().required()).min(1, "Nobody is left: tick at least one student.").max(400).required(),
  opensDay: day(),
  dueDay: day(),
  dueTime: string()
    .matches(/^([01]\d|2[0-3]):[0-5]\d$/, "Write the time as 15:30.")
    .default("20:00"),
  budgetItems: number().integer().min(4, "Give at least 4 items.").max(40, "Give at most 40 items.").required(),
});

/** Gives adaptive practice on some skills to students of a class. Sending the same work id again changes nothing. */
export async function assignPractice(
  context: Context,
  raw: unknown,
): Promise<{ workId: string; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(assignInput, raw);
  demand(staff, "change", { kind: "class", classId: input.classId });
  const { runtime } = context;
  const [school, library] = await Promise.all([schoolOf(runtime, staff.schoolId), libraryOf(runtime)]);
  const skills = input.skillIds.map((id) => library.skill(id));
  const opensAt =
    input.opensDay <= dayAt(school, runtime.now()) ? runtime.now() : instantAt(school, input.opensDay, "06:00");
  const dueAt = instantAt(school, input.dueDay, input.dueTime);
  if (dueAt <= opensAt) throw new Refusal("invalid", "The due time lies before the work opens. Choose a later day.");
  return runtime.db.write(async (tx) => {
    const known = await workById(tx, input.workId);
    if (known) {
      if (known.createdBy !== staff.personId) throw new Refusal("conflict", "This work exists already.");
      return { workId: known.id, changeId: null };
    }
    const enrolled = await studentsOfClasses(tx, [input.classId], dayAt(school, runtime.now()));
    const students = enrolled.filter(({ person }) => input.studentIds.includes(person.id));
    if (students.length !== new Set(input.studentIds).size)
      throw new Refusal("invalid", "Some of the ticked students are no longer in the class. Open the page again.");
    const rows = workRows(context, {
      id: input.workId,
      classId: input.classId,
      kind: "practice",
      title: input.title,
      instructions: input.instructions,
      opensAt,
      dueAt,
      budgetItems: input.budgetItems,
      skillIds: skills.map(({ id }) => id),
      studentIds: students.map(({ person }) => person.id),
    });
    const summary = `Assigned “${input.title}” to ${students.length} of ${enrolled.length} students`;
    return {
      workId: input.workId,
      changeId: await recordChange(tx, context, {
        area: "work",
        kind: "assign",
        summary,
        classId: input.classId,
        rows,
      }),
    };
  });
}

const dueInput = object({ workId: string().required(), dueDay: day() });

/** Moves the due day; work that was over opens again when the new day lies ahead. */
export async function moveDueDay(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { workId, dueDay } = validated(dueInput, raw);
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  return changeWork(context, workId, (work) => {
    const dueAt = instantAt(school, dueDay, "20:00");
    if (dueAt <= work.opensAt)
      throw new Refusal("invalid", "The due day lies before the work opens. Choose a later day.");
    return { values: { dueAt }, summary: `“${work.title}” is now due ${dueDay}` };
  });
}

/** Takes work off the students' lists. Answers given to it stay evidence. */
export async function withdrawWork(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { workId } = validated(object({ workId: string().required() }), raw);
  return changeWork(context, workId, (work) => ({
    values: { withdrawnAt: context.runtime.now() },
    summary: `Withdrew “${work.title}”`,
  }));
}

type Work = NonNullable<Awaited<ReturnType<typeof workById>>>;

async function changeWork(
  context: Context,
  workId: string,
  change: (work: Work) => { values: Partial<Work>; summary: string },
): Promise<{ changeId: string }> {
  return context.runtime.db.write(async (tx) => {
    const work = await workById(tx, workId);
    if (!work || work.withdrawnAt !== null) throw new Refusal("not-found", "This work is not there, or was withdrawn.");
    demand(context.actor, "change", { kind: "class", classId: work.classId });
    const { values, summary } = change(work);
    const rows = [changed("works", work, values)];
    return {
      changeId: await recordChange(tx, context, { area: "work", kind: "work", summary, classId: work.classId, rows }),
    };
  });
}
