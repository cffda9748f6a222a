import "server-only";
import type { LibraryUnit } from "@/server/library/library";
import { type ClassSlot, newSlot } from "./classSlot";

/** A unit as a slot: its weeks have so many lessons each. */
export const slotOfUnit = (slotId: string, { id, weeks, skillIds }: LibraryUnit, lessonsAWeek: number): ClassSlot =>
  newSlot({ id: slotId, kind: "unit", unitId: id, skillIds: [...skillIds], lessons: weeks * lessonsAWeek });
