import { checkSet } from "../../answers/checkSet";
import { unreadable, type Verdict } from "../verdict";
import type { DrawnGrid, GridResponse } from "./body";
import { crossingName, isOnLine, sameCrossings } from "./crossings";

/** Points count one by one, wrong ones against right ones; of a line each of its two points counts. */
export function check({ task, across, up, right, misconceptionPoints }: DrawnGrid, { points }: GridResponse): Verdict {
  if (points.length === 0) return unreadable("empty");
  const isThere = (at: number, numbers: readonly string[]) => Number.isInteger(at) && at >= 0 && at < numbers.length;
  if (!points.every(([x, y]) => isThere(x, across) && isThere(y, up))) return unreadable("no-such-option");
  const names = new Set(points.map(crossingName));
  if (task === "line" && names.size !== 2) return unreadable("empty");
  const shown = misconceptionPoints.find((known) => sameCrossings(task, points, known.points));
  const possible = task === "line" ? 2 : right.length;
  const earned =
    task === "line"
      ? points.filter((point) => isOnLine(point, right)).length
      : Math.round(
          checkSet([...names], right.map(crossingName))
            .share.mul(possible)
            .valueOf(),
        );
  return { readable: true, earned, possible, misconceptionIds: shown && earned < possible ? [shown.id] : [] };
}
