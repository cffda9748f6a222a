import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { spreadPlan } from "@/core/calendar/spreadPlan";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { planOf, replacePlan } from "@/db/queries/plan";
import { staffOfClasses } from "@/db/queries/roster";
import { makeClass } from "@/features/roster/writes/classes";
import { actorOf } from "@/server/access/actorOf";
import { openClasses } from "@/server/access/subjects";
import { todayOf } from "@/server/runtime/school";
import { type Simulation, staffContext } from "./simulation";
import type { OtherClass } from "./term";

/** What 6 Alder reads and writes, and the school days of each skill. */
const LANGUAGE_YEAR = [
  "pronouns",
  "main-idea-and-details",
  "commas-around-extras",
  "authors-purpose",
  "old-roots",
  "exact-words",
];
const LANGUAGE_DAYS = 5;
/** Days before the last one on which the classes begin with Oxbow: enough to show, quick enough to seed. */
const LANGUAGE_SINCE = 20;
const OTHERS_SINCE = 6;
const OTHERS_DAYS = 5;

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

/** A plan that begins on a day; what was planned before is forgotten. */
async function replan(
  { runtime, school }: Simulation,
  classId: string,
  skillIds: readonly string[],
  fromDay: number,
  days: number,
): Promise<void> {
  const spans = spreadPlan(skillIds, dayOfNumber(fromDay), days, school.calendar);
  await runtime.db.write((tx) =>
    replacePlan(
      tx,
      classId,
      spans.map((span, place) => ({ ...span, id: runtime.newId(), classId, place })),
    ),
  );
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
  await replan(simulation, languageId, LANGUAGE_YEAR, lastDay - LANGUAGE_SINCE, LANGUAGE_DAYS);
  for (const { id } of others) {
    const skillIds = (await planOf(db, id)).map(({ skillId }) => skillId);
    await replan(simulation, id, skillIds, lastDay - OTHERS_SINCE, OTHERS_DAYS);
  }
  const chosen = [languageId, ...others.flatMap(({ id, name }) => (name.endsWith("Alder") ? [id] : []))];
  const staff = await staffOfClasses(db, chosen);
  return Promise.all(
    chosen.map(async (classId): Promise<OtherClass> => {
      const tie = staff.find(({ row }) => row.classId === classId);
      const actor = tie ? await actorOf(runtime, tie.person) : null;
      if (actor?.kind !== "staff") throw new Error("A class of the demo has no teacher.");
      const since = classId === languageId ? LANGUAGE_SINCE : OTHERS_SINCE;
      return { classId, teacher: { runtime, actor }, fromDay: lastDay - since };
    }),
  );
}
