import "server-only";
import { inArray } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import { insertMany, manyRows } from "../manyRows";
import type { Queryable } from "../queryable";
import { bankRights, banks } from "../schema/banks";
import { classGoals, pointers, talkNotes, weekExpectations } from "../schema/evidence";
import { itemOriginals } from "../schema/exchange";
import { factSettings } from "../schema/facts";
import type { RowChange } from "../schema/history";
import { itemEnemies, itemParameters, itemSkills, itemStandards, items, itemVersions } from "../schema/items";
import { followedFrameworks, frameworks, standardLinks, standards } from "../schema/library";
import { notes } from "../schema/notes";
import { outsideScores, scoreLists } from "../schema/outsideScores";
import { passages, passageVersions } from "../schema/passages";
import { classes, classStaff, courses, enrollments, holidays, people, roles, schools, terms } from "../schema/people";
import { planEntries, planRights, planSlots, planStarts, plans } from "../schema/plan";
import { groupHabits, groupMembers, groupShares, groups } from "../schema/regroup";
import { ownReteaches, reteachCompared, reteaches, reteachStudents, visits } from "../schema/reteach";
import { reviewSettings, reviewSkills } from "../schema/review";
import { interests, supports } from "../schema/students";
import {
  assignments,
  assignmentTargets,
  furtherTries,
  partItems,
  partOpenings,
  partSkills,
  parts,
  releases,
  series,
  studentLines,
  works,
} from "../schema/work";

type Identified = SQLiteTable & { id: SQLiteColumn };

/** Tables whose changes are recorded and can be undone; each has a text `id`. */
const TABLES = {
  schools,
  terms,
  holidays,
  courses,
  people,
  roles,
  classes,
  classStaff,
  enrollments,
  planEntries,
  plans,
  planSlots,
  planRights,
  planStarts,
  works,
  parts,
  partSkills,
  partItems,
  assignments,
  assignmentTargets,
  furtherTries,
  partOpenings,
  releases,
  series,
  studentLines,
  talkNotes,
  weekExpectations,
  classGoals,
  pointers,
  groups,
  groupMembers,
  groupShares,
  reteaches,
  reteachStudents,
  reteachCompared,
  groupHabits,
  ownReteaches,
  visits,
  scoreLists,
  outsideScores,
  factSettings,
  reviewSettings,
  reviewSkills,
  supports,
  interests,
  banks,
  bankRights,
  items,
  itemVersions,
  itemSkills,
  itemStandards,
  itemOriginals,
  itemEnemies,
  itemParameters,
  passages,
  passageVersions,
  frameworks,
  standards,
  standardLinks,
  followedFrameworks,
  notes,
} satisfies Record<string, Identified>;

export type TableName = keyof typeof TABLES;
export type Row<Name extends TableName> = (typeof TABLES)[Name]["$inferSelect"];
type NewRow<Name extends TableName> = (typeof TABLES)[Name]["$inferInsert"];

/** A new row as a recorded change. */
export function added<Name extends TableName>(table: Name, row: NewRow<Name>): RowChange {
  return { table, id: row.id, before: null, after: row };
}

/** The same for a row whose table is known only when it runs. */
export function addedRow(
  table: TableName,
  row: Readonly<Record<string, unknown>> & { readonly id: string },
): RowChange {
  return { table, id: row.id, before: null, after: row };
}

/** New values for some columns of a row as a recorded change. */
export function changed<Name extends TableName>(table: Name, row: Row<Name>, values: Partial<Row<Name>>): RowChange {
  return changedRow(table, row, values);
}

/** The same for a row whose table is known only when it runs. */
export function changedRow(
  table: TableName,
  row: Readonly<Record<string, unknown>> & { readonly id: string },
  values: Readonly<Record<string, unknown>>,
): RowChange {
  const old = Object.fromEntries(Object.keys(values).map((column) => [column, row[column]]));
  return { table, id: row.id, before: old, after: values };
}

/** Rows of one statement; a remote database limits the text it takes at once. */
const AT_ONCE = 2_000;
const IDS_AT_ONCE = 400;
/** After so many statements other requests get their turn: a local database answers without giving way. */
const STATEMENTS_BETWEEN_PAUSES = 2;

