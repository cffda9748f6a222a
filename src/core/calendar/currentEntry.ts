import type { SchoolDay } from "./dayNumber";

/**
 * What a plan, in the order of its days, is at: the first entry whose days are not over, or else the last; null for none.
 * @example currentEntry([{ fromDay: "2026-11-01", targetDay: "2026-11-30" }], "2026-11-23")?.fromDay // "2026-11-01"
 */
export function currentEntry<Entry extends { readonly targetDay: SchoolDay }>(
  plan: readonly Entry[],
  today: SchoolDay,
): Entry | null {
  return plan.find(({ targetDay }) => targetDay >= today) ?? plan.at(-1) ?? null;
}
