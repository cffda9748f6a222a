import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { termOn } from "@/core/calendar/termOn";
import { CHANGE_AREAS } from "@/core/model/changeArea";
import { classScope } from "@/core/roster/classScope";
import { searchEntries as findEntries, peopleNamed, subjectsOfChanges } from "@/db/queries/history";
import { classesById, studentsOfClasses } from "@/db/queries/people";
import { groupsOfClasses } from "@/db/queries/regroup";
import { studentNames, studentsOfSchools } from "@/db/queries/roster";
import { assignmentsOfClasses } from "@/db/queries/work";
import { demand, demandStaff } from "@/server/access/demand";
import { fullNames } from "@/server/classroom/names";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { namesForEntries, withNames } from "@/server/runtime/entryWords";
import { mayUndo } from "@/server/runtime/history";
import { dayAt, schoolOf, todayOf } from "@/server/runtime/school";
import type { HistoryPage, PersonName, SearchEntry } from "./types";

const CHANGES_SHOWN = 100;

/** All that the search palette looks through. */
export async function searchEntries(context: Context, classIds: readonly string[]): Promise<SearchEntry[]> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
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
  const scope = classIds.length === 0 ? library.subjects : classScope(words, library.subjects);
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
  const before = [...archivedClassTies].filter(([, tie]) => tie !== "coordinator").map(([id]) => id);
  return studentNames(runtime.db.read, {
    schoolIds: coordinates,
    classIds: [...classIds, ...before],
    groupIds: [...groupTies.keys()],
  });
}

/** Entries of the classes' history, or, for coordinators when no class is named, of everything in the school. */
export async function historyPage(
  context: Context,
  classIds: readonly string[],
  search: { readonly find: string; readonly area: string; readonly before: string | null },
): Promise<HistoryPage> {
  const { runtime, actor } = context;
  const staff = demandStaff(actor);
  const whole = classIds.length === 0;
  if (whole) demand(actor, "manage", { kind: "school", schoolId: actor.schoolId });
  else for (const classId of classIds) demand(actor, "see", { kind: "class", classId });
  const db = runtime.db.read;
  const schoolIds = whole ? staff.coordinates : [actor.schoolId];
  const words = search.find.trim();
  const personIds = words === "" ? [] : await peopleNamed(db, schoolIds, words);
  const school = await schoolOf(runtime, actor.schoolId);
  const found = await findEntries(db, {
    classIds: whole ? null : classIds,
    schoolIds,
    areas: CHANGE_AREAS.filter((area) => area === search.area),
    personIds,
    words,
    before: search.before,
    limit: CHANGES_SHOWN + 1,
  });
  const names = await namesForEntries(
    db,
    found.map(({ summary }) => summary),
    found.flatMap(({ actorId }) => (actorId === null ? [] : [actorId])),
  );
  const subjects = await subjectsOfChanges(
    db,
    found.map(({ id }) => id),
  );
  const entries = found.slice(0, CHANGES_SHOWN).map((change) => ({
    id: change.id,
    when: format(new TZDate(change.at, school.timeZone), "EEE d MMM, HH:mm"),
    who: change.actorId === null ? "nobody signed in" : (names.get(change.actorId) ?? ""),
    area: change.area,
    summary: withNames(change.summary, names),
    undone: change.undoneAt !== null,
    mayUndo: change.undoable && change.undoneAt === null && mayUndo(actor, change, subjects.get(change.id) ?? []),
  }));
  return { entries, more: found.length > CHANGES_SHOWN };
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
