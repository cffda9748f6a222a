import "server-only";
import { TZDate } from "@date-fns/tz";
import { format } from "date-fns";
import { FULL_WEEK } from "@/core/plan/lessonsAtWeek";
import { classScope } from "@/core/roster/classScope";
import { factsOf } from "@/db/queries/history";
import { lastGivenOf } from "@/db/queries/keptWorks";
import { classesById, schoolsAround, staffOfSchools } from "@/db/queries/people";
import { slotsOfPlan } from "@/db/queries/plan";
import { classesWithCopyOf, latestChangesAbout, namedRightsOfPlan, sizesOfPlans } from "@/db/queries/sharedPlans";
import { demandStaff } from "@/server/access/demand";
import { demandPlan, type OpenPlan, openPlans } from "@/server/access/planSubject";
import { nameOfPeople } from "@/server/history/peopleNames";
import { type Library, libraryOf } from "@/server/library/library";
import { slotOfRow } from "@/server/plan/classSlot";
import { laterChangesOf } from "@/server/plan/laterChangesOf";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { type School, schoolOf } from "@/server/runtime/school";
import { NOBODY } from "@/words/staff/historyMessages";
import { changeWords } from "@/words/staff/historyWords";
import type { PlanLine, PlansView, SharedPlanView } from "../sharedTypes";
import { keptForPlan } from "./keptForPlan";
import { originalView } from "./originalView";
import { putInChoice } from "./putInChoice";
import { undatedSlot } from "./slotViews";

const ENTRIES_SHOWN = 20;

/** Every plan that the asking person may use, with the years that ship. */
export async function plansView(context: Context): Promise<PlansView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const [{ open, putAway }, library, school, classes] = await Promise.all([
    openPlans(context, staff),
    libraryOf(runtime),
    schoolOf(runtime, staff.schoolId),
    classesById(runtime.db.read, staff.classIds),
  ]);
  return {
    plans: await planLines(context, open, library, school),
    years: yearsThatShip(library),
    classes: classes.map(({ id, name, subject, grade }) => ({
      id,
      name,
      grade,
      subjectId: classScope([subject], library.subjectsAt(staff.schoolId))[0]?.id ?? "",
    })),
    putAway: putAway.map(({ id, name }) => ({ id, name })),
    coordinates: staff.coordinates.includes(staff.schoolId),
    school: school.name,
  };
}

/** The years that ship: a grade's units of a subject. */
export function yearsThatShip(library: Library): PlansView["years"] {
  return library.subjects.flatMap(({ id: subjectId, name: subject }) => {
    const units = library.units.filter((unit) => unit.subjectId === subjectId);
    return [...new Set(units.map(({ grade }) => grade))].map((grade) => {
      const own = units.filter((unit) => unit.grade === grade);
      return { subjectId, subject, grade, units: own.length, weeks: own.reduce((sum, { weeks }) => sum + weeks, 0) };
    });
  });
}

export async function planLines(
  { runtime, actor }: Context,
  open: readonly OpenPlan[],
  library: Library,
  school: School,
): Promise<PlanLine[]> {
  const sizes = await sizesOfPlans(
    runtime.db.read,
    open.map(({ plan }) => plan.id),
  );
  const lines: PlanLine[] = [];
  for (const { plan, mayChange, mayLookAfter } of open) {
    const { id, name, ownerId, ownerName, ownerLeft, subjectId, grade, schoolId } = plan;
    const ofSchool = schoolId === school.id ? school.name : (await schoolOf(runtime, schoolId)).name;
    const { slots = 0, lessons = 0 } = sizes.get(id) ?? {};
    lines.push({
      id,
      name,
      whose: ownerId === null ? ofSchool : ownerId === actor.personId ? "you" : ownerName,
      ownerLeft,
      subjectId,
      subject: library.subjects.find((one) => one.id === subjectId)?.name ?? "",
      grade,
      slots,
      weeks: Math.ceil(lessons / FULL_WEEK),
      level: mayLookAfter ? "look-after" : mayChange ? "change" : "use",
    });
  }
  return lines;
}

/** One plan: its slots, what became of its original, who may what with it, and who changed what. */
export async function sharedPlanView(context: Context, planId: string): Promise<SharedPlanView> {
  const staff = demandStaff(context.actor);
  const { runtime } = context;
  const db = runtime.db.read;
  await demandPlan(context, "use", planId, db);
  const [{ open }, library, school, rows, copies] = await Promise.all([
    openPlans(context, staff),
    libraryOf(runtime),
    schoolOf(runtime, staff.schoolId),
    slotsOfPlan(db, planId),
    classesWithCopyOf(db, planId),
  ]);
  const found = open.find(({ plan }) => plan.id === planId);
  const [line] = found ? await planLines(context, [found], library, school) : [];
  if (!found || !line) throw new Refusal("not-found", "This plan is not there any more.");
  const { plan, mayLookAfter } = found;
  const slots = rows.map(slotOfRow);
  const original = await laterChangesOf(db, staff, plan, { slots, lessonsAWeek: FULL_WEEK });
  const given = await lastGivenOf(
    db,
    slots.flatMap(({ workId }) => workId ?? []),
  );
  const skills = new Map(library.skillsAt(staff.schoolId).map((skill) => [skill.id, skill]));
  return {
    ...line,
    rows: slots.map((slot) => undatedSlot(slot, library, skills, given)),
    original: originalView(original, slots, library),
    copies,
    choice: putInChoice(library, plan.subjectId, slots, await keptForPlan(db, staff)),
    history: await historyOf(context, planId, school),
    ...(mayLookAfter ? await sharingOf(context, plan) : { rights: [], colleagues: [], schools: [] }),
  };
}

async function sharingOf({ runtime }: Context, plan: OpenPlan["plan"]) {
  const db = runtime.db.read;
  const [rights, colleagues, schools] = await Promise.all([
    namedRightsOfPlan(db, plan.id),
    staffOfSchools(db, [plan.schoolId]),
    schoolsAround(db, plan.schoolId),
  ]);
  return {
    rights: rights.map(({ right, givenName, familyName, hasLeft, school }) => ({
      id: right.id,
      who: right.personId === null ? `everybody of ${school ?? "a school"}` : `${givenName} ${familyName}`,
      level: right.level,
      hasLeft: hasLeft === 1,
    })),
    colleagues: colleagues
      .filter(({ id }) => id !== plan.ownerId)
      .map(({ id, givenName, familyName }) => ({ id, name: `${givenName} ${familyName}` })),
    schools: schools.map(({ id, name }) => ({ id, name })),
  };
}

async function historyOf({ runtime }: Context, planId: string, school: School): Promise<SharedPlanView["history"]> {
  const db = runtime.db.read;
  const entries = await latestChangesAbout(db, planId, ENTRIES_SHOWN);
  const actorIds = entries.flatMap(({ actorId }) => (actorId === null ? [] : [actorId]));
  const nameOf = await nameOfPeople(db, entries.map(factsOf), actorIds);
  return entries.map((entry) => ({
    id: entry.id,
    when: format(new TZDate(entry.at, school.timeZone), "d MMM, HH:mm"),
    who: entry.actorId === null ? NOBODY : nameOf(entry.actorId),
    what: changeWords(factsOf(entry), nameOf),
  }));
}
