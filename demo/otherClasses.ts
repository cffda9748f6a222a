import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { mondayOf } from "@/core/calendar/mondayOf";
import { groupBy } from "@/core/collections/groupBy";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { staffOfClasses } from "@/db/queries/roster";
import { choosePlan } from "@/features/plan/writes/choosePlan";
import { makeClass } from "@/features/roster/writes/classes";
import { actorOf } from "@/server/access/actorOf";
import { openClasses } from "@/server/access/subjects";
import { todayOf } from "@/server/runtime/school";
import { type Simulation, staffContext } from "./simulation";
import type { OtherClass } from "./term";

/** Days before the last one on which the classes begin with Oxbow: enough to show, quick enough to seed. */
const LANGUAGE_SINCE = 18;
const OTHERS_SINCE = 4;
const EVERY_DAY = [1, 2, 3, 4, 5];

/** 6 Alder's language class: the same students, a plan of its own. Its co-teacher makes it; Noor joins it at the end. */
export async function makeLanguageClass(simulation: Simulation, alderId: string): Promise<string> {
  const { runtime, school } = simulation;
  const teo = await staffContext(simulation, "teo");
  const students = await studentsOfClasses(runtime.db.read, [alderId], await todayOf(runtime, school.id));
  const { classId } = await makeClass(teo, {
    classId: runtime.newId(),
    name: "6 Alder Language",
    subject: "Language",
    grade: 6,
    studentIds: students.map(({ person }) => person.id),
  });
  return classId;
}

/** The classes beside Noor's that are seen at work: language in 6 Alder, and one class of each other grade. */
export async function otherClasses(
  simulation: Simulation,
  languageId: string,
  lastDay: number,
): Promise<readonly OtherClass[]> {
  const { runtime } = simulation;
  const db = runtime.db.read;
  const marguerite = await staffContext(simulation, "marguerite");
  const ids = (await openClasses(db, marguerite.actor)).map(({ id }) => id);
  const others = (await classesById(db, ids)).filter(({ grade }) => grade !== 6);
  const plan = (classIds: readonly string[], subjectId: string, grade: number, since: number) => {
    const firstDay = dayOfNumber(mondayOf(lastDay - since));
    return choosePlan(marguerite, { classIds, subjectId, grade, firstDay, weekdays: EVERY_DAY });
  };
  await plan([languageId], "language", 6, LANGUAGE_SINCE);
  for (const [grade, row] of groupBy(others, (one) => one.grade)) {
    const classIds = row.map(({ id }) => id);
    await plan(classIds, "mathematics", grade, OTHERS_SINCE);
  }
  const chosen = [languageId, ...others.flatMap(({ id, name }) => (name.endsWith("Alder") ? [id] : []))];
  const staff = await staffOfClasses(db, chosen);
  return Promise.all(
    chosen.map(async (classId): Promise<OtherClass> => {
      const tie = staff.find(({ row }) => row.classId === classId);
      const actor = tie ? await actorOf(runtime, tie.person) : null;
      if (actor?.kind !== "staff") throw new Error("A class of the demo has no teacher.");
      const since = classId === languageId ? LANGUAGE_SINCE : OTHERS_SINCE;
      return { classId, teacher: { runtime, actor }, fromDay: mondayOf(lastDay - since) };
    }),
  );
}
