import { reviewMemory } from "../review/reviewMemory";
import type { SkillState } from "./skillState";

/**
 * Chance of mastery on a day: what was gained over the prior fades with the memory's chance of recall, so a skill left alone
 * drifts back towards where it started, never below it. Computed when read; the stored state stays as answered.
 * @example masteryToday({ mastery: 0.9, prior: 0.3, lastDay: 100, stabilityDays: 30 }, 160).toFixed(2) // "0.81"
 */
export function masteryToday(
  state: Pick<SkillState, "mastery" | "prior" | "lastDay" | "stabilityDays">,
  day: number,
): number {
  if (state.mastery <= state.prior) return state.mastery;
  return state.prior + (state.mastery - state.prior) * reviewMemory.recall(state.stabilityDays, day - state.lastDay);
}
