import "server-only";
import { isEnrolled } from "@/core/roster/isEnrolled";
import { lasts } from "@/core/roster/lasts";
import type { KnownRecord, RosterFile } from "@/core/roster/rosterRecord";
import { wordsOfSupports } from "@/core/roster/supportsWords";
import type { Queryable } from "@/db/connection";
import { sheetExtras, type WholeRoster, wholeRoster } from "@/db/queries/roster";
import {
  type Columns,
  columnsOfClass,
  columnsOfClassStaff,
  columnsOfCourse,
  columnsOfEnrollment,
  columnsOfPerson,
  columnsOfRole,
  columnsOfSchool,
  columnsOfTerm,
  withExtra,
} from "./columnsOfRows";

/** The roster of some schools as records, beside the rows that they stand for. */
export interface KnownRoster {
  readonly rows: WholeRoster;
  readonly records: readonly KnownRecord[];
  /** Id under which files know a thing, by Oxbow's id; "" for null. */
  readonly keyOf: (id: string | null) => string;
}

export async function knownRoster(db: Queryable, schoolIds: readonly string[], today: string): Promise<KnownRoster> {
  const rows = await wholeRoster(db, schoolIds);
  const keys = new Map<string, string>();
  for (const table of [rows.schools, rows.terms, rows.courses, rows.classes, rows.people])
    for (const { id, sourcedId } of table) keys.set(id, sourcedId ?? id);
  const keyOf = (id: string | null) => (id === null ? "" : (keys.get(id) ?? id));
  const schoolOfClass = new Map(rows.classes.map(({ id, schoolId }) => [id, schoolId]));
  const records: KnownRecord[] = [];
  const add = (
    file: RosterFile,
    row: { id: string; sourcedId: string | null; extra: Readonly<Record<string, string>> | null },
    columns: Columns,
    school: string,
    active: boolean,
  ) =>
    records.push({
      file,
      key: row.sourcedId ?? row.id,
      id: row.id,
      values: withExtra(columns, row.extra),
      active,
      fromSource: row.sourcedId !== null,
      school: school === "" ? "" : keyOf(school),
    });
  for (const row of rows.schools) add("orgs", row, columnsOfSchool(row, keyOf), "", row.archivedAt === null);
  for (const row of rows.terms) add("academicSessions", row, columnsOfTerm(row, keyOf), "", row.archivedAt === null);
  for (const row of rows.courses)
    add("courses", row, columnsOfCourse(row, keyOf), row.schoolId, row.archivedAt === null);
  for (const row of rows.classes)
    add("classes", row, columnsOfClass(row, keyOf), row.schoolId, row.archivedAt === null);
  for (const row of rows.people) add("users", row, columnsOfPerson(row, keyOf), row.schoolId, row.archivedAt === null);
  const present = new Set(rows.people.map(({ id }) => id));
  for (const row of rows.roles)
    if (present.has(row.personId)) add("roles", row, columnsOfRole(row, keyOf), row.schoolId, lasts(row, today));
  // The standard wants a role of everybody; who has none written down is what their kind says.
  const withRole = new Set(rows.roles.map(({ personId }) => personId));
  for (const { id, schoolId, kind, archivedAt } of rows.people) {
    if (withRole.has(id)) continue;
    const role = kind === "student" ? ("student" as const) : ("teacher" as const);
    const implied = { id: `role-of:${id}`, personId: id, schoolId, role, fromDay: null, untilDay: null };
    const row = { ...implied, sourcedId: null, extra: null };
    add("roles", row, columnsOfRole(row, keyOf), schoolId, archivedAt === null);
  }
  for (const row of rows.classStaff) {
    const school = schoolOfClass.get(row.classId) ?? "";
    if (present.has(row.personId))
      add("enrollments", row, columnsOfClassStaff(row, school, keyOf), school, lasts(row, today));
  }
  for (const row of rows.enrollments) {
    const school = schoolOfClass.get(row.classId) ?? "";
    if (present.has(row.personId))
      add("enrollments", row, columnsOfEnrollment(row, school, keyOf), school, isEnrolled(row, today));
  }
  return { rows, records, keyOf };
}

/** What only a plain sheet speaks of, as records: who is in the groups that the asker may change, and supports. */
export async function sheetRecords(
  db: Queryable,
  schoolIds: readonly string[],
  groupIds: readonly string[],
  keyOf: KnownRoster["keyOf"],
) {
  const { memberships, groups, supports } = await sheetExtras(db, schoolIds, groupIds);
  const record = (file: RosterFile, id: string, key: string, values: Columns): KnownRecord => ({
    file,
    key,
    id,
    values,
    active: true,
    fromSource: false,
    school: "",
  });
  const records = [
    ...memberships.map((row) =>
      record("memberships", row.id, `${keyOf(row.personId)}|${row.groupId}`, {
        userSourcedId: keyOf(row.personId),
        group: row.groupId,
      }),
    ),
    ...supports.map((row) =>
      record("supports", row.id, `${keyOf(row.personId)}|supports`, {
        userSourcedId: keyOf(row.personId),
        supports: wordsOfSupports(row),
      }),
    ),
  ];
  return { records, groups, supports, memberships };
}
