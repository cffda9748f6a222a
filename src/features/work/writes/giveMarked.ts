import "server-only";
import { array, object, string } from "yup";
import { groupBy } from "@/core/collections/groupBy";
import { windowFault } from "@/core/work/workWindow";
import { studentsOfClasses } from "@/db/queries/people";
import { workById } from "@/db/queries/work";
import { demandClasses } from "@/server/access/subjects";
import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, schoolOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";

const MOST_SKILLS = 6;
/** The most that practice on one skill may spend, and on each further one. */
const ITEMS = { first: 16, further: 6 } as const;

const input = object({
  /** Made by the browser, so that sending twice gives once. */
  batchId: uuid(),
  marked: array(
    object({
      studentId: string().required(),
      classId: string().required(),
      skillIds: array(string().required())
        .min(1)
        .max(MOST_SKILLS, `Mark at most ${MOST_SKILLS} skills for one student.`)
        .required(),
    }),
  )
    .min(1, "Nobody is marked.")
    .max(400)
    .required(),
  dueDay: day(),
});

/**
 * Gives each student practice on just what they were marked for, as one change: those of a class who were marked for the same share a piece of work.
 */
export async function giveMarked(
  context: Context,
  raw: unknown,
): Promise<{ readonly changeId: string | null; readonly works: number }> {
  const { batchId, marked, dueDay } = validated(input, raw);
  const { runtime, actor } = context;
  const classIds = [...new Set(marked.map(({ classId }) => classId))];
  await demandClasses(context, "change", classIds);
  const [school, library] = await Promise.all([schoolOf(runtime, actor.schoolId), libraryOf(runtime)]);
  const now = runtime.now();
  const dueAt = instantAt(school, dueDay, "20:00");
  if (windowFault({ opensAt: now, dueAt, closesAt: null }))
    throw new Refusal("invalid", "The due day is over. Choose a later day.");
  const order = new Map(library.skills.map(({ id }, place) => [id, place]));
  const inOrder = (ids: readonly string[]) =>
    [...new Set(ids)].sort((x, y) => (order.get(library.skill(x).id) ?? 0) - (order.get(library.skill(y).id) ?? 0));
  const alike = groupBy(marked, ({ classId, skillIds }) => `${classId} ${inOrder(skillIds).join(" ")}`);
  return runtime.db.write(async (tx) => {
    if (await workById(tx, batchId)) return { changeId: null, works: 0 };
    const enrolled = await studentsOfClasses(tx, classIds, dayAt(school, now));
    const rows = [...alike.values()].flatMap((own, place) => {
      const [first] = own;
      if (!first) return [];
      const there = own.filter(({ studentId }) =>
        enrolled.some(({ person, classId }) => person.id === studentId && classId === first.classId),
      );
      if (there.length !== own.length)
        throw new Refusal("invalid", "Somebody who is marked is no longer in the class. Open the page again.");
      const skillIds = inOrder(first.skillIds);
      const [title = "", ...more] = skillIds.map((id) => library.skill(id).studentName);
      return workRows(
        context,
        {
          ...(place === 0 ? { id: batchId } : {}),
          title: more.length === 0 ? title : `${title} and ${more.length} more`,
          instructions: "",
          parts: [
            {
              kind: "practice",
              settings: { items: ITEMS.first + ITEMS.further * (skillIds.length - 1), certainty: "usual" },
              skillIds,
            },
          ],
        },
        [
          {
            id: runtime.newId(),
            classId: first.classId,
            opensAt: now,
            dueAt,
            studentIds: [...new Set(own.map(({ studentId }) => studentId))],
          },
        ],
      );
    });
    const students = new Set(marked.map(({ studentId }) => studentId)).size;
    const changeId = await recordChange(tx, context, {
      kind: "work-for-marked",
      facts: { students, works: alike.size },
      classId: classIds.length === 1 ? (classIds[0] ?? null) : null,
      rows,
    });
    return { changeId, works: alike.size };
  });
}
