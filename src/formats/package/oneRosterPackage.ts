import type { OneRosterFile } from "./oneRosterFiles";

/** One row by column name; empty cells are empty texts. Columns the standard does not know are kept. */
export type OneRosterRow = Readonly<Record<string, string>>;

export interface OneRosterTable {
  /** Bulk is the whole truth for its file; delta holds changes only. */
  readonly mode: "bulk" | "delta";
  readonly rows: readonly OneRosterRow[];
}

export interface OneRosterSource {
  readonly systemName: string;
  readonly systemCode: string;
}

export interface OneRosterPackage {
  readonly source: OneRosterSource;
  readonly tables: Readonly<Partial<Record<OneRosterFile, OneRosterTable>>>;
}
