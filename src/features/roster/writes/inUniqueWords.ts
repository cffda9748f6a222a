import "server-only";
import { errorKind } from "@/db/errorKind";
import { isTaken } from "@/db/queries/people";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { Refusal } from "@/server/runtime/refusal";

/** Runs a write of people's rows; that somebody else has the student number or email already is told in words. */
export async function inUniqueWords<T>(
  tx: Queryable,
  schoolId: string,
  rows: readonly RowChange[],
  write: () => Promise<T>,
): Promise<T> {
  try {
    return await write();
  } catch (error) {
    if (errorKind(error) !== "unique") throw error;
    for (const { table, id, after } of rows) {
      if (table !== "people" || after === null) continue;
      const { studentNumber, email } = after;
      if (typeof studentNumber === "string" && (await isTaken(tx, schoolId, { studentNumber }, id)))
        throw new Refusal(
          "conflict",
          "Somebody else at the school has this student number. Is the student there already?",
        );
      if (typeof email === "string" && (await isTaken(tx, schoolId, { email }, id)))
        throw new Refusal("conflict", "Somebody else at the school has this email address.");
    }
    throw error;
  }
}
