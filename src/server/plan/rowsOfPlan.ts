import "server-only";
import { datesOfSlots } from "@/core/plan/datesOfSlots";
import { skillsInSlot } from "@/core/plan/skillsInSlot";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { Runtime } from "@/server/runtime/runtime";
import type { ClassPlan } from "./classPlan";
import { taughtIn } from "./classSlot";
import { slotRows } from "./slotRows";

/** A class's plan before, as far as its rows hang on it. */
export type PlanBefore = Pick<ClassPlan, "row" | "slotRows" | "entries" | "subjectId"> & {
  readonly class: Pick<ClassPlan["class"], "id" | "schoolId" | "grade" | "name">;
};

/** What a class's plan may become. */
export type NextPlan = Pick<ClassPlan, "firstDay" | "calendar" | "runById" | "pace" | "slots"> & {
  /** The plan that it was copied from, with the slots of it that are known here; left as it is unless stated. */
  readonly copied?: { readonly fromId: string | null; readonly knownOrigins: readonly string[] };
  readonly subjectId?: string;
};

/**
 * The rows that make a class's plan another one, with the days of its skills; nothing of what students did is among them.
 * @param movedId the slot that was moved by hand
 */
export function rowsOfPlan(
  runtime: Runtime,
  plan: PlanBefore,
  next: NextPlan,
  movedId: string | null = null,
): RowChange[] {
  const planId = plan.row?.id ?? runtime.newId();
  return [
    ...planRow(runtime, plan, next, planId),
    ...slotRows(plan.slotRows, next.slots, planId, movedId),
    ...entryRows(runtime, plan, next),
  ];
}

function planRow(runtime: Runtime, plan: PlanBefore, next: NextPlan, planId: string): RowChange[] {
  const values = {
    firstDay: next.firstDay,
    weekdays: next.calendar.weekdays,
    runById: next.runById,
    pace: next.pace,
    ...(next.copied ? { copiedFromId: next.copied.fromId, knownOrigins: next.copied.knownOrigins } : {}),
    subjectId: next.subjectId ?? plan.subjectId,
  };
  if (plan.row) {
    const { row } = plan;
    const isSame = Object.entries(values).every(
      ([name, value]) => JSON.stringify(row[name as keyof typeof row]) === JSON.stringify(value),
    );
    return isSame ? [] : [changed("plans", row, values)];
  }
  return [
    added("plans", {
      id: planId,
      schoolId: plan.class.schoolId,
      classId: plan.class.id,
      grade: plan.class.grade,
      name: plan.class.name,
      createdAt: runtime.now(),
      ...values,
    }),
  ];
}

const taughtAt = ({ slots }: NextPlan, place: number): readonly string[] => {
  const slot = slots[place];
  return slot ? taughtIn(slot) : [];
};

/** A skill that comes twice has the days of its first slot. */
function entryRows(runtime: Runtime, plan: PlanBefore, next: NextPlan): RowChange[] {
  const spans = new Map<string, { fromDay: string; targetDay: string }>();
  for (const [place, { dates }] of datesOfSlots(next.slots, next.firstDay, next.calendar).entries())
    if (dates)
      for (const { skillId, ...days } of skillsInSlot(taughtAt(next, place), dates, next.calendar))
        if (!spans.has(skillId)) spans.set(skillId, days);
  const counting = new Set(next.slots.flatMap((slot) => (slot.counted && !slot.skipped ? taughtIn(slot) : [])));
  const places = new Map([...spans.keys()].map((id, place) => [id, place]));
  const gone = plan.entries
    .filter(({ skillId }) => !spans.has(skillId))
    .map((row): RowChange => ({ table: "planEntries", id: row.id, before: { ...row }, after: null }));
  const known = new Map(plan.entries.map((row) => [row.skillId, row]));
  const own = [...spans].flatMap(([skillId, days]): RowChange[] => {
    const row = known.get(skillId);
    const values = { ...days, place: places.get(skillId) ?? 0, counted: counting.has(skillId) };
    if (!row) return [added("planEntries", { id: runtime.newId(), classId: plan.class.id, skillId, ...values })];
    const isSame = Object.entries(values).every(([name, value]) => row[name as keyof typeof values] === value);
    return isSame ? [] : [changed("planEntries", row, values)];
  });
  return [...gone, ...own];
}
