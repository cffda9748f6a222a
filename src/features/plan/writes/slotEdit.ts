import "server-only";
import { array, boolean, type InferType, mixed, number, object, string } from "yup";
import { isDay } from "@/core/calendar/isDay";
import { unitChecks } from "@/core/library/unitChecks";
import { PLAN_PLACES } from "@/core/model/planPlace";
import { UNIT_MOMENTS, type UnitMoment } from "@/core/model/unit";
import type { SlotEdit } from "@/core/plan/editSlots";
import type { Library } from "@/server/library/library";
import { type ClassSlot, newSlot } from "@/server/plan/classSlot";
import { slotOfUnit } from "@/server/plan/slotOfUnit";
import { Refusal } from "@/server/runtime/refusal";
import { isRecord, uuid } from "@/server/runtime/validated";
import { checkTitle } from "@/words/staff/unitWords";

const MOST_LESSONS = 200;
const MOST_SLOTS = 120;
/** Of a slot of skills that is put in, unless stated. */
const USUAL_LESSONS = 5;
const lessons = () =>
  number()
    .integer("Count lessons in whole numbers.")
    .min(1, "A slot takes at least one lesson.")
    .max(MOST_LESSONS, `A slot takes at most ${MOST_LESSONS} lessons. Divide it.`);

/** What a change of one slot says, whatever plan it is in. */
export const slotEditFields = {
  what: string().oneOf(["move", "insert", "remove", "change"]).required(),
  /** For all but putting in. */
  slotId: string().optional(),
  /** As the page had it: whoever changes what was changed meanwhile is told. */
  version: number().integer().optional(),
  /** Where it goes, from 0. */
  place: number().integer().min(0).max(MOST_SLOTS).optional(),
  values: object({
    lessons: lessons().optional(),
    title: string().trim().max(120, "A title has at most 120 letters.").optional(),
    skipped: boolean().optional(),
    counted: boolean().optional(),
    whereAt: mixed<(typeof PLAN_PLACES)[number]>().oneOf(PLAN_PLACES).optional(),
    /** Of a class's slot: its last day, in place of its lessons. */
    untilDay: string()
      .optional()
      .test("day", "Choose a day that exists.", (text) => text === undefined || isDay(text)),
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
    /** Work that is kept, to be given at this place. */
    workId: string().optional(),
    /** Of a test of the unit: when in it. */
    moment: mixed<UnitMoment>().oneOf(UNIT_MOMENTS).optional(),
    skillIds: array(string().required()).max(20, "A slot holds at most 20 skills.").default([]),
    title: string().trim().max(120, "A title has at most 120 letters.").default(""),
    lessons: lessons().optional(),
    /** False for an extra. */
    counted: boolean().default(true),
  })
    .noUnknown()
    .test("record", "Say what is to be put in.", (value) => value === undefined || isRecord(value))
    .optional()
    .default(undefined),
};
const slotEditInput = object(slotEditFields);
type Input = InferType<typeof slotEditInput>;

/** A plan as its slots are changed. */
export interface EditedPlan {
  readonly slots: readonly ClassSlot[];
  readonly lessonsAWeek: number;
  /** Kept work that may be put in, by its id. */
  readonly kept: ReadonlyMap<string, KeptForPlan>;
}

export interface KeptForPlan {
  readonly title: string;
  readonly skillIds: readonly string[];
}

export type Edit = SlotEdit<ClassSlot>;

export function slotIn(plan: Pick<EditedPlan, "slots">, slotId: string | undefined): ClassSlot {
  const found = plan.slots.find(({ id }) => id === slotId);
  if (!found)
    throw new Refusal(
      "conflict",
      "This slot is not in the plan any more: somebody changed it meanwhile. Open the page again.",
    );
  return found;
}

/** The change that is asked for; refuses where somebody else was quicker. */
export function editOf(library: Library, input: Input, plan: EditedPlan): Edit {
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
      // A plan without dates has no last days.
      const { untilDay: _last, ...wanted } = input.values ?? {};
      const values = Object.fromEntries(Object.entries(wanted).filter(([, value]) => value !== undefined));
      return { what: "change", slotId: slot.id, values };
    }
  }
}

function wantedSlot(library: Library, { slot: wanted }: Input, plan: EditedPlan): ClassSlot {
  if (!wanted) throw new Refusal("invalid", "Say what is to be put in.");
  if (plan.slots.length >= MOST_SLOTS) throw new Refusal("invalid", `A plan holds at most ${MOST_SLOTS} slots.`);
  const { id, unitId, moment, skillIds, title, counted, lessons: wantedLessons } = wanted;
  if (wanted.workId !== undefined) {
    const work = plan.kept.get(wanted.workId);
    if (!work) throw new Refusal("invalid", "This work is not kept any more. Open the page again.");
    return newSlot({ id, kind: "work", workId: wanted.workId, ...work, lessons: wantedLessons ?? 1 });
  }
  if (unitId !== undefined && moment !== undefined) return testOf(library, id, unitId, moment);
  if (unitId !== undefined) {
    const own = slotOfUnit(id, library.unit(unitId), plan.lessonsAWeek);
    return { ...own, counted, lessons: wantedLessons ?? own.lessons };
  }
  for (const skillId of skillIds) library.skill(skillId);
  if (skillIds.length > 0)
    return newSlot({ id, kind: "skills", skillIds, title, counted, lessons: wantedLessons ?? USUAL_LESSONS });
  if (title === "") throw new Refusal("invalid", "Choose a unit or a skill, or write a line.");
  return newSlot({ id, kind: "text", title, lessons: wantedLessons ?? 1, counted: false });
}

/** A test of a unit at its place in the year: it takes a lesson, and teaches nothing. */
function testOf(library: Library, id: string, unitId: string, moment: UnitMoment): ClassSlot {
  const unit = library.unit(unitId);
  const skills = unit.skillIds.flatMap((skillId) => library.skillIfKnown(skillId) ?? []);
  const check = unitChecks(skills).find((one) => one.moment === moment);
  if (!check)
    throw new Refusal("invalid", "This unit builds on nothing that could be asked before it. Choose another test.");
  const { skillIds, items } = check;
  return newSlot({ id, kind: "work", unitId, skillIds, items, title: checkTitle(moment, unit.name), lessons: 1 });
}
