import "server-only";
import type { SchoolDay } from "@/core/calendar/dayNumber";
import type { SlotContent } from "@/db/schema/plan";

/** A slot of a class's plan as it is worked with. */
export interface ClassSlot extends SlotContent {
  readonly id: string;
  readonly fromDay: SchoolDay | null;
  readonly skipped: boolean;
  readonly workId: string | null;
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
  originId: null,
  originWas: null,
  version: 1,
  ...given,
});
