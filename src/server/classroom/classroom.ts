import "server-only";
import { cache } from "react";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { skillWeight } from "@/core/grouping/skillWeight";
import type { Gauge } from "@/core/mastery/gaugeOf";
import { gaugesOfStudent } from "@/core/mastery/gaugesOfStudent";
import { classScope } from "@/core/roster/classScope";
import { classesById, classIdsOfStudents, type PersonRow, studentsOfClasses } from "@/db/queries/people";
import { plansOf } from "@/db/queries/plan";
import { type LibrarySkill, libraryOf } from "@/server/library/library";
import { keyOfList, listOfKey } from "@/server/runtime/listKey";
import type { Runtime } from "@/server/runtime/runtime";
import { dayAt, type School, schoolOf, todayOf } from "@/server/runtime/school";
import { knownOf } from "./knownOf";
import { fullNames, shortNames } from "./names";
import type { Start } from "./startsOf";

export interface ClassroomStudent {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  /** Given name and first letter of the family name; more where two students of the classroom would read the same. */
  readonly shortName: string;
  /** The whole name, told apart likewise. */
  readonly fullName: string;
  readonly studentNumber: string;
  /** Null where the roster names none. */
  readonly grade: number | null;
  /** The grade that what is believed of them starts from: their own, else the class's. */
  readonly workedAt: number | null;
  readonly classId: string;
  readonly gauges: ReadonlyMap<string, Gauge>;
  /** Where a diagnostic, or a score from elsewhere, placed them, by strand. */
  readonly starts: ReadonlyMap<string, Start>;
}

export interface PlannedSkillOfClass {
  readonly skillId: string;
  readonly fromDay: SchoolDay;
  readonly targetDay: SchoolDay;
  /** Part of the sequence by which the class's position is told. */
  readonly counted: boolean;
}

/** What the teacher's views and decisions are made of: students, skills in the plan's order, gauges and weights of today. */
export interface Classroom {
  readonly school: School;
  readonly today: SchoolDay;
  readonly students: readonly ClassroomStudent[];
  readonly skills: readonly LibrarySkill[];
  readonly plan: readonly PlannedSkillOfClass[];
  /** How much each skill matters this week, by skill id. */
  readonly weights: ReadonlyMap<string, number>;
}

/** Weight of a skill that is in no plan. */
const UNPLANNED_WEIGHT = 0.25;

/** The classroom of some classes (ids joined by spaces), read once per request. */
const readClassroom = cache(async (runtime: Runtime, schoolId: string, classesKey: string): Promise<Classroom> => {
  const classIds = listOfKey(classesKey);
  return classroomOf(
    runtime,
    schoolId,
    classIds,
    await studentsOfClasses(runtime.db.read, classIds, await todayOf(runtime, schoolId)),
  );
});

/** A classroom with just the named students, who may have left: what they showed stays readable. */
export async function classroomOfSome(
  runtime: Runtime,
  schoolId: string,
  people: readonly PersonRow[],
  classIds: readonly string[],
): Promise<Classroom> {
  const classmates = await studentsOfClasses(runtime.db.read, classIds, await todayOf(runtime, schoolId));
  return classroomOf(
    runtime,
    schoolId,
    classIds,
    people.map((person) => ({
      person,
      classId: classmates.find((one) => one.person.id === person.id)?.classId ?? classIds[0] ?? "",
    })),
    classmates.map(({ person }) => person),
  );
}

async function classroomOf(
  runtime: Runtime,
  schoolId: string,
  classIds: readonly string[],
  students: readonly { readonly person: PersonRow; readonly classId: string }[],
  classmates: readonly PersonRow[] = [],
): Promise<Classroom> {
  const [school, library] = await Promise.all([schoolOf(runtime, schoolId), libraryOf(runtime)]);
  const today = dayAt(school, runtime.now());
  const entries = await plansOf(runtime.db.read, classIds);
  const classes = await classesById(runtime.db.read, classIds);
  const gradeOfClass = new Map(classes.map(({ id, grade }) => [id, grade]));
  const everybody = [...classmates, ...students.map(({ person }) => person)];
  const names = { short: shortNames(everybody), full: fullNames(everybody) };
  const known = await knownOf(
    runtime.db.read,
    students.map(({ person }) => person.id),
  );
  // With several classes chosen, the plan of the first one orders the skills.
  const planClass = classIds.find((id) => entries.some((entry) => entry.classId === id));
  const plan = entries.filter((entry) => entry.classId === planClass);
  const placeOf = new Map(plan.map((entry, place) => [entry.skillId, place]));
  const scope = classScope(
    classes.map(({ subject }) => subject),
    library.subjectsAt(schoolId),
  );
  const skills = library.skillsIn(scope).sort((x, y) => (placeOf.get(x.id) ?? 999) - (placeOf.get(y.id) ?? 999));
  const weights = new Map(skills.map((skill) => [skill.id, weightOf(plan, skill, today, school)]));
  return {
    school,
    today,
    skills,
    plan,
    weights,
    students: students.map(({ person, classId }) => {
      // Where nobody wrote a grade down, the class's is what the student works at.
      const workedAt = person.grade ?? gradeOfClass.get(classId) ?? null;
      const { states, placements } = known(person.id);
      const gauges = gaugesOfStudent({ grade: workedAt, states, placements }, skills, dayNumber(today));
      return {
        id: person.id,
        givenName: person.givenName,
        familyName: person.familyName,
        shortName: names.short.get(person.id) ?? "",
        fullName: names.full.get(person.id) ?? "",
        studentNumber: person.studentNumber ?? "",
        grade: person.grade,
        workedAt,
        classId,
        gauges,
        starts: placements,
      };
    }),
  };
}

export function loadClassroom(runtime: Runtime, schoolId: string, classIds: readonly string[]): Promise<Classroom> {
  return readClassroom(runtime, schoolId, keyOfList(classIds));
}

/** The classes that the members of a group are in now, the group's home class first: its plan orders. */
export async function classesOfMembers(
  runtime: Runtime,
  home: { readonly classId: string; readonly schoolId: string },
  personIds: readonly string[],
): Promise<string[]> {
  const own = await classIdsOfStudents(runtime.db.read, personIds, await todayOf(runtime, home.schoolId));
  return [home.classId, ...own.filter((id) => id !== home.classId)];
}

function weightOf(plan: readonly PlannedSkillOfClass[], skill: LibrarySkill, today: SchoolDay, school: School): number {
  const entry = plan.find(({ skillId }) => skillId === skill.id);
  if (!entry) return UNPLANNED_WEIGHT;
  const daysTaught = schoolDaysBetween(entry.fromDay, entry.targetDay, school.calendar) + 1;
  return skillWeight(schoolDaysBetween(today, entry.targetDay, school.calendar), daysTaught, skill.unlocks.length);
}
