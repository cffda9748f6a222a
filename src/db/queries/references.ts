import "server-only";
import { getTableColumns, getTableName, sql } from "drizzle-orm";
import { getTableConfig, type SQLiteTable } from "drizzle-orm/sqlite-core";
import { allTables, type Queryable } from "../queryable";
import type { RowChange } from "../schema/history";
import { tableOf } from "./rowChanges";

/** A row that refers to one that is to go. */
export interface Reference {
  /** As the database names it. */
  readonly table: string;
  /** Null where the table's rows have no id of their own. */
  readonly id: string | null;
}

/**
 * The first row that still refers to something that the changes would delete, and does not go with it; null without one.
 * The named tables are looked at before all others.
 */
export async function firstReference(
  db: Queryable,
  changes: readonly RowChange[],
  before: readonly string[],
): Promise<Reference | null> {
  const going = new Map<string, string[]>();
  for (const { table, id, after } of changes)
    if (after === null) {
      const name = getTableName(tableOf(table));
      going.set(name, [...(going.get(name) ?? []), id]);
    }
  const isBefore = (table: SQLiteTable) => before.includes(getTableName(table));
  const tables = allTables();
  for (const table of [...tables.filter(isBefore), ...tables.filter((table) => !isBefore(table))])
    for (const { column, target } of keysOf(table)) {
      const ids = going.get(target);
      if (!ids) continue;
      const found = await referenceIn(db, table, column, ids, going.get(getTableName(table)) ?? []);
      if (found) return found;
    }
  return null;
}

/** The foreign keys of a table that name one column, as all of them do. */
function keysOf(table: SQLiteTable): { readonly column: string; readonly target: string }[] {
  return getTableConfig(table).foreignKeys.flatMap((key) => {
    const { columns, foreignTable } = key.reference();
    const [column] = columns;
    return column ? [{ column: column.name, target: getTableName(foreignTable) }] : [];
  });
}

async function referenceIn(
  db: Queryable,
  table: SQLiteTable,
  column: string,
  ids: readonly string[],
  goingToo: readonly string[],
): Promise<Reference | null> {
  const own = "id" in getTableColumns(table) ? sql`id` : sql`null`;
  const [found] = await db.all<{ id: string | null }>(
    sql`select ${own} as id from ${table} where ${sql.identifier(column)} in (select value from json_each(${JSON.stringify(ids)}))
      and (${own} is null or ${own} not in (select value from json_each(${JSON.stringify(goingToo)}))) limit 1`,
  );
  return found ? { table: getTableName(table), id: found.id } : null;
}
