import "server-only";
import type { PersonRow } from "@/db/queries/people";
import { peopleById } from "@/db/queries/people";
import {
  groupById,
  lapsedMembersOf,
  membersOfGroups,
  reteachesOfGroups,
  studentsOfReteaches,
} from "@/db/queries/regroup";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import { demandGroup } from "@/server/access/subjects";
import { classesOfMembers, classroomOfSome } from "@/server/classroom/classroom";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { latestReteaches } from "./stages";

/** A group for a skill with its members, its rounds, and the classroom that they make; those who were taught and have left are in it too. */
export async function theGroup(context: Context, groupId: string) {
  const { runtime, actor } = context;
  const db = runtime.db.read;
  const group = await groupById(db, groupId);
  if (!group || group.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  await demandGroup(context, "see", group, db);
  const { skillId } = group;
  if (skillId === null) throw new Refusal("invalid", "This group is for no skill. Open it on the group board.");
  const look = { day: await todayOf(runtime, actor.schoolId), viewerId: actor.personId };
  const memberships = await membersOfGroups(db, [groupId], look);
  const lapsed = await lapsedMembersOf(db, groupId, look);
  const rounds = await reteachesOfGroups(db, [groupId]);
  const round = latestReteaches([group], rounds).get(groupId) ?? null;
  const taught = await studentsOfReteaches(
    db,
    rounds.map(({ id }) => id),
  );
  const present = memberships.map(({ person }) => person);
  const left = await peopleById(
    db,
    taught
      .filter(({ reteachId }) => reteachId === round?.id)
      .map(({ personId }) => personId)
      .filter((id) => !present.some((person) => person.id === id) && !lapsed.includes(id)),
  );
  const people: PersonRow[] = [...present, ...left];
  const memberIds = people.map(({ id }) => id);
  const [classroom, library, signs] = await Promise.all([
    classroomOfSome(
      runtime,
      actor.schoolId,
      people,
      await classesOfMembers(runtime, { classId: group.classId, schoolId: actor.schoolId }, memberIds),
    ),
    libraryOf(runtime),
    misconceptionSignsOf(db, memberIds),
  ]);
  return {
    group: { ...group, skillId },
    skill: library.skill(skillId),
    explains: new Set(memberships.filter((one) => one.explains).map(({ person }) => person.id)),
    leftIds: new Set(left.map(({ id }) => id)),
    rounds,
    round,
    taught,
    classroom,
    library,
    signs,
  };
}

export type TheGroup = Awaited<ReturnType<typeof theGroup>>;
