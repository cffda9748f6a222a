import "server-only";
import { array, boolean, type InferType, mixed, number, object, string } from "yup";
import { isDay } from "@/core/calendar/isDay";
import { PLAN_PLACES } from "@/core/model/planPlace";
import { editSlots, type SlotEdit } from "@/core/plan/editSlots";
import type { RowChange } from "@/db/schema/history";
import { demandClasses } from "@/server/access/subjects";
import { recordChange } from "@/server/history/recordChange";
import { type Library, libraryOf } from "@/server/library/library";
import { type ClassPlan, classPlanOf } from "@/server/plan/classPlan";
import { type ClassSlot, newSlot } from "@/server/plan/classSlot";
import { rowsOfPlan } from "@/server/plan/rowsOfPlan";
import { slotKey, slotTitle } from "@/server/plan/slotTitle";
import type { Context } from "@/server/runtime/context";
import { Refusal } from "@/server/runtime/refusal";
import type { Runtime } from "@/server/runtime/runtime";
import { isRecord, uuid, validated } from "@/server/runtime/validated";
import { MOST_CLASSES, slotOfUnit } from "./choosePlan";

const MOST_LESSONS = 200;
const MOST_SLOTS = 120;
/** Of a slot of skills that is put in, unless stated. */
const USUAL_LESSONS = 5;
const lessons = () =>
  number()
    .integer("Count lessons in whole numbers.")
    .min(1, "A slot takes at least one lesson.")
    .max(MOST_LESSONS, `A slot takes at most ${MOST_LESSONS} lessons. Divide it.`);

const changeInput = object({
  /** The class on whose page it is done, first; the others follow where they have the same slot. */
  classIds: array(string().required()).min(1).max(MOST_CLASSES).required(),
  what: string().oneOf(["move", "insert", "remove", "change"]).required(),
  /** For all but putting in. */
  slotId: string().optional(),
  /** As the page had it: whoever changes what was changed meanwhile is told. */
  version: number().integer().optional(),
  /** Where it goes, from 0. */
  place: number().integer().min(0).max(MOST_SLOTS).optional(),
  /** Whether what lies behind moves along, or keeps its dates. */
  behind: string()
    .oneOf(["move-along", "keep-dates"] as const)
    .default("move-along"),
  values: object({
    lessons: lessons().optional(),
    skipped: boolean().optional(),
    counted: boolean().optional(),
    whereAt: mixed<(typeof PLAN_PLACES)[number]>().oneOf(PLAN_PLACES).optional(),
    fromDay: string()
      .nullable()
      .optional()
      .test("day", "Choose a day that exists.", (text) => text == null || isDay(text)),
  })
    .noUnknown()
    .test("record", "Say what is to be changed.", (value) => value === undefined || isRecord(value))
    .optional(),
  slot: object({
    id: uuid(),
    unitId: string().optional(),
    skillIds: array(string().required()).max(20, "A slot holds at most 20 skills.").default([]),
    title: string().trim().max(120, "A title has at most 120 letters.").default(""),
    lessons: lessons().optional(),
  })
    .noUnknown()
    .test("record", "Say what is to be put in.", (value) => value === undefined || isRecord(value))
    .optional()
    .default(undefined),
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
    const edit = editOf(library, input, first);
    const rows: RowChange[] = rowsOfEdit(runtime, first, edit, input.behind);
    const without: string[] = [];
    for (const classId of otherIds) {
      const plan = await classPlanOf(tx, runtime, classId);
      const same = sameEdit(runtime, first, plan, edit);
      if (same) rows.push(...rowsOfEdit(runtime, plan, same, input.behind));
      else without.push(plan.class.name);
    }
    if (rows.length === 0) return { changeId: null, without };
    const changeId = await recordChange(tx, context, {
      kind: "plan-changed",
      facts: {
        what: edit.what,
        slot: slotTitle(edit.what === "insert" ? edit.slot : slotIn(first, edit.slotId), library),
        classes: input.classIds.length - without.length,
      },
      classId: firstId,
      subjectIds: otherIds,
      rows,
    });
    return { changeId, without };
  });
}

type Edit = SlotEdit<ClassSlot>;

function slotIn(plan: ClassPlan, slotId: string | undefined): ClassSlot {
  const found = plan.slots.find(({ id }) => id === slotId);
  if (!found)
    throw new Refusal(
      "conflict",
      "This slot is not in the plan any more: somebody changed it meanwhile. Open the page again.",
    );
  return found;
}

function editOf(library: Library, input: Input, plan: ClassPlan): Edit {
  const place = input.place ?? plan.slots.length;
  if (input.what === "insert") return { what: "insert", slot: wantedSlot(library, input, plan), place };
  const slot = slotIn(plan, input.slotId);
  if (input.version !== undefined && input.version !== slot.version)
    throw new Refusal(
      "conflict",
      "Somebody changed this slot meanwhile. Look at it again; nothing of yours was changed.",
    );
  switch (input.what) {
    case "move":
      return { what: "move", slotId: slot.id, place };
    case "remove":
      return { what: "remove", slotId: slot.id };
    default: {
      const values = Object.fromEntries(Object.entries(input.values ?? {}).filter(([, value]) => value !== undefined));
      return { what: "change", slotId: slot.id, values };
    }
  }
}

function wantedSlot(library: Library, { slot: wanted }: Input, plan: ClassPlan): ClassSlot {
  if (!wanted) throw new Refusal("invalid", "Say what is to be put in.");
  if (plan.slots.length >= MOST_SLOTS) throw new Refusal("invalid", `A plan holds at most ${MOST_SLOTS} slots.`);
  const { id, unitId, skillIds, title, lessons: wantedLessons } = wanted;
  if (unitId !== undefined) {
    const own = slotOfUnit(id, library.unit(unitId), plan.calendar.weekdays.length);
    return { ...own, lessons: wantedLessons ?? own.lessons };
  }
  for (const skillId of skillIds) library.skill(skillId);
  if (skillIds.length > 0)
    return newSlot({ id, kind: "skills", skillIds, title, lessons: wantedLessons ?? USUAL_LESSONS });
  if (title === "") throw new Refusal("invalid", "Choose a unit or a skill, or write a line.");
  return newSlot({ id, kind: "text", title, lessons: wantedLessons ?? 1, counted: false });
}

function rowsOfEdit(runtime: Runtime, plan: ClassPlan, edit: Edit, behind: Input["behind"]): RowChange[] {
  const slots = editSlots(plan.slots, edit, behind, plan.dates);
  return slots === plan.slots ? [] : rowsOfPlan(runtime, plan, { ...plan, slots });
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
