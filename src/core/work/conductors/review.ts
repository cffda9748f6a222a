import { aimAt } from "../aimAt";
import { markOfFirstTries } from "../markOfFirstTries";
import { nextInReview, progressOfReview } from "../nextInReview";
import { mostMinutes, type PartSituation } from "../partSituation";
import type { Conductor, PartEnd } from "./conductor";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

const MILLISECONDS_PER_MINUTE = 60_000;

/**
 * The day's review: each skill of the queue once, mixed; the first try counts. After a miss comes what lies underneath, and at the end the skill again.
 * It ends with the queue, or with the day's minutes: what was not asked is due tomorrow.
 */
export const review: Conductor = {
  ...USUAL,
  next: (situation, shown) => {
    const skillId = nextInReview(situation, shown);
    return skillId === null ? null : { ...aimAt(situation, skillId), evenly: true };
  },
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: (situation) => endOfReview(situation),
  tells: { verdict: true, hints: true, count: true },
  goesOver: { by: "skills", least: 1, most: 60 },
  mark: ({ items }) =>
    markOfFirstTries({
      items: items.filter((item, at) => items.findIndex(({ skillId }) => skillId === item.skillId) === at),
    }),
};

function endOfReview(situation: PartSituation): PartEnd {
  const shown = situation.items.filter(({ state }) => state !== "reserve");
  const atWork = shown.some(({ state, tries }) => state === "open" && tries > 0);
  const answered = shown.filter(({ state }) => state === "done");
  if (!atWork && answered.length > 0 && isSpent(situation)) return { progress: 1, done: true, reason: "budget" };
  const allDone = answered.length === shown.length || !shown.some(({ state }) => state === "open");
  if (allDone && nextInReview(situation, answered) === null) return { progress: 1, done: true, reason: "amount" };
  // Full only at the end: what lies underneath may still be to come.
  return { progress: Math.min(0.99, progressOfReview(situation)), done: false, reason: null };
}

function isSpent({ state, activeMilliseconds, ...situation }: PartSituation): boolean {
  const { minutes } = state;
  if (minutes === undefined) return false;
  const most = mostMinutes({ ...situation, settings: { ...situation.settings, minutes } });
  return most !== null && activeMilliseconds >= most * MILLISECONDS_PER_MINUTE;
}
