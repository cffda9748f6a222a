import "server-only";
import { type InArgs, type InStatement, LibsqlError, type ResultSet } from "@libsql/client";
import Native from "libsql";
import { LRUCache } from "lru-cache";
import type { Worded, WriteConnection } from "./statements";

/** Statements that are kept prepared; the application has some hundred. */
const MOST_KEPT = 300;

interface Kept {
  readonly statement: ReturnType<Native.Database["prepare"]>;
  /** Names of the columns that it gives; null where it gives none. */
  readonly columns: readonly string[] | null;
  readonly shape: object;
}

interface Options {
  /** How long SQLite itself waits for a lock; the call sleeps meanwhile, and the process with it. */
  readonly asleepMilliseconds: number;
}

/**
 * One connection to a database file of this machine. It keeps its statements prepared, which the general client can't:
 * preparing one anew takes several times as long as running it.
 */
export function localConnection(path: string, { asleepMilliseconds }: Options): WriteConnection {
  let native: Native.Database | null = null;
  const kept = new LRUCache<string, Kept>({ max: MOST_KEPT });
  const opened = (): Native.Database => {
    if (native) return native;
    // The types are those of a package that reads the time-out as an option, as this one does.
    const fresh = new Native(path, { timeout: asleepMilliseconds } as Native.Options);
    fresh.exec("PRAGMA foreign_keys = ON");
    native = fresh;
    return fresh;
  };
  const close = () => {
    kept.clear();
    const old = native;
    native = null;
    try {
      old?.close();
    } catch {
      // A connection that met a full disk may be unable to close; nothing refers to it any more.
    }
  };
  const prepared = (sql: string): Kept => {
    const database = opened();
    const known = kept.get(sql);
    if (known) return known;
    const statement = database.prepare(sql);
    statement.safeIntegers(true);
    const columns = columnsOf(statement);
    const fresh = { statement, columns, shape: rowShape(columns?.length ?? 0) };
    kept.set(sql, fresh);
    return fresh;
  };
  const attempt = async <T>(run: () => T): Promise<T> => {
    try {
      return run();
    } catch (error) {
      throw libsqlError(error);
    }
  };
  const rows = (sql: string, args: readonly unknown[]): unknown[][] =>
    prepared(sql).statement.all(args.map(toSql)) as unknown[][];
  const change = (sql: string, args: readonly unknown[]): number => {
    const { statement, columns } = prepared(sql);
    if (columns !== null) {
      statement.all(args.map(toSql));
      return 0;
    }
    return Number(statement.run(args.map(toSql)).changes);
  };
  return {
    execute: (given: InStatement | string) =>
      attempt(() => {
        const { sql, args } = typeof given === "string" ? { sql: given, args: [] } : given;
        return resultOf(prepared(sql), listOf(args).map(toSql));
      }),
    runAll: (statements: readonly Worded[]) => attempt(() => statements.map(({ sql, args }) => change(sql, args))),
    rowsOf: <Row>({ sql, args }: Worded) =>
      attempt(() => {
        const columns = prepared(sql).columns ?? [];
        return rows(sql, args).map((row) =>
          Object.fromEntries(columns.map((name, place) => [name, fromSql(row[place])])),
        ) as Row[];
      }),
    begin: () => attempt(() => void change("BEGIN IMMEDIATE", [])),
    commit: () => attempt(() => void change("COMMIT", [])),
    end: async () => {
      try {
        if (native?.inTransaction) native.exec("ROLLBACK");
      } catch {
        close();
      }
    },
    renew: async () => close(),
    close,
  };
}

/** Sets the statement to give rows as lists, where it gives any. */
function columnsOf(statement: Kept["statement"]): readonly string[] | null {
  try {
    statement.raw(true);
  } catch {
    return null;
  }
  return statement.columns().map(({ name }) => name);
}

/** The arguments in the order of the statement's question marks, which is how the query builder writes them. */
function listOf(args: InArgs | undefined): readonly unknown[] {
  if (args === undefined) return [];
  if (!Array.isArray(args)) throw new TypeError("Statements take their values by place.");
  return args;
}

function resultOf({ statement, columns, shape }: Kept, args: readonly unknown[]): ResultSet {
  const result = { columns: [...(columns ?? [])], columnTypes: [], toJSON: () => ({}) };
  if (columns === null) {
    const { changes, lastInsertRowid } = statement.run(args);
    return { ...result, rows: [], rowsAffected: Number(changes), lastInsertRowid: BigInt(lastInsertRowid) };
  }
  const rows = (statement.all(args) as unknown[][]).map((row) => rowOf(row, columns, shape));
  return { ...result, rows, rowsAffected: 0, lastInsertRowid: undefined };
}

const VALUES: unique symbol = Symbol("values");
type RowShape = ResultSet["rows"][number] & { [VALUES]: readonly unknown[] };

/** What rows of so many columns have in common: they are read by place, too, without naming the places among their own. */
function rowShape(columns: number): object {
  const places = Array.from({ length: columns }, (_, place) => [
    place,
    {
      get(this: RowShape) {
        return this[VALUES][place];
      },
    },
  ]);
  return Object.create(null, { ...Object.fromEntries(places), length: { value: columns } });
}

/** A row as the query builder reads it: by place and by name. */
function rowOf(raw: readonly unknown[], columns: readonly string[], shape: object): ResultSet["rows"][number] {
  const values = raw.map(fromSql);
  const row: Record<string | symbol, unknown> = Object.create(shape);
  row[VALUES] = values;
  columns.forEach((name, place) => {
    row[name] = values[place];
  });
  return row as unknown as ResultSet["rows"][number];
}

function fromSql(value: unknown): unknown {
  if (typeof value === "bigint") {
    const whole = Number(value);
    if (!Number.isSafeInteger(whole)) throw new RangeError("The database holds a whole number that is too large.");
    return whole;
  }
  return value instanceof Buffer ? new Uint8Array(value).buffer : value;
}

function toSql(value: unknown): unknown {
  if (value === undefined) throw new TypeError("A statement was given no value for a place.");
  if (typeof value === "number" && !Number.isFinite(value)) throw new RangeError("A statement takes finite numbers.");
  if (typeof value === "boolean") return value ? 1 : 0;
  if (value instanceof ArrayBuffer) return Buffer.from(value);
  return value instanceof Date ? value.valueOf() : value;
}

/** Base codes of SQLite by the low byte of its result codes; the others are told by their own name. */
const BASE_CODES: Readonly<Record<number, string>> = {
  5: "SQLITE_BUSY",
  6: "SQLITE_LOCKED",
  8: "SQLITE_READONLY",
  10: "SQLITE_IOERR",
  11: "SQLITE_CORRUPT",
  13: "SQLITE_FULL",
  14: "SQLITE_CANTOPEN",
  19: "SQLITE_CONSTRAINT",
  26: "SQLITE_NOTADB",
};

/** The same error as the general client would throw. */
function libsqlError(error: unknown): unknown {
  if (!(error instanceof Native.SqliteError)) return error;
  const { message, code, rawCode } = error as Error & { code: string; rawCode?: number };
  return new LibsqlError(message, BASE_CODES[(rawCode ?? 0) & 0xff] ?? code, code, rawCode, error as Error);
}
