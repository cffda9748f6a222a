import "server-only";
import { dayAfter } from "@/core/calendar/dayAfter";
import { dayBefore } from "@/core/calendar/dayBefore";
import type { SchoolRole } from "@/core/model/roles";
import { lasts } from "@/core/roster/lasts";
import type { RoleRow } from "@/db/queries/roster";
import { endDay, type RosterTable } from "./rosterTable";

const STANDARD_ROLE = {
  coordinator: "siteAdministrator",
  teacher: "teacher",
  specialist: "teacher",
  student: "student",
} as const;

/** Rights over a school are given in Oxbow by hand, never by a file: administrators come in as staff. */
const roleOfStandard = (role: string | undefined): SchoolRole => (role === "student" ? "student" : "teacher");

export const roles: RosterTable<RoleRow> = {
  name: "roles",
  file: "roles",
  isReferredTo: false,
  keepsSource: true,
  rows: ({ roster }) => roster.roles,
  holds: () => true,
  columns: (row, { keyOf }) => ({
    userSourcedId: keyOf(row.personId),
    roleType: "primary",
    role: STANDARD_ROLE[row.role],
    beginDate: row.fromDay ?? "",
    // The standard's end is the first day without; staff have a last day here.
    endDate: row.untilDay === null ? "" : dayAfter(row.untilDay),
    orgSourcedId: keyOf(row.schoolId),
  }),
  schoolOf: ({ schoolId }) => schoolId,
  isActive: lasts,
  own: (values, { idOf }, row) => {
    const role = roleOfStandard(values.role);
    return {
      personId: idOf(values.userSourcedId),
      schoolId: idOf(values.orgSourcedId),
      // A file's word for a role never takes a right away that was given here.
      role: !row || row.role === "student" || role === "student" ? role : row.role,
      fromDay: values.beginDate || null,
      untilDay: values.endDate ? dayBefore(values.endDate) : null,
    };
  },
  fresh: (own, id, { applying }) => (own.personId ? { id, ...own, schoolId: own.schoolId ?? applying.schoolId } : null),
  end: (_row, values, { today }) => ({ untilDay: dayBefore(endDay(values, today)) }),
  back: ({ untilDay, role }) => ({ untilDay, role }),
};
