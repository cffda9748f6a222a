import "server-only";
import { is, Param, Placeholder, type Query } from "drizzle-orm";
import { type Queryable, statementsOf } from "./queryable";
import type { Worded } from "./statements";

type Values = Readonly<Record<string, unknown>>;

/** A statement that is worded by the query builder once for each database handle, and then run as a kept one. */
export interface HotStatement {
  readonly on: (db: Queryable) => (values: Values) => Worded;
}

/** A hot statement with the values for its placeholders. */
export interface HotRun {
  readonly statement: HotStatement;
  readonly values: Values;
}

/**
 * For the few statements that every answer runs: building them anew costs more than running them, and so does turning their
 * rows into objects of the schema.
 */
export function hot(build: (db: Queryable) => { toSQL(): Query }): HotStatement {
  const worded = new WeakMap<object, (values: Values) => Worded>();
  return {
    on: (db) => {
      const known = worded.get(db);
      if (known) return known;
      const { sql, params } = build(db).toSQL();
      const readers = params.map(readerOf);
      const fill = (values: Values): Worded => ({ sql, args: readers.map((read) => read(values)) });
      worded.set(db, fill);
      return fill;
    },
  };
}

/** How a statement's argument is found among the values: by name, as its column stores it, or as it stands. */
function readerOf(param: unknown): (values: Values) => unknown {
  if (is(param, Placeholder)) return (values) => given(values, param.name);
  if (is(param, Param) && is(param.value, Placeholder)) {
    const { name } = param.value;
    return (values) => {
      const value = given(values, name);
      return value === null ? null : param.encoder.mapToDriverValue(value);
    };
  }
  return () => param;
}

function given(values: Values, name: string): unknown {
  const value = values[name];
  if (value === undefined) throw new TypeError(`A statement was given no ${name}.`);
  return value;
}

/** Runs hot statements one after another: on a remote server as one batch. Rows changed by each. */
export async function runHot(db: Queryable, runs: readonly HotRun[]): Promise<readonly number[]> {
  return statementsOf(db).runAll(runs.map(({ statement, values }) => statement.on(db)(values)));
}

/** The rows that a hot statement reads, by the names of its columns. */
export async function readHot<Row>(db: Queryable, statement: HotStatement, values: Values): Promise<readonly Row[]> {
  return statementsOf(db).rowsOf<Row>(statement.on(db)(values));
}
