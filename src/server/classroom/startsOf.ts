import "server-only";
import type { Placement } from "@/core/mastery/startingBelief";
import { outsideScoresOf } from "@/db/queries/outsideScores";
import { placementsOf } from "@/db/queries/placements";
import type { Queryable } from "@/db/queryable";

/** Where a student stood in a strand before any answer in its skills, and what told it. */
export interface Start extends Placement {
  readonly by: "diagnostic" | "score";
}

/**
 * Where some students started, by student, then by strand: the latest diagnostic of a strand, else the latest score from elsewhere. A diagnostic
 * measures the strand itself, so that a score never outranks it.
 */
export async function startsOf(db: Queryable, personIds: readonly string[]): Promise<Map<string, Map<string, Start>>> {
  const [scores, placements] = await Promise.all([outsideScoresOf(db, personIds), placementsOf(db, personIds)]);
  const byStudent = new Map<string, Map<string, Start>>();
  const put = (
    rows: readonly (Placement & { readonly personId: string; readonly strandId: string })[],
    by: Start["by"],
  ) => {
    // The oldest comes first, so that the latest of a strand stays.
    for (const { personId, strandId, theta, se } of rows) {
      const own = byStudent.get(personId) ?? new Map<string, Start>();
      byStudent.set(personId, own.set(strandId, { theta, se, by }));
    }
  };
  // What is told of the whole subject gives way to what is told of the strand.
  put(
    scores.filter(({ whole }) => whole),
    "score",
  );
  put(
    scores.filter(({ whole }) => !whole),
    "score",
  );
  put(placements, "diagnostic");
  return byStudent;
}
