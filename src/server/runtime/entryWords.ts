import "server-only";
import type { Queryable } from "@/db/connection";
import { rowsOfTable } from "@/db/queries/rowChanges";

const PLACE = /\{person:([^}]+)\}/g;

/** Names of people by id as entries of the history show them; an erased student's is gone. */
export async function namesForEntries(
  db: Queryable,
  summaries: readonly string[],
  personIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const mentioned = summaries.flatMap((summary) => [...summary.matchAll(PLACE)].map((match) => match[1] ?? ""));
  const people = await rowsOfTable(db, "people", [...new Set([...mentioned, ...personIds])]);
  return new Map(
    people.map(({ id, erasedAt, givenName, familyName }) => [
      id,
      erasedAt === null ? `${givenName} ${familyName}` : "an erased student",
    ]),
  );
}

/** A summary with the names of its people in their places. */
export const withNames = (summary: string, names: ReadonlyMap<string, string>): string =>
  summary.replace(PLACE, (_, id: string) => names.get(id) ?? "somebody");
