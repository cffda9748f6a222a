import { retrievability } from "./retrievability";
import type { SkillState } from "./skillState";

/**
 * Chance of mastery on a day: what was gained over the prior fades with the memory's retrievability, so a skill left alone
 * drifts back towards where it started, never below it. Computed when read; the stored state stays as answered.
 */
export function masteryToday(state: SkillState, day: number): number {
  if (state.mastery <= state.prior) return state.mastery;
  return state.prior + (state.mastery - state.prior) * retrievability(day - state.lastDay, state.stabilityDays);
}
