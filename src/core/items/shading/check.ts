import { allOrNothing, unreadable, type Verdict } from "../verdict";
import type { DrawnShading, ShadingResponse } from "./body";

/** Right by the number of shaded parts, whichever they are. None at all is an answer only where the fraction is nought. */
export function check({ parts, right, misconceptionCounts }: DrawnShading, { shaded }: ShadingResponse): Verdict {
  const different = new Set(shaded);
  if (![...different].every((part) => Number.isInteger(part) && part >= 0 && part < parts))
    return unreadable("no-such-option");
  if (different.size === 0 && right > 0) return unreadable("empty");
  return allOrNothing(
    different.size === right,
    misconceptionCounts.find(({ count }) => count === different.size)?.id ?? null,
  );
}
