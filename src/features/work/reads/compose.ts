import "server-only";
import { addSchoolDays } from "@/core/calendar/addSchoolDays";
import { currentEntry } from "@/core/calendar/currentEntry";
import { askedText } from "@/core/items/askedText";
import { clashesAmong } from "@/core/items/clashesAmong";
import { fullName } from "@/core/roster/fullName";
import { LEARNED_KINDS } from "@/core/work/conductors/learnedKinds";
import { isOver } from "@/core/work/isOver";
import { workCounts } from "@/db/queries/figures";
import { pairsAmong } from "@/db/queries/itemEnemies";
import { itemById } from "@/db/queries/itemSearch";
import { classesById } from "@/db/queries/people";
import { groupsOfClasses, membersOfGroups } from "@/db/queries/regroup";
import { supportsOf } from "@/db/queries/students";
import { assignmentsOfClasses, pickedCounts } from "@/db/queries/work";
import { presetsOf } from "@/db/queries/workPresets";
import { demandBank } from "@/server/access/bankSubject";
import { demand, demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { classSubjects } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { drawerWith, versionsOf } from "@/server/library/drawnItems";
import { cardsMade } from "@/server/library/itemCards";
import { libraryOf } from "@/server/library/library";
import { DRAWS_AN_ITEM } from "@/server/library/shelf";
import type { Context } from "@/server/runtime/context";
import { todayOf } from "@/server/runtime/school";
import type { ComposeStudent, ComposeView } from "../types";
import { workAgain } from "./again";

/** School days that new work is given by default. */
const USUAL_SCHOOL_DAYS = 3;
/** Items that can be given at once. */
const MOST_PICKED = 40;

/** What giving work begins with: the classes and groups it may go to, the skills, and what was gathered. */
export async function composeView(
  context: Context,
  chosenIds: readonly string[],
  itemIds: readonly string[] = [],
  againId: string | null = null,
): Promise<ComposeView> {
  const staff = demandStaff(context.actor);
  // A specialist looks on in a class; of the chosen ones only those are offered to which work can be given.
  const subjects = await classSubjects(context.runtime.db.read, staff, chosenIds);
  const classIds = subjects.filter((subject) => may(staff, "change", subject)).map(({ classId }) => classId);
  const [first] = subjects;
  if (classIds.length === 0 && first) demand(staff, "change", first);
  const classes = await classesById(context.runtime.db.read, classIds);
  const classroom = await loadClassroom(context.runtime, staff.schoolId, classIds);
  const { today, skills, plan, students } = classroom;
  const current = currentEntry(plan, today);
  const library = await libraryOf(context.runtime);
  const again = againId === null ? null : await workAgain(context, againId);
  const picked =
    again === null
      ? await pickedLines(context, itemIds)
      : again.picked.map(({ itemId, skillId, seed, line }) => ({ itemId, skillId, seed, line }));
  const supports = await supportsOf(
    context.runtime.db.read,
    students.map(({ id }) => id),
  );
  return {
    classes: classes.map(({ id, name }) => ({
      id,
      name,
      students: students.filter(({ classId }) => classId === id).map((student) => studentLine(student, supports)),
    })),
    groups: await groupLines(context, classIds, students, supports),
    skills: byNearness(skills, plan, classes[0]?.grade ?? 0).map((skill) => ({
      id: skill.id,
      name: skill.name,
      grade: skill.grade,
      strand: skill.strand,
      strandId: skill.strandId,
      subjectId: skill.subjectId,
      code: skill.standards[0]?.code ?? "",
      codes: [...new Set(library.skill(skill.id).standards.map(({ code }) => code))],
      planned: plan.some(({ skillId }) => skillId === skill.id),
      secure: Object.fromEntries(
        classes.map(({ id }) => [
          id,
          students.filter(
            (student) =>
              student.classId === id && ["secure", "extending"].includes(student.gauges.get(skill.id)?.level ?? ""),
          ).length,
        ]),
      ),
    })),
    presets: (await presetsOf(context.runtime.db.read, staff.personId)).map(({ id, name, settings }) => ({
      id,
      name,
      settings,
    })),
    today,
    holidays: [...classroom.school.calendar.holidays],
    dueDay: addSchoolDays(today, USUAL_SCHOOL_DAYS, classroom.school.calendar),
    again,
    suggestedSkillId: current?.skillId ?? null,
    picked,
    addable: picked.length > 0 ? await addableWorks(context, classIds) : [],
    clashes: clashesAmong(
      picked.map(({ itemId }) => itemId),
      await pairsAmong(
        context.runtime.db.read,
        picked.map(({ itemId }) => itemId),
      ),
    ),
  };
}

type Supports = Awaited<ReturnType<typeof supportsOf>>;

/** A student to whom work may go, with what their supports say of it. */
function studentLine(student: { readonly id: string; readonly shortName: string }, supports: Supports): ComposeStudent {
  const own = supports.find(({ personId }) => personId === student.id);
  return {
    id: student.id,
    name: student.shortName,
    timeFactor: own?.timeFactor ?? 1,
    leftOut: own?.leaveOutOfTests
      ? { reason: own.leaveOutReason, subjectId: own.leaveOutSubjectId, until: own.leaveOutUntil }
      : null,
    itemShare: own?.itemShare ?? 1,
  };
}

/** Groups of the classes, with those of their members who are in the classroom. */
async function groupLines(
  { runtime, actor }: Context,
  classIds: readonly string[],
  students: Classroom["students"],
  supports: Supports,
): Promise<ComposeView["groups"]> {
  const groups = (await groupsOfClasses(runtime.db.read, classIds)).filter(({ archivedAt }) => archivedAt === null);
  const look = { day: await todayOf(runtime, actor.schoolId), viewerId: actor.personId };
  const members = await membersOfGroups(
    runtime.db.read,
    groups.map(({ id }) => id),
    look,
  );
  return groups.map(({ id, name, classId }) => ({
    id,
    name,
    classId,
    students: members
      .filter(({ groupId }) => groupId === id)
      .map(({ person }) => {
        const shortName = students.find((one) => one.id === person.id)?.shortName;
        return studentLine({ id: person.id, shortName: shortName ?? fullName(person) }, supports);
      }),
  }));
}

/** Planned skills first, then others, those of grades near the class's own before those far off. */
function byNearness<Skill extends { readonly id: string; readonly grade: number }>(
  skills: readonly Skill[],
  plan: readonly { readonly skillId: string }[],
  grade: number,
): Skill[] {
  const planned = new Set(plan.map(({ skillId }) => skillId));
  const far = (skill: Skill) => (planned.has(skill.id) ? -1 : Math.abs(skill.grade - grade));
  return [...skills].sort((one, other) => far(one) - far(other));
}

/** Work with picked items that nobody has begun and that is not over. */
async function addableWorks(context: Context, classIds: readonly string[]): Promise<ComposeView["addable"]> {
  const db = context.runtime.db.read;
  const now = context.runtime.now();
  const given = (await assignmentsOfClasses(db, classIds)).filter(({ dueAt }) => !isOver(dueAt, now));
  const [counts, picks, classes] = await Promise.all([
    workCounts(
      db,
      given.map(({ id }) => id),
      LEARNED_KINDS,
    ),
    pickedCounts(
      db,
      given.map(({ workId }) => workId),
    ),
    classesById(db, classIds),
  ]);
  return given.flatMap(({ id, workId, title, classId }) => {
    const count = counts.get(id);
    const items = picks.get(workId) ?? 0;
    const className = classes.find((one) => one.id === classId)?.name ?? "";
    return items > 0 && count && count.notStarted === count.given ? [{ id, title, className, items }] : [];
  });
}

/** Gathered items that can be given, in their order; a draw of each, as everybody will get it. */
async function pickedLines(context: Context, itemIds: readonly string[]): Promise<ComposeView["picked"]> {
  const { runtime } = context;
  if (itemIds.length === 0) return [];
  await cardsMade(runtime);
  const cards = await Promise.all(itemIds.slice(0, MOST_PICKED).map((id) => itemById(runtime.db.read, id)));
  for (const bankId of new Set(cards.flatMap((card) => (card ? [card.bankId] : []))))
    await demandBank(context, "use", bankId);
  const given = cards.flatMap((card) =>
    card?.skillId && card.status === "ready" && card.retired === 0 ? [{ ...card, skillId: card.skillId }] : [],
  );
  const versions = await versionsOf(
    runtime,
    given.map(({ versionId }) => versionId),
  );
  const { drawIfKnown } = drawerWith(runtime, versions);
  return given.flatMap(({ itemId, versionId, skillId }) => {
    const seed = Math.floor(runtime.random() * DRAWS_AN_ITEM);
    const contexts = Object.keys(versions.get(versionId)?.body.contexts ?? {});
    const item = drawIfKnown({ versionId, seed, context: contexts[seed % contexts.length] ?? "", optionOrder: null });
    return item ? [{ itemId, skillId, seed, line: askedText(item) }] : [];
  });
}
