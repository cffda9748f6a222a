import "server-only";
import { rowsOfTable } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import { fullNames } from "@/server/classroom/names";

const PLACE = /\{person:([^}]+)\}/g;

/** Names of people by id as entries of the history show them; an erased student's is gone. */
export async function namesForEntries(
  db: Queryable,
  summaries: readonly string[],
  personIds: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  const mentioned = summaries.flatMap((summary) => [...summary.matchAll(PLACE)].map((match) => match[1] ?? ""));
  const people = await rowsOfTable(db, "people", [...new Set([...mentioned, ...personIds])]);
  const names = fullNames(people);
  return new Map(
    people.map(({ id, erasedAt }) => [id, erasedAt === null ? (names.get(id) ?? "") : "an erased student"]),
  );
}

/** A summary with the names of its people in their places. */
export const withNames = (summary: string, names: ReadonlyMap<string, string>): string =>
  summary.replace(PLACE, (_, id: string) => names.get(id) ?? "somebody");
