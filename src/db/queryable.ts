import "server-only";
import type { ResultSet } from "@libsql/client";
import { is } from "drizzle-orm";
import { type BaseSQLiteDatabase, SQLiteTable } from "drizzle-orm/sqlite-core";
import * as access from "./schema/access";
import * as delivery from "./schema/delivery";
import * as history from "./schema/history";
import * as library from "./schema/library";
import * as people from "./schema/people";
import * as plan from "./schema/plan";
import * as regroup from "./schema/regroup";
import * as students from "./schema/students";
import * as work from "./schema/work";

export const schema = {
  ...people,
  ...access,
  ...students,
  ...library,
  ...plan,
  ...work,
  ...delivery,
  ...regroup,
  ...history,
};

/** What queries run on: the database itself, or a transaction in it. */
export type Queryable = BaseSQLiteDatabase<"async", ResultSet, typeof schema>;

/** All tables of the schema. */
export const allTables = (): SQLiteTable[] =>
  Object.values(schema).filter((entry): entry is (typeof schema)[keyof typeof schema] & SQLiteTable =>
    is(entry, SQLiteTable),
  );
