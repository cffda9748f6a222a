import "server-only";
import type { SchoolRow } from "@/db/queries/people";
import { archive, type RosterTable } from "./rosterTable";

export const schools: RosterTable<SchoolRow> = {
  name: "schools",
  file: "orgs",
  isReferredTo: true,
  keepsSource: true,
  rows: ({ roster }) => roster.schools,
  holds: () => true,
  columns: (row, { keyOf }) => ({ name: row.name, type: row.kind, parentSourcedId: keyOf(row.parentId) }),
  schoolOf: () => "",
  isActive: ({ archivedAt }) => archivedAt === null,
  own: (values, { ids }) => ({
    name: values.name ?? "",
    kind: values.type ?? "school",
    parentId: ids("orgs")(values.parentSourcedId),
  }),
  fresh: (own, id, { applying }) => ({ id, ...own, timeZone: applying.timeZone }),
  // Of a school that comes with a file, only its identifier is more than Oxbow's own columns say.
  extraOfNew: ({ identifier }) => (identifier ? { identifier } : null),
  ...archive,
};
