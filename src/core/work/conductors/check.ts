import { markOfFirstTries } from "../markOfFirstTries";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";
import { USUAL } from "./usual";

/** A fixed number of items, one try each, the same hardness for everybody; nothing is told before it is handed in. */
export const check: Conductor = {
  ...USUAL,
  next: nextOfFixed,
  take: overAfterTries(1),
  end: endOfFixed,
  tells: { verdict: false, hints: false, count: false },
  goesOver: { by: "skills", least: 1, most: 6 },
  mark: markOfFirstTries,
};
