import "server-only";
import { format } from "date-fns";
import { dayNumber, type SchoolDay } from "@/core/calendar/dayNumber";
import { dayOfNumber } from "@/core/calendar/dayOfNumber";
import { mondayOf } from "@/core/calendar/mondayOf";
import { lessonsBetween } from "@/core/plan/lessonDays";
import { orderFaults } from "@/core/plan/orderFaults";
import { shareDone } from "@/core/plan/shareDone";
import { classScope } from "@/core/roster/classScope";
import { lastGivenOf } from "@/db/queries/keptWorks";
import { classesById } from "@/db/queries/people";
import { demandStaff } from "@/server/access/demand";
import { openPlans } from "@/server/access/planSubject";
import { may } from "@/server/access/policy";
import { classSubjects, demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { type Library, type LibrarySkill, libraryOf } from "@/server/library/library";
import { type ClassPlan, classPlanOf } from "@/server/plan/classPlan";
import { type ClassSlot, taughtIn, taughtSlots } from "@/server/plan/classSlot";
import { laterChangesOf } from "@/server/plan/laterChangesOf";
import { slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { positionIn, SHARE_WANTED } from "../position";
import type { PlanChoice, PlannedSkillView, PlanSlotView, PlanView } from "../types";
import { comesNext } from "./comesNext";
import { keptForPlan } from "./keptForPlan";
import { originalView } from "./originalView";
import { putInChoice } from "./putInChoice";
import { planLines, yearsThatShip } from "./sharedPlans";
import { slotBasics } from "./slotViews";

/** The plan of one class: its slots in order, with dates, what stands in the way, and where the class stands. */
export async function planView(context: Context, classId: string): Promise<PlanView> {
  await demandClasses(context, "see", [classId]);
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const [plan, library, classroom, [subject]] = await Promise.all([
    classPlanOf(runtime.db.read, runtime, classId),
    libraryOf(runtime),
    loadClassroom(runtime, staff.schoolId, [classId]),
    classSubjects(runtime.db.read, staff, [classId]),
  ]);
  const skills = new Map(library.skillsAt(staff.schoolId).map((skill) => [skill.id, skill]));
  const shares = new Map(classroom.plan.map((entry) => [entry.skillId, skillView(classroom, skills, entry)]));
  const lastDay = plan.school.terms
    .map(({ endDay }) => endDay)
    .sort()
    .at(-1);
  const firstBeyond = plan.dates.findIndex(
    ({ dates }) => dates !== null && lastDay !== undefined && dates.targetDay > lastDay,
  );
  const { terms } = plan.school;
  const ofTerms = terms.map(({ startDay, endDay }) => lessonsBetween(startDay, endDay, plan.calendar));
  // A school without terms has none that would be too short.
  const mostLessons = ofTerms.length === 0 ? Number.POSITIVE_INFINITY : Math.max(...ofTerms);
  const given = await lastGivenOf(
    runtime.db.read,
    plan.slots.flatMap(({ workId }) => workId ?? []),
  );
  const slots = plan.slots.map((slot, place) =>
    slotView(plan, slot, place, { library, given, shares, firstBeyond, mostLessons }),
  );
  const reached = (skillId: string) => shares.get(skillId)?.reached ?? false;
  const original = plan.row
    ? await laterChangesOf(runtime.db.read, staff, plan.row, {
        slots: plan.slots,
        lessonsAWeek: plan.calendar.weekdays.length,
      })
    : null;
  return {
    classId,
    className: plan.class.name,
    mayChange: subject !== undefined && may(staff, "change", subject),
    runs: plan.runById !== null,
    position: positionOf(classroom, shares),
    done: shareDone(taughtSlots(plan.slots), reached),
    slots,
    year: {
      today: dayNumber(plan.today),
      terms: plan.school.terms.map(({ id, name, startDay, endDay }) => ({
        id,
        name,
        from: dayNumber(startDay),
        to: dayNumber(endDay),
      })),
    },
    thisWeek: thisWeek(plan, library),
    comes: comesNext(plan, library, classroom),
    faults: faultsOf(plan, library),
    sisters: await sistersOf(context, plan, library),
    choice: await choiceOf(context, plan, library),
    putIn: putInChoice(library, plan.subjectId, plan.slots, await keptForPlan(context.runtime.db.read, context.actor)),
    original: originalView(original, plan.slots, library),
  };
}

function skillView(
  { students }: Classroom,
  skills: ReadonlyMap<string, LibrarySkill>,
  { skillId, fromDay, targetDay }: Classroom["plan"][number],
): PlannedSkillView {
  const skill = skills.get(skillId);
  const gauges = students.flatMap((student) => student.gauges.get(skillId) ?? []);
  const known = gauges.filter(({ tooLittle }) => !tooLittle);
  const at = (...levels: readonly string[]) =>
    known.filter(({ level }) => level !== null && levels.includes(level)).length;
  // What was mastered once and has faded since is a matter for review, not for the plan.
  const there = known.filter(
    ({ level, mark }) => mark === "faded" || level === "secure" || level === "extending",
  ).length;
  return {
    id: skillId,
    name: skill?.name ?? "",
    code: skill?.standards[0]?.code ?? "",
    grade: skill?.grade ?? 0,
    days: fromDay === targetDay ? dayWords(fromDay) : `${dayWords(fromDay)} to ${dayWords(targetDay)}`,
    secure: at("secure", "extending"),
    developing: at("developing"),
    beginning: at("beginning"),
    tooLittle: gauges.length - known.length,
    students: gauges.length,
    reached: gauges.length > 0 && there / gauges.length >= SHARE_WANTED,
    there,
  };
}

function slotView(
  { dates, today }: ClassPlan,
  slot: ClassSlot,
  place: number,
  {
    library,
    given,
    shares,
    firstBeyond,
    mostLessons,
  }: {
    readonly library: Library;
    readonly given: ReadonlyMap<string, string>;
    readonly shares: ReadonlyMap<string, PlannedSkillView>;
    readonly firstBeyond: number;
    readonly mostLessons: number;
  },
): PlanSlotView {
  const own = dates[place]?.dates ?? null;
  return {
    ...slotBasics(slot, library, given),
    span: own ? { from: dayNumber(own.fromDay), to: dayNumber(own.targetDay) } : null,
    days: own ? { from: dayWords(own.fromDay), to: dayWords(own.targetDay) } : null,
    place: own === null ? "none" : own.targetDay < today ? "past" : own.fromDay > today ? "ahead" : "now",
    isBeyondTerms: place === firstBeyond,
    isLongerThanTerm: slot.lessons > mostLessons,
    skills: taughtIn(slot).flatMap((id) => shares.get(id) ?? []),
  };
}

function positionOf({ plan, today, school }: Classroom, shares: ReadonlyMap<string, PlannedSkillView>) {
  const planned = plan
    .filter(({ counted }) => counted)
    .map(({ skillId, targetDay }) => {
      const share = shares.get(skillId);
      const secure = share && share.students > 0 ? share.there / share.students : 0;
      return { skillId, name: share?.name ?? "", targetDay, shareSecure: secure };
    });
  return positionIn(planned, today, school);
}

function thisWeek({ today, entries }: ClassPlan, library: Library): PlanView["thisWeek"] {
  const monday = mondayOf(dayNumber(today));
  const [first, last] = [dayOfNumber(monday), dayOfNumber(monday + 6)];
  return entries
    .filter(({ fromDay, targetDay }) => fromDay <= last && targetDay >= first)
    .flatMap(({ skillId, targetDay }) => {
      const skill = library.skillIfKnown(skillId);
      return skill ? [{ id: skillId, name: skill.name, until: dayWords(targetDay) }] : [];
    });
}

function faultsOf(plan: ClassPlan, library: Library): PlanView["faults"] {
  const taught = taughtSlots(plan.slots).filter(({ skipped }) => !skipped);
  const under = new Map(library.skills.map(({ id, prerequisites }) => [id, prerequisites]));
  return orderFaults(taught, (id) => under.get(id) ?? []).flatMap(({ slotId, skillId, buildsOnId, laterSlotId }) => {
    const [slot, later] = [slotId, laterSlotId].map((id) => plan.slots.find((one) => one.id === id));
    const [skill, buildsOn] = [library.skillIfKnown(skillId), library.skillIfKnown(buildsOnId)];
    if (!slot || !later || !skill || !buildsOn) return [];
    return [
      {
        slotId,
        version: slot.version,
        skill: skill.name,
        buildsOn: buildsOn.name,
        laterSlot: slotTitle(later, library),
        // Behind the later one, once this is taken out.
        repairPlace: plan.slots.indexOf(later),
      },
    ];
  });
}

async function sistersOf(context: Context, plan: ClassPlan, library: Library): Promise<PlanView["sisters"]> {
  const { runtime } = context;
  const staff = demandStaff(context.actor);
  const subjects = library.subjectsAt(staff.schoolId);
  const all = await classesById(runtime.db.read, staff.classIds);
  const mine = all.filter(
    ({ id, subject }) =>
      id !== plan.class.id && classScope([subject], subjects).some((one) => one.id === plan.subjectId),
  );
  const asked = await classSubjects(
    runtime.db.read,
    staff,
    mine.map(({ id }) => id),
  );
  return mine.flatMap(({ id, name }, place) => {
    const subject = asked[place];
    return subject && may(staff, "change", subject) ? [{ id, name }] : [];
  });
}

async function choiceOf(context: Context, plan: ClassPlan, library: Library): Promise<PlanChoice> {
  const scope = new Set(classScope([plan.class.subject], library.subjectsAt(plan.class.schoolId)).map(({ id }) => id));
  const { open } = await openPlans(context, demandStaff(context.actor));
  const lines = await planLines(
    context,
    open.filter(({ plan: one }) => scope.has(one.subjectId)),
    library,
    plan.school,
  );
  const far = ({ grade }: { readonly grade: number }) => Math.abs(grade - plan.class.grade);
  const years = yearsThatShip(library);
  const taught = library.subjects.filter(({ id }) => scope.has(id));
  const subjects = taught.flatMap(({ id, name }) => {
    const grades = years
      .filter(({ subjectId }) => subjectId === id)
      .map(({ grade, units, weeks }) => ({ grade, units, weeks }));
    return grades.length > 0 ? [{ id, name, grades }] : [];
  });
  return {
    subjects,
    plans: lines
      .filter(({ slots }) => slots > 0)
      .sort((one, other) => far(one) - far(other))
      .map(({ id, name, whose, subjectId, grade, slots, weeks }) => ({
        id,
        name,
        whose,
        subjectId,
        grade,
        slots,
        weeks,
      })),
    subjectId: subjects.some(({ id }) => id === plan.subjectId) ? plan.subjectId : (subjects[0]?.id ?? ""),
    grade: plan.class.grade,
    firstDay: plan.firstDay,
    weekdays: plan.calendar.weekdays,
  };
}

const dayWords = (day: SchoolDay) => format(new Date(`${day}T12:00:00`), "d MMM");
