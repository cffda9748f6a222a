import "server-only";
import { datesOfSlots } from "@/core/plan/datesOfSlots";
import { skillsInSlot } from "@/core/plan/skillsInSlot";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { Runtime } from "@/server/runtime/runtime";
import type { ClassPlan } from "./classPlan";
import type { ClassSlot } from "./classSlot";

/** What a class's plan may become. */
export type NextPlan = Pick<ClassPlan, "firstDay" | "calendar" | "runById" | "pace" | "slots"> & {
  readonly copiedFromId?: string | null;
};

/** The rows that make a class's plan another one, with the days of its skills; nothing of what students did is among them. */
export function rowsOfPlan(runtime: Runtime, plan: ClassPlan, next: NextPlan): RowChange[] {
  const planId = plan.row?.id ?? runtime.newId();
  return [
    ...planRow(runtime, plan, next, planId),
    ...slotRows(plan, next.slots, planId),
    ...entryRows(runtime, plan, next),
  ];
}

function planRow(runtime: Runtime, plan: ClassPlan, next: NextPlan, planId: string): RowChange[] {
  const values = {
    firstDay: next.firstDay,
    weekdays: next.calendar.weekdays,
    runById: next.runById,
    pace: next.pace,
    ...(next.copiedFromId === undefined ? {} : { copiedFromId: next.copiedFromId }),
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
      subjectId: plan.subjectId,
      grade: plan.class.grade,
      name: plan.class.name,
      createdAt: runtime.now(),
      ...values,
    }),
  ];
}

function slotRows(plan: ClassPlan, slots: readonly ClassSlot[], planId: string): RowChange[] {
  const there = new Map(plan.slotRows.map((row) => [row.id, row]));
  const kept = new Set(slots.map(({ id }) => id));
  const gone = plan.slotRows
    .filter(({ id }) => !kept.has(id))
    .map((row): RowChange => ({ table: "planSlots", id: row.id, before: { ...row }, after: null }));
  const own = slots.flatMap((slot, place): RowChange[] => {
    const row = there.get(slot.id);
    if (!row) return [added("planSlots", { ...slot, planId, place, version: 1 })];
    const values = { ...slot, place };
    const { version: _before, ...before } = row;
    const { version: _after, ...after } = { ...values, planId };
    if (JSON.stringify(sorted(before)) === JSON.stringify(sorted(after))) return [];
    const { id: _id, ...content } = values;
    return [changed("planSlots", row, { ...content, version: row.version + 1 })];
  });
  return [...gone, ...own];
}

const sorted = (row: Readonly<Record<string, unknown>>) =>
  Object.entries(row).sort(([one], [other]) => (one < other ? -1 : 1));

/** A skill that comes twice has the days of its first slot. */
function entryRows(runtime: Runtime, plan: ClassPlan, next: NextPlan): RowChange[] {
  const spans = new Map<string, { fromDay: string; targetDay: string }>();
  for (const [place, { dates }] of datesOfSlots(next.slots, next.firstDay, next.calendar).entries())
    if (dates)
      for (const { skillId, ...days } of skillsInSlot(next.slots[place]?.skillIds ?? [], dates, next.calendar))
        if (!spans.has(skillId)) spans.set(skillId, days);
  const counting = new Set(
    next.slots.flatMap(({ counted, skipped, skillIds }) => (counted && !skipped ? skillIds : [])),
  );
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
