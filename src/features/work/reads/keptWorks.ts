import "server-only";
import { groupBy } from "@/core/collections/groupBy";
import { fullName } from "@/core/roster/fullName";
import { keptWorksFor, partsWithSkills } from "@/db/queries/keptWorks";
import { demandStaff } from "@/server/access/demand";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import type { KeptWork } from "../types";

/** Work that the viewer kept, and what colleagues of the school share. */
export async function keptWorks(context: Context): Promise<KeptWork[]> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  const found = await keptWorksFor(db, staff.personId, staff.schoolId);
  const [parts, library] = await Promise.all([
    partsWithSkills(
      db,
      found.map(({ work }) => work.id),
    ),
    libraryOf(runtime),
  ]);
  const byWork = groupBy(parts, ({ workId }) => workId);
  return found.flatMap(({ work, assignmentId, givenTimes, ownerGivenName, ownerFamilyName }): KeptWork[] => {
    if (assignmentId === null) return [];
    const own = byWork.get(work.id) ?? [];
    const skillIds = [...new Set(own.flatMap(({ skillId }) => skillId ?? []))];
    return [
      {
        workId: work.id,
        assignmentId,
        title: work.title,
        kind: own[0]?.kind ?? "practice",
        parts: new Set(own.map(({ place }) => place)).size,
        skills: skillIds.flatMap((id) => library.skillIfKnown(id)?.name ?? []),
        isMine: work.ownerId === staff.personId,
        owner: fullName({ givenName: ownerGivenName, familyName: ownerFamilyName }),
        isShared: work.sharedAt !== null,
        givenTimes,
      },
    ];
  });
}
