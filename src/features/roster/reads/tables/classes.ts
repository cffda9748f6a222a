import "server-only";
import { gradeCode, gradeOfCode } from "@/core/roster/gradeCode";
import type { ClassRow } from "@/db/queries/people";
import { Refusal } from "@/server/runtime/refusal";
import { archive, type Columns, firstOf, type Reading, type RosterTable } from "./rosterTable";

export const classes: RosterTable<ClassRow> = {
  name: "classes",
  file: "classes",
  isReferredTo: true,
  keepsSource: true,
  rows: ({ roster }) => roster.classes,
  holds: () => true,
  columns: (row, { keyOf }) => ({
    title: row.name,
    grades: gradeCode(row.grade),
    courseSourcedId: keyOf(row.courseId),
    // The standard knows no classes of a teacher's own.
    classType: row.kind === "homeroom" ? "homeroom" : "scheduled",
    schoolSourcedId: keyOf(row.schoolId),
    termSourcedIds: keyOf(row.termId),
    subjects: row.subject,
  }),
  schoolOf: ({ schoolId }) => schoolId,
  isActive: ({ archivedAt }) => archivedAt === null,
  own: (values, reading, row) => {
    const { idOf, usualGrades, entry } = reading;
    const course = courseOf(values, reading);
    const kind = values.classType === "homeroom" ? "homeroom" : "scheduled";
    return {
      schoolId: idOf(values.schoolSourcedId),
      termId: idOf(firstOf(values.termSourcedIds)),
      courseId: idOf(values.courseSourcedId),
      name: values.title ?? "",
      subject: firstOf(values.subjects) || course.subject || values.title || "",
      grade: gradeOfCode(values.grades ?? "") ?? course.grade ?? usualGrades.get(entry.key) ?? row?.grade ?? 0,
      // A class that a teacher made stays one, though the standard has no word for it.
      kind: row?.kind === "own" ? "own" : kind,
    };
  },
  fresh: (own, id, { applying }) => {
    const termId = own.termId ?? applying.termId;
    if (!termId) throw new Refusal("conflict", "The school has no term yet, so no class can be made.");
    const schoolId = own.schoolId ?? applying.schoolId;
    return { id, ...own, schoolId, termId, code: applying.newCode(), archivedAt: null, untilDay: null };
  },
  withNew: (row, { entry, applying }) =>
    applying.withClass({
      id: row.id,
      schoolId: String(row.schoolId),
      name: String(row.name),
      subject: String(row.subject),
      grade: Number(row.grade),
      extra: entry.values,
    }),
  ...archive,
};

/** Subject and grade of a class's course, where the class itself is silent. */
function courseOf(values: Columns, { ids, applying }: Reading) {
  const id = ids("courses")(values.courseSourcedId);
  const course = applying.roster.courses.find((row) => row.id === id);
  return { subject: course?.subject ?? null, grade: gradeOfCode(course?.extra?.grades ?? "") };
}
