import "server-only";
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import { type Client, createClient, type InStatement, type ResultSet, type Transaction } from "@libsql/client";
import { type DrizzleConfig, is } from "drizzle-orm";
import { drizzle } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { type BaseSQLiteDatabase, SQLiteTable } from "drizzle-orm/sqlite-core";
import { refuseFuture } from "./refuseFuture";
import * as access from "./schema/access";
import * as delivery from "./schema/delivery";
import * as history from "./schema/history";
import * as library from "./schema/library";
import * as people from "./schema/people";
import * as plan from "./schema/plan";
import * as regroup from "./schema/regroup";
import * as students from "./schema/students";
import * as work from "./schema/work";

const schema = { ...people, ...access, ...students, ...library, ...plan, ...work, ...delivery, ...regroup, ...history };

/** What queries run on: the database itself, or a transaction in it. */
export type Queryable = BaseSQLiteDatabase<"async", ResultSet, typeof schema>;

type CommitListener = (tables: ReadonlySet<string>) => void;

/** All tables of the schema. */
export const allTables = (): SQLiteTable[] =>
  Object.values(schema).filter((entry): entry is (typeof schema)[keyof typeof schema] & SQLiteTable =>
    is(entry, SQLiteTable),
  );

export interface Database {
  /** For reads outside a transaction. */
  readonly read: Queryable;
  /** Runs `change` in one transaction, whole or not at all; changes of this process follow one another. */
  write<T>(change: (tx: Queryable) => Promise<T>): Promise<T>;
  /** Tells which tables were written, once what was written is there for all to read. */
  onCommit(listener: CommitListener): void;
  close(): void;
}

/** Waiting time for another process that holds the write lock. */
const BUSY_MILLISECONDS = 10_000;

/**
 * Opens the database at a libSQL address ("file:…", "libsql://…"), creates the folder of a local file, and brings the
 * tables up to date. A local file runs in WAL mode with synchronous=FULL (the library's default): a committed answer
 * survives a killed process and a power cut. `watch` is told every statement that the application runs.
 */
export async function openDatabase(
  url: string,
  migrationsFolder: string,
  { authToken, watch }: { readonly authToken?: string | undefined; readonly watch?: (query: string) => void } = {},
): Promise<Database> {
  const local = url.startsWith("file:");
  if (local) mkdirSync(dirname(url.slice("file:".length)), { recursive: true });
  const client = createClient({ url, timeout: BUSY_MILLISECONDS, ...(authToken ? { authToken } : {}) });
  if (local) {
    await client.execute("PRAGMA journal_mode = WAL");
    await client.execute(FOREIGN_KEYS_ON);
  }
  const config = { schema, ...(watch ? { logger: { logQuery: watch } } : {}) };
  const orm = drizzle(client, config);
  await refuseFuture(client, migrationsFolder);
  await migrate(orm, { migrationsFolder });
  const listeners: CommitListener[] = [];
  const tell: CommitListener = (tables) => {
    for (const listener of listeners) listener(tables);
  };
  return {
    read: orm,
    write: writerQueue(client, config, local, tell),
    onCommit: (listener) => listeners.push(listener),
    close: () => client.close(),
  };
}

/** A setting of each connection, off in SQLite unless it is built otherwise; a remote server has its own. */
const FOREIGN_KEYS_ON = "PRAGMA foreign_keys = ON";
/** What a statement writes to; reads have no such table. */
const WRITTEN_TABLE = /^\s*(?:insert(?:\s+or\s+\w+)?\s+into|update(?:\s+or\s+\w+)?|delete\s+from)\s+["`[]?(\w+)/i;

/** Changes that are committed together at most. */
const MOST_TOGETHER = 16;

interface Waiting {
  readonly change: (tx: Queryable) => Promise<unknown>;
  readonly resolve: (value: unknown) => void;
  readonly reject: (reason: unknown) => void;
}

/**
 * One writer at a time in this process. Without the queue a second transaction waits for SQLite's lock inside a synchronous
 * call, which stops the event loop that the first one needs to commit. Changes that wait at the same moment are committed
 * together, each behind a savepoint of its own: one that fails takes back only itself, and nobody is told of success before
 * the commit. All transactions share one query builder, so that prepared queries (see `prepared`) are built once.
 */
function writerQueue(
  client: Client,
  config: DrizzleConfig<typeof schema>,
  local: boolean,
  told: CommitListener,
): Database["write"] {
  let current: Transaction | null = null;
  let touched = new Set<string>();
  const inTransaction = {
    execute: (statement: InStatement) => {
      if (!current) throw new Error("A query was run after its transaction had ended.");
      const text = typeof statement === "string" ? statement : statement.sql;
      const [, table] = WRITTEN_TABLE.exec(text) ?? [];
      if (table) touched.add(table);
      return current.execute(statement);
    },
  };
  const writer: Queryable = drizzle(inTransaction as unknown as Client, config);
  const waiting: Waiting[] = [];
  let running = false;

  const runTogether = async (batch: readonly Waiting[]): Promise<void> => {
    const done: (() => void)[] = [];
    touched = new Set();
    // Inside a transaction it would change nothing, and the client may have opened another connection meanwhile.
    if (local) await client.execute(FOREIGN_KEYS_ON);
    const transaction = await client.transaction("write");
    current = transaction;
    try {
      for (const { change, resolve, reject } of batch) {
        await transaction.execute("savepoint change");
        try {
          const result = await change(writer);
          done.push(() => resolve(result));
        } catch (error) {
          await transaction.execute("rollback to change");
          done.push(() => reject(error));
        }
        await transaction.execute("release change");
      }
      await transaction.commit();
    } finally {
      current = null;
      // Rolls back unless committed.
      transaction.close();
    }
    told(touched);
    for (const tell of done) tell();
  };

  const drain = async (): Promise<void> => {
    running = true;
    while (waiting.length > 0) {
      // A local transaction runs without giving way; this lets requests that have arrived hand in their changes first.
      await new Promise((resolve) => setImmediate(resolve));
      const batch = waiting.splice(0, MOST_TOGETHER);
      await runTogether(batch).catch((error: unknown) => {
        for (const { reject } of batch) reject(error);
      });
    }
    running = false;
  };

  return <T>(change: (tx: Queryable) => Promise<T>): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      waiting.push({ change, resolve: resolve as (value: unknown) => void, reject });
      if (!running) void drain();
    });
}
