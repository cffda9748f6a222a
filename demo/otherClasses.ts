import { spreadPlan } from "@/core/calendar/spreadPlan";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { replacePlan } from "@/db/queries/plan";
import { staffOfClasses } from "@/db/queries/roster";
import { makeClass } from "@/features/roster/writes/classes";
import { actorOf } from "@/server/access/actorOf";
import { openClasses } from "@/server/access/subjects";
import { todayOf } from "@/server/runtime/school";
import { type Simulation, staffContext } from "./simulation";
import type { OtherClass } from "./term";

/** What Teo reads and writes with 6 Alder, and the school days of each skill. */
const LANGUAGE_YEAR = [
  "pronouns",
  "main-idea-and-details",
  "commas-around-extras",
  "authors-purpose",
  "old-roots",
  "exact-words",
];
const LANGUAGE_DAYS = 9;
/** Days before the last one from which each kind of class is simulated: enough to show, quick enough to seed. */
const LANGUAGE_SINCE = 40;
const OTHERS_SINCE = 6;

/** 6 Alder's language class, taught by its co-teacher: the same students, a plan of its own. */
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
  const [term] = school.terms;
  if (!term) throw new Error("The demo's school has no term.");
  const spans = spreadPlan(LANGUAGE_YEAR, term.startDay, LANGUAGE_DAYS, school.calendar);
  await runtime.db.write((tx) =>
    replacePlan(
      tx,
      classId,
      spans.map((span, place) => ({ ...span, id: runtime.newId(), classId, place })),
    ),
  );
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
  const rows = (await classesById(db, ids)).filter(({ name, grade }) => name.endsWith("Alder") && grade !== 6);
  const chosen = [languageId, ...rows.map(({ id }) => id)];
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
