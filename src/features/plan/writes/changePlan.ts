import "server-only";
import { array, type InferType, object, string } from "yup";
import { editSlots } from "@/core/plan/editSlots";
import { lessonsBetween } from "@/core/plan/lessonDays";
import type { RowChange } from "@/db/schema/history";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { libraryOf } from "@/server/library/library";
import { type ClassPlan, classPlanOf } from "@/server/plan/classPlan";
import type { ClassSlot } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import { slotKey, slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { validated } from "@/server/runtime/validated";
import { keptForPlan } from "../reads/keptForPlan";
import { MOST_CLASSES } from "./choosePlan";
import { type Edit, editOf, slotEditFields, slotIn } from "./slotEdit";

const changeInput = object({
  /** The class on whose page it is done, first; the others follow where they have the same slot. */
  classIds: array(string().required()).min(1).max(MOST_CLASSES).required(),
  ...slotEditFields,
  /** Whether what lies behind moves along, or keeps its dates. */
  behind: string()
    .oneOf(["move-along", "keep-dates"] as const)
    .default("move-along"),
});
type Input = InferType<typeof changeInput>;

/**
 * Changes one slot of a class's plan, and of sister classes that have the same: moved, put in, taken out, or with other values. Dates follow from
 * the lessons; what students have shown is not touched. Names of classes that have no such slot come back.
 */
export async function changePlan(
  context: Context,
  raw: unknown,
): Promise<{ changeId: string | null; without: readonly string[] }> {
  const input = validated(changeInput, raw);
  const { runtime } = context;
  await demandClasses(context, "change", input.classIds);
  const library = await libraryOf(runtime);
  return runtime.db.write(async (tx) => {
    const [firstId = "", ...otherIds] = input.classIds;
    const first = await classPlanOf(tx, runtime, firstId);
    const edit = editOf(library, withLessons(input, first), {
      slots: first.slots,
      lessonsAWeek: first.calendar.weekdays.length,
      kept: await keptForPlan(tx, context.actor),
    });
    const rows: RowChange[] = rowsOfEdit(runtime, first, edit, input.behind);
    // A class that has already what is put in stays as it is; one without the slot that is changed is named.
    const without: string[] = [];
    let classes = 1;
    for (const classId of otherIds) {
      const plan = await classPlanOf(tx, runtime, classId);
      const same = sameEdit(runtime, first, plan, edit);
      if (same) {
        rows.push(...rowsOfEdit(runtime, plan, same, input.behind));
        classes++;
      } else if (edit.what !== "insert") without.push(plan.class.name);
    }
    if (rows.length === 0) return { changeId: null, without };
    const changeId = await recordChange(tx, context, {
      kind: "plan-changed",
      facts: {
        what: edit.what,
        slot: slotTitle(edit.what === "insert" ? edit.slot : slotIn(first, edit.slotId), library),
        classes,
      },
      classId: firstId,
      subjectIds: otherIds,
      rows,
    });
    return { changeId, without };
  });
}

/** A last day, as the lessons that it comes to in the class on whose page it was set. */
function withLessons<In extends Input>(input: In, plan: ClassPlan): In {
  const { untilDay, ...values } = input.values ?? {};
  if (untilDay === undefined) return input;
  const begins = plan.dates.find(({ id }) => id === input.slotId)?.dates?.fromDay;
  const lessons = begins === undefined ? 0 : lessonsBetween(values.fromDay ?? begins, untilDay, plan.calendar);
  if (lessons < 1)
    throw new Refusal("invalid", "There is no lesson from its first day to this one. Choose a later last day.");
  return { ...input, values: { ...values, lessons } };
}

function rowsOfEdit(runtime: Runtime, plan: ClassPlan, edit: Edit, behind: Input["behind"]): RowChange[] {
  const slots = editSlots(plan.slots, edit, behind, plan.dates);
  return slots === plan.slots
    ? []
    : rowsOfPlan(runtime, plan, { ...plan, slots }, edit.what === "move" ? edit.slotId : null);
}

/** The same change for the plan of a sister class: the slot that holds the same, put behind the slot that holds the same. Null where it has none. */
function sameEdit(runtime: Runtime, first: ClassPlan, plan: ClassPlan, edit: Edit): Edit | null {
  const own = (slot: ClassSlot | undefined) => slot && plan.slots.find((one) => slotKey(one) === slotKey(slot));
  const others = (slotId: string) => first.slots.filter(({ id }) => id !== slotId);
  const placeBehind = (before: ClassSlot | undefined, without: string): number => {
    const found = own(before);
    return found ? plan.slots.filter(({ id }) => id !== without).indexOf(found) + 1 : 0;
  };
  if (edit.what === "insert") {
    const place = placeBehind(first.slots[edit.place - 1], "");
    return own(edit.slot) ? null : { what: "insert", slot: { ...edit.slot, id: runtime.newId() }, place };
  }
  const slot = own(slotIn(first, edit.slotId));
  if (!slot) return null;
  if (edit.what !== "move") return { ...edit, slotId: slot.id };
  return { what: "move", slotId: slot.id, place: placeBehind(others(edit.slotId)[edit.place - 1], slot.id) };
}
