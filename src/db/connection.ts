import "server-only";
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import { type Client, createClient } from "@libsql/client";
import { drizzle } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { localConnection } from "./localConnection";
import { patiently } from "./patience";
import { countTables } from "./queries/tableRevisions";
import { type Queryable, queriesOn } from "./queryable";
import { refuseFuture } from "./refuseFuture";
import { remoteReads, remoteWrites } from "./remoteConnection";
import type { Statements, WriteConnection } from "./statements";
import { writerQueue } from "./writerQueue";

type CommitListener = (tables: ReadonlySet<string>) => void;

export interface Database {
  /** For reads outside a transaction. */
  readonly read: Queryable;
  /** Runs `change` in one transaction, whole or not at all; changes of this process follow one another. */
  write<T>(change: (tx: Queryable) => Promise<T>): Promise<T>;
  /** Tells which tables were written, once what was written is there for all to read. */
  onCommit(listener: CommitListener): void;
  close(): void;
}

/** How long SQLite itself waits for a lock; the call sleeps meanwhile, and the process with it. */
const ASLEEP_MILLISECONDS = 10;
/** How long a change, or a read, waits in all for another process; short enough to be told of it on the same page. */
const PATIENCE_MILLISECONDS = 8_000;
/** Migrations of two processes that start together, or beside a long change. */
const START_PATIENCE_MILLISECONDS = 60_000;
const FILE = "file:";

interface OpenOptions {
  readonly authToken?: string | undefined;
  /** Told every statement that the application runs. */
  readonly watch?: (query: string) => void;
  readonly patienceMilliseconds?: number;
}

interface Connections {
  readonly reads: Statements;
  readonly writes: WriteConnection;
  readonly close: () => void;
}

/**
 * Opens the database at a libSQL address ("file:…", "libsql://…"), creates the folder of a local file, and brings the
 * tables up to date. A local file runs in WAL mode with synchronous=FULL (the library's default): a committed answer
 * survives a killed process and a power cut. The general client migrates; afterwards a local file has connections of its own
 * that keep their statements.
 */
export async function openDatabase(
  url: string,
  migrationsFolder: string,
  { authToken, watch, patienceMilliseconds = PATIENCE_MILLISECONDS }: OpenOptions = {},
): Promise<Database> {
  const local = url.startsWith(FILE);
  if (local) mkdirSync(dirname(pathOf(url)), { recursive: true });
  const open = async () => createClient({ url, timeout: ASLEEP_MILLISECONDS, ...(authToken ? { authToken } : {}) });
  const client = await patiently(open, START_PATIENCE_MILLISECONDS);
  await patiently(() => bringUpToDate(client, local, migrationsFolder), START_PATIENCE_MILLISECONDS);
  const { reads, writes, close } = local ? localConnections(pathOf(url), client) : remoteConnections(client);
  const watched = (statements: Statements): Statements => (watch ? watchedStatements(statements, watch) : statements);
  const listeners: CommitListener[] = [];
  return {
    read: queriesOn(patientReads(watched(reads), patienceMilliseconds)),
    write: writerQueue({
      connection: writes,
      patienceMilliseconds,
      handleOn: (statements) => queriesOn(watched(statements)),
      beforeCommit: countTables,
      committed: (tables) => {
        for (const listener of listeners) listener(tables);
      },
    }),
    onCommit: (listener) => listeners.push(listener),
    close,
  };
}

/** The file behind an address, as the general client reads it: its percent signs stand for what they encode. */
const pathOf = (url: string): string => decodeURIComponent(url.slice(FILE.length).replace(/^\/\/(?=\/)/, ""));

async function bringUpToDate(client: Client, local: boolean, migrationsFolder: string): Promise<void> {
  if (local) await client.execute("PRAGMA journal_mode = WAL");
  await refuseFuture(client, migrationsFolder);
  await migrate(drizzle(client), { migrationsFolder });
}

function localConnections(path: string, client: Client): Connections {
  client.close();
  // Each its own: reads that are under way must not lose theirs when a change meets a fault.
  const reads = localConnection(path, { asleepMilliseconds: ASLEEP_MILLISECONDS });
  const writes = localConnection(path, { asleepMilliseconds: ASLEEP_MILLISECONDS });
  return {
    reads,
    writes,
    close: () => {
      writes.close();
      reads.close();
    },
  };
}

function remoteConnections(client: Client): Connections {
  return { reads: remoteReads(client), writes: remoteWrites(client), close: () => client.close() };
}

/** Reads that wait for another process's lock. */
function patientReads(statements: Statements, patienceMilliseconds: number): Statements {
  return {
    execute: (statement) => patiently(() => statements.execute(statement), patienceMilliseconds),
    runAll: (list) => patiently(() => statements.runAll(list), patienceMilliseconds),
    rowsOf: (statement) => patiently(() => statements.rowsOf(statement), patienceMilliseconds),
  };
}

/** Tells each statement before it runs. */
function watchedStatements(statements: Statements, watch: (query: string) => void): Statements {
  return {
    execute: (statement) => {
      watch(typeof statement === "string" ? statement : statement.sql);
      return statements.execute(statement);
    },
    runAll: (list) => {
      for (const { sql } of list) watch(sql);
      return statements.runAll(list);
    },
    rowsOf: (statement) => {
      watch(statement.sql);
      return statements.rowsOf(statement);
    },
  };
}
