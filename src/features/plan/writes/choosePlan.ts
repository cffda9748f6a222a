import "server-only";
import { array, number, object, string } from "yup";
import type { NamedFacts } from "@/core/model/changeFacts";
import { datesOfSlots } from "@/core/plan/datesOfSlots";
import { classScope } from "@/core/roster/classScope";
import { slotsOfPlan } from "@/db/queries/plan";
import { sharedPlanById } from "@/db/queries/sharedPlans";
import type { Queryable } from "@/db/queryable";
import type { RowChange } from "@/db/schema/history";
import { demandPlan } from "@/server/access/planSubject";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { type Library, libraryOf } from "@/server/library/library";
import { type ClassPlan, classPlanOf } from "@/server/plan/classPlan";
import { type ClassSlot, contentFor, copiedSlot } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import { slotOfUnit } from "@/server/plan/slotOfUnit";
import { slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import { day, validated } from "@/server/runtime/validated";

/** Classes whose plans are changed at once. */
export const MOST_CLASSES = 20;

export const weekdaysInput = () =>
  array(number().integer().min(1).max(5).required())
    .min(1, "Choose at least one day of the week with a lesson.")
    .max(5)
    .required("Choose at least one day of the week with a lesson.");

const chooseInput = object({
  classIds: array(string().required()).min(1, "Choose a class.").max(MOST_CLASSES).required(),
  /** A plan of somebody or of the school; without one, the year of a grade that ships. */
  planId: string().optional(),
  subjectId: string().required(),
  grade: number().integer().min(1).max(12).required(),
  firstDay: day(),
  weekdays: weekdaysInput(),
});

/** What a class's plan is made of. */
interface Source {
  readonly subjectId: string;
  readonly name: string | null;
  readonly slots: (lessonsAWeek: number) => ClassSlot[];
  readonly copied: { readonly fromId: string | null; readonly knownOrigins: readonly string[] };
}

/**
 * Gives classes a plan: the year of a grade, made from its units, or a plan of a person or a school, copied, with dates from their first day on. What was
 * planned goes; what students have shown stays. Titles of slots of which nothing is in the library any more come back.
 */
export async function choosePlan(
  context: Context,
  raw: unknown,
): Promise<{ changeId: string; gone: readonly string[] }> {
  const input = validated(chooseInput, raw);
  const { runtime } = context;
  await demandClasses(context, "change", input.classIds);
  const library = await libraryOf(runtime);
  return runtime.db.write(async (tx) => {
    const source = await sourceOf(tx, context, library, input);
    const rows: RowChange[] = [];
    const weekdays = [...new Set(input.weekdays)].sort();
    for (const classId of input.classIds) {
      const plan = await classPlanOf(tx, runtime, classId);
      demandScope(plan, library, source.subjectId);
      demandInTerms(plan, input.firstDay);
      const slots = source.slots(weekdays.length);
      const calendar = { ...plan.calendar, weekdays };
      if (datesOfSlots(slots, input.firstDay, calendar).some(({ dates }) => dates === null))
        throw new Refusal(
          "invalid",
          "There is no lesson on these days in more than a year. Choose other days of the week.",
        );
      const { subjectId, copied } = source;
      rows.push(
        ...rowsOfPlan(runtime, plan, { ...plan, firstDay: input.firstDay, calendar, slots, subjectId, copied }),
      );
    }
    const subject = library.subjects.find(({ id }) => id === source.subjectId)?.name ?? "";
    const classes = input.classIds.length;
    const told: NamedFacts =
      source.name === null
        ? { kind: "plan-chosen", facts: { subject, grade: input.grade, classes } }
        : { kind: "plan-given", facts: { name: source.name, classes } };
    const [classId = null, ...subjectIds] = input.classIds;
    const changeId = await recordChange(tx, context, { ...told, classId, subjectIds, rows });
    return { changeId, gone: goneFrom(source.slots(weekdays.length), library) };
  });
}

async function sourceOf(
  tx: Queryable,
  context: Context,
  library: Library,
  {
    planId,
    subjectId,
    grade,
  }: { readonly planId?: string | undefined; readonly subjectId: string; readonly grade: number },
): Promise<Source> {
  const { runtime } = context;
  if (planId !== undefined) {
    await demandPlan(context, "use", planId, tx);
    const plan = await sharedPlanById(tx, planId);
    const slots = await slotsOfPlan(tx, planId);
    if (!plan || slots.length === 0) throw new Refusal("invalid", "This plan holds nothing yet. Choose another one.");
    return {
      subjectId: plan.subjectId,
      name: plan.name,
      slots: (lessonsAWeek) =>
        slots.map((slot) => copiedSlot(runtime.newId(), slot.id, contentFor(slot, lessonsAWeek))),
      copied: { fromId: planId, knownOrigins: slots.map(({ id }) => id) },
    };
  }
  const units = library.units.filter((unit) => unit.subjectId === subjectId && unit.grade === grade);
  if (units.length === 0) throw new Refusal("invalid", "No units are written for this grade. Choose another one.");
  return {
    subjectId,
    name: null,
    slots: (lessonsAWeek) => units.map((unit) => slotOfUnit(runtime.newId(), unit, lessonsAWeek)),
    copied: { fromId: null, knownOrigins: [] },
  };
}

/** A class is planned in what it is taught. */
function demandScope(plan: ClassPlan, library: Library, subjectId: string): void {
  const scope = classScope([plan.class.subject], library.subjectsAt(plan.class.schoolId));
  if (scope.some(({ id }) => id === subjectId)) return;
  const subject = library.subjects.find(({ id }) => id === subjectId)?.name ?? "this subject";
  throw new Refusal(
    "invalid",
    `${plan.class.name} is not taught ${subject.toLowerCase()}. Choose a plan of its own subject.`,
  );
}

/** The first day lies in a year that the school has. */
function demandInTerms({ school }: ClassPlan, firstDay: string): void {
  const [first] = school.terms.map(({ startDay }) => startDay).sort();
  const last = school.terms
    .map(({ endDay }) => endDay)
    .sort()
    .at(-1);
  if (first !== undefined && firstDay < first)
    throw new Refusal("invalid", `This day lies before the first term, which begins on ${first}. Choose a later one.`);
  if (last !== undefined && firstDay > last)
    throw new Refusal("invalid", `This day lies after the last term, which ends on ${last}. Choose an earlier one.`);
}

/** Slots of which the library holds nothing any more. */
const goneFrom = (slots: readonly ClassSlot[], library: Library): string[] =>
  slots
    .filter(({ skillIds }) => skillIds.length > 0 && skillIds.every((id) => library.skillIfKnown(id) === null))
    .map((slot) => slotTitle(slot, library));
