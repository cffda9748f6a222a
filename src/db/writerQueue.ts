import "server-only";
import type { Client, InStatement, Transaction } from "@libsql/client";
import { errorKind, isStorageFailure } from "./errorKind";
import { patiently } from "./patience";

/** A setting of each connection, off in SQLite unless it is built otherwise; a remote server has its own. */
export const FOREIGN_KEYS_ON = "PRAGMA foreign_keys = ON";
/** What a statement writes to; reads have no such table. */
const WRITTEN_TABLE = /^\s*(?:insert(?:\s+or\s+\w+)?\s+into|update(?:\s+or\s+\w+)?|delete\s+from)\s+["`[]?(\w+)/i;

/** Changes that are committed together at most. */
const MOST_TOGETHER = 16;
/** After so long a commit takes no further ones: in a process that has just begun, each takes many times as long. */
const MOST_MILLISECONDS = 40;

type Change<Handle> = (handle: Handle) => Promise<unknown>;

interface Waiting<Handle> {
  readonly change: Change<Handle>;
  readonly resolve: (value: unknown) => void;
  readonly reject: (reason: unknown) => void;
}

export interface WriterOptions<Handle> {
  readonly client: Client;
  /** Makes what changes run on, of something that runs single statements. */
  readonly handleOn: (statements: Pick<Client, "execute">) => Handle;
  /** A file of this machine, with settings for each connection. */
  readonly local: boolean;
  /** How long a change waits for another process that holds the lock. */
  readonly patienceMilliseconds: number;
  /** Runs last in each transaction that wrote something. */
  readonly beforeCommit: (handle: Handle, touched: ReadonlySet<string>) => Promise<void>;
  /** Told of each commit, by the tables that it wrote. */
  readonly committed: (touched: ReadonlySet<string>) => void;
}

/**
 * One writer at a time in this process. Without the queue a second transaction waits for SQLite's lock inside a synchronous
 * call, which stops the event loop that the first one needs to commit. Changes that wait at the same moment are committed
 * together, each behind a savepoint of its own: one that fails takes back only itself, and nobody is told of success before
 * the commit. All transactions share one query builder, so that prepared queries (see `prepared`) are built once.
 */
export function writerQueue<Handle>(options: WriterOptions<Handle>) {
  const { client, local, patienceMilliseconds } = options;
  let current: Transaction | null = null;
  let touched = new Set<string>();
  const handle = options.handleOn({
    execute: (statement: InStatement | string) => {
      if (!current) throw new Error("A query was run after its transaction had ended.");
      const text = typeof statement === "string" ? statement : statement.sql;
      const [, table] = WRITTEN_TABLE.exec(text) ?? [];
      if (table) touched.add(table);
      return current.execute(statement);
    },
  });
  const waiting: Waiting<Handle>[] = [];
  let running = false;

  const begin = async (): Promise<Transaction> => {
    try {
      // Inside a transaction it would change nothing, and the client may have opened another connection meanwhile.
      if (local) await client.execute(FOREIGN_KEYS_ON);
      return await client.transaction("write");
    } catch (error) {
      // A begin that met a lock leaves its connection unable to begin at all.
      if (local) await throwConnectionsAway(client);
      throw error;
    }
  };

  /** Runs the changes of the batch, or as many of them as there is time for; those that are left stay in the queue. */
  const runTogether = async (batch: Waiting<Handle>[]): Promise<void> => {
    const done: (() => void)[] = [];
    touched = new Set();
    const transaction = await patiently(begin, patienceMilliseconds);
    current = transaction;
    try {
      const until = performance.now() + MOST_MILLISECONDS;
      for (const [place, { change, resolve, reject }] of batch.entries()) {
        if (place > 0 && performance.now() > until) {
          waiting.unshift(...batch.splice(place));
          break;
        }
        await transaction.execute("savepoint change");
        try {
          const result = await change(handle);
          done.push(() => resolve(result));
        } catch (error) {
          // Where the storage fails, SQLite may have taken back the whole transaction, and the next change would meet the same.
          if (isStorageFailure(error)) throw error;
          await transaction.execute("rollback to change");
          done.push(() => reject(error));
        }
        await transaction.execute("release change");
      }
      if (touched.size > 0) await options.beforeCommit(handle, touched);
      await transaction.commit();
    } finally {
      current = null;
      closeQuietly(transaction);
    }
    options.committed(touched);
    for (const tell of done) tell();
  };

  const drain = async (): Promise<void> => {
    running = true;
    while (waiting.length > 0) {
      // A local transaction runs without giving way; this lets requests that have arrived hand in their changes first.
      await new Promise((resolve) => setImmediate(resolve));
      const batch = waiting.splice(0, MOST_TOGETHER);
      try {
        await runTogether(batch);
      } catch (error) {
        if (local && isStorageFailure(error)) await throwConnectionsAway(client);
        // Whoever came meanwhile has waited as long for the same lock, and would wait as long once more.
        const alike = errorKind(error) === "busy" ? waiting.splice(0) : [];
        for (const { reject } of [...batch, ...alike]) reject(error);
      }
    }
    running = false;
  };

  return <T>(change: (handle: Handle) => Promise<T>): Promise<T> =>
    new Promise<T>((resolve, reject) => {
      waiting.push({ change, resolve: resolve as (value: unknown) => void, reject });
      if (!running) void drain();
    });
}

/** Rolls back unless committed. After a failed disk that may fail too, and must not hide the first error. */
function closeQuietly(transaction: Transaction): void {
  try {
    transaction.close();
  } catch {
    // The connection is thrown away with all others.
  }
}

/** A connection that met a full disk, a read-only file or a failed begin may stay so after the cause is gone. */
async function throwConnectionsAway(client: Client): Promise<void> {
  try {
    await client.reconnect();
  } catch {
    // The next change opens connections anew, or says what is wrong.
  }
}
