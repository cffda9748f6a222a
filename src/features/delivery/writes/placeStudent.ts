import "server-only";
import { keepPlacements } from "@/db/queries/placements";
import type { Queryable } from "@/db/queryable";
import type { Run } from "../reads/run";

/** When a diagnostic is over, where it leaves its student is kept, of each strand in which something was answered or set aside. */
export async function placeStudent(tx: Queryable, { sitting, personId }: Run): Promise<void> {
  const placed = sitting.state.placed ?? [];
  await keepPlacements(
    tx,
    placed
      .filter(({ length }) => length > 0)
      .map(({ strandId, ability: { theta, se } }) => ({
        sittingId: sitting.id,
        personId,
        strandId,
        theta,
        se,
        placedAt: sitting.finishedAt ?? sitting.lastAt,
      })),
  );
}
