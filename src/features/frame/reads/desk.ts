import "server-only";
import { termOn } from "@/core/calendar/termOn";
import { classScope } from "@/core/roster/classScope";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { groupsOfClasses } from "@/db/queries/regroup";
import { studentNames, studentsOfSchools } from "@/db/queries/roster";
import { assignmentsOfClasses } from "@/db/queries/work";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { fullNames } from "@/server/classroom/names";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { dayAt, schoolOf, todayOf } from "@/server/runtime/school";
import type { PersonName, SearchEntry } from "../types";

/** All that the search palette looks through. */
export async function searchEntries(context: Context, classIds: readonly string[]): Promise<SearchEntry[]> {
  await demandClasses(context, "see", classIds);
  const db = context.runtime.db.read;
  const { coordinates } = demandStaff(context.actor);
  const today = await todayOf(context.runtime, context.actor.schoolId);
  const [students, works, groups, library, classes] = await Promise.all([
    classIds.length === 0 ? studentsOfSchools(db, coordinates) : studentsOfClasses(db, classIds, today),
    assignmentsOfClasses(db, classIds),
    groupsOfClasses(db, classIds),
    libraryOf(context.runtime),
    classesById(db, classIds),
  ]);
  // Whoever looks over a whole school sees all that there is.
  const words = classes.map(({ subject }) => subject);
  const subjects = library.subjectsAt(context.actor.schoolId);
  const scope = classIds.length === 0 ? subjects : classScope(words, subjects);
  const names = fullNames(students.map(({ person }) => person));
  return [
    ...students.map(({ person }) => ({
      kind: "student" as const,
      id: person.id,
      name: names.get(person.id) ?? "",
      detail: person.grade === null ? "grade not known" : `grade ${person.grade}`,
    })),
    ...library.skillsIn(scope).map((skill) => ({
      kind: "skill" as const,
      id: skill.id,
      name: skill.name,
      detail: `grade ${skill.grade}, ${skill.standards[0]?.code ?? ""}`,
    })),
    ...works.map((work) => ({ kind: "work" as const, id: work.id, name: work.title, detail: work.kind })),
    ...groups.map((group) => ({
      kind: "group" as const,
      id: group.id,
      name: group.name,
      detail: group.skillId === null ? group.purpose : library.skill(group.skillId).name,
    })),
  ];
}

/** Every name of a student that may stand on one of the asker's pages: what projector mode covers. */
export async function namesToHide({ runtime, actor }: Context): Promise<PersonName[]> {
  const { coordinates, classIds, archivedClassTies, groupTies } = demandStaff(actor);
  return studentNames(runtime.db.read, {
    schoolIds: coordinates,
    classIds: [...classIds, ...archivedClassTies.keys()],
    groupIds: [...groupTies.keys()],
  });
}

/** "Mathematics, week 11 of 19": where the term stands. */
export async function termWords(context: Context): Promise<string> {
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  const today = dayAt(school, context.runtime.now());
  const term = termOn(school.terms, today);
  if (!term || term.closedAt !== null) return "between terms";
  const week = (from: string, to: string) => Math.floor((Date.parse(to) - Date.parse(from)) / (7 * 86_400_000)) + 1;
  return `${term.name} term, week ${week(term.startDay, today)} of ${week(term.startDay, term.endDay) - 1}`;
}
