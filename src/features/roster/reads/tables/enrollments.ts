import "server-only";
import { isEnrolled } from "@/core/roster/isEnrolled";
import type { EnrollmentRow } from "@/db/queries/roster";
import { endDay, type RosterTable } from "./rosterTable";

export const enrollments: RosterTable<EnrollmentRow> = {
  name: "enrollments",
  file: "enrollments",
  isReferredTo: false,
  keepsSource: true,
  rows: ({ roster }) => roster.enrollments,
  holds: ({ role }) => role !== "teacher",
  columns: (row, { keyOf, schoolOfClass }) => ({
    classSourcedId: keyOf(row.classId),
    schoolSourcedId: keyOf(schoolOfClass(row.classId)),
    userSourcedId: keyOf(row.personId),
    role: "student",
    primary: "",
    beginDate: row.fromDay,
    endDate: row.untilDay ?? "",
  }),
  schoolOf: ({ classId }, { schoolOfClass }) => schoolOfClass(classId),
  isActive: isEnrolled,
  own: (values, { idOf, applying }, row) => ({
    classId: idOf(values.classSourcedId),
    personId: idOf(values.userSourcedId),
    fromDay: values.beginDate || row?.fromDay || applying.today,
    untilDay: values.endDate || null,
  }),
  fresh: (own, id) => (own.classId && own.personId ? { id, ...own } : null),
  end: (_row, values, { today }) => ({ untilDay: endDay(values, today) }),
  // The same place once more gets a row of its own: what was before stays as it was.
  back: () => null,
};
