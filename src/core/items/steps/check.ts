import { unreadable, type Verdict } from "../verdict";
import type { DrawnSteps, StepsResponse } from "./body";
import { followLines } from "./followLines";

/**
 * All of it for lines that say the same from the first to a finished last one; otherwise as many steps as were done before the first
 * wrong line. A known slip in that line shows its misconception.
 */
export function check(drawn: DrawnSteps, { lines }: StepsResponse): Verdict {
  const written = writtenLines(lines);
  if (written.length === 0) return unreadable("empty");
  const followed = followLines(drawn, written);
  if (!followed.readable) return { readable: false, reason: followed.reason, line: followed.line };
  const kind = followed.slip?.kind;
  const misconceptionIds = drawn.slips.flatMap(({ id, slip }) => (slip === kind ? [id] : []));
  return { readable: true, earned: followed.done, possible: drawn.way.length, misconceptionIds };
}

/**
 * Lines with something in them; the given line copied at the top is none of the student's own.
 * @example writtenLines(["2x = 4", " ", "x = 2"]) // ["2x = 4", "x = 2"]
 */
export const writtenLines = (lines: readonly string[]): string[] =>
  lines.map((line) => line.trim()).filter((line) => line !== "");
