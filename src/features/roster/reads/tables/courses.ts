import "server-only";
import type { CourseRow } from "@/db/queries/roster";
import { archive, firstOf, type RosterTable } from "./rosterTable";

export const courses: RosterTable<CourseRow> = {
  name: "courses",
  file: "courses",
  isReferredTo: true,
  keepsSource: true,
  rows: ({ roster }) => roster.courses,
  holds: () => true,
  columns: (row, { keyOf }) => ({
    title: row.title,
    orgSourcedId: keyOf(row.schoolId),
    subjects: row.subject ?? "",
  }),
  schoolOf: ({ schoolId }) => schoolId,
  isActive: ({ archivedAt }) => archivedAt === null,
  own: (values, { ids }) => ({
    schoolId: ids("orgs")(values.orgSourcedId),
    title: values.title ?? "",
    subject: firstOf(values.subjects) || null,
  }),
  fresh: (own, id, { applying }) => ({
    id,
    ...own,
    schoolId: own.schoolId ?? applying.schoolId,
    archivedAt: null,
  }),
  ...archive,
};
