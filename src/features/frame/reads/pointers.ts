import "server-only";
import { format } from "date-fns";
import { fullName } from "@/core/roster/fullName";
import { classesById, staffOfSchools } from "@/db/queries/people";
import { openPointersTo, type PointerRow, pointersFrom } from "@/db/queries/pointers";
import { staffActors } from "@/server/access/actorOf";
import { keyFor } from "@/server/access/addressFor";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { demandClasses, subjectOfClass } from "@/server/access/subjects";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import type { PointersView, PointerView } from "../pointerTypes";

/** So many of one's own stand in the dialog. */
const MOST_SENT = 8;

/** Who of the school could be pointed to a view of these classes, and what became of what was sent before. */
export async function pointersView(context: Context, classIds: readonly string[]): Promise<PointersView> {
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const db = runtime.db.read;
  const [today, members, sent] = await Promise.all([
    todayOf(runtime, staff.schoolId),
    staffOfSchools(db, [staff.schoolId]),
    pointersFrom(db, staff.personId, MOST_SENT),
  ]);
  const subjects = (await classesById(db, classIds)).map(subjectOfClass);
  const actors = await staffActors(
    runtime,
    members.filter(({ id }) => id !== staff.personId),
  );
  // Most of a staff can't open the classes; only for the others it is looked up how their address would name them.
  const others = actors.filter((actor) => subjects.every((subject) => may(actor, "see", subject)));
  const keys = await Promise.all(others.map((actor) => keyFor(runtime, actor, classIds)));
  return {
    today,
    colleagues: others.filter((_, place) => keys[place] !== null).map(({ personId, name }) => ({ id: personId, name })),
    sent: sent.map(({ pointer, to }) => viewOf(pointer, fullName(to), today)),
  };
}

/** What colleagues pointed somebody to and is not done yet, the earliest day first. */
export async function pointersForMe(context: Context): Promise<PointerView[]> {
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const today = await todayOf(runtime, staff.schoolId);
  const open = await openPointersTo(runtime.db.read, staff.personId);
  return open.map(({ pointer, from }) => viewOf(pointer, fullName(from), today));
}

const viewOf = ({ id, sentence, path, day, doneAt }: PointerRow, name: string, today: string): PointerView => ({
  id,
  name,
  sentence,
  path,
  dayWords: day === today ? "today" : format(new Date(`${day}T12:00:00`), "EEE d MMM"),
  isDue: day <= today,
  isDone: doneAt !== null,
});
