import type { IncomingRecord, IncomingRoster, IncomingTable, RowFault } from "@/core/roster/rosterRecord";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { ONE_ROSTER_FILES } from "../package/oneRosterFiles";
import type { OneRosterPackage, OneRosterRow } from "../package/oneRosterPackage";

const FAMILY = ["guardian", "parent", "relative"];
/** Columns that say something about the row, not about what it stands for; and a password, which is never kept. */
const NOT_KEPT = ["sourcedId", "status", "dateLastModified", "password"];

/**
 * The records of a package. Family members and proctors are left out, with a note: Oxbow has no use for them yet, and keeps
 * no data that it does not need.
 */
export function incomingOfPackage(
  { tables }: OneRosterPackage,
  rowOf: ReadonlyMap<OneRosterRow, number>,
): {
  readonly incoming: IncomingRoster;
  readonly notes: readonly RosterRemark[];
  readonly faults: readonly RowFault[];
} {
  const roles = tables.roles?.rows ?? [];
  const family = familyIn(roles);
  const schoolOf = new Map(roles.toReversed().map((role) => [role.userSourcedId, role.orgSourcedId]));
  const faults: RowFault[] = [];
  let proctors = 0;
  const kept = (file: string, row: OneRosterRow): boolean => {
    if (file === "users") {
      if (tables.roles?.mode === "bulk" && !schoolOf.has(row.sourcedId) && row.status !== "tobedeleted")
        faults.push({
          file: "users.csv",
          row: rowOf.get(row) ?? null,
          column: null,
          value: `${row.givenName ?? ""} ${row.familyName ?? ""}`.trim(),
          reason: remark("person-without-role"),
          suggestion: null,
        });
      else return !family.has(row.sourcedId ?? "");
      return false;
    }
    if (file === "roles") return !family.has(row.userSourcedId ?? "");
    if (file !== "enrollments" || row.role === "student" || row.role === "teacher") return true;
    proctors++;
    return false;
  };
  const incoming = Object.fromEntries(
    ONE_ROSTER_FILES.flatMap((file): [string, IncomingTable][] => {
      const table = tables[file];
      if (!table) return [];
      const records = table.rows
        .filter((row) => kept(file, row))
        .map((row): IncomingRecord => {
          const values: Record<string, string> = {};
          for (const column in row) {
            const value = row[column];
            if (value && !NOT_KEPT.includes(column)) values[column] = value;
          }
          const school = schoolOf.get(row.sourcedId);
          if (file === "users" && !values.primaryOrgSourcedId && school) values.primaryOrgSourcedId = school;
          const gone = row.status === "tobedeleted";
          return { file, key: row.sourcedId ?? "", values, row: rowOf.get(row) ?? null, gone, fromSource: true };
        });
      return [[file, { mode: table.mode, records }]];
    }),
  ) as IncomingRoster;
  const notes = [
    ...(family.size > 0 ? [remark("family-left-out", { count: family.size })] : []),
    ...(proctors > 0 ? [remark("proctors-left-out", { count: proctors })] : []),
  ];
  return { incoming, notes, faults };
}

/** Users all of whose roles are family roles. */
function familyIn(roles: readonly OneRosterRow[]): ReadonlySet<string> {
  const other = new Set(
    roles.filter(({ role }) => !FAMILY.includes(role ?? "")).map(({ userSourcedId }) => userSourcedId),
  );
  return new Set(
    roles.flatMap(({ userSourcedId }) => (userSourcedId && !other.has(userSourcedId) ? [userSourcedId] : [])),
  );
}
