import "server-only";
import { gradeOfCode } from "@/core/roster/gradeCode";
import type { RosterEntry } from "@/core/roster/rosterEntry";
import { ROSTER_FILES, type RosterFile } from "@/core/roster/rosterRecord";
import { ROSTER_TABLES } from "../../reads/tables/allTables";
import type { Applying, Columns, IdOf } from "../../reads/tables/rosterTable";

/** Oxbow's id for an id of the file, by the kind of thing; new ones are made for what is added. */
export function idsOf(entries: readonly RosterEntry[], applying: Applying): (file: RosterFile) => IdOf {
  const { keyOf, links, newId } = applying;
  const byFile = new Map<RosterFile, Map<string, string>>(ROSTER_FILES.map((file) => [file, new Map()]));
  const put = (file: RosterFile, key: string, id: string) => byFile.get(file)?.set(key, id);
  const fileOf = new Map<string, RosterFile>();
  for (const { file, isReferredTo, rows } of ROSTER_TABLES)
    if (isReferredTo)
      for (const { id } of rows(applying)) {
        put(file, keyOf(id), id);
        fileOf.set(id, file);
      }
  for (const [key, id] of Object.entries(links)) {
    const file = fileOf.get(id);
    if (file) put(file, key, id);
  }
  for (const { file, key, id } of entries) {
    put(file, key, id ?? newId());
  }
  return (file) => (key) => (key === undefined || key === "" ? null : (byFile.get(file)?.get(key) ?? null));
}

/** Students by the key of their person; everybody else with a role is staff. */
export function personKinds(
  entries: readonly RosterEntry[],
  { roster, keyOf }: Applying,
): ReadonlyMap<string, "staff" | "student"> {
  const kinds = new Map<string, "staff" | "student">();
  for (const { personId, role } of roster.roles) kinds.set(keyOf(personId), role === "student" ? "student" : "staff");
  for (const { file, values } of entries)
    if (file === "roles" && values.userSourcedId)
      kinds.set(values.userSourcedId, values.role === "student" ? "student" : "staff");
  return kinds;
}

/** The grade that most students of a class are in, by the class's key, for classes of which the file says none. */
export function usualGrades(entries: readonly RosterEntry[], { roster, keyOf }: Applying): ReadonlyMap<string, number> {
  const gradeOf = new Map<string, number>();
  for (const { id, grade } of roster.people) if (grade !== null) gradeOf.set(keyOf(id), grade);
  for (const { file, key, values } of entries) {
    const grade = file === "users" ? gradeOfCode(values.grades ?? "") : null;
    if (grade !== null) gradeOf.set(key, grade);
  }
  const counts = new Map<string, Map<number, number>>();
  for (const { file, values } of entries) {
    const grade = file === "enrollments" ? gradeOf.get(values.userSourcedId ?? "") : undefined;
    if (grade === undefined || values.role === "teacher") continue;
    const key = values.classSourcedId ?? "";
    const own = counts.get(key) ?? new Map<number, number>();
    counts.set(key, own.set(grade, (own.get(grade) ?? 0) + 1));
  }
  return new Map(
    [...counts].map(([key, own]) => [key, [...own].sort(([g, x], [h, y]) => y - x || g - h)[0]?.[0] ?? 0]),
  );
}

/** Resolves each column of a row among the things that the column speaks of. */
export function refer(ids: (file: RosterFile) => IdOf, values: Columns): IdOf {
  const among: readonly [string, RosterFile][] = [
    ["schoolSourcedId", "orgs"],
    ["orgSourcedId", "orgs"],
    ["courseSourcedId", "courses"],
    ["classSourcedId", "classes"],
    ["userSourcedId", "users"],
  ];
  return (key) => {
    if (!key) return null;
    const [, file] = among.find(([column]) => values[column] === key) ?? ["", "academicSessions" as const];
    return ids(file)(key);
  };
}

/** Gives a row's references back as the file wrote them, for telling what else the file says. */
export function echo(values: Columns, ids: (file: RosterFile) => IdOf): (id: string | null) => string {
  const resolve = refer(ids, values);
  const back = new Map<string, string>();
  for (const [column, value] of Object.entries(values)) {
    if (!column.endsWith("SourcedId") && column !== "termSourcedIds") continue;
    const key = value.split(",")[0]?.trim() ?? "";
    const id = column === "primaryOrgSourcedId" ? ids("orgs")(key) : resolve(key);
    if (id) back.set(id, key);
  }
  return (id) => (id === null ? "" : (back.get(id) ?? ""));
}
