import "server-only";
import { array, object, string } from "yup";
import { LESSONS_A_DAY, SLOT } from "@/core/grouping/slotClashes";
import { classesById } from "@/db/queries/people";
import { groupById } from "@/db/queries/regroup";
import { added } from "@/db/queries/rowChanges";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import type { RowChange } from "@/db/schema/history";
import { demandStaff } from "@/server/access/demand";
import { lend } from "@/server/access/lending";
import { demandClasses } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { uuid, validated } from "@/server/runtime/validated";
import { labelOf } from "../labelOf";
import { reasonOf } from "../reads/suggest/reasonOf";
import { membersIn } from "./membersIn";

const MOST_MEMBERS = 40;
const MOST_BECAUSE = 600;

const group = object({
  id: uuid(),
  name: string()
    .trim()
    .min(1, "Give the group a name.")
    .max(60, "The name of a group has at most 60 letters.")
    .required("Give the group a name."),
  /** Null for a group that is mixed on purpose. */
  skillId: string().nullable().defined("Choose the skill the group is for."),
  studentIds: array(string().required()).min(1, "A group needs at least one student.").max(MOST_MEMBERS).required(),
  /** Those of them who are there to explain. */
  explainerIds: array(string().required()).max(MOST_MEMBERS).default([]),
  /** The reason as it was read; worked out where the group was not suggested. */
  because: string().trim().max(MOST_BECAUSE).default(""),
  slots: array(string().matches(SLOT, `Choose lessons from Monday to Friday, 1 to ${LESSONS_A_DAY}.`).required())
    .max(20)
    .default([]),
});
const groupsInput = object({
  classIds: array(string().required()).min(1).required(),
  groups: array(group).min(1).max(12).required(),
});

/** Makes one or several groups as one change. Ids come from the browser, so that sending twice makes them once. */
export async function makeGroups(
  context: Context,
  raw: unknown,
): Promise<{ groupIds: string[]; changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(groupsInput, raw);
  await demandClasses(context, "change", input.classIds);
  const { runtime } = context;
  const library = await libraryOf(runtime);
  const classroom = await loadClassroom(runtime, staff.schoolId, input.classIds);
  const signs = await misconceptionSignsOf(
    runtime.db.read,
    classroom.students.map(({ id }) => id),
  );
  return runtime.db.write(async (tx) => {
    const groupIds = input.groups.map(({ id }) => id);
    if (await groupById(tx, groupIds[0] ?? "")) return { groupIds, changeId: null };
    const rows: RowChange[] = [];
    for (const { id, name, skillId, studentIds, explainerIds, because, slots } of input.groups) {
      const members = membersIn(classroom, studentIds);
      const classId = members[0]?.classId ?? "";
      const [home] = await classesById(tx, [classId]);
      const skill = skillId === null ? null : library.skill(skillId);
      const explains = (personId: string) => explainerIds.includes(personId);
      const taught = members.filter((member) => !explains(member.id));
      rows.push(
        added("groups", {
          id,
          schoolId: staff.schoolId,
          classId,
          ownerId: staff.personId,
          name,
          label: labelOf(name),
          purpose: skill === null ? "Project, mixed on purpose" : explainerIds.length > 0 ? "Explaining" : "Reteach",
          subject: home?.subject ?? "",
          skillId,
          because:
            because || (skill ? reasonOf(classroom, library, skill, taught.length > 0 ? taught : members, signs) : ""),
          fromDay: classroom.today,
          untilDay: null,
          slots,
          createdAt: runtime.now(),
        }),
        ...members.map((member) =>
          added("groupMembers", {
            id: runtime.newId(),
            groupId: id,
            personId: member.id,
            fromDay: classroom.today,
            explains: explains(member.id),
          }),
        ),
      );
    }
    const classId = membersIn(classroom, input.groups[0]?.studentIds ?? [])[0]?.classId ?? "";
    const changeId = await recordChange(tx, context, {
      kind: "groups-made",
      facts: { names: input.groups.map(({ name }) => name), students: null },
      classId,
      subjectIds: groupIds,
      rows: await lend(tx, staff, rows, { today: classroom.today }),
    });
    return { groupIds, changeId };
  });
}
