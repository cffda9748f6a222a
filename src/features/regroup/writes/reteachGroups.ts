import "server-only";
import { array, number, object, string } from "yup";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { classesById } from "@/db/queries/people";
import { groupById, membersOfGroups, reteachesOfGroups } from "@/db/queries/regroup";
import { added, changed } from "@/db/queries/rowChanges";
import { misconceptionSignsOf } from "@/db/queries/summaries";
import type { RowChange } from "@/db/schema/history";
import { demandStaff } from "@/server/access/demand";
import { lend } from "@/server/access/lending";
import { demandClasses, demandGroup } from "@/server/access/subjects";
import { type Classroom, classesOfMembers, loadClassroom } from "@/server/classroom/classroom";
import { workRows } from "@/server/classroom/workRows";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { dayAt, instantAt, todayOf } from "@/server/runtime/school";
import { day, uuid, validated } from "@/server/runtime/validated";
import { labelOf } from "../labelOf";
import { becauseLine } from "../suggestions";

const MOST_MEMBERS = 40;
/** A day further off is a slip of the keyboard. */
const MOST_DAYS_AHEAD = 366;
const PRACTICE_ITEMS = 10;

const group = object({
  id: uuid(),
  name: string()
    .trim()
    .min(1, "Give the group a name.")
    .max(60, "The name of a group has at most 60 letters.")
    .required("Give the group a name."),
  skillId: string().required("Choose the skill the group is for."),
  studentIds: array(string().required()).min(1, "A group needs at least one student.").max(MOST_MEMBERS).required(),
});
const groupsInput = object({
  classIds: array(string().required()).min(1).required(),
  groups: array(group).min(1).max(12).required(),
});

/** Makes one or several reteach groups as one change. Ids come from the browser, so that sending twice makes them once. */
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
    for (const { id, name, skillId, studentIds } of input.groups) {
      const members = membersOf(classroom, studentIds);
      const classId = members[0]?.classId ?? "";
      const [home] = await classesById(tx, [classId]);
      const because = becauseLine(classroom, library, library.skill(skillId), members, signs);
      rows.push(
        added("groups", {
          id,
          schoolId: staff.schoolId,
          classId,
          ownerId: staff.personId,
          name,
          label: labelOf(name),
          purpose: "Reteach",
          subject: home?.subject ?? "",
          skillId,
          because,
          fromDay: classroom.today,
          untilDay: null,
          slots: [],
          createdAt: runtime.now(),
        }),
        ...members.map((member) =>
          added("groupMembers", { id: runtime.newId(), groupId: id, personId: member.id, fromDay: classroom.today }),
        ),
      );
    }
    const classId = membersOf(classroom, input.groups[0]?.studentIds ?? [])[0]?.classId ?? "";
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

function membersOf(classroom: Classroom, studentIds: readonly string[]) {
  const members = classroom.students.filter(({ id }) => studentIds.includes(id));
  if (members.length !== new Set(studentIds).size)
    throw new Refusal("invalid", "Some of these students are not in your class any more. Open the page again.");
  return members;
}

const reteachInput = object({
  groupId: string().required(),
  reteachId: uuid(),
  practiceDueDay: day(),
  checkOpensDay: day(),
  checkDueDay: day(),
  checkItems: number()
    .integer()
    .min(3, "A check has at least 3 items.")
    .max(8, "A check has at most 8 items.")
    .required(),
});

/** Gives a group its reteach practice and a short check, and keeps where each student stood before. One change. */
export async function assignReteach(context: Context, raw: unknown): Promise<{ changeId: string | null }> {
  const staff = demandStaff(context.actor);
  const input = validated(reteachInput, raw);
  const { runtime } = context;
  const library = await libraryOf(runtime);
  const found = await groupById(runtime.db.read, input.groupId);
  if (!found || found.archivedAt !== null) throw new Refusal("not-found", "This group is not there, or was archived.");
  await demandGroup(context, "change", found, runtime.db.read);
  if (found.skillId === null) throw new Refusal("invalid", "This group is for no skill yet. Choose one first.");
  const skill = library.skill(found.skillId);
  const look = { day: await todayOf(runtime, staff.schoolId), viewerId: staff.personId };
  const members = await membersOfGroups(runtime.db.read, [found.id], look);
  const classroom = await loadClassroom(
    runtime,
    staff.schoolId,
    await classesOfMembers(
      runtime,
      { classId: found.classId, schoolId: staff.schoolId },
      members.map(({ person }) => person.id),
    ),
  );
  const { school } = classroom;
  const now = runtime.now();
  const dueAt = instantAt(school, input.practiceDueDay, "20:00");
  const checkOpensAt =
    input.checkOpensDay <= dayAt(school, now) ? now : instantAt(school, input.checkOpensDay, "06:00");
  const checkDueAt = instantAt(school, input.checkDueDay, "20:00");
  if (dueAt <= now || checkDueAt <= checkOpensAt)
    throw new Refusal("invalid", "A due day lies before the work opens. Choose later days.");
  const { today } = classroom;
  const last = dayOfNumber(dayNumber(today) + MOST_DAYS_AHEAD);
  if ([input.practiceDueDay, input.checkOpensDay, input.checkDueDay].some((chosen) => chosen > last))
    throw new Refusal("invalid", "A day lies more than a year ahead. Choose days within the coming weeks.");
  return runtime.db.write(async (tx) => {
    const earlier = await reteachesOfGroups(tx, [found.id]);
    if (earlier.some(({ id }) => id === input.reteachId)) return { changeId: null };
    const studentIds = (await membersOfGroups(tx, [found.id], look)).map(({ person }) => person.id);
    const [practiceId, checkId] = [runtime.newId(), runtime.newId()];
    const to = { classId: found.classId, groupId: found.id, studentIds };
    const rows = [
      ...workRows(
        context,
        {
          title: skill.studentName,
          instructions: "Some more on what we looked at together. Take the hint when you need it.",
          parts: [{ kind: "practice", settings: { items: PRACTICE_ITEMS }, skillIds: [skill.id] }],
        },
        [{ ...to, id: practiceId, opensAt: now, dueAt }],
      ),
      ...workRows(
        context,
        {
          title: `Check: ${skill.studentName}`,
          instructions: "A short check. One try for each; you see the result in class.",
          parts: [{ kind: "check", settings: { items: input.checkItems }, skillIds: [skill.id] }],
        },
        [{ ...to, id: checkId, opensAt: checkOpensAt, dueAt: checkDueAt }],
      ),
      added("reteaches", {
        id: input.reteachId,
        groupId: found.id,
        skillId: skill.id,
        practiceId,
        checkId,
        assignedDay: today,
        createdAt: now,
      }),
      ...membersOf(classroom, studentIds).map((student) =>
        added("reteachStudents", {
          id: runtime.newId(),
          reteachId: input.reteachId,
          personId: student.id,
          chanceBefore: student.gauges.get(skill.id)?.chance ?? 0,
        }),
      ),
    ];
    return {
      changeId: await recordChange(tx, context, {
        kind: "reteach-assigned",
        facts: { skill: skill.name, group: found.name },
        classId: found.classId,
        rows,
      }),
    };
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
