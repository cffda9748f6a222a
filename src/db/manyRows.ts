import "server-only";
import { getTableColumns, type InferSelectModel, type SQL, sql } from "drizzle-orm";
import type { SQLiteColumn, SQLiteTable } from "drizzle-orm/sqlite-core";
import type { Queryable } from "./queryable";

const isReal = (column: SQLiteColumn): boolean => column.getSQLType() === "real";

/** A real number with all its digits: into JSON, SQLite writes only fifteen of them. */
const inFull = (column: SQLiteColumn): SQL => sql`case when ${column} is not null then printf('%!.17g', ${column}) end`;

/** Rows of one JSON text; a remote database limits how much it answers at once. */
const ROWS_A_TEXT = 20_000;

/**
 * Rows by the ten thousands. They come as JSON texts, because the client makes an object of every row and a value of every
 * cell, which takes four times as long as everything else together. For tables without binary columns.
 */
export async function manyRows<Table extends SQLiteTable>(
  db: Queryable,
  table: Table,
  where: SQL | undefined,
): Promise<InferSelectModel<Table>[]> {
  const columns = Object.entries(getTableColumns(table)) as [string, SQLiteColumn][];
  const cells = sql.join(
    columns.map(([, column]) => (isReal(column) ? inFull(column) : column)),
    sql`, `,
  );
  const texts = await db
    .select({ rows: sql<string>`json_group_array(json_array(${cells}))` })
    .from(table as SQLiteTable)
    .where(where)
    .groupBy(sql`${table}.rowid / ${sql.raw(String(ROWS_A_TEXT))}`);
  const readers = columns.map(([name, column]) => ({
    name,
    read: (value: unknown) => column.mapFromDriverValue(isReal(column) ? Number(value) : value),
  }));
  return texts.flatMap(({ rows }) =>
    (JSON.parse(rows) as unknown[][]).map((values) => {
      const row: Record<string, unknown> = {};
      for (let place = 0; place < readers.length; place++) {
        const { name, read } = readers[place] as (typeof readers)[number];
        const value = values[place];
        row[name] = value === null ? null : read(value);
      }
      return row as InferSelectModel<Table>;
    }),
  );
}

/** What a column holds unless stated; an expression of SQL is none that could be handed over. */
const plainDefault = ({ default: value }: SQLiteColumn): unknown =>
  typeof value === "object" && !Array.isArray(value) ? null : value;

/** Adds rows by the ten thousands, handed over as one JSON text a statement, for the same reason. */
export async function insertMany(
  tx: Queryable,
  table: SQLiteTable,
  rows: readonly Readonly<Record<string, unknown>>[],
): Promise<void> {
  const columns = Object.entries(getTableColumns(table)) as [string, SQLiteColumn][];
  const values = rows.map((row) =>
    columns.map(([name, column]) => {
      const value = row[name] ?? plainDefault(column) ?? null;
      return value === null ? null : column.mapToDriverValue(value);
    }),
  );
  const names = sql.join(
    columns.map(([, { name }]) => sql.identifier(name)),
    sql`, `,
  );
  const cells = sql.join(
    columns.map((_, place) => sql.raw(`json_extract(value, '$[${place}]')`)),
    sql`, `,
  );
  await tx.run(sql`insert into ${table} (${names}) select ${cells} from json_each(${JSON.stringify(values)})`);
}
