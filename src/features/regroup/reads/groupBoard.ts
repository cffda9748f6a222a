import "server-only";
import { slotClashes } from "@/core/grouping/slotClashes";
import { fullName } from "@/core/roster/fullName";
import { classesById, peopleById, staffOfSchools } from "@/db/queries/people";
import {
  groupsById,
  groupsOfClasses,
  groupsOfStudents,
  membersOfGroups,
  pastMemberships,
  sharesOfGroups,
} from "@/db/queries/regroup";
import { presentEnrollments } from "@/db/queries/roster";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { demandClasses, groupSubjects } from "@/server/access/subjects";
import { loadClassroom } from "@/server/classroom/classroom";
import { fullNames } from "@/server/classroom/names";
import type { Context } from "@/server/runtime/context";
import { slotWords } from "@/words/staff/slotWords";
import type { BoardGroup, BoardStudent, BoardView } from "../types";

/** Students of the chosen classes beside all groups that touch them, ordered by need where a skill is chosen. */
export async function groupBoard(
  context: Context,
  classIds: readonly string[],
  skillId: string | null,
): Promise<BoardView> {
  const staff = demandStaff(context.actor);
  await demandClasses(context, "see", classIds);
  const { runtime } = context;
  const db = runtime.db.read;
  const classroom = await loadClassroom(runtime, staff.schoolId, classIds);
  const classes = await classesById(db, classIds);
  const skill = classroom.skills.find(({ id }) => id === skillId) ?? null;
  const enrollments = (await presentEnrollments(db, [staff.schoolId], classroom.today)).filter(({ classId }) =>
    classIds.includes(classId),
  );
  const found = [...(await groupsOfClasses(db, classIds)), ...(await groupsById(db, [...staff.groupTies.keys()]))];
  const groups = [...new Map(found.map((group) => [group.id, group])).values()];
  const groupIds = groups.map(({ id }) => id);
  const subjects = await groupSubjects(db, staff, groups);
  const thatMay = (verb: "change" | "share") =>
    new Set(subjects.filter((subject) => may(staff, verb, subject)).map(({ groupId }) => groupId));
  const [changeable, shareable] = [thatMay("change"), thatMay("share")];
  const members = await membersOfGroups(db, groupIds, { day: classroom.today, viewerId: staff.personId });
  const past = await pastMemberships(db, groupIds);
  const shares = await sharesOfGroups(db, groupIds);
  const owners = fullNames(
    await peopleById(
      db,
      groups.map(({ ownerId }) => ownerId),
    ),
  );
  const names = fullNames([...classroom.students, ...[...members, ...past].map(({ person }) => person)]);
  const nameOfClass = new Map(classes.map(({ id, name }) => [id, name]));
  const students = classroom.students.map((student): BoardStudent => {
    const own = enrollments.filter(({ personId }) => personId === student.id).map(({ classId }) => classId);
    const gauge = skill ? student.gauges.get(skill.id) : undefined;
    return {
      id: student.id,
      name: names.get(student.id) ?? "",
      studentNumber: student.studentNumber,
      grade: student.grade,
      classIds: own,
      classNames: own.map((id) => nameOfClass.get(id) ?? "").join(", "),
      chance: gauge && !gauge.tooLittle ? gauge.chance : null,
      level: gauge && !gauge.tooLittle ? gauge.level : null,
      needs: gauge !== undefined && !gauge.tooLittle && (gauge.level === "beginning" || gauge.level === "developing"),
    };
  });
  const memberIds = [...new Set(members.map(({ person }) => person.id))];
  const meetings = (await groupsOfStudents(db, memberIds, classroom.today)).map(({ personId, group }) => ({
    personId,
    groupId: group.id,
    groupName: group.name,
    slots: group.slots,
    fromDay: group.fromDay,
    untilDay: group.untilDay,
  }));
  const shown = new Set(students.map(({ id }) => id));
  return {
    students,
    skills: classroom.skills.map(({ id, name }) => ({ id, name })),
    classes: classes.map(({ id, name }) => ({ id, name })),
    colleagues: (await staffOfSchools(db, [staff.schoolId]))
      .filter(({ id }) => id !== staff.personId)
      .map((colleague) => ({ id: colleague.id, name: fullName(colleague) })),
    skillId: skill?.id ?? null,
    today: classroom.today,
    groups: groups.map((group): BoardGroup => {
      const own = members.filter(({ groupId }) => groupId === group.id).map(({ person }) => person);
      const nameOf = new Map(own.map(({ id }) => [id, names.get(id) ?? ""]));
      const { id, name, label, purpose, subject, slots, fromDay, untilDay } = group;
      const clashes = slotClashes({ groupId: id, slots, fromDay, untilDay }, [...nameOf.keys()], meetings);
      return {
        id,
        name,
        label,
        purpose,
        subject,
        skillId: group.skillId,
        fromDay,
        untilDay,
        slots,
        ownerName: owners.get(group.ownerId) ?? "",
        memberIds: own.map((person) => person.id),
        others: own
          .filter((person) => !shown.has(person.id))
          .map((person) => ({ id: person.id, name: nameOf.get(person.id) ?? "" })),
        clashes: clashes.map(
          ({ personId, otherGroupId, slot }) =>
            `${nameOf.get(personId) ?? ""} is in “${meetings.find(({ groupId }) => groupId === otherGroupId)?.groupName ?? ""}” on ${slotWords(slot)}`,
        ),
        past: past
          .filter(({ membership }) => membership.groupId === id)
          .map(
            ({ membership, person }) =>
              `${names.get(person.id) ?? ""}, ${membership.fromDay} to ${membership.untilDay ?? ""}`,
          ),
        shares: shares
          .filter(({ share }) => share.groupId === id)
          .map(({ share, person }) => ({
            id: share.id,
            name: fullName(person),
            until: share.untilDay,
          })),
        mayChange: changeable.has(id),
        mayShare: shareable.has(id),
      };
    }),
  };
}
