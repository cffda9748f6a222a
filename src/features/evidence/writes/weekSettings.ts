import "server-only";
import { array, number, object, string } from "yup";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { added, changed } from "@/db/queries/rowChanges";
import { expectationsOf } from "@/db/queries/weeks";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { validated } from "@/server/runtime/validated";

const MOST_MINUTES = 600;
const MOST_PIECES = 40;

const expectationInput = object({
  classIds: array(string().required()).min(1, "Choose a class.").max(20).required(),
  minutes: number()
    .integer()
    .min(0, "Minutes are 0 or more.")
    .max(MOST_MINUTES, `At most ${MOST_MINUTES} minutes a week.`)
    .required(),
  pieces: number()
    .integer()
    .min(0, "Pieces are 0 or more.")
    .max(MOST_PIECES, `At most ${MOST_PIECES} pieces a week.`)
    .required(),
});

/** Says what some classes are expected to do in a whole week. */
export async function setExpectation(context: Context, raw: unknown): Promise<{ readonly changeId: string | null }> {
  const { classIds, minutes, pieces } = validated(expectationInput, raw);
  const { runtime } = context;
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", classIds, tx);
    const known = new Map((await expectationsOf(tx, classIds)).map((row) => [row.classId, row]));
    const rows = classIds.flatMap((classId) => {
      const row = known.get(classId);
      if (!row) return [added("weekExpectations", { id: runtime.newId(), classId, minutes, pieces })];
      return row.minutes === minutes && row.pieces === pieces
        ? []
        : [changed("weekExpectations", row, { minutes, pieces })];
    });
    if (rows.length === 0) return { changeId: null };
    const classes = await classesById(tx, classIds);
    const changeId = await recordChange(tx, context, {
      kind: "week-expected",
      facts: { classes: classes.map(({ name }) => name), minutes, pieces },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      subjectIds: classIds,
      rows,
    });
    return { changeId };
  });
}

const praiseInput = object({
  students: array(object({ id: string().required(), classId: string().required() }))
    .min(1, "Choose somebody.")
    .max(400)
    .required(),
  text: string().trim().min(1, "Write what you want to say.").max(200, "A line has at most 200 letters.").required(),
});

/** Sends a line of praise that is about no piece of work; it stands on the students' page until they have read it. */
export async function praise(context: Context, raw: unknown): Promise<{ readonly changeId: string }> {
  const { students, text } = validated(praiseInput, raw);
  const { runtime, actor } = context;
  const classIds = [...new Set(students.map(({ classId }) => classId))];
  return runtime.db.write(async (tx) => {
    await demandClasses(context, "change", classIds, tx);
    const today = await todayOf(runtime, actor.schoolId);
    const here = await studentsOfClasses(tx, classIds, today);
    if (students.some(({ id }) => !here.some(({ person }) => person.id === id)))
      throw new Refusal("invalid", "Some of these students are not in the class any more. Open the page again.");
    const changeId = await recordChange(tx, context, {
      kind: "lines-sent",
      facts: {
        line: "praise",
        personId: students.length === 1 ? (students[0]?.id ?? null) : null,
        students: students.length,
      },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      subjectIds: classIds,
      rows: students.map(({ id, classId }) =>
        added("studentLines", {
          id: runtime.newId(),
          personId: id,
          classId,
          fromId: actor.personId,
          assignmentId: null,
          kind: "praise",
          text,
          at: runtime.now(),
          readAt: null,
        }),
      ),
    });
    return { changeId };
  });
}
