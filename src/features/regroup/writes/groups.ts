import "server-only";
import { array, object, string } from "yup";
import { SLOT } from "@/core/grouping/slotClashes";
import { movedFacts, type NamedFacts } from "@/core/model/changeFacts";
import { classesById, personById } from "@/db/queries/people";
import { groupById, membersOfGroups, sharesOfGroups } from "@/db/queries/regroup";
import { added, changed } from "@/db/queries/rowChanges";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demand, demandStaff } from "@/server/access/demand";
import { demandNoneLent, lend } from "@/server/access/lending";
import { studentSubject } from "@/server/access/studentSubject";
import { demandGroup } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { todayOf } from "@/server/runtime/school";
import { day, optionalDay, uuid, validated } from "@/server/runtime/validated";
import { labelOf } from "../labelOf";

const MOST_MEMBERS = 60;

const fields = {
  name: string()
    .trim()
    .min(1, "Give the group a name.")
    .max(60, "The name of a group has at most 60 letters.")
    .required("Give the group a name."),
  label: string().trim().max(4, "A short label has at most four letters.").default(""),
  purpose: string().trim().max(120, "The purpose has at most 120 letters.").default(""),
  subject: string().trim().max(60).default(""),
  skillId: string().nullable().default(null),
  fromDay: day(),
  untilDay: optionalDay(),
  slots: array(string().matches(SLOT, "Choose lessons from Monday to Friday.").required())
    .max(20, "A group meets at most 20 times a week.")
    .default([]),
};

const makeInput = object({
  id: uuid(),
  ...fields,
  studentIds: array(string().required()).max(MOST_MEMBERS).required(),
});

/** Makes a group of any students that the maker can see, across classes and grades. Sent twice, it is made once. */
export async function makeGroup(context: Context, raw: unknown): Promise<{ groupId: string; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const { id, studentIds, ...values } = validated(makeInput, raw);
  const { runtime } = context;
  await demandSound(context, values);
  const today = await todayOf(runtime, staff.schoolId);
  const homes: string[] = [];
  for (const studentId of studentIds) {
    const { subject, classes } = await studentSubject(runtime, studentId);
    demand(staff, "see", subject);
    homes.push(...classes.map(({ id: classId }) => classId));
  }
  const classId = homes.find((home) => staff.classTies.has(home)) ?? homes[0] ?? staff.classIds[0];
  if (classId === undefined) throw new Refusal("invalid", "Choose at least one student who is in a class.");
  return runtime.db.write(async (tx) => {
    if (await groupById(tx, id)) return { groupId: id, changeId: null };
    const [home] = await classesById(tx, [classId]);
    const rows: RowChange[] = [
      added("groups", {
        id,
        schoolId: staff.schoolId,
        classId,
        ownerId: staff.personId,
        ...values,
        label: values.label || labelOf(values.name),
        subject: values.subject || (home?.subject ?? ""),
        because: values.purpose,
        createdAt: runtime.now(),
      }),
      ...studentIds.map((personId) =>
        added("groupMembers", { id: runtime.newId(), groupId: id, personId, fromDay: values.fromDay }),
      ),
    ];
    const changeId = await recordChange(tx, context, {
      kind: "groups-made",
      facts: { names: [values.name], students: studentIds.length },
      classId,
      subjectIds: [id, ...studentIds],
      rows: await lend(tx, staff, rows, { today }),
    });
    return { groupId: id, changeId };
  });
}

async function demandSound(
  context: Context,
  { fromDay, untilDay, skillId }: { fromDay: string; untilDay: string | null; skillId: string | null },
): Promise<void> {
  if (untilDay !== null && untilDay < fromDay) throw new Refusal("invalid", "The last day lies before the first.");
  if (skillId !== null) (await libraryOf(context.runtime)).skill(skillId);
}

const changeInput = object({ groupId: string().required(), ...fields });

/** Changes a group's name, purpose, days and lessons. */
export async function changeGroup(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { groupId, ...values } = validated(changeInput, raw);
  await demandSound(context, values);
  return context.runtime.db.write(async (tx) => {
    const found = await openGroup(tx, context, groupId, "change");
    const wanted = { ...values, label: values.label || labelOf(values.name) };
    const rows = [changed("groups", found, wanted)];
    const told = { kind: "group-changed" as const, facts: { name: values.name } };
    return { changeId: await record(tx, context, found, told, rows) };
  });
}

type Group = NonNullable<Awaited<ReturnType<typeof groupById>>>;