type Work = "insert" | "update" | "delete";
const workOf = ({ before, after }: RowChange): Work =>
  before === null ? "insert" : after === null ? "delete" : "update";

/** Writes the changes in order; neighbours that do the same to one table go together. */
export async function applyRowChanges(tx: Queryable, rows: readonly RowChange[]): Promise<void> {
  let statements = 0;
  for (let at = 0; at < rows.length; ) {
    const first = rows[at] as RowChange;
    const end = endOfRun(rows, at);
    const run = rows.slice(at, end);
    const table = tableOf(first.table);
    const ids = run.map(({ id }) => id);
    if (workOf(first) === "insert")
      await insertMany(
        tx,
        table,
        run.map((row) => row.after ?? {}),
      );
    else if (workOf(first) === "delete") await tx.delete(table).where(inArray(table.id, ids));
    else
      await tx
        .update(table)
        .set({ ...first.after })
        .where(inArray(table.id, ids));
    at = end;
    statements++;
    if (statements % STATEMENTS_BETWEEN_PAUSES === 0) await new Promise((resolve) => setImmediate(resolve));
  }
}

/** Where the neighbours of a change end that can be written by the same statement. */
function endOfRun(rows: readonly RowChange[], start: number): number {
  const first = rows[start] as RowChange;
  const work = workOf(first);
  const values = work === "update" ? JSON.stringify(first.after) : "";
  const most = start + (work === "insert" ? AT_ONCE : IDS_AT_ONCE);
  let end = start + 1;
  while (end < Math.min(rows.length, most)) {
    const row = rows[end] as RowChange;
    if (row.table !== first.table || workOf(row) !== work) break;
    if (work === "update" && JSON.stringify(row.after) !== values) break;
    end++;
  }
  return end;
}

/** The first of the changes whose row no longer reads as the change left it; null when all do. */
export async function firstRowChangedSince(db: Queryable, rows: readonly RowChange[]): Promise<RowChange | null> {
  for (const name of new Set(rows.map(({ table }) => table))) {
    const own = rows.filter(({ table }) => table === name);
    // Two changes of one row in the same entry: only the last one's result is in the table.
    const latest = new Map(own.map((row) => [row.id, row]));
    const table = tableOf(name);
    const ids = [...latest.keys()];
    for (let at = 0; at < ids.length; at += IDS_AT_ONCE) {
      const some = ids.slice(at, at + IDS_AT_ONCE);
      const found: Record<string, unknown>[] = await manyRows(db, table, inArray(table.id, some));
      const byId = new Map(found.map((row) => [row.id as string, row]));
      for (const id of some) {
        const row = latest.get(id) as RowChange;
        const now = byId.get(id);
        const same =
          row.after === null
            ? !now
            : now && Object.entries(row.after).every(([column, value]) => sameValue(now[column], value));
        if (!same) return row;
      }
      await new Promise((resolve) => setImmediate(resolve));
    }
  }
  return null;
}

/** The changes that take the given ones back, last first. */
export function inverse(rows: readonly RowChange[]): RowChange[] {
  return rows.map(({ table, id, before, after }) => ({ table, id, before: after, after: before })).reverse();
}

export async function rowsOfTable<Name extends TableName>(
  db: Queryable,
  name: Name,
  ids: readonly string[],
): Promise<Row<Name>[]> {
  const table = tableOf(name);
  const found: Row<Name>[] = [];
  for (let at = 0; at < ids.length; at += IDS_AT_ONCE)
    found.push(
      ...((await db
        .select()
        .from(table)
        .where(inArray(table.id, ids.slice(at, at + IDS_AT_ONCE)))) as Row<Name>[]),
    );
  return found;
}

export function tableOf(name: string): Identified {
  const table = (TABLES as Record<string, Identified>)[name];
  if (!table) throw new Error(`No recorded table is called ${name}.`);
  return table;
}

function sameValue(one: unknown, other: unknown): boolean {
  return JSON.stringify(one ?? null) === JSON.stringify(other ?? null);
}
