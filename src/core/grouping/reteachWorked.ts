import type { ComparedFigures, WorkedVerdict } from "../model/reteach";
import { comparedChange } from "./comparedChange";

/** A student of a reteach, or one like them outside it, who has done the check. */
export interface Checked {
  /** Chance of mastery when the reteach was given. */
  readonly before: number;
  /** The chance that the check alone brings from there (`chanceByCheck`). */
  readonly after: number;
  /** Share of the check that was right, 0 to 1. */
  readonly share: number;
}

export interface ReteachWorked {
  readonly verdict: WorkedVerdict;
  /** Change of chance, and share of the check, against similar students; null where too few could be compared. */
  readonly chance: ComparedFigures | null;
  readonly check: ComparedFigures | null;
}

/** A difference in chance this small is no use to anybody. */
const WORTH_WHILE = 0.15;
/** Of the intervals: one in twenty reteaches that do nothing may look as if they did. */
const LEVEL = 0.8;

/**
 * Whether a reteach worked, judged against similar students who were not taught and did the same check. It worked where the whole
 * interval of the difference lies above nothing, by chance and by the check alike; they moved no further where all of it lies under
 * what would be worth while. Without others nothing is said: whoever is chosen for standing low stands higher the next time by luck alone.
 * @example reteachWorked([{ before: 0.2, after: 0.8, share: 1 }], []).verdict // "no-comparison"
 */
export function reteachWorked(members: readonly Checked[], others: readonly Checked[]): ReteachWorked {
  const byChance = comparedChange(members, others, LEVEL);
  const shares = (students: readonly Checked[]) =>
    students.map(({ before, share }) => ({ before: 0, after: share, alike: before }));
  const byCheck = comparedChange(shares(members), shares(others), LEVEL);
  if ("noEstimate" in byChance || "noEstimate" in byCheck)
    return { verdict: "no-comparison", chance: null, check: null };
  const verdict = byChance.low > 0 && byCheck.low > 0 ? "worked" : byChance.high < WORTH_WHILE ? "no-further" : "open";
  return { verdict, chance: byChance, check: byCheck };
}