async function openGroup(tx: Queryable, context: Context, groupId: string, verb: "change" | "share"): Promise<Group> {
  const found = await groupById(tx, groupId);
  await demandGroup(context, verb, found ?? { id: groupId, classId: "" }, tx);
  if (!found || found.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  return found;
}

const record = (
  tx: Queryable,
  context: Context,
  group: Group,
  told: NamedFacts,
  rows: readonly RowChange[],
  studentIds: readonly string[] = [],
) => recordChange(tx, context, { ...told, classId: group.classId, subjectIds: [group.id, ...studentIds], rows });

const moveInput = object({
  studentIds: array(string().required()).min(1, "Choose at least one student.").max(MOST_MEMBERS).required(),
  toGroupId: string().nullable().defined(),
  fromGroupId: string().nullable().defined(),
});

/** Puts students into a group, takes them out, or moves them. Who was in it when stays readable for old reports. */
export async function moveMembers(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { studentIds, toGroupId, fromGroupId } = validated(moveInput, raw);
  const { runtime, actor } = context;
  const staff = demandStaff(actor);
  if (toGroupId === fromGroupId) throw new Refusal("invalid", "Choose another group.");
  const today = await todayOf(runtime, actor.schoolId);
  if (toGroupId !== null)
    for (const id of studentIds) demand(actor, "see", (await studentSubject(runtime, id)).subject);
  return runtime.db.write(async (tx) => {
    const to = toGroupId === null ? null : await openGroup(tx, context, toGroupId, "change");
    const from = fromGroupId === null ? null : await openGroup(tx, context, fromGroupId, "change");
    const present = await membersOfGroups(
      tx,
      [toGroupId, fromGroupId].filter((id) => id !== null),
      { day: today, viewerId: staff.personId },
    );
    const rows: RowChange[] = [];
    for (const personId of new Set(studentIds)) {
      const leaving = present.find(({ person, groupId }) => person.id === personId && groupId === fromGroupId);
      if (leaving)
        rows.push({
          table: "groupMembers",
          id: leaving.membershipId,
          before: { untilDay: null },
          after: { untilDay: today },
        });
      if (to && !present.some(({ person, groupId }) => person.id === personId && groupId === toGroupId))
        rows.push(added("groupMembers", { id: runtime.newId(), groupId: to.id, personId, fromDay: today }));
    }
    if (rows.length === 0) throw new Refusal("conflict", "They are there already; nothing was changed.");
    const group = to ?? from;
    if (!group) throw new Refusal("invalid", "Choose a group.");
    const placed = await lend(tx, staff, rows, { today });
    return {
      changeId: await record(
        tx,
        context,
        group,
        { kind: "members-moved", facts: movedFacts(studentIds, from, to) },
        placed,
        studentIds,
      ),
    };
  });
}

const shareInput = object({
  groupId: string().required(),
  personId: string().required("Choose a colleague."),
  untilDay: optionalDay(),
});

/** Lets a colleague see and change a group, for good or until a day. */
export async function shareGroup(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { groupId, personId, untilDay } = validated(shareInput, raw);
  const { runtime } = context;
  const today = await todayOf(runtime, context.actor.schoolId);
  if (untilDay !== null && untilDay < today) throw new Refusal("invalid", "The last day lies in the past.");
  return runtime.db.write(async (tx) => {
    const found = await openGroup(tx, context, groupId, "share");
    const colleague = await personById(tx, personId);
    if (colleague?.kind !== "staff" || colleague.schoolId !== found.schoolId || colleague.archivedAt !== null)
      throw new Refusal("not-found", "This colleague is not at the school any more.");
    await demandNoneLent(tx, { groupId }, today);
    if (found.ownerId === personId) throw new Refusal("conflict", "The group is theirs already.");
    const present = (await sharesOfGroups(tx, [groupId])).find(({ share }) => share.personId === personId);
    const row = present
      ? changed("groupShares", present.share, { untilDay })
      : added("groupShares", { id: runtime.newId(), groupId, personId, untilDay });
    const told = { kind: "group-shared" as const, facts: { personId, name: found.name, untilDay } };
    return { changeId: await record(tx, context, found, told, [row]) };
  });
}

/** Ends a colleague's share of a group. */
export async function endGroupShare(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { groupId, shareId } = validated(object({ groupId: string().required(), shareId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const found = await openGroup(tx, context, groupId, "share");
    const present = (await sharesOfGroups(tx, [groupId])).find(({ share }) => share.id === shareId);
    if (!present) throw new Refusal("not-found", "This share is over already.");
    const rows: RowChange[] = [{ table: "groupShares", id: shareId, before: { ...present.share }, after: null }];
    const facts = { personId: present.share.personId, name: found.name };
    return { changeId: await record(tx, context, found, { kind: "group-share-ended", facts }, rows) };
  });
}

/** Puts a group away; its history and evidence stay. */
export async function archiveGroup(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const { groupId } = validated(object({ groupId: string().required() }), raw);
  return context.runtime.db.write(async (tx) => {
    const found = await groupById(tx, groupId);
    if (!found || found.archivedAt !== null)
      throw new Refusal("not-found", "This group is not there, or was archived.");
    await demandGroup(context, "archive", found, tx);
    const rows = [changed("groups", found, { archivedAt: context.runtime.now() })];
    return {
      changeId: await recordChange(tx, context, {
        kind: "group-put-away",
        facts: { name: found.name },
        subjectIds: [groupId],
        classId: found.classId,
        rows,
      }),
    };
  });
}
