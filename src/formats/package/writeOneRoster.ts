import { strToU8, zipSync } from "fflate";
import Papa from "papaparse";
import { neutralised } from "../table/neutralised";
import { ONE_ROSTER_COLUMNS, ONE_ROSTER_FILES, type OneRosterFile } from "./oneRosterFiles";
import type { OneRosterPackage, OneRosterRow } from "./oneRosterPackage";

/** Files of the standard that we never write; the manifest must name them as absent. */
const NEVER_WRITTEN = [
  "categories",
  "classResources",
  "courseResources",
  "demographics",
  "lineItemLearningObjectiveIds",
  "lineItems",
  "lineItemScoreScales",
  "resources",
  "resultLearningObjectiveIds",
  "results",
  "resultScoreScales",
  "scoreScales",
  "userProfiles",
  "userResources",
];
/** The same package gives the same bytes: the zip carries no time of its making. */
const MADE_AT = new Date("1980-01-01T00:00:00");

/** A OneRoster 1.2 package as a zip of CSV files with its manifest; cells that look like formulas are neutralised. */
export function writeOneRoster({ source, tables }: OneRosterPackage): Uint8Array {
  const present = ONE_ROSTER_FILES.flatMap((file) => (tables[file] ? [{ file, table: tables[file] }] : []));
  const manifest: (readonly [string, string])[] = [
    ["propertyName", "value"],
    ["manifest.version", "1.0"],
    ["oneroster.version", "1.2"],
    ...[...ONE_ROSTER_FILES, ...NEVER_WRITTEN].map(
      (file) => [`file.${file}`, tables[file as OneRosterFile]?.mode ?? "absent"] as const,
    ),
    ["source.systemName", source.systemName],
    ["source.systemCode", source.systemCode],
  ];
  const files = Object.fromEntries([
    ["manifest.csv", csv(manifest)],
    ...present.map(({ file, table }) => [`${file}.csv`, csv(rowsOf(file, table.rows))] as const),
  ]);
  return zipSync(files, { level: 6, mtime: MADE_AT });
}

/** Header and rows: the standard's columns in their order, then any further ones the rows carry. */
function rowsOf(file: OneRosterFile, rows: readonly OneRosterRow[]): string[][] {
  const standard = ONE_ROSTER_COLUMNS[file].map(({ name }) => name);
  const further = [...new Set(rows.flatMap((row) => Object.keys(row)))]
    .filter((name) => !standard.includes(name))
    .sort();
  const headers = [...standard, ...further];
  return [headers, ...rows.map((row) => headers.map((header) => row[header] ?? ""))];
}

function csv(rows: readonly (readonly string[])[]): Uint8Array {
  return strToU8(
    `${Papa.unparse(
      rows.map((row) => row.map(neutralised)),
      { newline: "\r\n" },
    )}\r\n`,
  );
}
