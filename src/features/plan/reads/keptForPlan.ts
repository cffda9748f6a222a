import "server-only";
import { keptWorksFor, partsWithSkills } from "@/db/queries/keptWorks";
import type { Queryable } from "@/db/queryable";
import type { KeptForPlan } from "../writes/slotEdit";

/** Work that somebody keeps, or that colleagues share, as a plan can hold it. */
export async function keptForPlan(
  db: Queryable,
  { personId, schoolId }: { readonly personId: string; readonly schoolId: string },
): Promise<ReadonlyMap<string, KeptForPlan>> {
  const found = await keptWorksFor(db, personId, schoolId);
  const parts = await partsWithSkills(
    db,
    found.map(({ work }) => work.id),
  );
  return new Map(
    found.map(({ work }) => [
      work.id,
      {
        title: work.title,
        skillIds: [
          ...new Set(parts.flatMap(({ workId, skillId }) => (workId === work.id && skillId ? [skillId] : []))),
        ],
      },
    ]),
  );
}
