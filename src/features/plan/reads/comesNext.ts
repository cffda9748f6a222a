import "server-only";
import { format } from "date-fns";
import type { SchoolDay } from "@/core/calendar/dayNumber";
import { schoolDaysBetween } from "@/core/calendar/schoolDaysBetween";
import { broughtAlong, unitChecks } from "@/core/library/unitChecks";
import { demandStaff } from "@/server/access/demand";
import { demandClasses } from "@/server/access/subjects";
import { type Classroom, loadClassroom } from "@/server/classroom/classroom";
import { type Library, libraryOf } from "@/server/library/library";
import { type ClassPlan, classPlanOf } from "@/server/plan/classPlan";
import { taughtIn } from "@/server/plan/classSlot";
import { slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import type { ComingGap, PlanView } from "../types";

/** School days ahead from which there is still time to do something about a gap, and not too much of it. */
const SCHOOL_DAYS = 5;
/** Of those of whom enough is known, so many lack what a slot builds on before it is worth a line. */
const LEAST_SHARE = 0.3;

const NO_SLOT = { kind: "text", skillIds: [] } as const;

/** What the plan teaches next, and how the class stands in what that builds on; null at its end. */
export function comesNext(plan: ClassPlan, library: Library, { students }: Classroom): PlanView["comes"] {
  const place = placeOfNext(plan);
  const [slot, dates] = [plan.slots[place], plan.dates[place]?.dates];
  if (!slot || !dates) return null;
  const taught = library.skills.filter(({ id }) => slot.skillIds.includes(id));
  const buildsOn = broughtAlong(taught).flatMap((id) => {
    const skill = library.skillIfKnown(id);
    if (!skill) return [];
    const gauges = students.flatMap((student) => student.gauges.get(id) ?? []);
    const known = gauges.filter(({ tooLittle }) => !tooLittle);
    const there = known.filter(({ level }) => level === "secure" || level === "extending").length;
    const unknown = gauges.length - known.length;
    const { name, grade } = skill;
    return [{ id, name, grade, lacking: known.length - there, unknown, students: gauges.length }];
  });
  const check = unitChecks(taught).find(({ moment }) => moment === "before") ?? null;
  return { title: slotTitle(slot, library), from: dayWords(dates.fromDay), buildsOn, check };
}

/** Slots that begin within days in classes that lack something under them, the widest gap of each. */
export async function comingGaps(context: Context, classIds: readonly string[]): Promise<ComingGap[]> {
  await demandClasses(context, "see", classIds);
  const { schoolId } = demandStaff(context.actor);
  const { runtime } = context;
  const library = await libraryOf(runtime);
  const found = await Promise.all(
    classIds.map(async (classId): Promise<ComingGap | null> => {
      const plan = await classPlanOf(runtime.db.read, runtime, classId);
      if (!beginsSoon(plan)) return null;
      const comes = comesNext(plan, library, await loadClassroom(runtime, schoolId, [classId]));
      const [widest] = (comes?.buildsOn ?? [])
        .filter(({ lacking, unknown, students }) => lacking > 0 && lacking >= LEAST_SHARE * (students - unknown))
        .sort((x, y) => y.lacking - x.lacking);
      if (!comes || !widest) return null;
      const { id, name, lacking, unknown, students } = widest;
      const gap = { skillId: id, skill: name, lacking, known: students - unknown };
      return { classId, className: plan.class.name, title: comes.title, from: comes.from, ...gap };
    }),
  );
  return found.filter((gap) => gap !== null);
}

function beginsSoon(plan: ClassPlan): boolean {
  const next = plan.dates[placeOfNext(plan)]?.dates;
  return next ? schoolDaysBetween(plan.today, next.fromDay, plan.calendar) <= SCHOOL_DAYS : false;
}

/** A test or a line of text builds on nothing: what is taught next stands behind it. */
const placeOfNext = ({ dates, slots, today }: ClassPlan): number =>
  dates.findIndex(
    ({ dates: own }, at) => own !== null && own.fromDay > today && taughtIn(slots[at] ?? NO_SLOT).length > 0,
  );

const dayWords = (day: SchoolDay) => format(new Date(`${day}T12:00:00`), "d MMM");
