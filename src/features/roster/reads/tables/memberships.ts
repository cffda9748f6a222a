import "server-only";
import type { MembershipRow } from "@/db/queries/roster";
import type { RosterTable } from "./rosterTable";

/** Who is in which group: no file of the standard speaks of them, only a plain sheet. */
export const memberships: RosterTable<MembershipRow> = {
  name: "groupMembers",
  file: "memberships",
  isReferredTo: false,
  keepsSource: false,
  rows: (all) => all.memberships,
  holds: () => true,
  columns: (row, { keyOf }) => ({ userSourcedId: keyOf(row.personId), group: row.groupId }),
  schoolOf: () => "",
  isActive: ({ untilDay }) => untilDay === null,
  own: (values, { ids }, row) =>
    row ? {} : { personId: ids("users")(values.userSourcedId), groupId: values.group || null },
  fresh: (own, id, { applying }) =>
    own.personId && own.groupId ? { id, ...own, fromDay: applying.today, untilDay: null } : null,
  end: (_row, _values, { today }) => ({ untilDay: today }),
  back: () => null,
};
