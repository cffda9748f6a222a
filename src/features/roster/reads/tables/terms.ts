import "server-only";
import type { TermRow } from "@/db/queries/roster";
import { archive, type RosterTable } from "./rosterTable";

export const terms: RosterTable<TermRow> = {
  name: "terms",
  file: "academicSessions",
  isReferredTo: true,
  keepsSource: true,
  rows: ({ roster }) => roster.terms,
  holds: () => true,
  columns: (row, { keyOf }) => ({
    title: row.name,
    type: row.kind,
    startDate: row.startDay,
    endDate: row.endDay,
    parentSourcedId: keyOf(row.parentId),
    schoolYear: String(row.schoolYear ?? endYear(row.startDay)),
  }),
  schoolOf: () => "",
  isActive: ({ archivedAt }) => archivedAt === null,
  own: (values, { ids }) => ({
    name: values.title ?? "",
    kind: values.type ?? "term",
    startDay: values.startDate ?? "",
    endDay: values.endDate ?? "",
    parentId: ids("academicSessions")(values.parentSourcedId),
    schoolYear: Number(values.schoolYear) || null,
  }),
  fresh: (own, id, { applying }) => ({ id, ...own, schoolId: applying.schoolId }),
  extraOfNew: () => null,
  ...archive,
};

/** The year in which a school year ends that holds the day; it begins in August. */
function endYear(day: string): number {
  const [year = 0, month = 1] = day.split("-").map(Number);
  return month >= 8 ? year + 1 : year;
}
