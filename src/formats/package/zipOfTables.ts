import { strToU8, zipSync } from "fflate";
import Papa from "papaparse";
import { neutralised } from "../table/neutralised";
import type { OneRosterRow, OneRosterSource } from "./oneRosterPackage";

/** A file of a package: its columns in the standard's order, and its rows by column. */
export interface ManifestTable {
  readonly mode: "bulk" | "delta";
  readonly headers: readonly string[];
  readonly rows: readonly OneRosterRow[];
}

/** Every file that the standard knows; the manifest names those that are absent, too. */
const FILES = [
  "orgs",
  "academicSessions",
  "courses",
  "classes",
  "users",
  "roles",
  "enrollments",
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

/** Tables as a OneRoster 1.2 zip of CSV files with its manifest; cells that look like formulas are neutralised. */
export function zipOfTables(
  source: OneRosterSource,
  tables: Readonly<Partial<Record<string, ManifestTable>>>,
): Uint8Array {
  const manifest: string[][] = [
    ["propertyName", "value"],
    ["manifest.version", "1.0"],
    ["oneroster.version", "1.2"],
    ...FILES.map((file) => [`file.${file}`, tables[file]?.mode ?? "absent"]),
    ["source.systemName", source.systemName],
    ["source.systemCode", source.systemCode],
  ];
  const files = Object.fromEntries([
    ["manifest.csv", csv(manifest)],
    ...FILES.flatMap((file) => {
      const table = tables[file];
      if (!table) return [];
      const { headers, rows } = table;
      return [
        [`${file}.csv`, csv([[...headers], ...rows.map((row) => headers.map((name) => row[name] ?? ""))])] as const,
      ];
    }),
  ]);
  return zipSync(files, { level: 6, mtime: MADE_AT });
}

function csv(rows: readonly (readonly string[])[]): Uint8Array {
  return strToU8(
    `${Papa.unparse(
      rows.map((row) => row.map(neutralised)),
      { newline: "\r\n" },
    )}\r\n`,
  );
}
