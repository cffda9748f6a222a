import "server-only";
import { gradeCode, gradeOfCode } from "@/core/roster/gradeCode";
import type { PersonRow } from "@/db/queries/people";
import { archive, type RosterTable } from "./rosterTable";

export const people: RosterTable<PersonRow> = {
  name: "people",
  file: "users",
  isReferredTo: true,
  keepsSource: true,
  rows: ({ roster }) => roster.people,
  holds: () => true,
  columns: (row, { keyOf }) => ({
    enabledUser: "true",
    username: usernameOf(row),
    givenName: row.givenName,
    familyName: row.familyName,
    identifier: row.studentNumber ?? "",
    email: row.email ?? "",
    grades: gradeCode(row.grade),
    primaryOrgSourcedId: keyOf(row.schoolId),
    birthYear: row.birthYear === null ? "" : String(row.birthYear),
  }),
  schoolOf: ({ schoolId }) => schoolId,
  isActive: ({ archivedAt }) => archivedAt === null,
  own: (values, { ids }, row) => ({
    schoolId: ids("orgs")(values.primaryOrgSourcedId),
    givenName: values.givenName ?? "",
    familyName: values.familyName ?? "",
    studentNumber: values.identifier || null,
    email: values.email?.toLowerCase() || null,
    // What stands in for a name that nobody chose says nothing when it comes back.
    username: (row && values.username === usernameOf(row) ? null : values.username) || null,
    grade: gradeOfCode(values.grades ?? ""),
    birthYear: Number(values.birthYear) || null,
  }),
  fresh: (own, id, { entry, kinds, applying }) => ({
    id,
    ...own,
    kind: kinds.get(entry.key) ?? (entry.values.grades ? "student" : "staff"),
    schoolId: own.schoolId ?? applying.schoolId,
    archivedAt: null,
    erasedAt: null,
  }),
  ...archive,
};

/** The standard wants a username of everybody. */
const usernameOf = ({ id, username, email, studentNumber }: PersonRow) => username ?? email ?? studentNumber ?? id;
