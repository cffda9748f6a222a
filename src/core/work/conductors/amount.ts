import { markOfFirstTries } from "../markOfFirstTries";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";

/**
 * A fixed number of items, picked by hand or drawn, told after each try and tried a second time; the mark is the share right
 * at the first try.
 */
export const amount: Conductor = {
  begin: () => ({}),
  next: nextOfFixed,
  take: overAfterTries(2),
  end: endOfFixed,
  tells: { verdict: true, hints: true, count: true },
  endsWhenSure: false,
  pickable: true,
  mark: markOfFirstTries,
};
