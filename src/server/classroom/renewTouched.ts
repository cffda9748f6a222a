import "server-only";
import { assignmentIdsOf } from "@/db/queries/givings";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { renewEnds } from "./renewEnds";

/** Works out anew when tests under way end, where a change of rows touched their times: a giving, what a student was granted, or a part. */
export async function renewTouched(tx: Queryable, rows: readonly RowChange[]): Promise<void> {
  const of = (table: string) => rows.flatMap((row) => (row.table === table ? [row.id] : []));
  const touched = await assignmentIdsOf(tx, {
    assignments: of("assignments"),
    targets: of("assignmentTargets"),
    parts: of("parts"),
  });
  for (const id of touched) await renewEnds(tx, id);
}
