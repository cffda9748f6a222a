import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { recentChanges } from "@/db/queries/history";
import { studentsOfClasses } from "@/db/queries/people";
import { groupsOfClasses } from "@/db/queries/regroup";
import { worksOfClasses } from "@/db/queries/work";
import { demand } from "@/server/access/demand";
import type { Context } from "@/server/runtime/context";
import { libraryOf } from "@/server/runtime/library";
import { schoolOf } from "@/server/runtime/school";
import type { HistoryEntry, SearchEntry } from "./types";

const CHANGES_SHOWN = 100;

/** All that the search palette looks through. */
export async function searchEntries(context: Context, classIds: readonly string[]): Promise<SearchEntry[]> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
  const db = context.runtime.db.read;
  const [students, works, groups, library] = [
    await studentsOfClasses(db, classIds),
    await worksOfClasses(db, classIds),
    await groupsOfClasses(db, classIds),
    await libraryOf(context.runtime),
  ];
  return [
    ...students.map(({ person }) => ({
      kind: "student" as const,
      id: person.id,
      name: `${person.givenName} ${person.familyName}`,
      detail: `grade ${person.grade ?? "?"}`,
    })),
    ...library.skills.map((skill) => ({
      kind: "skill" as const,
      id: skill.id,
      name: skill.name,
      detail: `grade ${skill.grade}, ${skill.standard.code}`,
    })),
    ...works.map((work) => ({ kind: "work" as const, id: work.id, name: work.title, detail: work.kind })),
    ...groups.map((group) => ({
      kind: "group" as const,
      id: group.id,
      name: group.name,
      detail: library.skill(group.skillId).name,
    })),
  ];
}

/** The latest changes in the classes, newest first. */
export async function historyEntries(context: Context, classIds: readonly string[]): Promise<HistoryEntry[]> {
  for (const classId of classIds) demand(context.actor, "see", { kind: "class", classId });
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  const changes = await recentChanges(context.runtime.db.read, classIds, CHANGES_SHOWN);
  return changes.map((change) => ({
    id: change.id,
    when: format(new TZDate(change.at, school.timeZone), "EEE d MMM, HH:mm"),
    who: `${change.givenName} ${change.familyName}`,
    summary: change.summary,
    undone: change.undoneAt !== null,
  }));
}

/** "Mathematics, week 11 of 19": where the term stands. */
export async function termWords(context: Context): Promise<string> {
  const school = await schoolOf(context.runtime, context.actor.schoolId);
  const today = format(new TZDate(context.runtime.now(), school.timeZone), "yyyy-MM-dd");
  const term = school.terms.find(({ startDay, endDay }) => startDay <= today && today <= endDay);
  if (!term) return "between terms";
  const week = (from: string, to: string) => Math.floor((Date.parse(to) - Date.parse(from)) / (7 * 86_400_000)) + 1;
  return `${term.name} term, week ${week(term.startDay, today)} of ${week(term.startDay, term.endDay) - 1}`;
}
