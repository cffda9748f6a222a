import { idsInCircles } from "@/core/roster/idsInCircles";
import type { RowFault } from "@/core/roster/rosterRecord";
import { remark } from "@/core/roster/rosterRemark";
import { faultNoter } from "./faultNoter";
import { ONE_ROSTER_COLUMNS, ONE_ROSTER_FILES, type OneRosterFile } from "./oneRosterFiles";
import type { OneRosterRow, OneRosterTable } from "./oneRosterPackage";

type Tables = Readonly<Partial<Record<OneRosterFile, OneRosterTable>>>;

/**
 * Leaves out rows that refer to something the package does not hold, and those that hang on them, file by file in the order
 * of their references; circles of parents are cut. A file that is absent or delta may leave out what it refers to: then
 * nothing can be said, and the row stays.
 */
export function checkReferences(tables: Tables, rowOf: ReadonlyMap<OneRosterRow, number>, faults: RowFault[]): Tables {
  const sound: Partial<Record<OneRosterFile, OneRosterTable>> = {};
  for (const file of ONE_ROSTER_FILES) {
    const table = tables[file];
    if (!table) continue;
    const inCircle = idsInCircles(parentsOf(table.rows));
    const own = new Set(table.rows.map((row) => row.sourcedId ?? ""));
    const known = (to: OneRosterFile) => {
      if (to === file) return table.mode === "bulk" ? own : null;
      const other = sound[to];
      return other?.mode === "bulk" ? new Set(other.rows.map((row) => row.sourcedId ?? "")) : null;
    };
    const references = ONE_ROSTER_COLUMNS[file].flatMap(({ name, of }) =>
      of.kind === "reference" || of.kind === "references"
        ? [{ name, many: of.kind === "references", ids: known(of.to), to: of.to }]
        : [],
    );
    const fault = faultNoter(`${file}.csv`, faults);
    const rows = table.rows.filter((row) => {
      const before = faults.length;
      const number = rowOf.get(row) ?? null;
      for (const { name, many, ids, to } of references) {
        const value = row[name] ?? "";
        if (value === "" || !ids) continue;
        if (ids.has(value)) continue;
        const missing = (many ? value.split(",").map((id) => id.trim()) : [value]).filter((id) => !ids.has(id));
        if (missing.length > 0)
          fault(number, name, missing.join(","), remark("reference-missing", { file: `${to}.csv` }));
      }
      if (inCircle.has(row.sourcedId ?? ""))
        fault(number, "parentSourcedId", row.parentSourcedId ?? "", remark("parents-in-circle"));
      return faults.length === before;
    });
    sound[file] = { ...table, rows };
  }
  return sound;
}

const parentsOf = (rows: readonly OneRosterRow[]): ReadonlyMap<string, string> =>
  new Map(rows.flatMap((row) => (row.parentSourcedId ? [[row.sourcedId ?? "", row.parentSourcedId] as const] : [])));
