import "server-only";
import { fullName } from "@/core/roster/fullName";
import { visitsOf } from "@/db/queries/reteaches";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { demandClasses } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { worthFirst } from "@/server/classroom/worthFirst";
import { libraryOf } from "@/server/library/library";
import { shelvesOf } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { dayAt } from "@/server/runtime/school";
import { MINUTES_AT_HAND, type MinutesAtHand, type WorthView } from "../worthTypes";

const USUAL: MinutesAtHand = 5;
const CHOICES = 3;

/** With whom a few minutes bring most, and what to do in them: skill, why, a task, a question, a model. What was done today is not proposed again. */
export async function worthView(
  context: Context,
  classIds: readonly string[],
  search: { readonly minutes?: string | undefined; readonly students?: string | undefined },
): Promise<WorthView> {
  await demandClasses(context, "see", classIds);
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const minutes = MINUTES_AT_HAND.find((one) => String(one) === search.minutes) ?? USUAL;
  const asked = new Set((search.students ?? "").split(",").filter(Boolean));
  const classroom = await loadClassroom(runtime, actor.schoolId, classIds);
  const students = classroom.students.filter(({ id }) => asked.size === 0 || asked.has(id));
  const ids = students.map(({ id }) => id);
  const [signs, visits, library] = await Promise.all([
    misconceptionSignsOf(db, ids),
    visitsOf(db, ids),
    libraryOf(runtime),
  ]);
  const { school, today } = classroom;
  const todays = visits.filter(({ visit }) => dayAt(school, visit.at) === today);
  const found = students.map((student) => {
    const own = todays.filter(({ visit }) => visit.personId === student.id);
    const done = new Set(own.map(({ visit }) => visit.skillId));
    return { student, own, worth: worthFirst(student, classroom, minutes, done).slice(0, CHOICES) };
  });
  const shelves = await shelvesOf(runtime, [
    ...new Set(found.flatMap(({ worth }) => worth.map(({ skillId }) => skillId))),
  ]);
  return {
    minutes,
    students: found
      .sort((x, y) => (y.worth[0]?.gainPerMinute ?? 0) - (x.worth[0]?.gainPerMinute ?? 0))
      .map(({ student, own, worth }) => ({
        id: student.id,
        name: student.shortName,
        choices: worth.flatMap(({ skill, why }) => {
          const shelf = shelves.get(skill.id);
          if (!shelf) return [];
          const [sign] = signs
            .filter(({ personId, skillId }) => personId === student.id && skillId === skill.id)
            .sort((x, y) => y.times - x.times);
          return [
            {
              skillId: skill.id,
              name: skill.name,
              grade: skill.grade,
              why,
              mistake: sign ? library.misconceptionName(sign.misconceptionId) || null : null,
              task: shelf.reteach.together,
              question: shelf.reteach.ask[0] ?? "",
              model: shelf.teaching?.model ?? null,
            },
          ];
        }),
        today: own.map(({ visit, by }) => ({
          skill: library.skillIfKnown(visit.skillId)?.name ?? "",
          result: visit.result,
          by: fullName(by),
        })),
      })),
  };
}
