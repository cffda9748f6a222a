import "server-only";
import type { RosterEntry } from "@/core/roster/rosterEntry";
import type { RosterFile } from "@/core/roster/rosterRecord";
import type { MembershipRow, SupportsRow, WholeRoster } from "@/db/queries/roster";
import type { TableName } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { PlannedClass } from "./plannedClass";

export type Columns = Readonly<Record<string, string>>;
export type IdOf = (key: string | undefined) => string | null;
export type KeyOf = (id: string | null) => string;
export type AnyRow = Readonly<Record<string, unknown>> & { readonly id: string };

/** The roster as it stands, with what only a plain sheet speaks of. */
export interface AllRows {
  readonly roster: WholeRoster;
  readonly supports: readonly SupportsRow[];
  readonly memberships: readonly MembershipRow[];
}

/** All that applying a difference needs to know. */
export interface Applying extends AllRows {
  readonly keyOf: KeyOf;
  readonly links: Readonly<Record<string, string>>;
  readonly schoolId: string;
  readonly timeZone: string;
  readonly termId: string | null;
  readonly now: number;
  readonly today: string;
  readonly newId: () => string;
  readonly newCode: () => string;
  /** Rows that go with a new class, such as its plan. */
  readonly withClass: (row: PlannedClass) => readonly RowChange[];
}

/** What turning a row into columns looks up: ids as files know them, and the school of a class. */
export interface Look {
  readonly keyOf: KeyOf;
  schoolOfClass(classId: string): string;
}

/** An entry that is to become a row, with what is looked up for it. */
export interface Reading {
  readonly entry: RosterEntry;
  /** Oxbow's id for an id of the file, by the file that it stands in. */
  readonly ids: (file: RosterFile) => IdOf;
  /** The same, by the column of this entry that names it. */
  readonly idOf: IdOf;
  /** Students and staff by the key of their person. */
  readonly kinds: ReadonlyMap<string, "staff" | "student">;
  /** The grade that most students of a class are in, by the class's key. */
  readonly usualGrades: ReadonlyMap<string, number>;
  /** The way back to columns, for what else a file says of a known row. */
  readonly look: Look;
  readonly applying: Applying;
}

/**
 * One table of the roster: all that is peculiar to it on the way out to files and in from them. Whatever walks through the
 * roster walks through these.
 */
export interface RosterTable<Row extends { readonly id: string } = AnyRow> {
  readonly name: TableName;
  readonly file: RosterFile;
  /** Other files refer to its rows by their ids. */
  readonly isReferredTo: boolean;
  /** Its rows keep the source's id and what of a file's row Oxbow's own columns do not say. */
  readonly keepsSource: boolean;
  rows(all: AllRows): readonly Row[];
  /** Whether a row of the file belongs here: two tables share the enrollments. */
  holds(values: Columns): boolean;
  /** The row in the columns of the standard. */
  columns(row: Row, look: Look): Columns;
  /** Oxbow's id of the row's school; "" for none. */
  schoolOf(row: Row, look: Look): string;
  isActive(row: Row, today: string): boolean;
  /** Oxbow's own columns as an entry has them; what is null says nothing. `row` is what they are to change. */
  own(values: Columns, reading: Reading, row: Row | null): Readonly<Record<string, unknown>>;
  /** A whole new row of them; null when it refers to what is not known. */
  fresh(own: Readonly<Record<string, unknown>>, id: string, reading: Reading): AnyRow | null;
  /** Where more than the columns' leftovers is to be kept of the source's row, or less. */
  extraOfNew?(values: Columns): Readonly<Record<string, string>> | null;
  /** Further rows that go with a new one. */
  withNew?(row: AnyRow, reading: Reading): readonly RowChange[];
  /** What ends a row: nothing is deleted, everything that hangs on it stays. Null when nothing does. */
  end(row: Row, values: Columns, applying: Applying): Readonly<Record<string, unknown>> | null;
  /** What brings an ended row back; null when a new one begins beside it. */
  back(own: Readonly<Record<string, unknown>>): Readonly<Record<string, unknown>> | null;
}

/** The first entry of a list in one cell. */
export const firstOf = (list: string | undefined) => list?.split(",")[0]?.trim() ?? "";
/** What archives a row, and what brings it back from there. */
export const archive = {
  end: (_row: unknown, _values: Columns, { now }: Applying) => ({ archivedAt: now }),
  back: () => ({ archivedAt: null }),
} as const;
/** The file may say that a thing ended some days ago; the end is exclusive. */
export const endDay = ({ endDate }: Columns, today: string) => (endDate && endDate < today ? endDate : today);
