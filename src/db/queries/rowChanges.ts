import "server-only";
import { and, eq, inArray, isNull } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import type { Queryable } from "../connection";
import { changes, type RowChange, rosterDrafts } from "../schema/history";
import { classes, classStaff, enrollments, people } from "../schema/people";
import { planEntries } from "../schema/plan";
import { groupMembers, groups, reteachBaselines, reteaches } from "../schema/regroup";
import { workSkills, works, workTargets } from "../schema/work";

type Identified = SQLiteTable & { id: SQLiteColumn };

/** Tables whose changes are recorded and can be undone; each has a text `id`. */
const TABLES = {
  people,
  classes,
  classStaff,
  enrollments,
  planEntries,
  works,
  workSkills,
  workTargets,
  groups,
  groupMembers,
  reteaches,
  reteachBaselines,
  rosterDrafts,
} satisfies Record<string, Identified>;

export type TableName = keyof typeof TABLES;
type Row<Name extends TableName> = (typeof TABLES)[Name]["$inferSelect"];

/** A new row as a recorded change. */
export function added<Name extends TableName>(table: Name, row: Row<Name>): RowChange {
  return { table, id: row.id, before: null, after: row };
}

/** New values for some columns of a row as a recorded change. */
export function changed<Name extends TableName>(table: Name, row: Row<Name>, values: Partial<Row<Name>>): RowChange {
  const old = Object.fromEntries(
    Object.keys(values).map((column) => [column, (row as Record<string, unknown>)[column]]),
  );
  return { table, id: row.id, before: old, after: values };
}

const INSERT_AT_ONCE = 50;

/** Writes the changes in order; neighbouring inserts into one table go together. */
export async function applyRowChanges(tx: Queryable, rows: readonly RowChange[]): Promise<void> {
  for (let at = 0; at < rows.length; ) {
    const first = rows[at] as RowChange;
    const table = tableOf(first.table);
    if (first.before === null) {
      let end = at + 1;
      while (
        end < rows.length &&
        end - at < INSERT_AT_ONCE &&
        rows[end]?.before === null &&
        rows[end]?.table === first.table
      )
        end++;
      await tx.insert(table).values(rows.slice(at, end).map((row) => row.after ?? {}));
      at = end;
      continue;
    }
    if (first.after === null) await tx.delete(table).where(eq(table.id, first.id));
    else
      await tx
        .update(table)
        .set({ ...first.after })
        .where(eq(table.id, first.id));
    at++;
  }
}

/** The first of the changes whose row no longer reads as the change left it; null when all do. */
export async function firstRowChangedSince(db: Queryable, rows: readonly RowChange[]): Promise<RowChange | null> {
  for (const row of rows) {
    const table = tableOf(row.table);
    const [now] = (await db.select().from(table).where(eq(table.id, row.id))) as Record<string, unknown>[];
    const same =
      row.after === null
        ? !now
        : now && Object.entries(row.after).every(([column, value]) => sameValue(now[column], value));
    if (!same) return row;
  }
  return null;
}

/** The changes that take the given ones back, last first. */
export function inverse(rows: readonly RowChange[]): RowChange[] {
  return rows.map(({ table, id, before, after }) => ({ table, id, before: after, after: before })).reverse();
}

export async function insertChange(tx: Queryable, change: typeof changes.$inferInsert): Promise<void> {
  await tx.insert(changes).values(change);
}

export async function changeById(db: Queryable, id: string) {
  const [change] = await db.select().from(changes).where(eq(changes.id, id));
  return change ?? null;
}

export async function markUndone(tx: Queryable, id: string, at: number): Promise<void> {
  await tx
    .update(changes)
    .set({ undoneAt: at })
    .where(and(eq(changes.id, id), isNull(changes.undoneAt)));
}

export async function rowsOfTable<Name extends TableName>(
  db: Queryable,
  name: Name,
  ids: readonly string[],
): Promise<Row<Name>[]> {
  const table = tableOf(name);
  return (await db
    .select()
    .from(table)
    .where(inArray(table.id, [...ids]))) as Row<Name>[];
}

function tableOf(name: string): Identified {
  const table = (TABLES as Record<string, Identified>)[name];
  if (!table) throw new Error(`No recorded table is called ${name}.`);
  return table;
}

function sameValue(one: unknown, other: unknown): boolean {
  return JSON.stringify(one ?? null) === JSON.stringify(other ?? null);
}
