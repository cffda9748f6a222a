import "server-only";
import { mkdirSync } from "node:fs";
import { dirname } from "node:path";
import { type Client, createClient, type InStatement } from "@libsql/client";
import { drizzle } from "drizzle-orm/libsql";
import { migrate } from "drizzle-orm/libsql/migrator";
import { patiently } from "./patience";
import { countTables } from "./queries/tableRevisions";
import { type Queryable, schema } from "./queryable";
import { refuseFuture } from "./refuseFuture";
import { FOREIGN_KEYS_ON, writerQueue } from "./writerQueue";

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

interface OpenOptions {
  readonly authToken?: string | undefined;
  /** Told every statement that the application runs. */
  readonly watch?: (query: string) => void;
  readonly patienceMilliseconds?: number;
}

/**
 * Opens the database at a libSQL address ("file:…", "libsql://…"), creates the folder of a local file, and brings the
 * tables up to date. A local file runs in WAL mode with synchronous=FULL (the library's default): a committed answer
 * survives a killed process and a power cut.
 */
export async function openDatabase(
  url: string,
  migrationsFolder: string,
  { authToken, watch, patienceMilliseconds = PATIENCE_MILLISECONDS }: OpenOptions = {},
): Promise<Database> {
  const local = url.startsWith("file:");
  if (local) mkdirSync(dirname(url.slice("file:".length)), { recursive: true });
  const open = async () => createClient({ url, timeout: ASLEEP_MILLISECONDS, ...(authToken ? { authToken } : {}) });
  const client = await patiently(open, START_PATIENCE_MILLISECONDS);
  const config = { schema, ...(watch ? { logger: { logQuery: watch } } : {}) };
  /** The query builder on something that runs single statements, which is all that it asks of a client. */
  const queriesOn = (statements: Pick<Client, "execute">): Queryable => drizzle(statements as Client, config);
  const bringUpToDate = async () => {
    if (local) {
      await client.execute("PRAGMA journal_mode = WAL");
      await client.execute(FOREIGN_KEYS_ON);
    }
    await refuseFuture(client, migrationsFolder);
    await migrate(drizzle(client, config), { migrationsFolder });
  };
  await patiently(bringUpToDate, START_PATIENCE_MILLISECONDS);
  // Its own, since its connections are thrown away when one fails: reads that are under way must not lose theirs.
  const writing = await patiently(open, START_PATIENCE_MILLISECONDS);
  const listeners: CommitListener[] = [];
  return {
    read: queriesOn({
      execute: (statement: InStatement | string) =>
        patiently(() => client.execute(statement as InStatement), patienceMilliseconds),
    }),
    write: writerQueue({
      client: writing,
      local,
      patienceMilliseconds,
      handleOn: queriesOn,
      beforeCommit: countTables,
      committed: (tables) => {
        for (const listener of listeners) listener(tables);
      },
    }),
    onCommit: (listener) => listeners.push(listener),
    close: () => {
      writing.close();
      client.close();
    },
  };
}
