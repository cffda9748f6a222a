import "server-only";
import { dayAfter } from "@/core/calendar/dayAfter";
import { dayBefore } from "@/core/calendar/dayBefore";
import { lasts } from "@/core/roster/lasts";
import type { ClassStaffRow } from "@/db/queries/roster";
import { endDay, type RosterTable } from "./rosterTable";

export const classStaff: RosterTable<ClassStaffRow> = {
  name: "classStaff",
  file: "enrollments",
  isReferredTo: false,
  keepsSource: true,
  rows: ({ roster }) => roster.classStaff,
  holds: ({ role }) => role === "teacher",
  columns: (row, { keyOf, schoolOfClass }) => ({
    classSourcedId: keyOf(row.classId),
    schoolSourcedId: keyOf(schoolOfClass(row.classId)),
    userSourcedId: keyOf(row.personId),
    role: "teacher",
    primary: String(row.role === "teacher"),
    beginDate: row.fromDay ?? "",
    // The standard's end is the first day without; staff have a last day here.
    endDate: row.untilDay === null ? "" : dayAfter(row.untilDay),
  }),
  schoolOf: ({ classId }, { schoolOfClass }) => schoolOfClass(classId),
  isActive: lasts,
  own: (values, { idOf }, row) => {
    const role = values.primary === "false" ? "co-teacher" : "teacher";
    return {
      classId: idOf(values.classSourcedId),
      personId: idOf(values.userSourcedId),
      // The standard knows no substitutes and specialists: they stay what they were made here.
      role: !row || row.role === "teacher" || role === "teacher" ? role : row.role,
      fromDay: values.beginDate || null,
      untilDay: values.endDate ? dayBefore(values.endDate) : null,
    };
  },
  fresh: (own, id) => (own.classId && own.personId ? { id, ...own } : null),
  end: (_row, values, { today }) => ({ untilDay: dayBefore(endDay(values, today)) }),
  back: () => null,
};
