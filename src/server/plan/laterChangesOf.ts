import "server-only";
import { type LaterChange, laterChanges } from "@/core/plan/laterChanges";
import { type PlanRow, slotsOfPlan } from "@/db/queries/plan";
import { sharedPlanById } from "@/db/queries/sharedPlans";
import type { Queryable } from "@/db/queryable";
import type { SlotContent } from "@/db/schema/plan";
import { planSubject } from "@/server/access/planSubject";
import { type Actor, may } from "@/server/access/policy";
import { type ClassSlot, contentFor, contentOf, isSameContent } from "./classSlot";

/** The plan that another was copied from, and what became of it since. */
export interface Original {
  readonly id: string;
  readonly name: string;
  /** Still there, and open to the asking person; otherwise nothing of it is told. */
  readonly isOpen: boolean;
  readonly changes: readonly LaterChange<SlotContent>[];
}

/** What became of the plan that a plan was copied from; null for one that was copied from none. */
export async function laterChangesOf(
  db: Queryable,
  actor: Actor,
  row: Pick<PlanRow, "copiedFromId" | "knownOrigins">,
  { slots, lessonsAWeek }: { readonly slots: readonly ClassSlot[]; readonly lessonsAWeek: number },
): Promise<Original | null> {
  if (row.copiedFromId === null) return null;
  const plan = await sharedPlanById(db, row.copiedFromId);
  if (!plan) return null;
  const { id, name } = plan;
  const isOpen = may(actor, "use", await planSubject(db, id));
  if (!isOpen) return { id, name, isOpen, changes: [] };
  const original = (await slotsOfPlan(db, id)).map((slot) => ({
    id: slot.id,
    content: contentFor(slot, lessonsAWeek),
  }));
  const copy = slots.map((slot) => ({
    id: slot.id,
    originId: slot.originId,
    originWas: slot.originWas,
    content: contentOf(slot),
  }));
  const held = new Set(copy.flatMap(({ originId }) => originId ?? []));
  const leftOut = new Set(row.knownOrigins.filter((one) => !held.has(one)));
  return { id, name, isOpen, changes: laterChanges(copy, original, leftOut, isSameContent) };
}
