import "server-only";
import type { SchoolDay } from "@/core/calendar/dayNumber";
import { lessonsAtWeek } from "@/core/plan/lessonsAtWeek";
import type { PlanSlotRow } from "@/db/queries/plan";
import type { SlotContent } from "@/db/schema/plan";

/** A slot of a plan as it is worked with. */
export interface ClassSlot extends SlotContent {
  readonly id: string;
  readonly fromDay: SchoolDay | null;
  readonly skipped: boolean;
  readonly workId: string | null;
  readonly items: number | null;
  readonly originId: string | null;
  readonly originWas: SlotContent | null;
  readonly version: number;
}

/** A slot of which no more is said than what is given: it counts, may be worked on anywhere, and follows the slot before it. */
export const newSlot = (given: Pick<ClassSlot, "id" | "kind" | "lessons"> & Partial<ClassSlot>): ClassSlot => ({
  unitId: null,
  skillIds: [],
  title: "",
  counted: true,
  whereAt: "both",
  fromDay: null,
  skipped: false,
  workId: null,
  items: null,
  originId: null,
  originWas: null,
  version: 1,
  ...given,
});

export const slotOfRow = ({ planId: _plan, place: _place, ...slot }: PlanSlotRow): ClassSlot => slot;

/** What a slot holds, without its place and its dates. */
export const contentOf = ({
  kind,
  unitId,
  skillIds,
  title,
  lessons,
  counted,
  whereAt,
  items = null,
  workId = null,
}: SlotContent): SlotContent => ({
  kind,
  unitId,
  skillIds,
  title,
  lessons,
  counted,
  whereAt,
  items,
  workId,
});

/** Whether two slots hold the same. */
export const isSameContent = (one: SlotContent, other: SlotContent): boolean =>
  JSON.stringify(contentOf(one)) === JSON.stringify(contentOf(other));

/** What a slot of a plan to choose from comes to in a class with so many lessons a week. */
export const contentFor = (slot: SlotContent, lessonsAWeek: number): SlotContent => ({
  ...contentOf(slot),
  lessons: lessonsAtWeek(slot.lessons, lessonsAWeek),
});

/** A copy of a slot, which knows what it came from. */
export const copiedSlot = (id: string, originId: string, content: SlotContent): ClassSlot =>
  newSlot({
    ...content,
    items: content.items ?? null,
    workId: content.workId ?? null,
    id,
    originId,
    originWas: content,
  });

/** The skills that are taught in a slot; a test asks about skills and teaches none. */
export const taughtIn = ({ kind, skillIds }: Pick<SlotContent, "kind" | "skillIds">): readonly string[] =>
  kind === "work" ? [] : skillIds;

/** Slots with what is taught in them, for what is told of a plan's skills. */
export const taughtSlots = (slots: readonly ClassSlot[]): readonly ClassSlot[] =>
  slots.map((slot) => ({ ...slot, skillIds: taughtIn(slot) }));
