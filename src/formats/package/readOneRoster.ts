import type { RowFault } from "@/core/roster/rosterRecord";
import { type RosterRemark, remark } from "@/core/roster/rosterRemark";
import { checkCell } from "./checkCell";
import { checkReferences } from "./checkReferences";
import { faultNoter } from "./faultNoter";
import { ONE_ROSTER_COLUMNS, ONE_ROSTER_FILES, type OneRosterFile } from "./oneRosterFiles";
import type { OneRosterPackage, OneRosterRow, OneRosterTable } from "./oneRosterPackage";
import { type Repairs, readTable, type TableReading } from "./readTable";
import { readZip } from "./readZip";
import { rolesOfOlderUsers } from "./rolesOfOlderUsers";

export type OneRosterReading =
  | {
      readonly ok: true;
      readonly package: OneRosterPackage;
      /** Row of each row of the package, as a spreadsheet shows it; rows made up for older packages have none. */
      readonly rowOf: ReadonlyMap<OneRosterRow, number>;
      /** Rows with a fault are left out of the package, each with its reason. */
      readonly faults: readonly RowFault[];
      /** Files in the zip that are not part of rostering and were left unread. */
      readonly unread: readonly string[];
    }
  | { readonly ok: false; readonly why: RosterRemark };

const LIMITS = { mostFiles: 40, mostBytes: 400_000_000, mostExpansion: 300 } as const;
const NO_MANIFEST = { source: { systemName: "", systemCode: "" }, modes: new Map<string, string>() };

/**
 * Reads a OneRoster 1.2 package (1.1 too) into its tables. Every row that breaks the standard is reported with file, row,
 * column and, where it can be told, what was meant; the others are taken. A package that cannot be read at all says why.
 * Never throws. Columns the standard does not know are kept with their rows.
 */
export function readOneRoster(
  bytes: Uint8Array,
  repairs: Repairs = {},
  progress: (share: number, what: RosterRemark) => void = () => {},
): OneRosterReading {
  const zip = readZip(bytes, LIMITS);
  if (!zip.ok) return zip;
  const known = ONE_ROSTER_FILES.filter((file) => zip.files.has(`${file}.csv`));
  if (known.length === 0) return { ok: false, why: remark("no-roster-files") };
  const faults: RowFault[] = [];
  const { source, modes } = readManifest(zip.files.get("manifest.csv"), faults);
  const rowOf = new Map<OneRosterRow, number>();
  const tables: Partial<Record<OneRosterFile, OneRosterTable>> = {};
  for (const [place, file] of known.entries()) {
    progress(place / known.length, remark("reading-file", { name: `${file}.csv` }));
    const mode = modes.get(file) ?? "bulk";
    if (mode === "absent") continue;
    const reading = readTable(`${file}.csv`, zip.files.get(`${file}.csv`) ?? new Uint8Array(), repairs);
    faults.push(...reading.faults);
    const older = file === "users" && !known.includes("roles") && reading.headers.includes("role");
    if (older) tables.roles = { mode: mode === "delta" ? "delta" : "bulk", rows: rolesOfOlderUsers(reading.rows) };
    const optional = older ? ["username", "enabledUser"] : [];
    for (const [row, number] of reading.rowOf) rowOf.set(row, number);
    const rows = soundRows(file, reading, optional, faults);
    tables[file] = { mode: mode === "delta" ? "delta" : "bulk", rows };
  }
  const sound = checkReferences(tables, rowOf, faults);
  const names = new Set<string>([...ONE_ROSTER_FILES.map((file) => `${file}.csv`), "manifest.csv"]);
  return {
    ok: true,
    package: { source, tables: sound },
    rowOf,
    faults,
    unread: [...zip.files.keys()].filter((name) => !names.has(name)),
  };
}

function readManifest(bytes: Uint8Array | undefined, faults: RowFault[]) {
  const fault = faultNoter("manifest.csv", faults);
  if (!bytes) {
    fault(null, null, "", remark("no-manifest"));
    return NO_MANIFEST;
  }
  const reading = readTable("manifest.csv", bytes);
  faults.push(...reading.faults);
  const properties = new Map(reading.rows.map((row) => [row.propertyName ?? "", row.value ?? ""]));
  const modes = new Map<string, string>();
  for (const [name, value] of properties) {
    const file = /^file\.(.+)$/.exec(name)?.[1];
    if (!file) continue;
    if (["absent", "bulk", "delta"].includes(value)) modes.set(file, value);
    else fault(null, name, value, remark("mode-not-known"));
  }
  return {
    source: {
      systemName: properties.get("source.systemName") ?? "",
      systemCode: properties.get("source.systemCode") ?? "",
    },
    modes,
  };
}

/** The rows that fit their columns, each id once. */
function soundRows(
  file: OneRosterFile,
  { headers, rows, rowOf }: TableReading,
  optional: readonly string[],
  faults: RowFault[],
): OneRosterRow[] {
  const fault = faultNoter(`${file}.csv`, faults);
  const columns = ONE_ROSTER_COLUMNS[file].map((column) =>
    optional.includes(column.name) ? { ...column, required: false } : column,
  );
  const missing = columns.filter(({ name, required }) => required && !headers.includes(name)).map(({ name }) => name);
  if (missing.length > 0) {
    if (headers.length > 0) fault(1, missing.join(", "), headers.join(","), remark("columns-missing"));
    return [];
  }
  const seen = new Set<string>();
  return rows.filter((row) => {
    const before = faults.length;
    const number = rowOf.get(row) ?? null;
    for (const { name, required, of } of columns) {
      const value = row[name] ?? "";
      if (value === "") {
        if (required) fault(number, name, "", remark("cell-empty"));
        continue;
      }
      const problem = checkCell(value, of);
      if (problem) fault(number, name, value, problem.reason, problem.suggestion);
    }
    const id = row.sourcedId ?? "";
    if (id !== "" && seen.has(id)) fault(number, "sourcedId", id, remark("id-twice"));
    seen.add(id);
    return faults.length === before;
  });
}
