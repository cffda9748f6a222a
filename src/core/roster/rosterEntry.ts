import type { RosterFile } from "./rosterRecord";

export interface ColumnChange {
  readonly column: string;
  readonly from: string;
  readonly to: string;
}

/** What becomes of one thing of the roster. */
export interface RosterEntry {
  readonly file: RosterFile;
  readonly key: string;
  /** The key is an id of the roster's source, to be kept with the row. */
  readonly fromSource: boolean;
  /** Oxbow's id; null for what is added. */
  readonly id: string | null;
  readonly what: "added" | "changed" | "inactive" | "restored";
  /** Row of the file that says so; null for what the file leaves out. */
  readonly row: number | null;
  /** As it will be. */
  readonly values: Readonly<Record<string, string>>;
  readonly changes: readonly ColumnChange[];
}
