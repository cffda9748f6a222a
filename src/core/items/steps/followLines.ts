import type { Slip } from "../../answers/algebra/slip";
import { solvingPath } from "../../answers/algebra/solvingPath";
import { checkAlgebra } from "../../answers/checkAlgebra";
import { checkStep } from "../../answers/checkStep";
import type { UnreadableReason } from "../verdict";
import type { DrawnSteps } from "./body";
import { endForm } from "./draw";

export type FollowedLines =
  /** `line`: which can't be read, from 1. */
  | { readonly readable: false; readonly reason: UnreadableReason; readonly line: number }
  | {
      readonly readable: true;
      /** Steps of the way that the true lines have done, up to all of them. */
      readonly done: number;
      readonly isEnd: boolean;
      /** The first line that does not say the same as the one before, from 1; null when all do. */
      readonly wrongLine: number | null;
      readonly slip: Slip | null;
    };

/**
 * Follows lines of work from the given one until the first that does not say the same as the line before; what comes after it is not
 * looked at, but has to be readable. Several steps in one line are as good as one in each.
 */
export function followLines({ start, way, keyText }: DrawnSteps, lines: readonly string[]): FollowedLines {
  let [before, done, isEnd] = [start, 0, false];
  for (const [place, line] of lines.entries()) {
    const step = checkStep(before, line);
    if (step.verdict === "unreadable")
      return { readable: false, reason: step.reason ?? "not-readable", line: place + 1 };
    if (step.verdict === "wrong") return { readable: true, done, isEnd: false, wrongLine: place + 1, slip: step.slip };
    done = Math.max(done, way.length - solvingPath(line).length);
    isEnd = checkAlgebra(line, keyText, endForm(start)).verdict === "right";
    before = line;
  }
  // A last line in another form than asked for has steps left, even where none of the known ones leads on.
  return {
    readable: true,
    done: isEnd ? way.length : Math.min(done, way.length - 1),
    isEnd,
    wrongLine: null,
    slip: null,
  };
}
