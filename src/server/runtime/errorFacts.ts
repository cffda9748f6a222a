import "server-only";
import { CoreError } from "@/core/model/fail";

/** What of an error may be kept: its kind, its codes and the places it passed. */
export interface ErrorFacts {
  readonly name: string;
  readonly code?: string;
  readonly message?: string;
  readonly places: readonly string[];
  readonly cause?: ErrorFacts;
}

const MOST_PLACES = 12;
const DEEPEST = 4;

/**
 * An error without what it tells of people. Messages are made of what was at hand: those of the database layer hold every
 * value of the statement, those of a JSON reader a piece of the text. Only SQLite's own (table and column names) and the
 * core's (codes) are kept.
 */
export function errorFacts(error: unknown, depth = 0): ErrorFacts {
  if (!(error instanceof Error)) return { name: typeof error, places: [] };
  const { code, extendedCode } = error as { code?: unknown; extendedCode?: unknown };
  const told = error.name === "LibsqlError" || error.name === "SqliteError" || error instanceof CoreError;
  const places = (error.stack ?? "").split("\n").filter((line) => /^\s+at /.test(line));
  const known = extendedCode ?? code;
  return {
    name: error.name,
    ...(typeof known === "string" ? { code: known } : {}),
    ...(told ? { message: error.message } : {}),
    places: places.slice(0, MOST_PLACES).map((line) => line.trim()),
    ...(error.cause !== undefined && depth < DEEPEST ? { cause: errorFacts(error.cause, depth + 1) } : {}),
  };
}
