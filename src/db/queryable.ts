import "server-only";
import type { Client, ResultSet } from "@libsql/client";
import { is } from "drizzle-orm";
import { drizzle } from "drizzle-orm/libsql";
import type { Logger } from "drizzle-orm/logger";
import { type BaseSQLiteDatabase, SQLiteTable } from "drizzle-orm/sqlite-core";
import * as access from "./schema/access";
import * as banks from "./schema/banks";
import * as calibrations from "./schema/calibrations";
import * as evidence from "./schema/evidence";
import * as facts from "./schema/facts";
import * as history from "./schema/history";
import * as itemCards from "./schema/itemCards";
import * as itemCounts from "./schema/itemCounts";
import * as items from "./schema/items";
import * as library from "./schema/library";
import * as notes from "./schema/notes";
import * as outsideScores from "./schema/outsideScores";
import * as people from "./schema/people";
import * as pictures from "./schema/pictures";
import * as plan from "./schema/plan";
import * as regroup from "./schema/regroup";
import * as reteach from "./schema/reteach";
import * as review from "./schema/review";
import * as sittings from "./schema/sittings";
import * as students from "./schema/students";
import * as summaries from "./schema/summaries";
import * as units from "./schema/units";
import * as work from "./schema/work";
import * as workPresets from "./schema/workPresets";
import type { Statements } from "./statements";

export const schema = {
  ...people,
  ...pictures,
  ...access,
  ...students,
  ...library,
  ...units,
  ...notes,
  ...outsideScores,
  ...facts,
  ...banks,
  ...calibrations,
  ...itemCounts,
  ...items,
  ...itemCards,
  ...plan,
  ...work,
  ...workPresets,
  ...sittings,
  ...summaries,
  ...evidence,
  ...regroup,
  ...reteach,
  ...review,
  ...history,
};

/** What queries run on: the database itself, or a transaction in it. */
export type Queryable = BaseSQLiteDatabase<"async", ResultSet, typeof schema>;

/** A name that every bundle of the process knows: the database is opened by one of them and used by all. */
const STATEMENTS = Symbol.for("oxbow.statements");
type WithStatements = Queryable & { [STATEMENTS]?: Statements };

/** The query builder on something that runs single statements, which is all that it asks of a client. */
export function queriesOn(statements: Statements, logger?: Logger): Queryable {
  const queryable: WithStatements = drizzle(statements as unknown as Client, { schema, ...(logger ? { logger } : {}) });
  queryable[STATEMENTS] = statements;
  return queryable;
}

/** What runs the statements of a query builder. */
export function statementsOf(db: Queryable): Statements {
  const found = (db as WithStatements)[STATEMENTS];
  if (!found) throw new Error("These queries have no connection behind them.");
  return found;
}

/** All tables of the schema. */
export const allTables = (): SQLiteTable[] =>
  Object.values(schema).filter((entry): entry is (typeof schema)[keyof typeof schema] & SQLiteTable =>
    is(entry, SQLiteTable),
  );
