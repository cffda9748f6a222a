import "server-only";
import type { PlanSlotRow } from "@/db/queries/plan";
import { added, changed } from "@/db/queries/rowChanges";
import type { RowChange } from "@/db/schema/history";
import type { ClassSlot } from "./classSlot";

/**
 * The rows that make a plan's slots other ones. A slot's version rises where it was changed or moved itself (`movedId`), and not where it only makes room: two
 * people can work on one plan at once.
 */
export function slotRows(
  before: readonly PlanSlotRow[],
  slots: readonly ClassSlot[],
  planId: string,
  movedId: string | null = null,
): RowChange[] {
  const there = new Map(before.map((row) => [row.id, row]));
  const kept = new Set(slots.map(({ id }) => id));
  const gone = before
    .filter(({ id }) => !kept.has(id))
    .map((row): RowChange => ({ table: "planSlots", id: row.id, before: { ...row }, after: null }));
  const own = slots.flatMap((slot, place): RowChange[] => {
    const row = there.get(slot.id);
    if (!row) return [added("planSlots", { ...slot, planId, place, version: 1 })];
    const { version, id: _id, ...was } = row;
    const { version: _version, id: _own, ...content } = slot;
    const next = { ...content, planId, place };
    if (isSame(was, next)) return [];
    const isOther = row.id === movedId || !isSame({ ...was, place }, next);
    return [changed("planSlots", row, { ...next, ...(isOther ? { version: version + 1 } : {}) })];
  });
  return [...gone, ...own];
}

type Values = Readonly<Record<string, unknown>>;
const sorted = (row: Values) => Object.entries(row).sort(([one], [other]) => (one < other ? -1 : 1));
const isSame = (one: Values, other: Values): boolean => JSON.stringify(sorted(one)) === JSON.stringify(sorted(other));
