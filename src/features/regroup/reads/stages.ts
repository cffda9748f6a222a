import "server-only";
import { finishedWorks } from "@/db/queries/figures";
import {
  groupsById,
  groupsOfClasses,
  membersOfGroups,
  reteachesOfGroups,
  studentsOfReteaches,
} from "@/db/queries/regroup";
import { assignmentsById } from "@/db/queries/work";
import type { Queryable } from "@/db/queryable";
import { stageOf } from "../stage";

/** Groups whose home is one of the classes, and some more, each once. */
export async function groupsAround(db: Queryable, classIds: readonly string[], alsoIds: readonly string[]) {
  const found = [...(await groupsOfClasses(db, classIds)), ...(await groupsById(db, alsoIds))];
  return [...new Map(found.map((group) => [group.id, group])).values()];
}

/** Each group's latest reteach on the skill that it is for now. */
export function latestReteaches<Reteach extends { readonly groupId: string; readonly skillId: string }>(
  groups: readonly { readonly id: string; readonly skillId: string | null }[],
  reteaches: readonly Reteach[],
): ReadonlyMap<string, Reteach> {
  return new Map(
    groups.flatMap(({ id, skillId }) => {
      const found = reteaches.find((reteach) => reteach.groupId === id && reteach.skillId === skillId);
      return found ? [[id, found] as const] : [];
    }),
  );
}

/** The groups with their members and how far each has come. */
export async function groupStages(
  db: Queryable,
  groups: readonly { readonly id: string; readonly skillId: string | null }[],
  { now, ...look }: { readonly now: number; readonly day: string; readonly viewerId: string },
) {
  const ids = groups.map(({ id }) => id);
  const [members, all] = await Promise.all([membersOfGroups(db, ids, look), reteachesOfGroups(db, ids)]);
  const latest = latestReteaches(groups, all);
  const reteaches = [...latest.values()];
  const [taught, finished, checks] = await Promise.all([
    studentsOfReteaches(
      db,
      reteaches.map(({ id }) => id),
    ),
    finishedWorks(
      db,
      reteaches.map(({ practiceId }) => practiceId),
    ),
    assignmentsById(
      db,
      reteaches.map(({ checkId }) => checkId),
    ),
  ]);
  return groups.map(({ id, skillId }) => {
    const reteach = latest.get(id) ?? null;
    const check = checks.find((work) => work.id === reteach?.checkId);
    const own = members.filter(({ groupId }) => groupId === id).map(({ person }) => person);
    const progress = stageOf({
      hasSkill: skillId !== null,
      reteach,
      checkOpen: check !== undefined && check.opensAt <= now,
      presentIds: new Set(own.map((person) => person.id)),
      taught,
      finished,
    });
    return { groupId: id, members: own, checkOpensAt: check?.opensAt ?? null, ...progress };
  });
}
