import { aimAt } from "../aimAt";
import { depthInStrand, isMastered } from "../depthInStrand";
import { markOfFirstTries } from "../markOfFirstTries";
import { mostItems, mostMinutes } from "../partSituation";
import type { Conductor } from "./conductor";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/**
 * Practice at each student's own depth in whole strands: all go the same way, each from their own place, up on mastery and down where something is
 * missing. It ends with its items or minutes, or when there is nothing left to master.
 */
export const depth: Conductor = {
  ...USUAL,
  next: (situation, shown) => {
    if (shown.length >= mostItems(situation)) return null;
    const skillId = depthInStrand(
      situation,
      shown.map((item) => item.skillId),
    );
    return skillId === null ? null : aimAt(situation, skillId);
  },
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: (situation) => {
    const done = situation.items.filter(({ state }) => state === "done").length;
    const minutes = mostMinutes(situation);
    if (situation.skillIds.every((id) => isMastered(situation, id)))
      return { progress: 1, done: true, reason: "mastered" };
    const share = Math.max(
      done / mostItems(situation),
      minutes === null ? 0 : situation.activeMilliseconds / 60_000 / minutes,
    );
    return share >= 1 ? { progress: 1, done: true, reason: "amount" } : { progress: share, done: false, reason: null };
  },
  tells: { verdict: true, hints: true, count: true },
  goesOver: { by: "strands" },
  mark: markOfFirstTries,
};
