import type { SkillState } from "./skillState";

/** A snag of one student in one skill, open or cleared. */
export interface Snag {
  readonly sinceDay: number;
  /** Day on which the student came to Secure; null while it is open. */
  readonly clearedDay: number | null;
  /** Who helped between the two; empty when the student came through alone, or it is open. */
  readonly withHelpOf: readonly string[];
}

/**
 * The last snag in a skill with whose help it was cleared; `help` lists taught groups and talks by day. Null when there was none.
 * @example snagOf({ snagDay: null, snagClearedDay: null }, []) // null
 */
export function snagOf(
  state: Pick<SkillState, "snagDay" | "snagClearedDay">,
  help: readonly { readonly day: number; readonly by: string }[],
): Snag | null {
  const { snagDay, snagClearedDay } = state;
  if (snagDay === null) return null;
  const between = snagClearedDay === null ? [] : help.filter(({ day }) => day >= snagDay && day <= snagClearedDay);
  return { sinceDay: snagDay, clearedDay: snagClearedDay, withHelpOf: [...new Set(between.map(({ by }) => by))] };
}
