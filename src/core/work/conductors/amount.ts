import { markOfFirstTries } from "../markOfFirstTries";
import type { Conductor } from "./conductor";
import { endOfFixed, nextOfFixed } from "./fixedLength";
import { overAfterTries } from "./overAfterTries";

/**
 * A fixed number of items, picked by hand or drawn, told after each try and tried again as often as was set (usually once more); the mark is the
 * share right at the first try.
 */
export const amount: Conductor = {
  begin: () => ({}),
  next: nextOfFixed,
  take: (given, { tries }) => overAfterTries(tries ?? 2)(given),
  end: endOfFixed,
  tells: { verdict: true, hints: true, count: true },
  endsWhenSure: false,
  standsWhole: false,
  isHandedInWhole: () => false,
  pickable: true,
  mark: markOfFirstTries,
};
