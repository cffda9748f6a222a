import { demandThat } from "../model/fail";

/** When a school wants to be told at once: under this percentile, or fallen by this many points since the last screening. */
export interface UrgencyRule {
  readonly belowPercentile: number;
  readonly fallenBy?: number;
}

/**
 * Whether a screening result calls for a look today. A rule of its own beside the tiers; without a rule nothing is urgent.
 * @throws CoreError "bad-argument", where this does not hold: A percentile lies in 0 to 100.
 * @example isUrgent(5, null, null) // false
 */
export function isUrgent(percentile: number, previous: number | null, rule: UrgencyRule | null): boolean {
  demandThat(percentile >= 0 && percentile <= 100, "A percentile lies in 0 to 100.", { percentile });
  if (!rule) return false;
  const fallen = rule.fallenBy !== undefined && previous !== null && previous - percentile >= rule.fallenBy;
  return percentile < rule.belowPercentile || fallen;
}
