/** School days ahead within which a skill counts as "next". */
const NEXT_WITHIN_DAYS = 10;
const WEIGHT = { now: 1, next: 0.8, past: 0.7, later: 0.25 } as const;
/** Added for each later skill that builds on it, at most three of them. */
const PER_UNLOCKED_SKILL = 0.15;

/**
 * How much a skill matters this week: 1 when it is being taught now, 0.8 when it comes within ten school days, 0.7 when its
 * time has passed, 0.25 when it is far off; plus 0.15 for each skill it unlocks, up to three.
 * `daysToTarget`: school days from today to the skill's target day, negative when past.
 * @example skillWeight(0, 0, 0) // 0.8
 */
export function skillWeight(daysToTarget: number, daysTaught: number, unlockedSkills: number): number {
  const place =
    daysToTarget < 0
      ? "past"
      : daysToTarget < daysTaught
        ? "now"
        : daysToTarget < daysTaught + NEXT_WITHIN_DAYS
          ? "next"
          : "later";
  return WEIGHT[place] + PER_UNLOCKED_SKILL * Math.min(3, unlockedSkills);
}
