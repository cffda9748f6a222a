import "server-only";
import type { KnownRecord, RosterFile } from "@/core/roster/rosterRecord";
import { sheetExtras, type WholeRoster, wholeRoster } from "@/db/queries/roster";
import type { Queryable } from "@/db/queryable";
import { ROSTER_TABLES } from "./tables/allTables";
import { withExtra } from "./tables/extra";
import { memberships as membershipTable } from "./tables/memberships";
import { roles as roleTable } from "./tables/roles";
import type { AllRows, KeyOf, Look, RosterTable } from "./tables/rosterTable";
import { supports as supportsTable } from "./tables/supports";

/** The roster of some schools as records, beside the rows that they stand for. */
export interface KnownRoster {
  readonly rows: WholeRoster;
  readonly records: readonly KnownRecord[];
  /** Id under which files know a thing, by Oxbow's id; "" for null. */
  readonly keyOf: KeyOf;
}

/** Columns that every table has which keeps the ids of a source. */
interface SourceRow {
  readonly id: string;
  readonly personId?: string;
  readonly sourcedId: string | null;
  readonly extra: Readonly<Record<string, string>> | null;
}

export async function knownRoster(db: Queryable, schoolIds: readonly string[], today: string): Promise<KnownRoster> {
  const roster = await wholeRoster(db, schoolIds);
  const all: AllRows = { roster, memberships: [], supports: [] };
  const tables = ROSTER_TABLES.filter(({ keepsSource }) => keepsSource);
  const keys = new Map<string, string>();
  for (const table of tables)
    if (table.isReferredTo)
      for (const row of table.rows(all)) keys.set(row.id, (row as unknown as SourceRow).sourcedId ?? row.id);
  const keyOf = (id: string | null) => (id === null ? "" : (keys.get(id) ?? id));
  const schools = new Map(roster.classes.map(({ id, schoolId }) => [id, schoolId]));
  const look: Look = { keyOf, schoolOfClass: (classId) => schools.get(classId) ?? "" };
  const present = new Set(roster.people.map(({ id }) => id));
  const records = tables.flatMap((table) =>
    (table.rows(all) as unknown as SourceRow[]).flatMap((row) =>
      row.personId !== undefined && !present.has(row.personId) ? [] : [recordOf(table, row, look, today)],
    ),
  );
  return { rows: roster, records: [...records, ...impliedRoles(roster, look, today)], keyOf };
}

function recordOf(table: RosterTable, row: SourceRow, look: Look, today: string): KnownRecord {
  const { id, sourcedId, extra } = row;
  const any = row as unknown as Parameters<RosterTable["columns"]>[0];
  const school = table.schoolOf(any, look);
  return {
    file: table.file,
    key: sourcedId ?? id,
    id,
    values: withExtra(table.columns(any, look), extra),
    active: table.isActive(any, today),
    fromSource: sourcedId !== null,
    school: school === "" ? "" : look.keyOf(school),
  };
}

/** The standard wants a role of everybody; who has none written down is what their kind says. */
function impliedRoles({ people, roles }: WholeRoster, look: Look, today: string): KnownRecord[] {
  const withRole = new Set(roles.map(({ personId }) => personId));
  return people.flatMap(({ id, schoolId, kind, archivedAt }) => {
    if (withRole.has(id)) return [];
    const role = kind === "student" ? ("student" as const) : ("teacher" as const);
    const implied = { id: `role-of:${id}`, personId: id, schoolId, role, fromDay: null, untilDay: null };
    const record = recordOf(roleTable as RosterTable, { ...implied, sourcedId: null, extra: null }, look, today);
    return [{ ...record, active: archivedAt === null }];
  });
}

/** What only a plain sheet speaks of, as records: who is in the groups that the asker may change, and supports. */
export async function sheetRecords(
  db: Queryable,
  schoolIds: readonly string[],
  groupIds: readonly string[],
  keyOf: KnownRoster["keyOf"],
) {
  const { memberships, groups, supports } = await sheetExtras(db, schoolIds, groupIds);
  const look: Look = { keyOf, schoolOfClass: () => "" };
  const record = (file: RosterFile, id: string, key: string, values: KnownRecord["values"]): KnownRecord => ({
    file,
    key,
    id,
    values,
    active: true,
    fromSource: false,
    school: "",
  });
  const records = [
    ...memberships.map((row) =>
      record("memberships", row.id, `${keyOf(row.personId)}|${row.groupId}`, membershipTable.columns(row, look)),
    ),
    ...supports.map((row) =>
      record("supports", row.id, `${keyOf(row.personId)}|supports`, supportsTable.columns(row, look)),
    ),
  ];
  return { records, groups, supports, memberships };
}
