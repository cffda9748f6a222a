import "server-only";
import { dayBefore } from "@/core/calendar/dayBefore";
import type { ClassRole, SchoolRole } from "@/core/model/roles";
import { gradeOfCode } from "@/core/roster/gradeCode";

/**
 * Oxbow's own columns as the columns of the roster standard give them: the counterpart of `reads/columnsOfRows.ts`.
 * `idOf` gives Oxbow's id for an id of the file; null when nothing is known under it.
 */
type Columns = Readonly<Record<string, string>>;
type IdOf = (key: string | undefined) => string | null;

const first = (list: string | undefined) => list?.split(",")[0]?.trim() ?? "";

export const schoolOfColumns = (columns: Columns, idOf: IdOf) => ({
  name: columns.name ?? "",
  kind: columns.type ?? "school",
  parentId: idOf(columns.parentSourcedId),
});

export const termOfColumns = (columns: Columns, idOf: IdOf) => ({
  name: columns.title ?? "",
  kind: columns.type ?? "term",
  startDay: columns.startDate ?? "",
  endDay: columns.endDate ?? "",
  parentId: idOf(columns.parentSourcedId),
  schoolYear: Number(columns.schoolYear) || null,
});

export const courseOfColumns = (columns: Columns, idOf: IdOf) => ({
  schoolId: idOf(columns.orgSourcedId),
  title: columns.title ?? "",
  subject: first(columns.subjects) || null,
});

export const classOfColumns = (
  columns: Columns,
  idOf: IdOf,
  course: { subject: string | null; grade: number | null },
) => ({
  schoolId: idOf(columns.schoolSourcedId),
  termId: idOf(first(columns.termSourcedIds)),
  courseId: idOf(columns.courseSourcedId),
  name: columns.title ?? "",
  subject: first(columns.subjects) || course.subject || columns.title || "",
  grade: gradeOfCode(columns.grades ?? "") ?? course.grade ?? 0,
  kind: columns.classType === "homeroom" ? ("homeroom" as const) : ("scheduled" as const),
});

export const personOfColumns = (columns: Columns, idOf: IdOf) => ({
  schoolId: idOf(columns.primaryOrgSourcedId),
  givenName: columns.givenName ?? "",
  familyName: columns.familyName ?? "",
  studentNumber: columns.identifier || null,
  email: columns.email?.toLowerCase() || null,
  username: columns.username || null,
  grade: gradeOfCode(columns.grades ?? ""),
  birthYear: Number(columns.birthYear) || null,
});

/** Rights over a school are given in Oxbow by hand, never by a file: administrators come in as staff. */
export const roleOfStandard = (role: string | undefined): SchoolRole => (role === "student" ? "student" : "teacher");

/** The standard's end is the first day without; staff have a last day here. */
const lastDay = (endDate: string | undefined) => (endDate ? dayBefore(endDate) : null);

export const roleOfColumns = (columns: Columns, idOf: IdOf) => ({
  personId: idOf(columns.userSourcedId),
  schoolId: idOf(columns.orgSourcedId),
  role: roleOfStandard(columns.role),
  fromDay: columns.beginDate || null,
  untilDay: lastDay(columns.endDate),
});

export const classStaffOfColumns = (columns: Columns, idOf: IdOf) => ({
  classId: idOf(columns.classSourcedId),
  personId: idOf(columns.userSourcedId),
  role: (columns.primary === "false" ? "co-teacher" : "teacher") satisfies ClassRole as ClassRole,
  fromDay: columns.beginDate || null,
  untilDay: lastDay(columns.endDate),
});

export const enrollmentOfColumns = (columns: Columns, idOf: IdOf, today: string) => ({
  classId: idOf(columns.classSourcedId),
  personId: idOf(columns.userSourcedId),
  fromDay: columns.beginDate || today,
  untilDay: columns.endDate || null,
});
