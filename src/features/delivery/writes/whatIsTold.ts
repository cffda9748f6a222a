import "server-only";
import type { SittingItemRow } from "@/db/queries/sittings";
import type { Answer } from "./answerMessage";

/** A lid closed over an item would count as hours of work. */
const MOST_MILLISECONDS = 10 * 60_000;
const MOST_HINTS = 9;
/** The last instant that JavaScript's dates know. */
const LAST_INSTANT = 8.64e15;

/** Hints, active time and the device's clock as they are kept, and whose word they are. */
export interface Told {
  readonly hintsUsed: number;
  readonly milliseconds: number;
  readonly witness: "server" | "device";
  readonly deviceClock: number | null;
}

/**
 * What the server knows of a try, and what it has to believe. It handed out the hints and knows since when the student can
 * have been at the try; only for answers that waited on a device (or a hint read from the reserve) there is just the device's word.
 */
export function whatIsTold(answer: Answer, item: SittingItemRow, now: number): Told {
  const handedOut = item.hints;
  const hintsUsed = Math.min(MOST_HINTS, Math.max(handedOut, Math.round(answer.hintsUsed ?? 0)));
  const since = item.tryFrom === null ? MOST_MILLISECONDS : Math.max(0, now - item.tryFrom);
  const longest = Math.min(MOST_MILLISECONDS, answer.offline ? MOST_MILLISECONDS : since);
  const { deviceClock = null } = answer;
  return {
    hintsUsed,
    milliseconds: Math.round(Math.min(answer.milliseconds ?? longest, longest)),
    witness: answer.offline || hintsUsed > handedOut ? "device" : "server",
    deviceClock: deviceClock !== null && deviceClock <= LAST_INSTANT ? Math.round(deviceClock) : null,
  };
}
