import "server-only";
import { fillPlaceholders, type Query } from "drizzle-orm";
import { type Queryable, statementsOf } from "./queryable";

/** A statement that is worded by the query builder once for each database handle, and then run as a kept one. */
export interface HotStatement {
  readonly on: (db: Queryable) => Query;
}

/** A hot statement with the values for its placeholders. */
export interface HotRun {
  readonly statement: HotStatement;
  readonly values: Readonly<Record<string, unknown>>;
}

/**
 * For the few statements that every answer runs: building them anew costs more than running them, and so does turning their
 * rows into objects of the schema.
 */
export function hot(build: (db: Queryable) => { toSQL(): Query }): HotStatement {
  const worded = new WeakMap<object, Query>();
  return {
    on: (db) => {
      const known = worded.get(db);
      if (known) return known;
      const query = build(db).toSQL();
      worded.set(db, query);
      return query;
    },
  };
}

const filled = (db: Queryable, { statement, values }: HotRun) => {
  const { sql, params } = statement.on(db);
  return { sql, args: fillPlaceholders(params, values) };
};

/** Runs hot statements one after another: on a remote server as one batch. Rows changed by each. */
export async function runHot(db: Queryable, runs: readonly HotRun[]): Promise<readonly number[]> {
  return statementsOf(db).runAll(runs.map((run) => filled(db, run)));
}

/** The rows that a hot statement reads, by the names of its columns. */
export async function readHot<Row>(
  db: Queryable,
  statement: HotStatement,
  values: HotRun["values"],
): Promise<readonly Row[]> {
  return statementsOf(db).rowsOf<Row>(filled(db, { statement, values }));
}
