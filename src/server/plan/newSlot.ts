import "server-only";
import type { ClassSlot } from "./classPlan";

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
