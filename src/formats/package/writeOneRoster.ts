import { ONE_ROSTER_COLUMNS, ONE_ROSTER_FILES, type OneRosterFile } from "./oneRosterFiles";
import type { OneRosterPackage, OneRosterTable } from "./oneRosterPackage";
import { type ManifestTable, zipOfTables } from "./zipOfTables";

/** A OneRoster 1.2 package of a roster as a zip of CSV files with its manifest. */
export function writeOneRoster({ source, tables }: OneRosterPackage): Uint8Array {
  return zipOfTables(
    source,
    Object.fromEntries(
      ONE_ROSTER_FILES.flatMap((file) => (tables[file] ? [[file, withHeaders(file, tables[file])] as const] : [])),
    ),
  );
}

/** The standard's columns in their order, then any further ones that the rows carry. */
function withHeaders(file: OneRosterFile, { mode, rows }: OneRosterTable): ManifestTable {
  const standard = ONE_ROSTER_COLUMNS[file].map(({ name }) => name);
  const further = [...new Set(rows.flatMap((row) => Object.keys(row)))].filter((name) => !standard.includes(name));
  return { mode, headers: [...standard, ...further.sort()], rows };
}
