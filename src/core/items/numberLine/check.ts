import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnNumberLine, LineMark, NumberLineResponse } from "./body";
import { sameEnds, sameMark } from "./lineWords";

/** A point counts where it is; of an interval each end counts for itself. */
export function check({ right, places, misconceptionMarks }: DrawnNumberLine, { mark }: NumberLineResponse): Verdict {
  if (!isOnLine(mark, places) || "point" in mark !== "point" in right) return unreadable("no-such-option");
  const shown = misconceptionMarks.find((known) => sameMark(known.mark, mark))?.id ?? null;
  if ("point" in mark || "point" in right) return allOrNothing(sameMark(mark, right), shown);
  if (mark.low === null && mark.high === null) return unreadable("empty");
  const earned = sameEnds(mark, right).filter(Boolean).length;
  return { readable: true, earned, possible: 2, misconceptionIds: shown === null || earned === 2 ? [] : [shown] };
}

function isOnLine(mark: LineMark, places: number): boolean {
  const isPlace = (at: number | null) => at === null || (Number.isInteger(at) && at >= 0 && at < places);
  if ("point" in mark) return isPlace(mark.point);
  const crossed = mark.low !== null && mark.high !== null && mark.low > mark.high;
  return isPlace(mark.low) && isPlace(mark.high) && !crossed;
}
