import "server-only";
import { type NamedFacts, peopleInFacts } from "@/core/model/changeFacts";
import { rowsOfTable } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import { fullNames } from "@/server/classroom/names";
import { ERASED, SOMEBODY } from "@/words/staff/historyMessages";
import type { NameOf } from "@/words/staff/historyWords";

/** Names of the people of some entries, and of some more, as they are today; an erased student's is gone. */
export async function nameOfPeople(
  db: Queryable,
  entries: readonly NamedFacts[],
  personIds: readonly string[] = [],
): Promise<NameOf> {
  const people = await rowsOfTable(db, "people", [...new Set([...entries.flatMap(peopleInFacts), ...personIds])]);
  const names = fullNames(people);
  const shown = new Map(people.map(({ id, erasedAt }) => [id, erasedAt === null ? (names.get(id) ?? "") : ERASED]));
  return (id) => shown.get(id) ?? SOMEBODY;
}
