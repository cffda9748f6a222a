import "server-only";
import type { SlotContent } from "@/db/schema/plan";
import type { Library } from "@/server/library/library";
import type { ClassSlot } from "@/server/plan/classSlot";
import type { Original } from "@/server/plan/laterChangesOf";
import { slotTitle } from "@/server/plan/slotTitle";
import type { LaterChangeView, OriginalView } from "../originalTypes";

/** What became of a plan's original since, in words. */
export function originalView(
  original: Original | null,
  slots: readonly ClassSlot[],
  library: Library,
): OriginalView | null {
  if (!original) return null;
  const { name, isOpen, changes } = original;
  return {
    name,
    closed: isOpen ? null : "It was put away, or is not open to you any more.",
    changes: changes.map((change): LaterChangeView => {
      const own = "slotId" in change ? slots.find(({ id }) => id === change.slotId) : undefined;
      const there = "to" in change ? change.to : null;
      const titled = there ?? own;
      return {
        originId: change.originId,
        what: change.what,
        title: titled ? slotTitle(titled, library) : "",
        here: own ? contentWords(own) : null,
        there: there ? contentWords(there) : null,
        clash: "clash" in change && change.clash,
      };
    }),
  };
}

/** What a slot holds beside its title. */
function contentWords({ lessons, counted, whereAt }: SlotContent): string {
  return [
    lessons === 1 ? "1 lesson" : `${lessons} lessons`,
    ...(counted ? [] : ["extra"]),
    ...(whereAt === "both" ? [] : [whereAt === "school" ? "at school only" : "at home only"]),
  ].join(", ");
}
