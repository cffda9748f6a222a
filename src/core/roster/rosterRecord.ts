import type { RosterRemark } from "./rosterRemark";

/**
 * What a roster consists of, named and ordered as the files of OneRoster 1.2: each refers only to those before it. The last
 * two are not in the standard; they come with a plain sheet.
 */
export const ROSTER_FILES = [
  "orgs",
  "academicSessions",
  "courses",
  "classes",
  "users",
  "roles",
  "enrollments",
  "memberships",
  "supports",
] as const;
export type RosterFile = (typeof ROSTER_FILES)[number];

/** One thing of the roster as texts by column; columns and values are those of the standard. Empty texts say nothing. */
export interface RosterRecord {
  readonly file: RosterFile;
  /** The id under which the roster's source knows it ("sourcedId"). */
  readonly key: string;
  readonly values: Readonly<Record<string, string>>;
}

/** A thing of the roster as it stands in Oxbow. */
export interface KnownRecord extends RosterRecord {
  /** Oxbow's own id. */
  readonly id: string;
  readonly active: boolean;
  /** It came in a file, so that a file may end it; what was made in Oxbow stays until somebody ends it there. */
  readonly fromSource: boolean;
  /** Key of its school; "" for what belongs to none. */
  readonly school: string;
}

/** A thing of the roster as a file has it. */
export interface IncomingRecord extends RosterRecord {
  /** Row as a spreadsheet counts, headers being row 1. */
  readonly row: number | null;
  /** The file says that it is no more. */
  readonly gone: boolean;
  /** Its key is an id of the roster's source; a plain sheet has none, and makes keys up that stand for nothing outside. */
  readonly fromSource: boolean;
}

export interface IncomingTable {
  /** Bulk is the whole truth for its file; delta holds changes only. */
  readonly mode: "bulk" | "delta";
  readonly records: readonly IncomingRecord[];
}
export type IncomingRoster = Readonly<Partial<Record<RosterFile, IncomingTable>>>;

/** What is wrong with one cell or row, and, where it can be told, what was meant. Rows count as a spreadsheet shows them. */
export interface RowFault {
  readonly file: string;
  readonly row: number | null;
  readonly column: string | null;
  readonly value: string;
  readonly reason: RosterRemark;
  readonly suggestion: string | null;
}
