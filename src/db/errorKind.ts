import "server-only";

/** A rule of the database that was broken, or storage that does not take what is written. */
export type DatabaseErrorKind = "foreign-key" | "unique" | "busy" | "read-only" | "full" | "disk";

const KINDS: Readonly<Record<string, DatabaseErrorKind>> = {
  SQLITE_CONSTRAINT_FOREIGNKEY: "foreign-key",
  SQLITE_CONSTRAINT_UNIQUE: "unique",
  SQLITE_CONSTRAINT_PRIMARYKEY: "unique",
  SQLITE_BUSY: "busy",
  SQLITE_LOCKED: "busy",
  SQLITE_READONLY: "read-only",
  SQLITE_FULL: "full",
  SQLITE_IOERR: "disk",
  SQLITE_CANTOPEN: "disk",
  SQLITE_CORRUPT: "disk",
  SQLITE_NOTADB: "disk",
};

/** What kind of trouble of the database an error tells of, by SQLite's result codes; null for any other error. */
export function errorKind(error: unknown): DatabaseErrorKind | null {
  for (let at: unknown = error; at instanceof Error; at = at.cause) {
    const { code, extendedCode } = at as { code?: unknown; extendedCode?: unknown };
    const kind = KINDS[String(extendedCode)] ?? KINDS[String(code)];
    if (kind) return kind;
  }
  return null;
}

const STORAGE: ReadonlySet<DatabaseErrorKind | null> = new Set(["busy", "read-only", "full", "disk"]);

/** Whether it is the storage that failed: the same may succeed later, with nothing changed by then. */
export const isStorageFailure = (error: unknown): boolean => STORAGE.has(errorKind(error));
