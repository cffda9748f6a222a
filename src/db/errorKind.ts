import "server-only";

export type DatabaseErrorKind = "foreign-key" | "unique";

const KINDS: Readonly<Record<string, DatabaseErrorKind>> = {
  SQLITE_CONSTRAINT_FOREIGNKEY: "foreign-key",
  SQLITE_CONSTRAINT_UNIQUE: "unique",
  SQLITE_CONSTRAINT_PRIMARYKEY: "unique",
};

/** What kind of rule of the database an error tells of, by SQLite's extended result code; null for any other error. */
export function errorKind(error: unknown): DatabaseErrorKind | null {
  for (let at: unknown = error; at instanceof Error; at = at.cause) {
    const { code, extendedCode } = at as { code?: unknown; extendedCode?: unknown };
    const kind = KINDS[String(extendedCode)] ?? KINDS[String(code)];
    if (kind) return kind;
  }
  return null;
}
