import "server-only";
import { dayAfter } from "@/core/calendar/dayAfter";
import { gradeCode } from "@/core/roster/gradeCode";
import type { ClassRow, PersonRow, SchoolRow } from "@/db/queries/people";
import type { ClassStaffRow, CourseRow, EnrollmentRow, RoleRow, TermRow } from "@/db/queries/roster";

/**
 * The columns of the roster standard as Oxbow's own columns give them. `keyOf` gives the id under which files know a thing.
 * Each has its counterpart in `writes/apply/rowsOfColumns.ts`; what is not covered here is kept in a row's `extra`.
 */
export type Columns = Record<string, string>;
type KeyOf = (id: string | null) => string;

export const columnsOfSchool = (row: SchoolRow, keyOf: KeyOf): Columns => ({
  name: row.name,
  type: row.kind,
  parentSourcedId: keyOf(row.parentId),
});

export const columnsOfTerm = (row: TermRow, keyOf: KeyOf): Columns => ({
  title: row.name,
  type: row.kind,
  startDate: row.startDay,
  endDate: row.endDay,
  parentSourcedId: keyOf(row.parentId),
  schoolYear: String(row.schoolYear ?? endYear(row.startDay)),
});

/** The year in which a school year ends that holds the day; it begins in August. */
function endYear(day: string): number {
  const [year = 0, month = 1] = day.split("-").map(Number);
  return month >= 8 ? year + 1 : year;
}

export const columnsOfCourse = (row: CourseRow, keyOf: KeyOf): Columns => ({
  title: row.title,
  orgSourcedId: keyOf(row.schoolId),
  subjects: row.subject ?? "",
});

export const columnsOfClass = (row: ClassRow, keyOf: KeyOf): Columns => ({
  title: row.name,
  grades: gradeCode(row.grade),
  courseSourcedId: keyOf(row.courseId),
  // The standard knows no classes of a teacher's own.
  classType: row.kind === "homeroom" ? "homeroom" : "scheduled",
  schoolSourcedId: keyOf(row.schoolId),
  termSourcedIds: keyOf(row.termId),
  subjects: row.subject,
});

export const columnsOfPerson = (row: PersonRow, keyOf: KeyOf): Columns => ({
  enabledUser: "true",
  username: row.username ?? row.email ?? row.studentNumber ?? row.id,
  givenName: row.givenName,
  familyName: row.familyName,
  identifier: row.studentNumber ?? "",
  email: row.email ?? "",
  grades: gradeCode(row.grade),
  primaryOrgSourcedId: keyOf(row.schoolId),
  birthYear: row.birthYear === null ? "" : String(row.birthYear),
});

const STANDARD_ROLE = {
  coordinator: "siteAdministrator",
  teacher: "teacher",
  specialist: "teacher",
  student: "student",
} as const;

export const columnsOfRole = (row: RoleRow, keyOf: KeyOf): Columns => ({
  userSourcedId: keyOf(row.personId),
  roleType: "primary",
  role: STANDARD_ROLE[row.role],
  beginDate: row.fromDay ?? "",
  endDate: row.untilDay === null ? "" : dayAfter(row.untilDay),
  orgSourcedId: keyOf(row.schoolId),
});

export const columnsOfClassStaff = (row: ClassStaffRow, schoolId: string, keyOf: KeyOf): Columns => ({
  classSourcedId: keyOf(row.classId),
  schoolSourcedId: keyOf(schoolId),
  userSourcedId: keyOf(row.personId),
  role: "teacher",
  primary: String(row.role === "teacher"),
  beginDate: row.fromDay ?? "",
  endDate: row.untilDay === null ? "" : dayAfter(row.untilDay),
});

export const columnsOfEnrollment = (row: EnrollmentRow, schoolId: string, keyOf: KeyOf): Columns => ({
  classSourcedId: keyOf(row.classId),
  schoolSourcedId: keyOf(schoolId),
  userSourcedId: keyOf(row.personId),
  role: "student",
  primary: "",
  beginDate: row.fromDay,
  endDate: row.untilDay ?? "",
});

/** Columns in which several of the standard's values are one to Oxbow: the file's own value stays. */
const COARSER_HERE = ["role", "roleType", "enabledUser", "classType"];

/**
 * Oxbow's columns, completed by what was kept of the file. Its longer lists count as long as their first entry is still
 * Oxbow's: a student who was moved to another grade here is not moved back by what a file said before.
 */
export function withExtra(columns: Columns, extra: Readonly<Record<string, string>> | null): Columns {
  const all = { ...columns };
  for (const [column, kept] of Object.entries(extra ?? {})) {
    const own = columns[column] ?? "";
    const same = kept.split(",")[0]?.trim().toLowerCase() === own.toLowerCase();
    if (own === "" || same || COARSER_HERE.includes(column)) all[column] = kept;
  }
  for (const column in all) if (all[column] === "") delete all[column];
  return all;
}
