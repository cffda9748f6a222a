import "server-only";
import { dayNumber } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { mondayOf } from "@/core/calendar/mondayOf";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { groupBy } from "@/core/collections/groupBy";
import type { PlanPlace } from "@/core/model/planPlace";
import { shareDone } from "@/core/plan/shareDone";
import { personById, studentsOfClasses } from "@/db/queries/people";
import { piecesFinishedSince, runsOfPlan, startsOfPlan } from "@/db/queries/plan";
import { demandStaff } from "@/server/access/demand";
import { may } from "@/server/access/policy";
import { classSubjects, demandClasses } from "@/server/access/subjects";
import { knownOf } from "@/server/classroom/knownOf";
import { shortNames } from "@/server/classroom/names";
import { type Library, libraryOf } from "@/server/library/library";
import { type ClassPlan, classPlanOf } from "@/server/plan/classPlan";
import { taughtSlots } from "@/server/plan/classSlot";
import { hasMastered, nextInPlan, offeredSlots, type StudentOfPlan } from "@/server/plan/nextInPlan";
import { slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { instantAt } from "@/server/runtime/school";
import type { NextView, PlanStudentsView, PlanStudentView } from "../studentsTypes";

/** Where each student of a class stands in its plan, and what it gives them next, at school and at home. */
export async function planStudents(context: Context, classId: string): Promise<PlanStudentsView> {
  await demandClasses(context, "see", [classId]);
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  const [plan, library, [subject]] = await Promise.all([
    classPlanOf(db, runtime, classId),
    libraryOf(runtime),
    classSubjects(db, staff, [classId]),
  ]);
  const enrolled = await studentsOfClasses(db, [classId], plan.today);
  const ids = enrolled.map(({ person }) => person.id);
  const monday = instantAt(plan.school, dayOfNumber(mondayOf(dayNumber(plan.today))), "00:00");
  const [known, runs, starts, pieces, runner] = await Promise.all([
    knownOf(db, ids),
    plan.row ? runsOfPlan(db, plan.row.id) : [],
    plan.row ? startsOfPlan(db, plan.row.id) : [],
    piecesFinishedSince(db, classId, monday),
    plan.runById === null ? null : personById(db, plan.runById),
  ]);
  const runsOf = groupBy(runs, ({ personId }) => personId);
  const startOf = new Map(starts.map(({ personId, slotId }) => [personId, slotId]));
  const names = shortNames(enrolled.map(({ person }) => person));
  const offered = offeredSlots(plan, library);
  const students = enrolled.map(({ person }): PlanStudentView => {
    const student: StudentOfPlan = {
      grade: person.grade ?? plan.class.grade,
      ...known(person.id),
      startSlotId: startOf.get(person.id) ?? null,
      runs: runsOf.get(person.id) ?? [],
    };
    const start = plan.slots.find(({ id }) => id === student.startSlotId);
    const at = (place: PlanPlace) =>
      nextView(plan, library, student, nextInPlan(plan, library, student, place, offered));
    const atSchool = at("school");
    return {
      id: person.id,
      name: names.get(person.id) ?? "",
      startsAt: start ? slotTitle(start, library) : null,
      atSchool,
      atHome: at("home"),
      daysAhead: daysAhead(plan, atSchool),
      done: shareDone(taughtSlots(plan.slots), (skillId) => hasMastered(student.states.get(skillId))),
      pieces: pieces.get(person.id) ?? 0,
    };
  });
  return {
    classId,
    className: plan.class.name,
    mayChange: subject !== undefined && may(staff, "change", subject),
    runs: plan.runById !== null,
    pace: plan.pace,
    runBy: runner ? `${runner.givenName} ${runner.familyName}` : null,
    tellsPlaces: plan.school.networks.length > 0,
    nothingAtHome: students.length > 0 && students.every(({ atHome }) => atHome === null),
    slots: plan.slots.flatMap((slot, place) =>
      offered[place]?.dates && (offered[place]?.skillIds.length ?? 0) > 0
        ? [{ id: slot.id, title: slotTitle(slot, library) }]
        : [],
    ),
    students,
  };
}

function nextView(
  plan: ClassPlan,
  library: Library,
  { runs }: StudentOfPlan,
  next: ReturnType<typeof nextInPlan>,
): NextView | null {
  const place = plan.slots.findIndex(({ id }) => id === next?.slotId);
  const slot = plan.slots[place];
  if (!next || !slot) return null;
  return {
    place: place + 1,
    slot: slotTitle(slot, library),
    skillId: next.skillId,
    skill: library.skill(next.skillId).name,
    neededFor: next.missingForId === null ? null : library.skill(next.missingForId).name,
    begun: runs.some(({ skillId, finishedAt }) => skillId === next.skillId && finishedAt === null),
  };
}

/** School days between today and the dates of the slot at which a student is: before it begins they are ahead, after its end behind. */
function daysAhead({ dates, today, school }: ClassPlan, next: NextView | null): number {
  const own = next ? dates[next.place - 1]?.dates : null;
  if (!own) return 0;
  if (own.targetDay < today) return -schoolDaysBetween(own.targetDay, today, school.calendar);
  return own.fromDay > today ? schoolDaysBetween(today, own.fromDay, school.calendar) : 0;
}
