import "server-only";
import { array, number, object, string } from "yup";
import { datesOfSlots } from "@/core/plan/datesOfSlots";
import type { RowChange } from "@/db/schema/history";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { type LibraryUnit, libraryOf } from "@/server/library/library";
import { classPlanOf } from "@/server/plan/classPlan";
import { type ClassSlot, newSlot } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
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
  subjectId: string().required(),
  grade: number().integer().min(1).max(12).required(),
  firstDay: day(),
  weekdays: weekdaysInput(),
});

/**
 * Gives classes the year of a grade as their plan, made from its units, with dates from their first day on. What was planned goes; what students
 * have shown stays.
 */
export async function choosePlan(context: Context, raw: unknown): Promise<{ changeId: string }> {
  const input = validated(chooseInput, raw);
  const { runtime } = context;
  await demandClasses(context, "change", input.classIds);
  const library = await libraryOf(runtime);
  const units = library.units.filter(({ subjectId, grade }) => subjectId === input.subjectId && grade === input.grade);
  if (units.length === 0) throw new Refusal("invalid", "No units are written for this grade. Choose another one.");
  return runtime.db.write(async (tx) => {
    const rows: RowChange[] = [];
    const weekdays = [...new Set(input.weekdays)].sort();
    for (const classId of input.classIds) {
      const plan = await classPlanOf(tx, runtime, classId);
      const slots = units.map((unit) => slotOfUnit(runtime.newId(), unit, weekdays.length));
      const calendar = { ...plan.calendar, weekdays };
      if (datesOfSlots(slots, input.firstDay, calendar).some(({ dates }) => dates === null))
        throw new Refusal(
          "invalid",
          "There is no lesson on these days in more than a year. Choose other days of the week.",
        );
      rows.push(...rowsOfPlan(runtime, plan, { ...plan, firstDay: input.firstDay, calendar, slots }));
    }
    const subject = library.subjects.find(({ id }) => id === input.subjectId);
    const changeId = await recordChange(tx, context, {
      kind: "plan-chosen",
      facts: { subject: subject?.name ?? "", grade: input.grade, classes: input.classIds.length },
      classId: input.classIds[0] ?? null,
      subjectIds: input.classIds.slice(1),
      rows,
    });
    return { changeId };
  });
}

/** A unit as a slot: its weeks have so many lessons each. */
export const slotOfUnit = (slotId: string, { id, weeks, skillIds }: LibraryUnit, lessonsAWeek: number): ClassSlot =>
  newSlot({ id: slotId, kind: "unit", unitId: id, skillIds: [...skillIds], lessons: weeks * lessonsAWeek });
