import type { OneRosterFile } from "./oneRosterFiles";

/** One row by column name; empty cells are empty texts. Columns the standard does not know are kept. */
export type OneRosterRow = Readonly<Record<string, string>>;

export interface OneRosterTable {
  /** Bulk is the whole truth for its file; delta holds changes only. */
  readonly mode: "bulk" | "delta";
  readonly rows: readonly OneRosterRow[];
}

export interface OneRosterPackage {
  readonly source: { readonly systemName: string; readonly systemCode: string };
  readonly tables: Readonly<Partial<Record<OneRosterFile, OneRosterTable>>>;
}

/** What is wrong with one cell or row, and, where it can be told, what was meant. Rows count as a spreadsheet shows them. */
export interface OneRosterFault {
  readonly file: string;
  readonly row: number | null;
  readonly column: string | null;
  readonly value: string;
  readonly reason: string;
  readonly suggestion: string | null;
}
