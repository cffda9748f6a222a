import "server-only";
import type { Queryable } from "./queryable";

const built = new WeakMap<object, Map<object, unknown>>();

/**
 * A query that is built once for each database handle and then run with values for its placeholders. For the few queries
 * that every answer runs: building them anew costs more than running them.
 */
export function prepared<Query>(build: (db: Queryable) => Query): (db: Queryable) => Query {
  return (db) => {
    const own = built.get(db) ?? new Map<object, unknown>();
    built.set(db, own);
    const known = (own.get(build) as Query | undefined) ?? build(db);
    own.set(build, known);
    return known;
  };
}
