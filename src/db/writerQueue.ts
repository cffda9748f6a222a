import "server-only";
import { errorKind, isStorageFailure } from "./errorKind";
import { patiently } from "./patience";
import type { Statements, WriteConnection } from "./statements";

/** What a statement writes to; reads have no such table. */
const WRITTEN_TABLE =
  /^\s*(?:(insert)\s+into|insert\s+or\s+\w+\s+into|update(?:\s+or\s+\w+)?|delete\s+from)\s+["`[]?(\w+)/i;
const ON_CONFLICT = /\son\s+conflict\s/i;

/** Said beside a table's name where rows that were there before may be other ones now, and not only new ones. */
export const oldRowsOf = (table: string): string => `${table}: old rows`;

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
  readonly connection: WriteConnection;
  /** Makes what changes run on, of something that runs single statements. */
  readonly handleOn: (statements: Statements) => Handle;
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
 * the commit. All transactions share one query
 * builder, so that hot statements (see `hot`) are worded once.
 */
export function writerQueue<Handle>(options: WriterOptions<Handle>) {
  const { connection, patienceMilliseconds } = options;
  let isOpen = false;
  let touched = new Set<string>();
  const note = (sql: string) => {
    if (!isOpen) throw new Error("A query was run after its transaction had ended.");
    const [, isInsert, table] = WRITTEN_TABLE.exec(sql) ?? [];
    if (!table) return;
    touched.add(table);
    if (!isInsert || ON_CONFLICT.test(sql)) touched.add(oldRowsOf(table));
  };
  const handle = options.handleOn({
    execute: async (statement) => {
      note(typeof statement === "string" ? statement : statement.sql);
      return connection.execute(statement);
    },
    runAll: async (statements) => {
      for (const { sql } of statements) note(sql);
      return connection.runAll(statements);
    },
    rowsOf: async (statement) => {
      note(statement.sql);
      return connection.rowsOf(statement);
    },
  });
  const waiting: Waiting<Handle>[] = [];
  let running = false;

  /** Runs the changes of the batch, or as many of them as there is time for; those that are left stay in the queue. */
  const runTogether = async (batch: Waiting<Handle>[]): Promise<void> => {
    const done: (() => void)[] = [];
    touched = new Set();
    await patiently(() => connection.begin(), patienceMilliseconds);
    isOpen = true;
    try {
      const until = performance.now() + MOST_MILLISECONDS;
      for (const [place, { change, resolve, reject }] of batch.entries()) {
        if (place > 0 && performance.now() > until) {
          waiting.unshift(...batch.splice(place));
          break;
        }
        await connection.execute("savepoint change");
        try {
          const result = await change(handle);
          done.push(() => resolve(result));
        } catch (error) {
          // Where the storage fails, SQLite may have taken back the whole transaction, and the next change would meet the same.
          if (isStorageFailure(error)) throw error;
          await connection.execute("rollback to change");
          done.push(() => reject(error));
        }
        await connection.execute("release change");
      }
      if (touched.size > 0) await options.beforeCommit(handle, touched);
      await connection.commit();
    } finally {
      isOpen = false;
      await connection.end();
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
        // What met a full disk or a read-only file may stay so after the cause is gone.
        if (isStorageFailure(error)) await connection.renew();
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
