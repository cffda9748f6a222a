import "server-only";
import type { Columns } from "./rosterTable";

type Extra = Readonly<Record<string, string>> | null;

/** Columns in which several of the standard's values are one to Oxbow: the file's own value stays. */
const COARSER_HERE = ["role", "roleType", "enabledUser", "classType"];

/**
 * Oxbow's columns, completed by what was kept of the file. Its longer lists count as long as their first entry is still
 * Oxbow's: a student who was moved to another grade here is not moved back by what a file said before.
 */
export function withExtra(columns: Columns, extra: Extra): Columns {
  const all: Record<string, string> = { ...columns };
  for (const [column, kept] of Object.entries(extra ?? {})) {
    const own = columns[column] ?? "";
    const same = kept.split(",")[0]?.trim().toLowerCase() === own.toLowerCase();
    if (own === "" || same || COARSER_HERE.includes(column)) all[column] = kept;
  }
  for (const column in all) if (all[column] === "") delete all[column];
  return all;
}

/** What of a file's row Oxbow's own columns do not say. */
export function extraOf(file: Columns, own: Columns): Extra {
  const kept = Object.entries(file).filter(
    ([column, value]) => column !== "sourcedId" && value !== "" && own[column] !== value,
  );
  return kept.length === 0 ? null : Object.fromEntries(kept);
}
